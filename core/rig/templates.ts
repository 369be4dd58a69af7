import {
  mmOfX,
  type Float,
  type FlyLine,
  type FlyOn,
  type Knot,
  type Part,
  type RigPlan,
  type Rod,
  type Section,
  type Stuff,
} from './plan';

const mm = { x3: mmOfX(3), x4: mmOfX(4), x5: mmOfX(5), x6: mmOfX(6) };
const taper = (
  lengthM: number,
  toMm: number,
  fromMm = 0.53,
  use: Section['use'] = 'butt',
): Section => ({
  part: 'section',
  lengthM,
  diameterMm: fromMm,
  endDiameterMm: toMm,
  stuff: 'copolymer',
  use,
  knotAbove: 'loop',
});
const level = (
  lengthM: number,
  diameterMm: number,
  knotAbove: Knot = 'surgeon',
  stuff: Stuff = 'copolymer',
  use: Section['use'] = 'tippet',
): Section => ({ part: 'section', lengthM, diameterMm, stuff, use, knotAbove });
const on = (flyId: string, how: FlyOn['on'] = 'end', next: FlyOn['next'] = 'eye'): FlyOn => ({
  part: 'fly',
  flyId,
  on: how,
  next,
});
const ring = { part: 'ring', massMg: 20 } as const;
const float = (hungM: number, diameterMm = 14): Float => ({
  part: 'float',
  diameterMm,
  hungM,
  colour: 'orange',
});
const rod = (lineWeight: number | null, lengthM: number): Rod => ({ lengthM, lineWeight });
const line = (weight: number): FlyLine => ({ weight, floats: true, diameterMm: 1.1 });

type Build = Pick<RigPlan, 'name' | 'kind' | 'rod' | 'line' | 'parts'>;

/** The usual builds, from the line down (common practice; lengths are the builds). All can be changed. */
const BUILDS = {
  usual: {
    name: 'Plain dry',
    kind: 'dry',
    rod: rod(3, 2.4),
    line: line(3),
    parts: [taper(1.5, 0.15, 0.5), level(1.2, 0.15), on('parachute-14')],
  },
  'usual-dropper': {
    name: 'Dry and dropper',
    kind: 'dry-dropper',
    rod: rod(3, 2.4),
    line: line(3),
    parts: [
      taper(1.5, 0.15, 0.5),
      level(1.2, 0.15),
      on('hair-wing-12', 'line', 'bend'),
      level(0.4, 0.15, 'bend'),
      on('nymph-18-t2'),
    ],
  },
  'usual-float': {
    name: 'Float and nymph',
    kind: 'float',
    rod: rod(3, 2.4),
    line: line(3),
    parts: [taper(1.5, 0.15, 0.5), level(2.1, 0.15), float(0.9), on('nymph-14-t28')],
  },
  'usual-sunk': {
    name: 'One nymph',
    kind: 'tight-line',
    rod: rod(3, 2.4),
    line: line(3),
    parts: [taper(1.5, 0.15, 0.5), level(1.2, 0.15), on('nymph-14-t28')],
  },
  'small-stream': {
    name: 'Small stream dry',
    kind: 'dry',
    rod: rod(3, 2.1),
    line: line(3),
    parts: [taper(2.7, mm.x4), on('beetle-12')],
  },
  pocket: {
    name: 'Pocket dry and dropper',
    kind: 'dry-dropper',
    rod: rod(4, 2.4),
    line: line(4),
    parts: [
      taper(2.7, mm.x3),
      level(0.6, mm.x3),
      level(0.3, mm.x4),
      on('hair-wing-12', 'line', 'bend'),
      level(0.4, mm.x5, 'bend'),
      on('nymph-18-t2'),
    ],
  },
  'clear-flat': {
    name: 'Long leader for clear flats',
    kind: 'dry-dropper',
    rod: rod(4, 2.7),
    line: line(4),
    parts: [
      level(2.1, 0.4, 'loop', 'nylon', 'butt'),
      level(2.1, mm.x3),
      level(0.7, mm.x4),
      on('parachute-14', 'line', 'bend'),
      level(0.7, mm.x5, 'bend'),
      on('nymph-16'),
    ],
  },
  flood: {
    name: 'Spring flood, three flies',
    kind: 'float',
    rod: rod(6, 2.7),
    line: line(6),
    parts: [
      taper(2.7, mm.x3),
      float(2.55, 18),
      { ...ring, part: 'ring' },
      level(0.2, mm.x3, 'ring'),
      on('nymph-10-t38', 'line', 'bend'),
      level(0.275, mm.x4, 'bend'),
      on('nymph-14-t28', 'line', 'bend'),
      level(0.275, mm.x4, 'bend'),
      on('nymph-16'),
    ],
  },
  float: {
    name: 'Float and two nymphs',
    kind: 'float',
    rod: rod(4, 2.7),
    line: line(4),
    parts: [
      taper(1.8, mm.x4),
      level(0.75, mm.x5),
      float(0.9),
      on('nymph-14-t28', 'line', 'bend'),
      level(0.15, mm.x5, 'bend'),
      on('nymph-16'),
    ],
  },
  'two-dries': {
    name: 'Two dries',
    kind: 'two-dries',
    rod: rod(3, 2.4),
    line: line(3),
    parts: [
      taper(2.1, mm.x4),
      level(0.6, mm.x5),
      on('parachute-14', 'line', 'bend'),
      level(0.4, mm.x6, 'bend'),
      on('emerger-16'),
    ],
  },
  'small-char': {
    name: 'Small wild char',
    kind: 'dry-dropper',
    rod: rod(3, 2.1),
    line: line(3),
    parts: [
      taper(2.25, mm.x4),
      on('hair-wing-12', 'line', 'bend'),
      level(0.25, mm.x5, 'bend'),
      on('nymph-16'),
    ],
  },
  'tight-line': {
    name: 'Tight line',
    kind: 'tight-line',
    rod: rod(3, 3.3),
    line: line(3),
    parts: [
      level(5, 0.3, 'loop', 'nylon', 'leader'),
      level(0.5, 0.25, 'blood', 'nylon', 'sighter'),
      { ...ring, part: 'ring' },
      level(0.8, mm.x5, 'ring', 'fluorocarbon'),
      on('nymph-16', { tagM: 0.12, diameterMm: mm.x4, stuff: 'fluorocarbon' }),
      level(0.5, mm.x5, 'surgeon', 'fluorocarbon'),
      on('nymph-14-t28'),
    ],
  },
  'fixed-streamer': {
    name: 'Fixed line and streamer',
    kind: 'fixed-line',
    rod: rod(null, 3.6),
    line: null,
    parts: [
      level(3, 0.33, 'loop', 'nylon', 'leader'),
      level(0.3, 0.3, 'blood', 'nylon', 'leader'),
      level(0.3, 0.3, 'blood', 'nylon', 'sighter'),
      { ...ring, part: 'ring' },
      level(0.25, mm.x3, 'ring'),
      on('streamer-10'),
    ],
  },
  winter: {
    name: 'Winter, slow and deep',
    kind: 'float',
    rod: rod(4, 2.7),
    line: line(4),
    parts: [taper(2.7, mm.x5), level(0.6, mm.x6), float(0.9, 10), on('nymph-18-t2')],
  },
  wind: {
    name: 'Short, for wind',
    kind: 'dry',
    rod: rod(5, 2.7),
    line: line(5),
    parts: [taper(2.25, mm.x4), on('parachute-14')],
  },
} satisfies Record<string, Build>;

export type TemplateId = keyof typeof BUILDS;
export const TEMPLATE_IDS = Object.keys(BUILDS) as TemplateId[];

/** A template as a rig. The same one is the same object, so that who compares sees no change; nobody writes to it. */
const made = new Map<TemplateId, RigPlan>();
export function rigFrom(id: TemplateId): RigPlan {
  const known = made.get(id);
  if (known) return known;
  const build: Build = BUILDS[id];
  const plan: RigPlan = { id, ...build, parts: build.parts.map((p: Part) => ({ ...p })) };
  made.set(id, plan);
  return plan;
}

const USUAL: Record<'dry' | 'dry-dropper' | 'indicator' | 'sunk', TemplateId> = {
  dry: 'usual',
  'dry-dropper': 'usual-dropper',
  indicator: 'usual-float',
  sunk: 'usual-sunk',
};
/** What is fished when no rig was chosen: one leader, with what floats at its end. */
export const usualRig = (fly: keyof typeof USUAL): RigPlan => rigFrom(USUAL[fly]);
