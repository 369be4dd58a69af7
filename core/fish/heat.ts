/**
 * Where fishing for trout stops, C (common practice; local closures are stricter wherever they say so):
 * the kinder limit for every trout (65 F), and the temperature from which no advice is given at all (68 F).
 */
export const KINDER_LIMIT_C = 18.3;
export const NO_FISHING_FROM_C = 20;
