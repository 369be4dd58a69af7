import type { Share } from './stats';

/** Fewer than these say nothing: looks of a group, places of a bin, tries in all (common practice of counting). */
export const LEAST = { looks: 8, places: 20, tries: 20, causes: 8 } as const;
/** Of a hundred seasons without a signal so many may show one. */
export const FALSE_ALARMS = 0.05;

/** too few · as said, or could be chance · clearly more, clearly less. */
export type Verdict = 'too few' | 'even' | 'more' | 'less';

export const verdictOf = (
  { low, high, n }: Pick<Share, 'low' | 'high' | 'n'>,
  against: number,
  least: number,
): Verdict => (n < least ? 'too few' : low > against ? 'more' : high < against ? 'less' : 'even');
