import type { Lie } from '../../core/lies/index';

/** Which lies are listed and drawn, and in what order they are listed. */
export interface LieFilter {
  kinds: 'all' | KindGroup;
  leastRating: number;
  /** Only lies that keep a fish of this length, cm; 0: all. */
  leastCm: number;
  order: 'up-current' | 'rating' | 'depth' | 'largest' | 'kind';
  /** The largest first. */
  desc: boolean;
}
export const ALL_LIES: LieFilter = {
  kinds: 'all',
  leastRating: 0,
  leastCm: 0,
  order: 'rating',
  desc: true,
};

/** Kinds as an angler sorts water. */
export const KIND_GROUPS = {
  rocks: ['cushion', 'pocket', 'slab-v'],
  current: ['seam', 'tongue-edge', 'foam-line', 'run', 'tail-lip'],
  cover: ['undercut', 'overhang', 'log', 'weed-lane'],
  deep: ['plunge', 'ledge-foot', 'depression'],
  soft: ['eddy', 'margin', 'spring-mouth'],
} as const;
export type KindGroup = keyof typeof KIND_GROUPS;

export const passes = (f: LieFilter, lie: Lie) =>
  (f.kinds === 'all' || (KIND_GROUPS[f.kinds] as readonly string[]).includes(lie.kind)) &&
  lie.rating >= f.leastRating &&
  (f.leastCm === 0 || (lie.largest.keepsCm ?? 0) >= f.leastCm);
