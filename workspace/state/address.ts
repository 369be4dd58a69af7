import type { Lay, Mend } from '../../core/cast/index';
import { LEVEL_NAMES, type LevelName } from '../../core/formats/index';
import type { Place } from '../../core/grid/index';
import { POSTURES, type Posture } from '../../core/sight/index';
import type { FlyKind } from '../../core/rig/index';
import { fromCivil, toCivil } from '../../core/units/index';
import { LAYS_POSSIBLE, layText, mendText, parseLay, parseMend } from './lay-text';

export const STEPS = ['day', 'read', 'spot', 'stalk', 'cast', 'log', 'learn', 'bench'] as const;
/** The key of each step: its number, and b for the Bench, which is none of the seven. */
export const stepKey = (step: Step): string =>
  step === 'bench' ? 'b' : String(STEPS.indexOf(step) + 1);
export type Step = (typeof STEPS)[number];

/** What a link holds: enough to give the plan back. Metres, the beat's civil time, two decimals. */
export interface Address {
  step: Step;
  level: LevelName;
  atMs: number;
  lieId: string | null;
  markId: string | null;
  stand: Place | null;
  landing: Place | null;
  lay: Lay;
  /** An on-water mend, if one is meant. */
  mend: Mend | null;
  /** What is at the end of the leader. */
  fly: FlyKind;
  /** The rig that was chosen, by id; null: the one in the hand, or the usual one. */
  rigId: string | null;
  posture: Posture;
  /** Where the angler starts; null: at the beat's entries. */
  from: Place | null;
  /** Places the way must pass, and spots taken out of it. */
  via: Place[];
  out: Place[];
}

const placeText = (p: Place) => `${p.xM.toFixed(2)},${p.yM.toFixed(2)}`;

const idText = (t: string) => (/^[A-Za-z0-9-]{1,64}$/.test(t) ? t : null);
const FLIES: readonly FlyKind[] = ['dry', 'dry-dropper', 'indicator', 'sunk'];

export function formatAddress(beatId: string, a: Address, timeZone?: string): string {
  const query = new URLSearchParams();
  query.set('level', a.level.toLowerCase());
  query.set('at', toCivil(a.atMs, timeZone));
  if (a.markId) query.set('mark', a.markId);
  if (a.lieId) query.set('lie', a.lieId);
  if (a.stand) query.set('stand', placeText(a.stand));
  if (a.landing) query.set('land', placeText(a.landing));
  query.set('lay', layText(a.lay));
  if (a.mend) query.set('mend', mendText(a.mend));
  if (a.fly !== 'dry') query.set('fly', a.fly);
  if (a.rigId) query.set('rig', a.rigId);
  query.set('posture', a.posture);
  if (a.from) query.set('from', placeText(a.from));
  if (a.via.length > 0) query.set('via', a.via.map(placeText).join(';'));
  if (a.out.length > 0) query.set('out', a.out.map(placeText).join(';'));
  return `/b/${beatId}/${a.step}?${query.toString().replaceAll('%2C', ',').replaceAll('%3A', ':').replaceAll('%3B', ';')}`;
}

/** Reads a link. A bad part is dropped with a sentence; the rest stands. */
export function parseAddress(
  step: string,
  query: URLSearchParams,
  base: Address,
  timeZone?: string,
): { address: Address; dropped: string[] } {
  const address = { ...base };
  const dropped: string[] = [];
  const read = <T>(
    name: string,
    parse: (text: string) => T | null,
    keep: (value: T) => void,
    possible: string,
  ) => {
    const text = query.get(name);
    if (text === null) return;
    const value = parse(text);
    if (value === null)
      dropped.push(`The link's ${name} "${text}" was left out: it must be ${possible}.`);
    else keep(value);
  };
  if ((STEPS as readonly string[]).includes(step)) address.step = step as Step;
  else
    dropped.push(`The link's step "${step}" was left out: it must be one of ${STEPS.join(', ')}.`);
  read(
    'level',
    (t) => LEVEL_NAMES.find((n) => n.toLowerCase() === t.toLowerCase()) ?? null,
    (v) => (address.level = v),
    'thin, fair, full or spate',
  );
  read(
    'at',
    (t) => fromCivil(t, timeZone),
    (v) => (address.atMs = v),
    'a time like 2026-06-13T09:40',
  );
  read('mark', idText, (v) => (address.markId = v), 'the id of a mark');
  read('lie', idText, (v) => (address.lieId = v), 'the id of a lie');
  read('stand', parsePlace, (v) => (address.stand = v), 'two numbers of metres like 12.35,-3.10');
  read('land', parsePlace, (v) => (address.landing = v), 'two numbers of metres like 12.35,-3.10');
  read('lay', parseLay, (v) => (address.lay = v), LAYS_POSSIBLE);
  read('mend', parseMend, (v) => (address.mend = v), 'seconds, side and metres like 0.6.up.0.8');
  read(
    'fly',
    (t) => FLIES.find((f) => f === t) ?? null,
    (v) => (address.fly = v),
    FLIES.join(', '),
  );
  read('rig', idText, (v) => (address.rigId = v), 'the id of a rig');
  read(
    'posture',
    (t) => POSTURES.find((p) => p === t) ?? null,
    (v) => (address.posture = v),
    POSTURES.join(', '),
  );
  const several = 'up to 12 places of metres like 12.35,-3.10;14.00,-4.20';
  read('from', parsePlace, (v) => (address.from = v), 'two numbers of metres like 12.35,-3.10');
  read('via', parsePlaces, (v) => (address.via = v), several);
  read('out', parsePlaces, (v) => (address.out = v), several);
  return { address, dropped };
}

function parsePlace(text: string): Place | null {
  const m = /^(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)$/.exec(text);
  if (!m) return null;
  const place = { xM: Number(m[1]), yM: Number(m[2]) };
  return Math.abs(place.xM) < 1000 && Math.abs(place.yM) < 1000 ? place : null;
}

const MOST_PLACES = 12;

function parsePlaces(text: string): Place[] | null {
  const places = text.split(';').map(parsePlace);
  return places.length <= MOST_PLACES && places.every((p) => p !== null) ? places : null;
}
