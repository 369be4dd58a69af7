import type { Place } from '../grid/index';
import {
  fishView,
  movingExposuresInto,
  POSTURES,
  type Conditions,
  type Fish,
  type FishView,
  type Scene,
} from '../sight/index';

/** What one fish sees of a moving angler on a grid of half a metre: one array a posture, row-major. */
export interface FishSeen {
  view: FishView;
  e: Float64Array[];
}

/** The same for every fish that looks. */
export interface SeenField {
  nx: number;
  ny: number;
  x0M: number;
  y0M: number;
  fish: readonly FishSeen[];
  /** What the angler's own mud leaves of it, a fish, by cell of the walk; null: it is not used. */
  mud: readonly Float64Array[] | null;
}

const STEP_M = 0.5;
/** Nobody is looked for farther off: even upright against the sky one is hardly noticed there. */
const FAR_M = 18;

const sizeOf = ({ ground: { box } }: Scene) => ({
  nx: Math.floor((box.xMaxM - box.xMinM) / STEP_M) + 2,
  ny: Math.floor((box.yMaxM - box.yMinM) / STEP_M) + 2,
});

export function fishSeen(
  scene: Scene,
  fish: Fish,
  heightM: number,
  conditions: Conditions,
): FishSeen {
  const { nx, ny } = sizeOf(scene);
  const { box } = scene.ground;
  const view = fishView(scene, fish, conditions);
  const e = POSTURES.map(() => new Float64Array(nx * ny));
  const out = new Float64Array(POSTURES.length);
  for (let k = 0; k < nx * ny; k++) {
    const xM = box.xMinM + (k % nx) * STEP_M;
    const yM = box.yMinM + Math.floor(k / nx) * STEP_M;
    if (Math.hypot(xM - fish.xM, yM - fish.yM) > FAR_M) continue;
    movingExposuresInto(scene, view, { xM, yM }, heightM, conditions, out);
    for (let p = 0; p < out.length; p++) e[p]![k] = out[p]!;
  }
  return { view, e };
}

export const seenField = (
  scene: Scene,
  fish: readonly FishSeen[],
  mud: SeenField['mud'] = null,
): SeenField => ({
  ...sizeOf(scene),
  x0M: scene.ground.box.xMinM,
  y0M: scene.ground.box.yMinM,
  fish,
  mud,
});

/** E at a place for one fish and posture (index into POSTURES), bilinear. */
export function seenAt(field: SeenField, fish: number, posture: number, at: Place): number {
  const out = new Float64Array(POSTURES.length);
  seenInto(field, fish, at.xM, at.yM, out);
  return out[posture]!;
}

/** The same for every posture, in the order of POSTURES. */
export function seenInto(
  field: SeenField,
  fish: number,
  xM: number,
  yM: number,
  out: Float64Array,
): void {
  const { nx, ny } = field;
  const gx = Math.min(nx - 1.001, Math.max(0, (xM - field.x0M) / STEP_M));
  const gy = Math.min(ny - 1.001, Math.max(0, (yM - field.y0M) / STEP_M));
  const i = Math.floor(gx);
  const j = Math.floor(gy);
  const k = j * nx + i;
  const fx = gx - i;
  const fy = gy - j;
  const { e } = field.fish[fish]!;
  for (let p = 0; p < e.length; p++) {
    const a = e[p]!;
    out[p] =
      (1 - fy) * ((1 - fx) * a[k]! + fx * a[k + 1]!) +
      fy * ((1 - fx) * a[k + nx]! + fx * a[k + nx + 1]!);
  }
}
