import { metresApart, type Place } from '../grid/index';

/** Two places no farther apart than this are one lie, m (our rule: the room that one trout keeps). */
export const SAME_LIE_M = 1.5;

/** Whether two places are one and the same lie. */
export const sameLie = (a: Place, b: Place): boolean => metresApart(a, b) <= SAME_LIE_M;
