import { array, lazy, mixed, number, object, string } from 'yup';
import {
  BEAD_METALS,
  DRESSINGS,
  FLY_SORTS,
  KNOTS,
  LINE_WEIGHTS,
  RIG_KINDS,
  RIG_LIMITS,
  SECTION_USES,
  STUFFS,
  type Tackle,
} from '@/core/rig/index';

const MOST = { rigs: 60, flies: 300, parts: 24 } as const;

const figure = (what: string, min: number, max: number, unit: string) =>
  number()
    .typeError(`${what} must be a number from ${min} to ${max} ${unit}.`)
    .required(`${what} is missing; ${min} to ${max} ${unit} is possible.`)
    .min(min, ({ value }) => `${what} is ${value}; ${min} to ${max} ${unit} is possible.`)
    .max(max, ({ value }) => `${what} is ${value}; ${min} to ${max} ${unit} is possible.`);
const word = <T extends string>(what: string, words: readonly T[]) =>
  string()
    .oneOf([...words], ({ value }) => `${what} is "${value}"; ${words.join(', ')} are possible.`)
    .required(`${what} is missing.`);
const id = string()
  .matches(/^[A-Za-z0-9-]{1,64}$/, 'An id must be 1 to 64 letters, digits or dashes.')
  .required('An id is missing.');
const name = (what: string) =>
  string().max(80, `${what} is longer than 80 letters.`).required(`${what} needs a name.`);

const WEIGHT = 'A line weight is a whole number from 1 to 8.';
const { mm, lengthM } = RIG_LIMITS;
const thickness = (what: string) => figure(what, mm.min, mm.max, 'mm');
const section = object({
  part: string().required(),
  lengthM: figure('Length of a section', lengthM.min, lengthM.max, 'm'),
  diameterMm: thickness('Thickness'),
  endDiameterMm: thickness('Thickness at the thin end').notRequired(),
  stuff: word('The material', STUFFS),
  use: word('What a section is for', SECTION_USES),
  knotAbove: word('The knot', KNOTS),
  strengthN: figure('Strength', 0.5, 400, 'N').notRequired(),
}).noUnknown();
const tag = object({
  tagM: figure('Length of a tag', 0.02, 0.6, 'm'),
  diameterMm: thickness('Thickness of a tag'),
  stuff: word('The material of a tag', STUFFS),
}).noUnknown();
const PARTS = {
  section,
  ring: object({ part: string().required(), massMg: figure('A ring', 1, 200, 'mg') }).noUnknown(),
  shot: object({
    part: string().required(),
    massMg: figure('Shot', 10, 2000, 'mg'),
    aboveFlyM: figure('Shot above the fly', 0.02, lengthM.max, 'm'),
  }).noUnknown(),
  float: object({
    part: string().required(),
    diameterMm: figure('The float', 5, 40, 'mm'),
    hungM: figure('Below the float', RIG_LIMITS.floatAboveFlyM, lengthM.max, 'm'),
    colour: name('The float’s colour'),
  }).noUnknown(),
  fly: object({
    part: string().required(),
    flyId: id,
    on: lazy((v) =>
      typeof v === 'object' && v !== null ? tag : word('Where a fly is tied', ['line', 'end']),
    ),
    next: word('What the next is tied to', ['eye', 'bend'] as const),
  }).noUnknown(),
} as const;
const part = lazy((v: { part?: unknown } | undefined) => {
  const kind = v?.part;
  return typeof kind === 'string' && kind in PARTS
    ? PARTS[kind as keyof typeof PARTS]
    : mixed().test(
        'part',
        `A part is "${String(kind)}"; ${Object.keys(PARTS).join(', ')} are possible.`,
        () => false,
      );
});

const rig = object({
  id,
  name: name('A rig'),
  kind: word('The kind of rig', RIG_KINDS),
  rod: object({
    lengthM: figure('The rod', RIG_LIMITS.rodM.min, RIG_LIMITS.rodM.max, 'm'),
    lineWeight: number().min(1, WEIGHT).max(LINE_WEIGHTS.length, WEIGHT).integer(WEIGHT).nullable(),
  }).noUnknown(),
  line: object({
    weight: number().oneOf(LINE_WEIGHTS, 'A line weight is 1 to 8.').required(),
    floats: mixed<boolean>().required(),
    diameterMm: figure('The line', 0.3, 2.5, 'mm'),
  })
    .nullable()
    .noUnknown(),
  parts: array(part).max(MOST.parts, `A rig has at most ${MOST.parts} parts.`).required(),
}).noUnknown();

const fly = object({
  id,
  name: name('A fly'),
  sort: word('The kind of fly', FLY_SORTS),
  hookSize: figure('The hook', 2, 24, ''),
  massMg: figure('The weight of a fly', 1, 5000, 'mg').notRequired(),
  bead: object({
    mm: figure('The bead', RIG_LIMITS.bead.min, RIG_LIMITS.bead.max, 'mm'),
    of: word('The bead', BEAD_METALS),
  })
    .nullable()
    .noUnknown(),
  extraMg: figure('Weight wound on', 0, 2000, 'mg'),
  dress: word('The dressing', DRESSINGS),
  colour: word('The colour', ['white', 'orange', 'yellow', 'tan', 'black', 'olive'] as const),
  left: figure('Flies left', 0, 200, '').integer('Flies left must be a whole number.'),
}).noUnknown();

const isIdOrNull = (v: unknown) =>
  v === null || (typeof v === 'string' && /^[A-Za-z0-9-]{1,64}$/.test(v));

/** Flies, rigs and ready rods as a device sends them. */
export const tackleSchema = object({
  box: array(fly).max(MOST.flies, `A box holds at most ${MOST.flies} kinds.`).required(),
  rigs: array(rig).max(MOST.rigs, `At most ${MOST.rigs} rigs are kept.`).required(),
  ready: mixed<Tackle['ready']>()
    .test(
      'two',
      'The rods that are ready must be two ids of rigs, or null.',
      (v: unknown) => Array.isArray(v) && v.length === 2 && v.every(isIdOrNull),
    )
    .required(),
})
  .default(undefined)
  .noUnknown();
