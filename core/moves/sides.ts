import { hadFly, standing, type Try } from '../log/index';
import type { Side } from './change-or-stay';

/** By what two halves of a day are told apart. */
export const SIDES_BY = ['rig', 'fly', 'phone'] as const;
export type SidesBy = (typeof SIDES_BY)[number];

/** Drifts and takes of each rig, fly or phone in these tries, most drifts first; what was taken back does not count. */
export function sidesOf(tries: readonly Try[], by: SidesBy): Side[] {
  const sums = new Map<
    string,
    { drifts: number; takes: number; promised: number; known: number }
  >();
  for (const t of tries) {
    const chance = t.snapshot.predicted.chance;
    const clean = chance?.parts.clean ?? 1;
    let fly = t.fly;
    for (const { event, means } of standing(t)) {
      if (means.move === 'changed' && event.fly) fly = event.fly;
      if (!means.isCast) continue;
      const name =
        by === 'rig' ? (t.snapshot.cast?.rig.fly ?? '') : by === 'fly' ? fly : event.device;
      const sum = sums.get(name) ?? { drifts: 0, takes: 0, promised: 0, known: 0 };
      // A drift that was not clean in half of its tries counts half.
      sum.drifts += clean;
      if (hadFly(means)) sum.takes++;
      if (chance) {
        sum.promised += chance.value;
        sum.known++;
      }
      sums.set(name, sum);
    }
  }
  return [...sums]
    .map(([name, s]) => ({
      name,
      drifts: s.drifts,
      takes: s.takes,
      promised: s.known > 0 ? s.promised / s.known : null,
    }))
    .sort((a, b) => b.drifts - a.drifts || (a.name < b.name ? -1 : 1));
}
