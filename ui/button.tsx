'use client';

import { chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { buttonRecipe } from './recipes-pressed';

/** A pressed thing: `solid` for the one to do next, `line` for the rest, `plain` a word, `icon` a key. */
export const Button = chakra('button', buttonRecipe, { defaultProps: { type: 'button' } });

/** The same two for what leads on: within the application, and out of it (a file). */
export const ButtonLink = chakra(Link, buttonRecipe);
export const ButtonAnchor = chakra('a', buttonRecipe);
