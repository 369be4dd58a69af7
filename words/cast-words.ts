import type { Part } from '../core/chance/index';
import type { RoomAhead } from '../core/cast/index';
import {
  formatDepth,
  formatLength,
  formatSeconds,
  formatSpeed,
  type Reason,
  type UnitSystem,
} from '../core/units/index';
import type {
  CastKind,
  CoverWater,
  Alternative,
  Mend,
  NoShots,
  RoomBehind,
  SnagKind,
  StructureKind,
  WindOnCast,
} from '../core/cast/index';
import type { FlyKind } from '../core/rig/index';
import type { Place } from '../core/grid/index';
import { inHundred } from './names';
import { TOWARD } from './lay-names';

/** How a cast is said. Data comes as reasons; only this file words them. */

const CASTS: Record<CastKind, string> = {
  overhead: 'overhead',
  side: 'from the side, low',
  roll: 'as a roll',
  'water-load': 'lobbed off the water below',
  'bow-and-arrow': 'as bow and arrow',
  'high-stick': 'with a flick',
};
export const castName = (by: CastKind) => CASTS[by];

export const FLY_NAMES: Record<FlyKind, string> = {
  dry: 'Dry fly',
  'dry-dropper': 'Dry and dropper',
  indicator: 'Under an indicator',
  sunk: 'Sunk fly',
};

export const mendName = (m: Mend, units: UnitSystem) =>
  `${TOWARD[m.toward]}-current, ${formatLength(m.amountM, units)}, at ${formatSeconds(m.atS)}`;

/** "True left bank, 3 m below": where a stand is, as the water goes. */
export function standWords(
  stand: Place,
  target: { xM: number; yM: number; headingRad: number } | null,
  side: 'left' | 'right' | 'water',
  units: UnitSystem,
): string {
  const where = side === 'water' ? 'in the water' : `true ${side}`;
  if (!target) return where;
  const ahead =
    (stand.xM - target.xM) * Math.cos(target.headingRad) +
    (stand.yM - target.yM) * Math.sin(target.headingRad);
  if (Math.abs(ahead) < 1) return `${where}, abreast`;
  return `${where}, ${formatLength(Math.abs(ahead), units)} ${ahead > 0 ? 'above' : 'below'}`;
}

export function angleWords(angleRad: number): string {
  const deg = Math.round((angleRad * 180) / Math.PI);
  if (deg <= 15) return 'straight below it: the leader lies over the fish';
  if (deg >= 165) return 'straight above it: line and angler stand in its view';
  if (deg < 60) return `from below, ${deg}° off straight`;
  return deg <= 120 ? 'across the current' : `from above, ${180 - deg}° off straight`;
}

const MET: Record<NonNullable<RoomBehind['met']>, string> = {
  tree: 'a tree',
  bush: 'a bush',
  bank: 'the bank',
};

/** What the back cast has, and what then remains. */
export function roomWords(room: RoomBehind, units: UnitSystem): string {
  if (room.met === null) return 'Open behind.';
  return `${formatLength(room.overheadM, units)} behind, then ${MET[room.met]}.`;
}

/** "roll to 9.6 m, bow and arrow to 5.1 m". */
export function remainingCasts(room: RoomBehind, units: UnitSystem): string {
  const names: [CastKind, string][] = [
    ['overhead', 'overhead'],
    ['side', 'side'],
    ['roll', 'roll'],
    ['water-load', 'off the water, with weight'],
    ['bow-and-arrow', 'bow and arrow'],
    ['high-stick', 'high stick'],
  ];
  return names
    .filter(([kind]) => room.reachM[kind] > 0)
    .map(([kind, name]) => `${name} to ${formatLength(room.reachM[kind], units)}`)
    .join(', ');
}

export function windWords(wind: WindOnCast, known: boolean, units: UnitSystem): string {
  if (!known) return 'Not known where it comes from: taken as none.';
  const parts: string[] = [];
  if (wind.headMps > 0.5) parts.push(`${formatSpeed(wind.headMps, units)} against`);
  if (wind.headMps < -0.5) parts.push(`${formatSpeed(-wind.headMps, units)} behind`);
  if (Math.abs(wind.crossMps) > 0.5)
    parts.push(
      `${formatSpeed(Math.abs(wind.crossMps), units)} across, to your ${wind.crossMps > 0 ? 'right' : 'left'}`,
    );
  const what = parts.length > 0 ? `${parts.join(', ')}.` : 'Hardly any.';
  if (wind.ontoBody)
    return `${what} It blows the fly onto you: cast over the other shoulder, or change sides.`;
  if (wind.advice === 'tilt') return `${what} Tilt the cast: high behind, low in front.`;
  if (wind.advice === 'heavier-line') return `${what} A heavier line.`;
  return wind.advice === 'change-sides' ? `${what} Change sides.` : what;
}

/** Less than this is as good as nothing. */
const UNSEEN = 0.05;

/** What speaks for a shot. */
export function forWords(r: Reason, units: UnitSystem): string {
  const part = r.what as Part;
  if (part === 'clean') return `clean within its reach for ${formatSeconds(r.value)}`;
  if (part === 'seen') return r.value < UNSEEN ? 'out of sight' : 'hardly seen';
  if (part === 'calm')
    return r.value > 1 - UNSEEN
      ? 'the way there alarms nobody'
      : `calm ${inHundred(r.value)} on the way there`;
  if (part === 'lined') return `line ${formatLength(r.value, units)} off the fish`;
  return part === 'lands' ? `an easy cast, ${formatLength(r.value, units)}` : '';
}

/** What speaks against it. */
export function againstWords(r: Reason, units: UnitSystem): string {
  switch (r.what) {
    case 'clean':
      return r.value < NO_DWELL
        ? 'it drags before the fish can have it'
        : `clean within its reach for only ${formatSeconds(r.value)}`;
    case 'seen':
      return `seen while casting, ${inHundred(r.value)}`;
    case 'calm':
      return `the way there leaves it calm only ${inHundred(r.value)}`;
    case 'lined':
      return `the line lies ${formatLength(r.value, units)} from the fish`;
    case 'lands':
      return `lands off it too often at ${formatLength(r.value, units)}`;
    case 'wind':
      return `wind ${formatSpeed(r.value, units)}`;
    case 'wading':
      return 'you must wade';
    case 'boughs':
      return `${inHundred(r.value)} that the fly hangs up in the boughs`;
    case 'landing':
      return 'poor water to land it in';
    default:
      return 'the line lies over wood or rock';
  }
}
const NO_DWELL = 0.3;

const LOSES: Record<Alternative['what'], string> = {
  'straight-from-there': 'A straight line from the same stand',
  'near-bank': 'From the nearest bank abreast',
  'straight-below': 'From straight below',
};

/** "From the nearest bank abreast the tongue takes the line in 0.6 s." */
export function loserWords(l: Alternative, units: UnitSystem): string {
  const who = LOSES[l.what];
  if (l.because.what === 'clean' && l.dragReason?.what === 'tongue-between')
    return `${who}: the tongue, ${formatSpeed(l.dragReason.value, units)}, takes the line in ${formatSeconds(l.cleanS)}.`;
  if (l.because.what === 'clean' && l.dragReason?.what === 'slack-between')
    return `${who}: slow water holds the line, tight in ${formatSeconds(l.cleanS)}.`;
  return `${who}: ${againstWords(l.because, units)}.`;
}

export const NO_SHOTS_WORDS: Record<NoShots['reason'], string> = {
  'no-start': 'No way in: the entry is closed to you. Say where you are in Stalk.',
  'no-stand': 'No place within your reach is left to cast from. Allow a spot or a lay again.',
  'no-lay': 'Every lay has been left out. Allow one again.',
  'fish-on-land': 'The fish is on dry ground at this level.',
  'landing-on-land': 'The fly would land on dry ground. Drag the landing place into the water.',
  'no-look': 'No cast from here offers an honest look.',
};

const SNAGS: Record<SnagKind, string> = {
  log: 'the log',
  rootwad: 'the roots',
  snag: 'the snag',
  weed: 'the weed',
  boulder: 'a boulder',
  overhang: 'the boughs',
  undercut: 'the undercut bank',
};
export const snagName = (kind: SnagKind) => SNAGS[kind];

const STRUCTURES: Record<StructureKind, string> = {
  overhang: 'the boughs',
  undercut: 'the undercut bank',
  log: 'the log',
  rootwad: 'the roots',
  boulder: 'the boulder',
  tree: 'the tree',
  bush: 'the bush',
};
export const structureName = (kind: StructureKind) => STRUCTURES[kind];

export const WATER_NAMES: Record<CoverWater, string> = {
  'own-bank': 'Own bank',
  'foam-line': 'Foam line',
  'far-bank': 'Far bank',
  'still-water': 'Still water',
};

/** So many rods: how lengths are told off on the bank. */
export const inRods = (m: number, rodM: number) => `${(m / rodM).toFixed(1)} rods`;

/** Plan angle as the water and its banks have it. */
export function towardWords(rad: number): string {
  const deg = ((((rad * 180) / Math.PI) % 360) + 360) % 360;
  if (deg < 22.5 || deg >= 337.5) return 'up the valley';
  if (deg < 67.5) return 'up the valley, toward true right';
  if (deg < 112.5) return 'toward true right';
  if (deg < 157.5) return 'down the valley, toward true right';
  if (deg < 202.5) return 'down the valley';
  if (deg < 247.5) return 'down the valley, toward true left';
  return deg < 292.5 ? 'toward true left' : 'up the valley, toward true left';
}

/** "boughs 60 cm over the water, 6 m out". */
export const aheadText = (met: NonNullable<RoomAhead['met']>, units: UnitSystem): string =>
  met.kind === 'boughs'
    ? `boughs ${formatDepth(met.clearanceM, units)} over the water`
    : `a ${met.kind}, ${formatLength(met.clearanceM, units)} high`;
