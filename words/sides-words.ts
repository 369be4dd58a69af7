import type { ChangeOrStay, SidesBy } from '../core/moves/index';
import type { FlyKind } from '../core/rig/index';

/** Two rods, rigs or anglers held against one another, said. */

export const BY_WORDS: Record<SidesBy, string> = {
  rig: 'by rig',
  fly: 'by fly',
  phone: 'by phone',
};
const RIGS: Record<FlyKind, string> = {
  dry: 'dry',
  'dry-dropper': 'dry and dropper',
  indicator: 'indicator',
  sunk: 'sunk',
};

export const sideName = (name: string, by: SidesBy, n: number): string => {
  if (by === 'rig') return RIGS[name as FlyKind] ?? 'rig not said';
  if (by === 'fly') return name || 'fly not said';
  return `phone ${n + 1}`;
};

/** "8 (2 to 17)". */
export const perHundred = (r: { best: number; low: number; high: number }): string =>
  `${Math.round(100 * r.best)} (${Math.round(100 * r.low)} to ${Math.round(100 * r.high)})`;

export function verdictWords(
  { verdict, firstBetter }: ChangeOrStay,
  names: readonly string[],
): string {
  if (verdict.kind === 'too few')
    return `${Math.ceil(verdict.needs)} ${Math.ceil(verdict.needs) === 1 ? 'drift' : 'drifts'} more of the one fished less: sooner than that nothing is told.`;
  const sure = Math.round(100 * Math.max(firstBetter, 1 - firstBetter));
  if (verdict.kind === 'change')
    return `All on ${names[verdict.to]}: ${sure} in 100 that it takes more.`;
  const better = names[firstBetter >= 0.5 ? 0 : 1];
  return `${better} may take more, ${sure} in 100. ${
    verdict.needs === null
      ? 'As it goes that will not be known today: fish what you like.'
      : `Some ${verdict.needs} ${verdict.needs === 1 ? 'drift' : 'drifts'} more of each will tell, if it goes on so.`
  }`;
}
