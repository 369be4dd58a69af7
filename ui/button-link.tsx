'use client';

import { chakra } from '@chakra-ui/react';
import Link from 'next/link';
import { buttonRecipe } from './recipes-pressed';

/** What leads on within the application, pressed like a button. */
export const ButtonLink = chakra(Link, buttonRecipe);
