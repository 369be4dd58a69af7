import type { Heat } from '../core/day/index';
import { heldAgain, type LieState, type PackTarget } from '../core/outing/index';
import { clockText, formatLength, formatTemp, type UnitSystem } from '../core/units/index';
import { lieName } from './names';

/** How the outing is said: short, to be read at arm's length. */

/** "Fish 2", "Pocket". */
export const targetWords = (
  target: Pick<PackTarget, 'kind'> | null,
  number: number | null,
): string => (number !== null ? `Fish ${number}` : target?.kind ? lieName(target.kind) : 'Here');

const POSTURE_DO = { stand: 'Stand', crouch: 'Crouch', kneel: 'Kneel', crawl: 'Crawl' } as const;
const SIDE = {
  left: 'on the true left',
  right: 'on the true right',
  water: 'in the water',
} as const;

/** "Kneel on the true left, 6.0 m off." */
export function standTitle(target: PackTarget, units: UnitSystem): string {
  if (!target.shot) return 'Work out your own cast.';
  const { posture, side, distanceM } = target.shot;
  return `${POSTURE_DO[posture]} ${SIDE[side]}, ${formatLength(distanceM, units)} off.`;
}

/** How far on the next stand is from this one, as drawn: from where one stands, else from the lie. */
export function onwardWords(from: PackTarget, to: PackTarget, units: UnitSystem): string {
  const [a, b] = [from.shot?.stand ?? from, to.shot?.stand ?? to];
  const metres = Math.hypot(b.xM - a.xM, b.yM - a.yM);
  return metres < 1
    ? 'from the same place'
    : `${formatLength(metres, units)} ${b.xM > a.xM ? 'up' : 'down'}`;
}

/** "Stop at 18.3 °C", "Stop now". One line; empty sentences are left out. */
export function stopWords(
  heat: Heat,
  tempC: number | null,
  warming: number | null,
  units: UnitSystem,
  /** The day's curve, once there is one: when it comes to the limit, and how likely it is there now. */
  day: { stop: { strong: string; rest: string }; over: number } | null = null,
): { kind: 'quiet' | 'caution'; strong: string; rest: string } {
  const limit = formatTemp(heat.limitC, units);
  if (tempC === null)
    return { kind: 'quiet', strong: `Stop at ${limit}.`, rest: 'Read the water first.' };
  if (heat.kind === 'none')
    return {
      kind: 'caution',
      strong: 'Stop now.',
      rest: `${formatTemp(tempC, units)}: no fishing advice today.`,
    };
  if (heat.kind === 'stop')
    return {
      kind: 'caution',
      strong: 'Stop now.',
      rest: `${formatTemp(tempC, units)}, your limit is ${limit}. Local rules decide.`,
    };
  if (day && day.over >= LIKELY_OVER)
    return {
      kind: 'caution',
      strong: 'Read it now.',
      rest: `By the curve it may be at ${limit}: off the water until it is under.`,
    };
  if (day && heat.kind !== 'near')
    return { kind: 'quiet', strong: day.stop.strong, rest: day.stop.rest };
  const hours = warming !== null && warming > 0.05 ? (heat.limitC - tempC) / warming : null;
  const soon = day
    ? `${day.stop.strong} ${day.stop.rest}`
    : hours !== null && hours < 8
      ? `At this rate in ${hoursWords(hours)}.`
      : '';
  if (heat.kind === 'near')
    return {
      kind: 'caution',
      strong: `Near ${limit}.`,
      rest: `Keep fish in the water, seconds only. ${soon}`.trim(),
    };
  return { kind: 'quiet', strong: `Stop at ${limit}.`, rest: soon };
}

/** The early end of the stop: from here on it is not sure any more that the water is under the limit. */
const LIKELY_OVER = 0.1;

const hoursWords = (hours: number): string =>
  hours < 1
    ? `${Math.max(5, Math.round((60 * hours) / 5) * 5)} minutes`
    : `${hours.toFixed(1)} hours`;

/** "rests until 10:07", "vacant since 10:20: 3 in 10 by 14:00"; null: nothing that has an hour. */
export function stateWords(
  state: LieState,
  home: number,
  nowMs: number,
  zone: string | undefined,
): string | null {
  if (state.kind === 'resting') return `rests until ${clockText(state.untilMs, zone)}.`;
  if (state.kind === 'rested') return 'has rested: back to it.';
  if (state.kind !== 'vacant') return null;
  const since = `vacant since ${clockText(state.sinceMs, zone)}`;
  if (state.backMs === null) return `${since}: no more today.`;
  const byMs = Math.max(state.backMs, nowMs);
  const tenths = Math.round(10 * heldAgain(state, home, byMs));
  return `${since}: ${tenths === 0 ? 'under 1' : tenths} in 10 by ${clockText(byMs, zone)}.`;
}
