import { HEAT_SCHOOLS } from '@/core/day/index';
import { array, boolean, mixed, number, object, string } from 'yup';
import { SPECIES } from '@/core/fish/index';
import { METHODS } from '@/core/lies/index';
import {
  BEHAVIOURS,
  CHANGED,
  EVENT_CODES,
  FELL_AT,
  HOOKED_IN,
  INSTANTS_MS,
  LOSS_CAUSES,
  MISS_CAUSES,
  MISSED_SIZES,
  NOTICING_RANGE,
  READING_SOURCES,
  SETTING_RANGE,
  WIND_FROM,
  type KeptRead,
  type TrySnapshot,
  PLACE_WATERS,
} from '@/core/log/index';
import { SKIES } from '@/core/sight/index';
import { isTimeZone } from '@/core/units/index';
import { tackleSchema } from './tackle-schema';
import { HIDING_SCHOOLS } from '@/core/stalk/index';

const range = (what: string, min: number, max: number, unit: string) =>
  number()
    .typeError(
      ({ value }) =>
        `${what} is ${JSON.stringify(value)}; it must be a number from ${min} to ${max} ${unit}.`,
    )
    .required(`${what} is missing; it must be a number from ${min} to ${max} ${unit}.`)
    .min(min, ({ value }) => `${what} is ${value}; it must be ${min} to ${max} ${unit}.`)
    .max(max, ({ value }) => `${what} is ${value}; it must be ${min} to ${max} ${unit}.`);

function possibly(what: string, [min, max, unit]: readonly [number, number, string]) {
  const possible = `${what} must be ${min} to ${max}${unit && ` ${unit}`}.`;
  return number().min(min, possible).max(max, possible);
}

const instant = (what: string) => possibly(what, [...INSTANTS_MS, 'ms']);
const instantOf = (what: string) => range(what, ...INSTANTS_MS, 'ms');

const text = (what: string, most: number) =>
  string().max(most, `${what} is longer than ${most} letters.`);
const oneOf = <T extends string>(what: string, words: readonly T[]) =>
  string().oneOf(
    [...words],
    ({ value }) => `${what} is "${value}"; it must be one of ${words.join(', ')}.`,
  );

export const idSchema = string()
  .matches(/^[A-Za-z0-9-]{1,64}$/, 'The id must be 1 to 64 letters, digits or dashes.')
  .required();

/** Names of changes that are asked for at a time. */
export const MOST_NAMES = 200;
export const changeNamesSchema = object({
  ids: array(idSchema)
    .max(MOST_NAMES, `At most ${MOST_NAMES} names are looked up at a time.`)
    .required(),
}).noUnknown();

/** What tells a row of the book from others, where it need not be an id of ours. */
export const keyText = string().min(1).max(130, 'The id is longer than 130 letters.').required();

export const markSchema = object({
  beatId: idSchema,
  xM: range('x of the fish', -200, 400, 'm'),
  yM: range('y of the fish', -200, 200, 'm'),
  fishDepthM: range('Depth of the fish', 0.02, 4, 'm'),
  headingRad: range('Heading', -7, 7, 'rad'),
  totalLengthCm: range('Length of the fish', 5, 102, 'cm'),
  surety: string()
    .oneOf(['sure', 'likely', 'maybe'] as const, 'How sure must be sure, likely or maybe.')
    .required(),
  // Letters of before marks had these are still taken: the service fills them in.
  behaviour: oneOf('What it does', BEHAVIOURS),
  note: text('The note', 500),
  photoId: string().nullable(),
  seenMs: instant('Time'),
}).noUnknown();

export const riseSchema = object({
  beatId: idSchema,
  seq: range('Number of the rise', 1, 100000, '').integer('Number of the rise must be whole.'),
  atMs: instantOf('Time'),
  xM: range('x of the ring', -200, 400, 'm'),
  yM: range('y of the ring', -200, 200, 'm'),
}).noUnknown();

const timeZone = string()
  .required('The time zone is missing.')
  .test(
    'zone',
    ({ value }) => `The time zone is "${value}"; it must be a name like Europe/Paris or UTC.`,
    isTimeZone,
  );

export const outingSchema = object({
  startMs: instantOf('The start'),
  endMs: instant('The end').nullable().defined(),
  timeZone,
  note: text('The note', 500).defined(),
}).noUnknown();

const measured = (what: string, min: number, max: number, unit: string) => {
  const possible = `${what} must be ${min} to ${max} ${unit}.`;
  return number().nullable().defined().min(min, possible).max(max, possible);
};

export const readingSchema = object({
  outingId: idSchema,
  beatId: idSchema.nullable().defined(),
  takenMs: instantOf('Time'),
  zoneOffsetMin: range('Zone', -900, 900, 'min'),
  waterTempC: measured('Water temperature', 0, 30, '°C'),
  airTempC: measured('Air temperature', -40, 50, '°C'),
  turbidityNtu: measured('Clarity', 0, 200, 'NTU'),
  // Absent in what devices kept since before these were read.
  levelM: possibly('The level', [-5, 10, 'm']).nullable(),
  sky: oneOf('The sky', SKIES).nullable(),
  windMps: possibly('Wind', [0, 40, 'm/s']).nullable(),
  windFrom: oneOf('Where the wind comes from', WIND_FROM).nullable(),
  source: oneOf('Where the reading comes from', READING_SOURCES),
  note: text('The note', 500).defined(),
}).noUnknown();

export const trySchema = object({
  beatId: idSchema.nullable().defined(),
  markId: string().max(64, 'The fish has an id of more than 64 letters.').nullable().defined(),
  readId: idSchema.nullable().notRequired(),
  fly: text('The fly', 80).defined(),
  openedMs: instantOf('Time'),
  zoneOffsetMin: range('Zone', -900, 900, 'min'),
  outing: outingSchema.shape({ id: idSchema }).default(undefined),
  // Requests held on a device since before outings had ids name only their day.
  localDate: string().matches(/^\d{4}-\d{2}-\d{2}$/, 'The date must be like 2026-06-13.'),
  snapshot: mixed<TrySnapshot>().required('What the plan said is missing.'),
}).noUnknown();

export const eventSchema = object({
  device: string().max(64, 'The device is longer than 64 letters.'),
  seq: range('Number of the event', 1, 100000, '').integer('Number of the event must be whole.'),
  code: string()
    .oneOf(
      [...EVENT_CODES],
      ({ value }) => `The event is "${value}"; it must be one of ${EVENT_CODES.join(', ')}.`,
    )
    .required(),
  clientMs: instantOf('Time'),
  zoneOffsetMin: range('Zone', -900, 900, 'min'),
  species: oneOf('The species', SPECIES),
  lengthCm: possibly('Length of the fish', [5, 102, 'cm']),
  girthCm: possibly('Girth of the fish', [3, 80, 'cm']),
  weightG: possibly('Weight of the fish', [1, 20_000, 'g']),
  hookedIn: oneOf('Where it was hooked', HOOKED_IN),
  foughtS: possibly('Seconds fought', [0, 3600, 's']),
  outOfWaterS: possibly('Seconds out of the water', [0, 600, 's']),
  photoId: idSchema.notRequired(),
  kept: boolean(),
  changed: oneOf('What was changed', CHANGED),
  missed: oneOf('Why it was missed', MISS_CAUSES),
  missedSize: oneOf('Size of what was missed', MISSED_SIZES),
  lost: oneOf('Why it was lost', LOSS_CAUSES),
  fellAt: oneOf('Where the cast fell', FELL_AT),
  dragged: boolean(),
  fly: text('The fly', 80),
  note: text('The note', 500),
  undoes: text('The event taken back', 64),
  of: text('The event that is spoken of', 64),
}).noUnknown();

const figure = (what: string, key: keyof typeof SETTING_RANGE) =>
  possibly(what, SETTING_RANGE[key]);
const guess = (what: string, key: keyof typeof NOTICING_RANGE) =>
  possibly(what, NOTICING_RANGE[key]).required(`${what} is missing.`);

export const settingsSchema = object({
  units: string().oneOf(['metric', 'us'] as const, 'Units must be metric or us.'),
  waterTempC: figure('Water temperature', 'waterTempC').nullable(),
  waterTempAt: object({ beatId: idSchema, ms: instantOf('Its time') })
    .noUnknown()
    .nullable()
    .default(undefined),
  legalLimitC: figure('The legal limit', 'legalLimitC').nullable(),
  anglerHeightM: figure('Your height', 'anglerHeightM'),
  anglerMassKg: figure('Your weight', 'anglerMassKg'),
  maxWadeM: figure('Your wading limit', 'maxWadeM'),
  rodM: figure('Your rod', 'rodM'),
  rodHand: oneOf('The rod hand', ['right', 'left']),
  landsWithinHalfMetreToM: figure('Your sure distance', 'landsWithinHalfMetreToM'),
  comfortableM: figure('Your comfortable distance', 'comfortableM'),
  methods: object({
    holding: oneOf('Where fish hold', METHODS).required(),
    castFrom: oneOf('From where to cast', [
      'any-angle',
      'below',
      'above',
      'straight-above',
    ]).required(),
    stay: oneOf('How long to stay', ['computed', 'three-casts', 'its-rhythm']).required(),
    // Absent in what devices kept since before these were asked.
    landing: oneOf('How the fly lands', ['soft', 'hard-draws']),
    worth: oneOf('What a look is worth', ['even', 'largest']),
    working: oneOf('Which way to work', ['up-current', 'down-current']),
    wading: oneOf('Wading', ['never-unless', 'for-the-angle']).required(),
    dropper: oneOf('The dropper', ['cut-when-up', 'keep']).required(),
    hiding: oneOf('Hiding', HIDING_SCHOOLS).required(),
    wind: oneOf('Wind', ['tilt', 'heavier-line', 'change-sides']).required(),
    heat: oneOf('Heat', HEAT_SCHOOLS).required(),
  })
    .default(undefined)
    .noUnknown(),
  species: oneOf('The species', SPECIES),
  fishLengthCm: figure('Length of the fish', 'fishLengthCm'),
  turbidityNtu: figure('Clarity', 'turbidityNtu'),
  sky: oneOf('The sky', SKIES),
  windMps: figure('Wind', 'windMps'),
  windFrom: oneOf('Where the wind comes from', WIND_FROM),
  polarised: boolean(),
  noticing: object({
    widthM: guess('Apparent width of a body', 'widthM'),
    contrastSky: guess('Contrast against the sky', 'contrastSky'),
    contrastBank: guess('Contrast against a bank', 'contrastBank'),
    contrastPlants: guess('Contrast against plants', 'contrastPlants'),
    sunOnAngler: guess('What the sun on you adds', 'sunOnAngler'),
    motionGain: guess('What moving adds', 'motionGain'),
    tauS: guess('Time to alarm', 'tauS'),
    footfall: guess('Weight of footfall', 'footfall'),
  })
    .default(undefined)
    .noUnknown(),
  keepLimit: figure('Fish you may keep', 'keepLimit').integer(
    'Fish you may keep must be a whole number.',
  ),
  localNotes: string().max(2000, 'Your local notes must be at most 2000 letters.'),
  prey: oneOf('What drifts', ['mixed', 'small', 'large'] as const),
  sharpen: oneOf('Sharpening', ['by-itself', 'when-asked']),
  solveOn: oneOf('Where water is solved', ['best', 'device', 'server']),
  tackle: tackleSchema,
}).noUnknown();

const beatName = string()
  .trim()
  .min(1, 'The name is empty; it must be 1 to 120 letters.')
  .max(120, 'The name is longer than 120 letters.');
const streamName = string()
  .trim()
  .min(1, 'The stream needs a name.')
  .max(80, 'The stream is longer than 80 letters.');

export const beatSchema = object({
  stream: text('The stream', 80).required('The stream needs a name.'),
  file: mixed<object>().required('The beat file is missing.'),
  madeFrom: mixed<{ kind: 'sketch'; sketch: object } | { kind: 'survey'; photo: object | null }>(),
  draftId: string().nullable(),
}).noUnknown();

export const beatChangeSchema = object({
  name: beatName,
  streamName,
  putAway: boolean(),
  deleted: boolean(),
}).noUnknown();

export const copySchema = object({ newId: idSchema }).noUnknown();
export const streamSchema = object({
  name: text('The stream', 80).required('The stream needs a name.'),
}).noUnknown();
export const solveSchema = object({
  beatId: idSchema,
  level: text('The level', 20).required('The level is missing.'),
}).noUnknown();

export const draftSchema = object({
  kind: string()
    .oneOf(['sketch', 'survey'] as const, 'A draft is a sketch or a survey.')
    .required(),
  streamName: text('The stream', 80).defined(),
  beatId: string().nullable(),
  body: mixed<object>().required('The draft is empty.'),
}).noUnknown();

const placeAt = object({
  by: string()
    .oneOf(['phone', 'paces', 'tape'] as const, 'A place is set by phone, paces or tape.')
    .required('How the place was set is missing: phone, paces or tape.'),
  lat: number().when('by', { is: 'phone', then: () => range('Latitude', -90, 90, '°') }),
  lon: number().when('by', { is: 'phone', then: () => range('Longitude', -180, 180, '°') }),
  accuracyM: number().when('by', {
    is: 'phone',
    then: () => range('How surely the phone knows', 0, 100_000, 'm'),
  }),
  afterId: string().when('by', { is: 'phone', otherwise: () => idSchema }),
  metres: number().when('by', {
    is: 'phone',
    otherwise: () => range('Metres from the place before', 0, 20_000, 'm'),
  }),
}).noUnknown();

const placeSchema = object({
  streamName: text('The stream', 80).defined(),
  water: oneOf('The water', PLACE_WATERS).required('The kind of water is missing.'),
  count: range('How many such lies', 1, 30, 'lies').integer(
    ({ value }) => `How many such lies is ${value}; it must be a whole number.`,
  ),
  at: placeAt.nullable().default(null),
  photoId: idSchema.nullable().notRequired().default(null),
}).noUnknown();

export const readSchema = object({
  beatId: string().nullable().defined(),
  xM: number().nullable().defined(),
  yM: number().nullable().defined(),
  takenMs: instantOf('Time'),
  zoneOffsetMin: range('Zone', -900, 900, 'min'),
  answers: mixed<KeptRead['answers']>().required('What was told is missing.'),
  result: mixed<KeptRead['result']>().required('The result is missing.'),
  note: text('The note', 500).defined(),
  // Absent in what devices kept since before a read could be a place.
  place: placeSchema.nullable().default(null),
}).noUnknown();

const phoneName = string()
  .trim()
  .min(1, 'The name is empty; it must be 1 to 40 letters.')
  .max(40, 'The name is longer than 40 letters.')
  .required('The phone needs a name.');
export const pairSchema = object({
  code: text('The code', 20).required('The code is missing; it has eight figures, or twelve.'),
  name: phoneName,
}).noUnknown();
export const phoneSchema = object({ name: phoneName }).noUnknown();

/** What a log of tries is asked for, from an address: all of it as one likes. */
export const tryFilterSchema = object({
  beat: text('The beat', 64),
  end: text('What came of it', 20),
  kind: text('The kind of lie', 40),
  from: number().typeError('From must be a time in ms.').min(0, 'From must be 0 or later.'),
  to: number().typeError('To must be a time in ms.').min(0, 'To must be 0 or later.'),
  fly: text('The fly', 80),
});

/** Lines of a table, as they were read: cells by column. */
export const tableSchema = object({
  lines: mixed<{ line: number; cells: Record<string, string> }[]>()
    .required('The lines are missing.')
    .test(
      'lines',
      'The lines must be a list of at most 20000, each with its number and its cells as text.',
      (lines) =>
        Array.isArray(lines) &&
        lines.length <= 20_000 &&
        lines.every(
          (l) =>
            Number.isInteger(l?.line) &&
            l.cells !== null &&
            typeof l.cells === 'object' &&
            Object.values(l.cells).every((c) => typeof c === 'string'),
        ),
    ),
}).noUnknown();
/** In what a beat leaves: longitude and latitude, or metres of its plan; absent: what suits it. */
export const beatFileSchema = object({ frame: oneOf('The frame', ['lonlat', 'plan'] as const) });
