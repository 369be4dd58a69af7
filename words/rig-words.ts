import {
  pulsePassed,
  xOfMm,
  type Due,
  type Fly,
  type Joint,
  type Knot,
  type Part,
  type RigFit,
  type RigNote,
  type RigPlan,
  type RigRefusal,
  type Tackle,
} from '../core/rig/index';
import type { DropperWater, Rung, WorkedFly } from '../core/sink/index';
import {
  formatDepth,
  formatLength,
  formatPull,
  formatSmall,
  formatSpeed,
  formatTemp,
  type UnitSystem,
} from '../core/units/index';

/** Rigs, their parts and what is worth knowing of them, said. */

export const KNOT_NAMES: Record<Knot, string> = {
  nail: 'nail knot',
  loop: 'loops',
  surgeon: 'double knot',
  blood: 'blood knot',
  ring: 'ring',
  clinch: 'clinch',
  bend: 'on the bend',
  tag: 'tag',
};

/** The same where there is little room. */
export const KNOT_SHORT: Record<Knot, string> = {
  nail: 'nail',
  loop: 'loops',
  surgeon: 'double',
  blood: 'blood',
  ring: 'ring',
  clinch: 'clinch',
  bend: 'bend',
  tag: 'tag',
};

const mmWords = (mm: number) => `${mm.toFixed(2)} mm`;
/** A thickness with its X where it has one. */
export function thickness(mm: number): string {
  const x = xOfMm(mm);
  return x > -0.5 && x < 8.5 && Math.abs(x - Math.round(x)) < 0.08
    ? `${mmWords(mm)}, ${Math.round(x)}X`
    : mmWords(mm);
}

/** "nymph 14, tungsten 2.8 mm". */
export function flyWords(fly: Fly): string {
  const bead = fly.bead ? `, ${fly.bead.of} ${fly.bead.mm.toFixed(1)} mm` : '';
  return `${fly.name} ${fly.hookSize}${bead}`;
}

/** What a part is, and its figures. */
export function partWords(
  part: Part,
  tackle: Pick<Tackle, 'box'>,
  units: UnitSystem,
  how: 'whole' | 'short' = 'whole',
): [string, string] {
  if (part.part === 'section') {
    const name =
      part.endDiameterMm !== undefined && part.endDiameterMm < part.diameterMm
        ? 'taper'
        : part.use === 'tippet'
          ? 'tippet'
          : part.use;
    const thick =
      part.endDiameterMm === undefined || part.endDiameterMm === part.diameterMm
        ? thickness(part.diameterMm)
        : `${part.diameterMm.toFixed(2)} to ${thickness(part.endDiameterMm)}`;
    const stuff = how === 'short' ? '' : `, ${part.stuff}`;
    return [`${name} ${formatLength(part.lengthM, units, 2)}`, `${thick}${stuff}`];
  }
  if (part.part === 'ring') return ['ring', `${part.massMg} mg`];
  if (part.part === 'shot')
    return [
      `shot ${(part.massMg / 1000).toFixed(1)} g`,
      `${formatSmall(part.aboveFlyM, units)} above the fly`,
    ];
  if (part.part === 'float')
    return [
      `float ${part.diameterMm} mm`,
      `${formatLength(part.hungM, units, 2)} to the lowest fly`,
    ];
  const fly = tackle.box.find((f) => f.id === part.flyId);
  const tied =
    typeof part.on === 'object'
      ? `tag ${formatSmall(part.on.tagM, units)}`
      : part.on === 'end' || how === 'short'
        ? ''
        : 'in the line';
  return [
    fly ? `${fly.name} ${fly.hookSize}` : part.flyId,
    [fly?.bead ? `${fly.bead.of} ${fly.bead.mm} mm` : '', tied].filter(Boolean).join(', '),
  ];
}

/** Where a joint is: "the bend of the nymph 14". */
export function jointPlace(joint: Joint, plan: RigPlan, tackle: Pick<Tackle, 'box'>): string {
  const part = joint.fly === null ? null : plan.parts[joint.fly];
  const fly = part?.part === 'fly' ? tackle.box.find((f) => f.id === part.flyId) : undefined;
  const name = fly ? `the ${fly.name.toLowerCase()} ${fly.hookSize}` : 'the fly';
  if (joint.what === 'bend') return `the bend of ${name}`;
  if (joint.what === 'fly') return `the knot at ${name}`;
  if (joint.what === 'tag') return `the tag of ${name}`;
  const section = plan.parts[joint.section];
  const use = section?.part === 'section' ? section.use : 'leader';
  return `the ${KNOT_NAMES[joint.knot]} above the ${use}`;
}

export function refusalWords(r: RigRefusal, units: UnitSystem): string {
  const m = (v: number) => formatLength(v, units, 2);
  switch (r.kind) {
    case 'butt-finer':
      return `This section is ${mmWords(r.startMm)} at its thick end and ${mmWords(r.endMm)} at the other: it must not grow thicker toward the fly.`;
    case 'length':
      return `A length of ${m(r.lengthM)} is none: give it more than zero.`;
    case 'thickness':
      return `${mmWords(r.mm)} is no line: 0.08 to 1.20 mm is possible.`;
    case 'bead':
      return `A bead of ${r.mm} mm is none for a trout fly: 1 to ${r.mostMm} mm is possible.`;
    case 'float-too-deep':
      return `The float hangs ${m(r.hungM)} above the fly and the leader has ${m(r.mostM)}: set it less deep.`;
    case 'float-too-low':
      return `A float ${m(r.hungM)} above the fly holds it at the surface: ${m(r.leastM)} is the least.`;
    case 'shot-place':
      return `Shot ${m(r.aboveFlyM)} above the fly is not on this leader of ${m(r.mostM)}.`;
    case 'no-such-fly':
      return 'This fly is not in the box: choose one that is.';
    case 'none-left':
      return `No ${r.name.toLowerCase()} is left in the box: choose another, or say how many are left.`;
    case 'no-line':
      return 'A rod without a line fishes a fixed line only: choose a line, or a fixed line.';
    case 'no-fly':
      return 'There is no fly on it: tie one on.';
    case 'no-leader':
      return 'There is no leader: add a section.';
    case 'rod':
      return `A rod of ${m(r.rodM)} is none: ${m(1.5)} to ${m(4.5)} is possible.`;
  }
}

const passedOn = (root: number) => Math.round(100 * pulsePassed(root));

export function noteWords(
  n: RigNote,
  plan: RigPlan,
  tackle: Pick<Tackle, 'box'>,
  units: UnitSystem,
): string {
  switch (n.kind) {
    case 'weakest':
      return `Breaks first at ${jointPlace(n.joint, plan, tackle)}: ${formatPull(n.joint.strengthN, units)}.`;
    case 'order':
      return `${mmWords(n.belowMm)} hangs below ${mmWords(n.aboveMm)}: it turns over badly, and breaks above.`;
    case 'stiff':
      return `${Math.round(n.x)}X is stiff for ${n.name.toLowerCase()}: ${Math.round(n.fromX)}X to ${Math.round(n.toX)}X lets it move.`;
    case 'fine':
      return `${Math.round(n.x)}X is fine for ${n.name.toLowerCase()}: it spins and breaks; ${Math.round(n.fromX)}X to ${Math.round(n.toX)}X.`;
    case 'hinge':
      return `A hinge: only ${passedOn(n.root)} in 100 of the cast goes on below it. A step between would carry it.`;
    case 'step':
      return `A large step in thickness: ${passedOn(n.root)} in 100 of the cast goes on.`;
    case 'lob':
      return 'Too much hangs on it to turn over: lob it, or load the rod on the water.';
    case 'tip-ring':
      return n.passes
        ? `The ${n.what} goes through the tip ring.`
        : `The ${n.what} stops at the tip ring: walk back, hand-line or beach a fish.`;
  }
}

/** Why a rig fits, with the number that chose it. */
export function fitWords(fit: RigFit, units: UnitSystem): string {
  const v = fit.value;
  switch (fit.by) {
    case 'widthM':
      return `${formatLength(v, units)} wide: short casts, one knot in brush.`;
    case 'overgrown':
      return `${Math.round(100 * v)} in 100 of the banks are overgrown: no back cast.`;
    case 'mostDepthM':
      return `${formatDepth(v, units)} deep: two depths at once.`;
    case 'surfaceMps':
      return `The surface goes ${formatSpeed(v, units)}: a thin line sags and drags least.`;
    case 'turbidityNtu':
      return 'Stained: heavier, darker, shorter.';
    case 'tempC':
      return `${formatTemp(v, units)}: small, slow and deep, and soft takes.`;
    case 'windMps':
      return `Wind of ${formatSpeed(v, units)}: short, and no dropper to tangle.`;
    case 'pockets':
      return `${Math.round(100 * v)} in 100 of its lies are pockets: line off the next current.`;
    case 'flats':
      return `${Math.round(100 * v)} in 100 of it is flat: distance from the line, slack at the fly.`;
    case 'flowShare':
      return `${v.toFixed(1)} times its usual water: soft edges, snags, big pulls.`;
    case 'smallChar':
      return 'Small char: a larger hook spares them, and must float through broken water.';
    case 'rising':
      return 'Fish rise to more than one size: the large one shows where the tiny one is.';
  }
}

export function rungWords(
  r: Rung,
  units: UnitSystem,
): [what: string, number: string, costs: string] {
  switch (r.kind) {
    case 'tuck':
      return ['Tuck the cast', 'fly in first', 'Lands harder. No change of rig.'];
    case 'lead':
      return r.moreM > 0
        ? ['Lead further', `${formatLength(r.moreM, units, 2)} more`, 'Longer to drift clean.']
        : ['Lead less', `${formatLength(-r.moreM, units, 2)} less`, 'Less time to see it.'];
    case 'fly':
      return [
        'Other fly',
        r.fly.bead ? `${r.fly.bead.of}, ${r.fly.bead.mm.toFixed(1)} mm` : 'without weight',
        `${flyWords(r.fly)}, falls ${formatSpeed(r.fallMps, units)}.`,
      ];
    case 'float':
      return r.moreM > 0
        ? [
            'Longer to the float',
            `${formatLength(r.moreM, units, 2)} more`,
            `${formatLength(r.hungM, units, 2)} in all. Takes show later.`,
          ]
        : [
            'Shorter to the float',
            `${formatLength(-r.moreM, units, 2)} less`,
            `${formatLength(r.hungM, units, 2)} in all.`,
          ];
    case 'shot':
      return r.massMg > 0
        ? [
            'Split shot',
            `${(r.massMg / 1000).toFixed(1)} g, ${formatSmall(r.aboveM, units)} up`,
            'Casts badly. Last.',
          ]
        : ['Take the shot off', 'all of it', 'Casts better.'];
  }
}

export function dropperWords(d: DropperWater, units: UnitSystem): string {
  const at = formatSpeed(d.surfaceMps, units);
  switch (d.kind) {
    case 'lies-on-bed':
      return 'What hangs below the dry lies on the bed here: shorten it.';
    case 'too-slow':
      return `Too slow for what hangs below a dry: ${at}, and it takes ${formatSpeed(d.needsMps, units)}. It would hang still, and be looked at.`;
    case 'slow':
      return `Slow for a dropper, ${at}: it barely moves.`;
    case 'well':
      return `Quick enough for a dropper: ${at}.`;
  }
}

const WORKED_NAMES: Record<WorkedFly['kind'], string> = {
  held: 'Held, and jigged by a hand’s breadth',
  swung: 'Swung',
  stripped: 'Stripped',
  twitched: 'Twitched',
};

export function workedWords(w: WorkedFly, units: UnitSystem): [string, string] {
  const d = w.depthM;
  const depth =
    d.best < 0.005
      ? 'at the surface'
      : `${formatDepth(d.best, units)} down (${formatDepth(d.low, units)} to ${formatDepth(d.high, units)})`;
  const stroke = w.strokeM > 0.005 ? `, each stroke ${formatSmall(w.strokeM, units)}` : '';
  const time = w.seconds
    ? `in reach ${w.seconds.low.toFixed(1)} to ${w.seconds.high.toFixed(1)} s`
    : 'in reach as long as the rod stays';
  return [
    WORKED_NAMES[w.kind],
    `${depth}${stroke}; ${time}; half a metre either way of its place.`,
  ];
}

export const DUE_WORDS: Record<Due, string> = {
  knots: 'Look at the knots: run them between the fingers, tie anew what is rough.',
  weed: 'Look at the fly: weed?',
};

/** Whether the water does the back cast for a rig that cannot be turned over. */
export const loadWords = (waterN: number, airN: number): string =>
  waterN >= 0.8 * airN
    ? 'Let it trail below the tip, then draw: the water loads the rod like a back cast, and no room behind is asked.'
    : 'Too little hangs in the water to load the rod: lob it high.';
