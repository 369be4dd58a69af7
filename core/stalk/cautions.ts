import { featuresOf, distanceToShape, shapePlaces } from '../formats/index';
import type { Species } from '../fish/index';
import type { Place } from '../grid/index';
import type { Scene } from '../sight/index';
import type { StalkWay } from './plan-stalk';
import { bedAt, SLICK } from './walk-grid';

/** What can hurt, or should be left alone, on one way; worded by the interface. */
export type Caution =
  | { kind: 'wading'; deepestM: number; metres: number }
  | { kind: 'slick-bed'; bed: string }
  | { kind: 'cold-water'; waterTempC: number }
  | { kind: 'loose-wood' }
  | { kind: 'falling-timber'; windMps: number }
  | { kind: 'lightning' }
  | { kind: 'spawning-beds' }
  | { kind: 'marked'; note: string; metres: number };

export interface CautionInput {
  waterTempC: number;
  windMps: number;
  sky: 'clear' | 'broken' | 'overcast';
  species: Species;
  /** 1-12, turned round south of the line. */
  northernMonth: number;
}

/** Below this cold shock and numb legs come quickly, C (Golden & Tipton 2002, from memory). */
const COLD_C = 12;
/** Dead limbs come down from about here, m/s: a fresh breeze (common practice). */
const TIMBER_WIND_MPS = 8;
const WOOD_M = 2;
const MARKED_M = 5;
/** Months in which redds lie in the gravel, north of the line (common practice; local dates differ). */
const SPAWNING: Record<Species, readonly number[]> = {
  brown: [10, 11, 12, 1, 2, 3],
  brook: [9, 10, 11, 12, 1, 2, 3],
  rainbow: [2, 3, 4, 5, 6],
  cutthroat: [3, 4, 5, 6, 7],
};

/** Cautions for a way, gravest first. None says that a way without cautions is safe. */
export function cautionsOf(scene: Scene, way: StalkWay, now: CautionInput): Caution[] {
  const out: Caution[] = [];
  const wet = way.legs.filter((l) => l.wading).flatMap((l) => l.places);
  const places = way.moments.map((m) => m.place);
  if (way.wadedM > 0) {
    out.push({ kind: 'wading', deepestM: way.deepestM, metres: way.wadedM });
    if (now.waterTempC < COLD_C) out.push({ kind: 'cold-water', waterTempC: now.waterTempC });
    const slick = wet.map((p) => bedAt(scene.plan, p)).find((b) => SLICK.includes(b));
    if (slick) out.push({ kind: 'slick-bed', bed: slick });
    const gravel = wet.some((p) => ['gravel', 'cobble'].includes(bedAt(scene.plan, p)));
    if (gravel && SPAWNING[now.species].includes(now.northernMonth))
      out.push({ kind: 'spawning-beds' });
  }
  if (now.windMps >= TIMBER_WIND_MPS && passesUnderTree(scene, places))
    out.push({ kind: 'falling-timber', windMps: now.windMps });
  if (near(scene, ['log', 'rootwad', 'snag'], places, WOOD_M)) out.push({ kind: 'loose-wood' });
  if (now.sky !== 'clear') out.push({ kind: 'lightning' });
  for (const h of featuresOf(scene.plan, 'hazard')) {
    const metres = Math.min(...places.map((q) => distanceToShape(q, h.shape)));
    if (metres < MARKED_M) out.push({ kind: 'marked', note: h.note, metres });
  }
  return out;
}

const distance = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);

function near(
  scene: Scene,
  kinds: readonly ('log' | 'rootwad' | 'snag')[],
  places: readonly Place[],
  m: number,
): boolean {
  return kinds.some((kind) =>
    featuresOf(scene.plan, kind).some((f) => places.some((q) => distanceToShape(q, f.shape) < m)),
  );
}

/** A tree falls as far as it is tall. */
const passesUnderTree = (scene: Scene, places: readonly Place[]) =>
  featuresOf(scene.plan, 'tree').some((t) =>
    shapePlaces(t.shape).some((p) => places.some((q) => distance(p, q) < t.heightM)),
  );
