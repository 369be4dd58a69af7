/** Hours that the strip holds. */
export const FIRST_HOUR = 4;
export const LAST_HOUR = 22.3;
/** Rows from the top, px, where there is room for all of them. */
export const ROWS = { sunTop: 34, sunBottom: 74, shade: 77, seenTop: 84, seenBelow: 10 };
/** On a low strip only the sun is drawn, between these. */
export const COMPACT_BELOW_PX = 80;

/** Where hours and shares lie on the strip. */
export interface StripScale {
  width: number;
  height: number;
  labelWidth: number;
  perHour: number;
  compact: boolean;
  x(hour: number): number;
  /** A share 0-1 in the lowest row. */
  yShare(share: number): number;
}

export function stripScale(width: number, height: number): StripScale {
  const labelWidth = width < 700 ? 44 : 96;
  const perHour = (width - labelWidth) / (LAST_HOUR - FIRST_HOUR);
  const bottom = height - ROWS.seenBelow;
  return {
    width,
    height,
    labelWidth,
    perHour,
    compact: height < COMPACT_BELOW_PX,
    x: (hour) => labelWidth + (hour - FIRST_HOUR) * perHour,
    yShare: (share) => bottom - share * (bottom - ROWS.seenTop),
  };
}
