'use client';

import { chakra } from '@chakra-ui/react';
import { buttonRecipe } from './recipes-pressed';

/** A pressed thing: `solid` for the one to do next, `line` for the rest, `plain` a word, `icon` a key. */
export const Button = chakra('button', buttonRecipe, { defaultProps: { type: 'button' } });

/** The same for what leads out of the application: a file, another page loaded anew. */
export const ButtonAnchor = chakra('a', buttonRecipe);
