import type { Food, RiseForm, SIZES_MM, Wings } from '../core/moves/index';
import type { UnitSystem } from '../core/units/index';

/** What fish take, said. */

export const FOOD_WORDS: Record<Food, string> = {
  midge: 'midge in the film',
  emerger: 'emerger in the film',
  'mayfly dun': 'mayfly dun on top',
  spinner: 'spent spinner',
  caddis: 'caddis, fluttering',
  stonefly: 'stonefly',
  'ant or beetle': 'ant or beetle',
  hopper: 'hopper',
  'nymph near the top': 'nymph just under the top',
};
export const FORM_WORDS: Record<RiseForm, string> = {
  sip: 'sip',
  swirl: 'swirl',
  splash: 'splash',
  'head and tail': 'head and tail',
};
export const WING_WORDS: Record<Wings, string> = {
  upright: 'upright',
  'flat and spread': 'flat and spread',
  'like a tent': 'like a tent',
  'flat along the back': 'flat along the back',
  'two only': 'two only',
  none: 'none',
};

/** About the hook for a body of so many millimetres (common practice; hooks differ by pattern). */
const HOOK: Record<(typeof SIZES_MM)[number], number> = {
  4: 22,
  6: 18,
  8: 16,
  11: 14,
  16: 10,
  25: 6,
};

/** "8 mm, about a 16". */
export const sizeWords = (mm: number, units: UnitSystem): string => {
  const hook = HOOK[mm as keyof typeof HOOK];
  return `${lengthWords(mm, units)}${hook === undefined ? '' : `, about a ${hook}`}`;
};
export const lengthWords = (mm: number, units: UnitSystem): string =>
  units === 'us' ? `${(mm / 25.4).toFixed(2)} in` : `${mm} mm`;
