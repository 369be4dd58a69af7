import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';
import { RECIPES, SLOT_RECIPES } from './recipes';
import { DIM, LIGHT, type Token } from './tokens';

const colours = Object.fromEntries(
  (Object.keys(LIGHT) as Token[]).map((name) => [
    name,
    { value: { base: LIGHT[name], _dark: DIM[name] } },
  ]),
);
const square = Object.fromEntries(
  ['none', 'xs', 'sm', 'md', 'lg', 'l1', 'l2', 'l3'].map((n) => [n, { value: '0' }]),
);

/**
 * The one system, in the application and in its tests: Chakra under our tokens, square, without shadows,
 * with recipes of our own and none of the package's theme.
 */
export const system = createSystem(
  defaultBaseConfig,
  defineConfig({
    preflight: true,
    theme: {
      tokens: {
        radii: square,
        fonts: { body: { value: 'var(--font-body)' }, heading: { value: 'var(--font-heading)' } },
      },
      semanticTokens: {
        colors: {
          ...colours,
          border: { value: '{colors.rule2}' },
          bg: { value: '{colors.paper}' },
          fg: { value: '{colors.ink}' },
        },
      },
      recipes: RECIPES,
      slotRecipes: SLOT_RECIPES,
    },
  }),
);
