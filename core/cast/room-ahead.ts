import { clamp, memoizeByObject, pointInPolygon, type Place } from '../grid/index';
import { featuresOf, type BeatPlan } from '../formats/index';
import { normalCdf } from '../chance/index';
import { POSTURE, sceneIndex, type Posture, type Scene } from '../sight/index';
import { CAST_KINDS, obstaclesOf, type CastKind, type Obstacle } from './room-behind';

/** What hangs or stands between stand and landing: what hides an angler is in the line's way too. */
export interface RoomAhead {
  /** Free height left over the loop at its worst place, m, by cast; negative: it does not get through. */
  spareM: Record<CastKind, number>;
  /** What is met first by the cast with least room, and where; null where all is open. */
  met: { kind: 'boughs' | Obstacle['kind']; at: Place; clearanceM: number } | null;
  /** Chance that a cast hangs the fly up there, alone and with a dropper below it. */
  risk: Record<CastKind, { plain: number; dropper: number }>;
  /** Boughs low over the way of a lifted rod or over the fish: strike low and to the side. */
  strikeLow: boolean;
}

/**
 * Height of the line on its way, m above the water: from the height it leaves the rod at to that at
 * which it turns over at the fly, and half its loop (our guesses). A side cast lays the loop flat.
 */
const FLIGHT: Record<
  CastKind,
  { tipM: (heightM: number, rodM: number) => number; endM: number; loopM: number }
> = {
  overhead: { tipM: (h, rod) => 0.75 * h + 0.85 * rod, endM: 0.7, loopM: 0.35 },
  side: { tipM: (h) => 0.6 * h, endM: 0.3, loopM: 0.12 },
  roll: { tipM: (h, rod) => 0.6 * h + 0.5 * rod, endM: 0.5, loopM: 0.3 },
  'water-load': { tipM: (h, rod) => 0.6 * h + 0.6 * rod, endM: 0.4, loopM: 0.4 },
  'bow-and-arrow': { tipM: (h) => 0.55 * h, endM: 0.2, loopM: 0.08 },
  'high-stick': { tipM: () => 2.3, endM: 0.05, loopM: 0.05 },
};
const STEP_M = 0.2;
/** Scatter of a cast in height, m; a dropper needs so much more room. */
const HEIGHT_SIGMA_M = 0.15;
const DROPPER_M = 0.3;
/** A rod is lifted to strike through this, m. */
const STRIKE_HEIGHT_M = 2.5;
const STRIKE_NEAR_M = 1;
/** Boughs are this thick above their lowest twigs, m. */
const BOUGH_THICK_M = 4;

interface Hang {
  ring: readonly Place[];
  clearanceM: number;
}

const boughsOf = memoizeByObject((plan: BeatPlan): Hang[] =>
  featuresOf(plan, 'overhang').flatMap((o) =>
    o.shape.type === 'Polygon' ? [{ ring: o.shape.ring, clearanceM: o.clearanceM }] : [],
  ),
);

/** Whether boughs come near the way of the line at all. */
function besideWay(b: Hang, stand: Place, ux: number, uy: number, d: number): boolean {
  let [low, high, first, last] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const p of b.ring) {
    const along = (p.xM - stand.xM) * ux + (p.yM - stand.yM) * uy;
    const aside = -(p.xM - stand.xM) * uy + (p.yM - stand.yM) * ux;
    [low, high] = [Math.min(low, aside), Math.max(high, aside)];
    [first, last] = [Math.min(first, along), Math.max(last, along)];
  }
  return low <= 0 && high >= 0 && first <= d + STRIKE_NEAR_M && last >= 0;
}

/** Nothing in the way. */
const OPEN: RoomAhead = {
  spareM: ofEach(() => Infinity),
  met: null,
  risk: ofEach(() => ({ plain: 0, dropper: 0 })),
  strikeLow: false,
};

function ofEach<T>(of: (cast: CastKind) => T): Record<CastKind, T> {
  return Object.fromEntries(CAST_KINDS.map((c) => [c, of(c)])) as Record<CastKind, T>;
}

/** What each cast meets between a stand and a landing place. */
export function roomAhead(
  scene: Scene,
  stand: Place,
  landing: Place,
  posture: Posture,
  heightM: number,
  rodM: number,
  obstacles: readonly Obstacle[] = obstaclesOf(scene.plan),
): RoomAhead {
  const boughs = boughsOf(scene.plan);
  const d = Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM) || 1;
  const [ux, uy] = [(landing.xM - stand.xM) / d, (landing.yM - stand.yM) / d];
  const upM = heightM * POSTURE[posture].topShare;
  const near = obstacles.filter((o) => {
    const along = (o.xM - stand.xM) * ux + (o.yM - stand.yM) * uy;
    const aside = Math.abs(-(o.xM - stand.xM) * uy + (o.yM - stand.yM) * ux);
    return along > -o.radiusM && along < d + o.radiusM && aside < o.radiusM;
  });
  const over = boughs.filter((b) => besideWay(b, stand, ux, uy, d));
  if (over.length === 0 && near.length === 0) return OPEN;
  const spareM = ofEach(() => Infinity);
  let met: RoomAhead['met'] = null;
  const waterM = sceneHeight(scene, landing);
  for (let s = STEP_M; s <= d + 1e-9; s += STEP_M) {
    const at = { xM: stand.xM + s * ux, yM: stand.yM + s * uy };
    const hang = lowest(over, at);
    const plant = tallest(near, at, scene, waterM);
    if (hang === null && plant === null) continue;
    for (const cast of CAST_KINDS) {
      const { tipM, endM, loopM } = FLIGHT[cast];
      const z = tipM(upM, rodM) + (endM - tipM(upM, rodM)) * (s / d);
      // Under the boughs, or high over them where that can be; over a plant.
      const under = hang === null ? Infinity : hang - (z + loopM);
      const above = hang === null ? Infinity : z - loopM - (hang + BOUGH_THICK_M);
      const past = plant === null ? Infinity : z - loopM - plant.topM;
      const spare = Math.min(hang === null ? Infinity : Math.max(under, above), past);
      spareM[cast] = Math.min(spareM[cast], spare);
      if (cast === 'overhead' && spare < 0 && !met)
        met =
          past < under && plant
            ? { kind: plant.kind, at, clearanceM: plant.topM }
            : { kind: 'boughs', at, clearanceM: hang! };
    }
  }
  const hung = (spare: number) =>
    spare === Infinity ? 0 : 1 - normalCdf(clamp(spare, -3, 3) / HEIGHT_SIGMA_M);
  const risk = ofEach((cast) => ({
    plain: hung(spareM[cast]),
    dropper: hung(spareM[cast] - DROPPER_M),
  }));
  const overFish = [-STRIKE_NEAR_M, 0, STRIKE_NEAR_M].some((off) => {
    const hang = lowest(boughs, { xM: landing.xM - off * ux, yM: landing.yM - off * uy });
    return hang !== null && hang < STRIKE_HEIGHT_M;
  });
  const overAngler = [0, 1, 2].some((off) => {
    const hang = lowest(boughs, { xM: stand.xM + off * ux, yM: stand.yM + off * uy });
    return hang !== null && hang < STRIKE_HEIGHT_M + 1;
  });
  return { spareM, met, risk, strikeLow: overFish || overAngler };
}

function lowest(boughs: readonly Hang[], at: Place): number | null {
  let least: number | null = null;
  for (const b of boughs)
    if ((least === null || b.clearanceM < least) && pointInPolygon(at, b.ring as Place[]))
      least = b.clearanceM;
  return least;
}

function tallest(
  obstacles: readonly Obstacle[],
  at: Place,
  scene: Scene,
  waterM: number,
): { kind: Obstacle['kind']; topM: number } | null {
  let best: { kind: Obstacle['kind']; topM: number } | null = null;
  for (const o of obstacles) {
    const inside = o.ring
      ? pointInPolygon(at, o.ring)
      : Math.hypot(at.xM - o.xM, at.yM - o.yM) < o.radiusM;
    if (!inside) continue;
    const topM = sceneHeight(scene, o) + o.heightM - waterM;
    if (!best || topM > best.topM) best = { kind: o.kind, topM };
  }
  return best;
}

const sceneHeight = (scene: Scene, p: Place) => scene.groundM[sceneIndex(scene, p.xM, p.yM)]!;
