import { CHANCE, nextCover, PARTS, type Part, type ShotChance } from '../core/chance/index';
import type { NoShots, WouldHelp } from '../core/cast/index';
import type { Methods } from '../core/log/index';
import { formatLength, formatSeconds, type UnitSystem } from '../core/units/index';

/** How the chance of an honest look is said, everywhere. */

const of100 = (share: number) => Math.round(100 * share);

export const PART_NAMES: Record<Part, string> = {
  home: 'home',
  calm: 'calm on the way',
  seen: 'unseen casting',
  lands: 'lands on it',
  clean: 'clean long enough',
  lined: 'not lined',
};

/** "61 in 100 that it gets an honest look in three casts (39 to 72)." */
export const lookText = (c: ShotChance): string =>
  `${of100(c.found)} in 100 that it gets an honest look in three casts (${of100(c.low)} to ${of100(c.high)}).`;

/** "If it takes, 67 in 100 that it is hooked." */
export const hookText = (c: ShotChance): string =>
  Number.isFinite(c.tightS)
    ? `If it takes, ${of100(c.hooked)} in 100 that it is hooked: the line is tight ${formatSeconds(c.tightS)} after the lift.`
    : 'If it takes, the lift does not take up the slack: it will hardly be hooked.';

/** The parts on one line, each of 100. */
export const partsText = (c: ShotChance): string =>
  `${PARTS.map((p) => `${PART_NAMES[p]} ${of100(c.parts[p])}`).join(' · ')} · what is left out ${of100(CHANCE.leftOut)}`;

const HELD: Record<Exclude<Part, 'clean' | 'home'>, string> = {
  calm: 'the way there alarms it',
  seen: 'it sees you casting',
  lands: 'the cast lands off it',
  lined: 'the line comes down on it',
};

/** "Held back: drags; 1.1 s within its reach, it needs 1.4 s." */
export function heldBackText(
  c: Pick<ShotChance, 'heldBack'>,
  dwell: { hasS: number; needsS: number } | null,
): string {
  if (c.heldBack === 'home') return 'Held back: it may not be there at all.';
  if (c.heldBack !== 'clean') return `Held back: ${HELD[c.heldBack]}.`;
  return dwell
    ? `Held back: the fly drags. Clean within its reach for ${formatSeconds(dwell.hasS)}; it needs ${formatSeconds(dwell.needsS)}.`
    : 'Held back: the fly drags.';
}

const WOULD: Record<WouldHelp['change'], (units: UnitSystem) => string> = {
  'longer-rod': (u) => `a rod longer by ${formatLength(0.6, u, 1)}`,
  wade: () => 'wading, where it is safe',
  'soft-light': () => 'an hour of soft light',
  'no-wind': () => 'waiting for the wind to drop',
};

/** No cast offers an honest look: said so, and what would change it. */
export function noLookText(no: NoShots, units: UnitSystem): string[] {
  const { best, wouldHelp = [] } = no;
  if (!best) return [];
  const helps = wouldHelp.map((h) => `${WOULD[h.change](units)} (${of100(h.value)} in 100)`);
  return [
    `No cast from here offers an honest look: the best has ${of100(best.value)} in 100. ${heldBackText(best, null)}`,
    helps.length > 0
      ? `What would change it: ${helps.join('; ')}.`
      : 'Neither a longer rod, nor wading, nor softer light, nor less wind changes it.',
    'Not tried here: another level, the other bank, or waiting until it moves.',
  ];
}

/** Casts worth making before the next is worth under a third of the first. */
export function coversWorth(c: ShotChance): number {
  if (c.look <= 0) return 1;
  let n = 1;
  while (n < MOST_COVERS && nextCover(c, n) >= WORTH_SHARE * nextCover(c, 0)) n++;
  return n;
}
const MOST_COVERS = 6;
const WORTH_SHARE = 1 / 3;

/** How long to stay, as the angler's school has it. */
export function stayText(stay: Methods['stay'], c: ShotChance | null): string {
  if (stay === 'three-casts') return 'Three good casts, then on.';
  if (stay === 'its-rhythm') return 'Cast when it is due to rise; as long as it feeds, stay.';
  if (!c) return 'Three clean ones, then rest it and look again.';
  const n = coversWorth(c);
  return `${n === 1 ? 'One cast' : `${n} casts`}: the next is worth under a third of the first. Then rest it, or go on.`;
}
