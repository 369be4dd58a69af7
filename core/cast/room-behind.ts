import { wrapAngle, type Place } from '../grid/index';
import { featuresOf, shapePlaces, type BeatPlan } from '../formats/index';
import { POSTURE, sceneIndex, type Posture, type Scene } from '../sight/index';
import { layReachM, type LayKind } from './lays';

/** What stands behind the angler: a circle of crown, or a ring of bush, from the ground to its top. */
export interface Obstacle {
  kind: 'tree' | 'bush';
  xM: number;
  yM: number;
  radiusM: number;
  /** A polygon's edge; null for a circle. */
  ring: Place[] | null;
  heightM: number;
}

/** How a line is thrown, the one that wants most room first. */
export const CAST_KINDS = [
  'overhead',
  'side',
  'roll',
  'water-load',
  'bow-and-arrow',
  'high-stick',
] as const;
export type CastKind = (typeof CAST_KINDS)[number];

export interface RoomRay {
  /** Plan angle in which the back cast goes. */
  bearingRad: number;
  /** Free length behind the angler for an overhead and a side cast, m, held at `LOOKED_BEHIND_M`. */
  overheadM: number;
  sideM: number;
  /** What ends the overhead room, and where; null where nothing does. */
  met: 'tree' | 'bush' | 'bank' | null;
}

export interface RoomBehind {
  /** Rays of the fan, the middle one straight behind. */
  rays: RoomRay[];
  /** Room over the whole fan, m. */
  overheadM: number;
  sideM: number;
  /** How far each cast still reaches from the stand, m; 0 where it cannot be made. */
  reachM: Record<CastKind, number>;
  met: RoomRay['met'];
}

/** Rays are followed this far, and the fan opens this much to either side. */
export const LOOKED_BEHIND_M = 16;
const FAN_RAD = (12 * Math.PI) / 180;
const RAYS = 7;
/** A loop is this wide: half of it to each side of a ray, m (our guess). */
const LOOP_HALF_M = 0.3;
/** A crown without a size of its own, m. */
const DEFAULT_CROWN_M = 2;
/**
 * Height of the line behind: an overhead cast goes back from the raised tip and falls this much a
 * metre; a side cast goes at the height of the hand (our guesses).
 */
const OVERHEAD = { handShare: 0.75, rodShare: 0.85, fallPerM: 0.12 } as const;
const SIDE = { handShare: 0.55, fallPerM: 0.02 } as const;
/** A lob off the water reaches so many rods (our guess). */
const WATER_LOAD_RODS = 2.8;
/** Ground behind is looked at in steps of this, m. */
const GROUND_STEP_M = 0.5;

export function obstaclesOf(plan: BeatPlan): Obstacle[] {
  const out: Obstacle[] = [];
  for (const kind of ['tree', 'bush'] as const) {
    for (const f of featuresOf(plan, kind)) {
      const places = shapePlaces(f.shape);
      const ring = f.shape.type === 'Polygon' ? f.shape.ring : null;
      const xM = ring ? mean(places.map((p) => p.xM)) : places[0]!.xM;
      const yM = ring ? mean(places.map((p) => p.yM)) : places[0]!.yM;
      const radiusM = ring
        ? Math.max(...places.map((p) => Math.hypot(p.xM - xM, p.yM - yM)))
        : (f.crownM ?? DEFAULT_CROWN_M) / 2;
      out.push({ kind, xM, yM, radiusM, ring, heightM: f.heightM });
    }
  }
  return out;
}

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;

/**
 * Distance along a ray at which it first comes within the loop's half width of an obstacle, m; null
 * when it never does within `farM`. Inside it already: 0.
 */
export function rayMeets(
  from: Place,
  bearingRad: number,
  o: Obstacle,
  farM: number,
): number | null {
  const ux = Math.cos(bearingRad);
  const uy = Math.sin(bearingRad);
  const reach = o.radiusM + LOOP_HALF_M;
  const cx = o.xM - from.xM;
  const cy = o.yM - from.yM;
  const along = cx * ux + cy * uy;
  const aside2 = cx * cx + cy * cy - along * along;
  const half2 = reach * reach - aside2;
  if (half2 < 0) return null;
  const half = Math.sqrt(half2);
  if (along + half < 0 || along - half > farM) return null;
  if (!o.ring) return Math.max(0, along - half);
  return ringMeets(from, ux, uy, o.ring, farM);
}

/** The same for a ring: where the ray comes within the half width of an edge or corner. */
function ringMeets(
  from: Place,
  ux: number,
  uy: number,
  ring: Place[],
  farM: number,
): number | null {
  let first = Infinity;
  for (let i = 0; i < ring.length; i++) {
    const a = ring[i]!;
    const b = ring[(i + 1) % ring.length]!;
    // Along and across the ray: the edge is clipped to the strip |across| <= half width.
    const [ap, aq] = alongAcross(from, ux, uy, a);
    const [bp, bq] = alongAcross(from, ux, uy, b);
    let lo = 0;
    let hi = 1;
    const dq = bq - aq;
    if (Math.abs(dq) < 1e-12) {
      if (Math.abs(aq) > LOOP_HALF_M) continue;
    } else {
      const t1 = (-LOOP_HALF_M - aq) / dq;
      const t2 = (LOOP_HALF_M - aq) / dq;
      lo = Math.max(lo, Math.min(t1, t2));
      hi = Math.min(hi, Math.max(t1, t2));
      if (lo > hi) continue;
    }
    const p1 = ap + lo * (bp - ap);
    const p2 = ap + hi * (bp - ap);
    if (Math.max(p1, p2) < 0) continue;
    first = Math.min(first, Math.max(0, Math.min(p1, p2)));
  }
  return first <= farM ? first : null;
}

const alongAcross = (from: Place, ux: number, uy: number, p: Place): [number, number] => {
  const dx = p.xM - from.xM;
  const dy = p.yM - from.yM;
  return [dx * ux + dy * uy, -dx * uy + dy * ux];
};

export interface RoomInput {
  stand: Place;
  /** Plan angle of the cast; the back cast goes the other way. */
  aimRad: number;
  posture: Posture;
  heightM: number;
  rodM: number;
  leaderM: number;
  /** How far behind is looked, m; default `LOOKED_BEHIND_M`. */
  farM?: number;
}

/** Room that a roll cast wants behind for its loop, m (common practice). */
const ROLL_ROOM_M = 1.5;

/** The back cast's fan against trees, bushes and bank height, and which casts it leaves. */
export function roomBehind(
  scene: Scene,
  obstacles: readonly Obstacle[],
  input: RoomInput,
): RoomBehind {
  const { stand, rodM, leaderM } = input;
  const back = input.aimRad + Math.PI;
  const foot = scene.groundM[sceneIndex(scene, stand.xM, stand.yM)]!;
  const body = POSTURE[input.posture].topShare * input.heightM;
  const overhead = foot + OVERHEAD.handShare * body + OVERHEAD.rodShare * rodM;
  const side = foot + SIDE.handShare * body;
  const farM = input.farM ?? LOOKED_BEHIND_M;
  const near = obstacles.filter(
    (o) => Math.hypot(o.xM - stand.xM, o.yM - stand.yM) < farM + o.radiusM + LOOP_HALF_M,
  );
  const rays: RoomRay[] = [];
  for (let n = 0; n < RAYS; n++) {
    const bearingRad = wrapAngle(back + FAN_RAD * ((2 * n) / (RAYS - 1) - 1));
    rays.push(oneRay(scene, near, stand, bearingRad, overhead, side, farM));
  }
  const least = rays.reduce((a, b) => (b.overheadM < a.overheadM ? b : a));
  const overheadM = least.overheadM;
  const sideM = Math.min(...rays.map((r) => r.sideM));
  return {
    rays,
    overheadM,
    sideM,
    met: least.met,
    reachM: {
      overhead: reachWith(overheadM, rodM, leaderM),
      side: reachWith(sideM, rodM, leaderM),
      roll: Math.max(overheadM, sideM) >= ROLL_ROOM_M ? layReachM('roll', rodM, leaderM) : 0,
      'water-load': WATER_LOAD_RODS * rodM,
      'bow-and-arrow': layReachM('bow-and-arrow', rodM, leaderM),
      'high-stick': layReachM('high-stick', rodM, leaderM),
    },
  };
}

/** A back cast of a line this long reaches as far in front, with the rod; 0 where not even the leader clears. */
const reachWith = (roomM: number, rodM: number, leaderM: number) =>
  roomM >= leaderM ? roomM + rodM : 0;

function oneRay(
  scene: Scene,
  obstacles: readonly Obstacle[],
  stand: Place,
  bearingRad: number,
  overheadZ: number,
  sideZ: number,
  farM: number,
): RoomRay {
  const ray: RoomRay = {
    bearingRad,
    overheadM: farM,
    sideM: farM,
    met: null,
  };
  for (const o of obstacles) {
    const at = rayMeets(stand, bearingRad, o, Math.max(ray.overheadM, ray.sideM));
    if (at === null) continue;
    const base = scene.groundM[sceneIndex(scene, o.xM, o.yM)]!;
    if (base + o.heightM > overheadZ - OVERHEAD.fallPerM * at && at < ray.overheadM) {
      ray.overheadM = at;
      ray.met = o.kind;
    }
    if (base + o.heightM > sideZ - SIDE.fallPerM * at && at < ray.sideM) ray.sideM = at;
  }
  const ux = Math.cos(bearingRad);
  const uy = Math.sin(bearingRad);
  for (let d = GROUND_STEP_M; d < Math.max(ray.overheadM, ray.sideM); d += GROUND_STEP_M) {
    const z = scene.groundM[sceneIndex(scene, stand.xM + ux * d, stand.yM + uy * d)]!;
    if (z > sideZ - SIDE.fallPerM * d && d < ray.sideM) ray.sideM = d;
    if (z > overheadZ - OVERHEAD.fallPerM * d && d < ray.overheadM) {
      ray.overheadM = d;
      ray.met = 'bank';
    }
  }
  return ray;
}

/** Which cast throws a lay this far here: the first that reaches; null when none does. */
export function castFor(
  kind: LayKind,
  distanceM: number,
  room: Pick<RoomBehind, 'reachM'>,
  mayWaterLoad = false,
): CastKind | null {
  if (kind === 'roll') return distanceM <= room.reachM.roll ? 'roll' : null;
  if (kind === 'bow-and-arrow' || kind === 'high-stick')
    return distanceM <= room.reachM[kind] ? kind : null;
  if (distanceM <= room.reachM.overhead) return 'overhead';
  if (distanceM <= room.reachM.side) return 'side';
  // A weighted fly loads against the water below: no room behind is needed.
  if (mayWaterLoad && distanceM <= room.reachM['water-load']) return 'water-load';
  return null;
}
