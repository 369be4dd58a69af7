/** A phone's paper in recipes, the same as in `use-phone.ts` and the style sheets; a thumb's size on it. */
export const PHONE = '@media (max-width: 699px), (max-height: 499px)';
export const THUMB = { minHeight: '44px', fontSize: '16px' } as const;
