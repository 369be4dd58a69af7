import type { Rig } from '../rig/index';
import { distanceToPolyline, pointInPolygon, type Place } from '../grid/index';
import { featuresOf, shapePlaces, type BeatPlan } from '../formats/index';
import type { Scene } from '../sight/index';
import { foamLines, sampleSurface, surfaceCurrent } from '../water/index';
import { FINENESS } from './drift-band';
import { LAY_DEFAULTS, castTip, type Lay } from './lays';
import { simulateDrift } from './simulate-drift';

/** One place to put the fly, in its turn. Lengths are from the stand, as the angler measures them. */
export interface Cover {
  place: Place;
  distanceM: number;
  /** Beyond the cover before it, m; null for the first. */
  moreM: number | null;
}

/** Feet as the rule has them: short by three, then two more, then one (common practice). */
const FT = 0.3048;
const SHORT_M = 3 * FT;
const STEPS_M = [2 * FT, 1 * FT] as const;

/**
 * Cover order at one fish: first short of the structure by two to three feet, then two more, then
 * one, along the cast, so that no line lies where the fly has not been.
 */
export function coverOrder(stand: Place, landing: Place): Cover[] {
  const d = Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM) || 1;
  const at = (distanceM: number, moreM: number | null): Cover => ({
    place: {
      xM: stand.xM + ((landing.xM - stand.xM) * distanceM) / d,
      yM: stand.yM + ((landing.yM - stand.yM) * distanceM) / d,
    },
    distanceM,
    moreM,
  });
  const first = Math.max(0.5 * d, d - SHORT_M);
  return [at(first, null), at(first + STEPS_M[0], STEPS_M[0]), at(d, d - first - STEPS_M[0])];
}

export type StructureKind =
  'overhang' | 'undercut' | 'log' | 'rootwad' | 'boulder' | 'tree' | 'bush';

/** What the fish lies under or against, if anything is within a metre. */
export function structureAt(plan: BeatPlan, p: Place, nearM = 1): StructureKind | null {
  for (const kind of ['overhang', 'log', 'rootwad', 'tree', 'bush', 'boulder'] as const) {
    for (const f of featuresOf(plan, kind)) {
      const reach =
        nearM +
        ('diameterM' in f ? f.diameterM / 2 : 'crownM' in f ? (f.crownM ?? 2) / 2 - nearM : 0);
      if (f.shape.type === 'Polygon' && pointInPolygon(p, f.shape.ring)) return kind;
      if (distanceToPolyline(p, shapePlaces(f.shape)) <= reach) return kind;
    }
  }
  for (const f of featuresOf(plan, 'bank'))
    if (f.form === 'undercut' && distanceToPolyline(p, shapePlaces(f.shape)) <= nearM)
      return 'undercut';
  return null;
}

export const WATERS = ['own-bank', 'foam-line', 'far-bank', 'still-water'] as const;
export type CoverWater = (typeof WATERS)[number];

/** One cover of a pool, with the lay that drifts longer there and for how long. */
export interface PoolCover extends Cover {
  water: CoverWater;
  lay: Lay;
  cleanS: number;
}

const ALONG_M = 1.2;
const FROM_BANK_M = 0.6;
const STILL_MPS = 0.1;
const NEAREST_M = 2;
const LEAST_DEPTH_M = 0.1;
const MOST_EACH = 8;
const FOLLOWED_S = 5;
const TRIED: readonly Lay[] = [
  { kind: 'straight' },
  { kind: 'reach', toward: 'up-current', amountM: LAY_DEFAULTS.reachM },
];

/**
 * A grid of covers for the water within reach of a stand, in order: own bank, foam line, far bank,
 * still water; in each the nearer and lower first (common practice).
 */
export function coverGrid(
  scene: Scene,
  stand: Place,
  rod: { rodM: number; rig: Rig },
  reachM: number,
): PoolCover[] {
  const out: PoolCover[] = [];
  const taken: Place[] = [];
  const banks = bankPlaces(scene, stand, reachM);
  const by: Record<CoverWater, Place[]> = {
    'own-bank': banks.own,
    'foam-line': foamLines(scene.flow).flatMap((r) => every(r.places, ALONG_M)),
    'far-bank': banks.far,
    'still-water': stillPlaces(scene, stand, reachM),
  };
  for (const water of WATERS) {
    const near = by[water]
      .map((place) => ({ place, d: apart(stand, place) }))
      .filter((c) => c.d >= NEAREST_M && c.d <= reachM && deepEnough(scene, c.place))
      // Nearer first, and of two as near the lower.
      .sort((a, b) => Math.round(a.d) - Math.round(b.d) || a.place.xM - b.place.xM);
    let count = 0;
    for (const { place, d } of near) {
      if (count === MOST_EACH || taken.some((t) => apart(t, place) < 0.8 * ALONG_M)) continue;
      taken.push(place);
      count++;
      const before = out[out.length - 1];
      const moreM = before ? d - before.distanceM : null;
      out.push({ water, place, distanceM: d, moreM, ...longer(scene, stand, place, rod) });
    }
  }
  return out;
}

const apart = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);

function longer(
  scene: Scene,
  stand: Place,
  landing: Place,
  { rodM, rig }: { rodM: number; rig: Rig },
) {
  let best: { lay: Lay; cleanS: number } = { lay: TRIED[0]!, cleanS: 0 };
  for (const lay of TRIED) {
    const tip = castTip(stand, landing, rodM, lay.kind);
    const drift = simulateDrift(scene.flow, {
      rig,
      ...FINENESS.quick,
      tip,
      stand,
      landing,
      lay,
      seconds: FOLLOWED_S,
      stopAtDrag: true,
    });
    if (drift.status === 'ok' && drift.cleanS > best.cleanS) best = { lay, cleanS: drift.cleanS };
  }
  return best;
}

const deepEnough = ({ flow }: Scene, p: Place) => {
  const i = Math.round((p.xM - flow.x0M) / flow.cellM);
  const j = Math.round((p.yM - flow.y0M) / flow.cellM);
  return (
    i >= 0 && j >= 0 && i < flow.nx && j < flow.ny && flow.depthM[j * flow.nx + i]! >= LEAST_DEPTH_M
  );
};

/** Along both banks, a little out from the waterline of the water as it is. */
function bankPlaces(scene: Scene, stand: Place, reachM: number): { own: Place[]; far: Place[] } {
  const { flow } = scene;
  const sides: { low: Place[]; high: Place[] } = { low: [], high: [] };
  const step = Math.max(1, Math.round(ALONG_M / flow.cellM));
  let middle = 0;
  let count = 0;
  for (let i = 0; i < flow.nx; i += step) {
    const xM = flow.x0M + i * flow.cellM;
    if (Math.abs(xM - stand.xM) > reachM) continue;
    let lo = -1;
    let hi = -1;
    for (let j = 0; j < flow.ny; j++) {
      if (flow.depthM[j * flow.nx + i]! < LEAST_DEPTH_M) continue;
      if (lo < 0) lo = j;
      hi = j;
    }
    if (lo < 0) continue;
    const [a, b] = [flow.y0M + lo * flow.cellM, flow.y0M + hi * flow.cellM];
    middle += 0.5 * (a + b);
    count++;
    sides.low.push({ xM, yM: Math.min(b, a + FROM_BANK_M) });
    sides.high.push({ xM, yM: Math.max(a, b - FROM_BANK_M) });
  }
  const ownIsLow = count === 0 || stand.yM < middle / count;
  return ownIsLow ? { own: sides.low, far: sides.high } : { own: sides.high, far: sides.low };
}

/** Slow surface anywhere within reach, thinned to the spacing along. */
function stillPlaces(scene: Scene, stand: Place, reachM: number): Place[] {
  const current = surfaceCurrent(scene.flow);
  const s = { depthM: 0, u: 0, v: 0 };
  const out: Place[] = [];
  for (let dx = -reachM; dx <= reachM; dx += ALONG_M) {
    for (let dy = -reachM; dy <= reachM; dy += ALONG_M) {
      const p = { xM: stand.xM + dx, yM: stand.yM + dy };
      sampleSurface(current, p.xM, p.yM, s);
      if (s.depthM > 0 && Math.hypot(s.u, s.v) < STILL_MPS) out.push(p);
    }
  }
  return out;
}

/** Places of a line at least `stepM` apart. */
function every(line: readonly Place[], stepM: number): Place[] {
  const out: Place[] = [];
  for (const p of line) {
    const last = out[out.length - 1];
    if (!last || apart(last, p) >= stepM) out.push(p);
  }
  return out;
}
