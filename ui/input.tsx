'use client';

import { chakra } from '@chakra-ui/react';
import { inputRecipe, textAreaRecipe } from './recipes-pressed';

/** What is typed, on a line: a `figure`, or `words`. */
export const TextInput = chakra('input', inputRecipe);

/** Several lines of words. */
export const TextArea = chakra('textarea', textAreaRecipe);
