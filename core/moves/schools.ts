import type { Happening, Move, MoveQuestion } from './next-move';

/** Ways in which anglers settle it without sums, all common practice. */
export const MOVE_SCHOOLS = [
  'three and on',
  'stay',
  'depth first',
  'fly first',
  'rest first',
] as const;
export type MoveSchool = (typeof MOVE_SCHOOLS)[number];

const COVERED: readonly Happening[] = ['nothing', 'looked', 'turned', 'missed', 'rise'];
const SHOWED: readonly Happening[] = ['looked', 'turned', 'missed', 'down'];
/** So many covers, then something else. */
const THREE = 3;

/** What each school would do now. */
export function schoolMoves(q: MoveQuestion): Record<MoveSchool, Move> {
  const { happened, situation: s, cannot = [] } = q;
  const isCover = (h: Happening) => COVERED.includes(h);
  const covers = happened.filter((h) => isCover(h)).length;
  const lastChange = findLast(happened, (h) => !isCover(h));
  const sinceChange = happened.slice(lastChange + 1).filter((h) => isCover(h)).length;
  const last = happened.at(-1);
  const again: Move = { kind: 'again' };
  const tried = (what: 'depth' | 'fly') => happened.filter((h) => h === what).length;
  const after = (what: 'depth' | 'fly', then: 'depth' | 'fly'): Move => {
    if (sinceChange < THREE && last !== 'turned') return again;
    if (tried(what) < THREE && !cannot.includes(what)) return { kind: what };
    return tried(then) < THREE && !cannot.includes(then) ? { kind: then } : { kind: 'leave' };
  };
  return {
    'three and on': covers < THREE ? again : { kind: 'leave' },
    stay: s.seen === 'rising' ? { kind: 'beat' } : again,
    'depth first': after('depth', 'fly'),
    'fly first': after('fly', 'depth'),
    'rest first':
      last !== undefined && SHOWED.includes(last) ? { kind: 'rest', minutes: 5 } : again,
  };
}

function findLast<T>(all: readonly T[], test: (x: T) => boolean): number {
  for (let i = all.length - 1; i >= 0; i--) if (test(all[i]!)) return i;
  return -1;
}
