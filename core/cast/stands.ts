import { finish, saying, wrapAngle, type Place } from '../grid/index';
import { fishView, movingExposuresInto, POSTURES, type Posture, type Scene } from '../sight/index';
import {
  cellAt,
  cellPlace,
  seenInto,
  stalkContext,
  waysOutSteps,
  type StalkKeep,
  type StalkQuestion,
  type WaysOut,
} from '../stalk/index';
import { DRY_M, SOLID } from '../water/index';
import { roomAhead, type RoomAhead } from './room-ahead';
import { roomBehind, type Obstacle, type RoomBehind } from './room-behind';
import { windOnCast, type WindOnCast } from './wind';
import type { ShotsInput } from './shots-input';

/** A place to cast from, with all that does not hang on the lay. */
export interface Stand {
  place: Place;
  posture: Posture;
  /** E, still, to the target; and the worst to another fish, weighed by what it is worth. */
  exposure: number;
  othersExposure: number;
  /** Chance that the target was not alarmed on the way, and how long that takes, s. */
  calm: number;
  waySeconds: number;
  wade: number;
  distanceM: number;
  /** From straight below the fish (0) to straight above (pi). */
  angleRad: number;
  room: RoomBehind;
  ahead: RoomAhead;
  wind: WindOnCast;
  sureM: number;
  easyM: number;
  snag: boolean;
  /** Grass between the feet and the water, m. */
  grassM: number;
}

/** Postures a cast is made in, the easiest first; a lower one costs distance (our guesses). */
export const SURE_SHARE: Record<Posture, number> = {
  stand: 1,
  crouch: 0.95,
  kneel: 0.85,
  crawl: 0.5,
};
/** Seen this little, nobody keeps lower still. */
const LOW_ENOUGH = 0.15;
/** Nearer than this the fish is under the rod, m. */
const NEAREST_M = 2;
/** Beyond the sure distance by this much nothing is looked for. */
const FARTHEST = 1.1;

const tipDistance = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);

/**
 * Every place that can be reached and that some cast could be made from, before the cast is known; null
 * when no start is open. Yields its progress.
 */
export function* standsFor(
  scene: Scene,
  input: ShotsInput,
  keep?: StalkKeep,
): Generator<number, StandBefore[] | null> {
  const question = { ...wayQuestion(input), cellM: input.standStepM ?? STAND_STEP_M };
  const ground = stalkContext(scene, question, keep);
  yield 0.15;
  const ways = yield* saying(0.15, waysOutSteps(ground, question));
  if (!ways) return null;
  yield 0.25;
  const view = fishView(scene, input.target, input.conditions);
  const out: StandBefore[] = [];
  const e = new Float64Array(POSTURES.length);
  const seen = new Float64Array(POSTURES.length);
  const { grid } = ways;
  // A place that Stalk's own finer steps cannot stand on is none, whatever the wide grid says.
  const { grid: fine } = stalkContext(scene, wayQuestion(input), keep);
  for (let cell = 0; cell < grid.nx * grid.ny; cell++) {
    if (cell % (grid.nx * 4) === 0) yield 0.25 + (0.2 * cell) / (grid.nx * grid.ny);
    if (grid.closed[cell]) continue;
    const place = cellPlace(grid, cell);
    const own = cellAt(fine, place);
    if (own < 0 || fine.closed[own]) continue;
    const farM = FARTHEST * input.angler.landsWithinHalfMetreToM + AIM_OFF_M;
    const toFishM = tipDistance(place, input.target);
    if (toFishM < NEAREST_M || toFishM > farM || leftOut(input, place)) continue;
    movingExposuresInto(scene, view, place, input.angler.heightM, input.conditions, e, 0);
    const p = postureAt(input, e, ways, cell);
    if (p < 0) continue;
    let othersExposure = 0;
    for (let f = 1; f < ground.seen.fish.length; f++) {
      seenInto(ground.seen, f, place.xM, place.yM, seen);
      const weight = input.others[f - 1]!.weight ?? 1;
      othersExposure = Math.max(othersExposure, weight * seen[p]!);
    }
    out.push({
      place,
      posture: POSTURES[p]!,
      exposure: e[p]!,
      othersExposure,
      calm: ways.calmOfFirst[p * grid.nx * grid.ny + cell]!,
      waySeconds: ways.seconds[p * grid.nx * grid.ny + cell]!,
      wade: grid.wade[cell]!,
    });
  }
  return out;
}

const wayQuestion = (input: ShotsInput): StalkQuestion => ({
  from: input.from,
  fish: [input.target, ...input.others],
  angler: input.angler,
  conditions: input.conditions,
  ...(input.wading && { wading: input.wading }),
  ...(input.hiding && { hiding: input.hiding }),
  ...(input.forbidden && { forbidden: input.forbidden }),
  ...(input.alarm && { alarm: input.alarm }),
});

/** How calm the target stays on the way to a stand, on the steps that Stalk itself takes; null where none leads. */
export function* waysCalm(
  scene: Scene,
  input: ShotsInput,
  stands: readonly Pick<Stand, 'place' | 'posture'>[],
  keep?: StalkKeep,
): Generator<void, (stand: Pick<Stand, 'place' | 'posture'>) => number | null> {
  const question = wayQuestion(input);
  yield;
  const ground = stalkContext(scene, question, keep);
  yield;
  const ways = yield* waysOutSteps(ground, question, stands);
  return ({ place, posture }) => {
    if (!ways) return null;
    const cell = cellAt(ways.grid, place);
    if (cell < 0) return null;
    const at = POSTURES.indexOf(posture) * ways.grid.nx * ways.grid.ny + cell;
    return Number.isFinite(ways.cost[at]!) ? ways.calmOfFirst[at]! : null;
  };
}

/** A fly is put down at most this far from the fish, m. */
const AIM_OFF_M = 3;

/** The places from which a cast to one landing place can be made. */
export const standsAt = (...asked: Parameters<typeof standsAtSteps>): Stand[] =>
  finish(standsAtSteps(...asked));

/** The same in steps of some milliseconds. */
export function* standsAtSteps(
  scene: Scene,
  input: ShotsInput,
  landing: Place,
  obstacles: readonly Obstacle[],
  befores: readonly StandBefore[],
): Generator<void, Stand[]> {
  const out: Stand[] = [];
  for (const [n, before] of befores.entries()) {
    if (n % STANDS_A_STEP === 0) yield;
    const { place } = before;
    const distanceM = tipDistance(place, landing);
    if (distanceM < NEAREST_M || distanceM > FARTHEST * input.angler.landsWithinHalfMetreToM)
      continue;
    const aimRad = Math.atan2(landing.yM - place.yM, landing.xM - place.xM);
    const grassM = grassBefore(scene, place, aimRad);
    if (anyLay(input, grassM, distanceM))
      out.push(standAt(scene, input, landing, obstacles, before, grassM));
  }
  return out;
}

const STANDS_A_STEP = 50;

export const STAND_STEP_M = 0.5;

/** Bank lay: the feet are at least this far from the water, and its line beyond the grass at most the leader and this, m. */
const LEAST_GRASS_M = 1;
const BANK_LAY_MORE_M = 1;
/** Any other lay: the rod reaches past the grass, and a little, m. */
const MOST_GRASS_M = 3;

/** Line over more than a strip of grass is a bank lay, whatever was meant. */
export function layOverGrass(
  grassM: number,
  distanceM: number,
  bankLay: boolean,
  rodM: number,
  leaderM: number,
) {
  if (!bankLay) return grassM <= MOST_GRASS_M;
  const onWater = distanceM - Math.max(grassM, rodM);
  return grassM >= LEAST_GRASS_M && onWater <= leaderM + BANK_LAY_MORE_M;
}
const anyLay = ({ angler, leaderM }: ShotsInput, grassM: number, distanceM: number) =>
  [false, true].some((bankLay) => layOverGrass(grassM, distanceM, bankLay, angler.rodM, leaderM));

/** Spots taken out, and all but the pinned one. */
function leftOut(input: ShotsInput, place: Place): boolean {
  const { pin, exclude } = input;
  if (pin?.stand && tipDistance(pin.stand, place) > PINNED_M) return true;
  return (exclude?.spots ?? []).some((s) => tipDistance(s, place) < EXCLUDED_M);
}
const PINNED_M = 0.36;
const EXCLUDED_M = 1.5;

/** The easiest posture that is hardly seen, else the one seen least; -1 when no way leads here in any. */
function postureAt(input: ShotsInput, e: Float64Array, ways: WaysOut, cell: number): number {
  const cells = ways.grid.nx * ways.grid.ny;
  let best = -1;
  for (const posture of input.postures ?? CASTING_POSTURES) {
    const p = POSTURES.indexOf(posture);
    if (ways.cost[p * cells + cell] === Infinity) continue;
    if (best < 0 || e[p]! < e[best]! - 0.01) best = p;
    if (e[p]! <= LOW_ENOUGH) return p;
  }
  return best;
}
const CASTING_POSTURES: readonly Posture[] = ['stand', 'crouch', 'kneel'];

export type StandBefore = Pick<
  Stand,
  'place' | 'posture' | 'exposure' | 'othersExposure' | 'calm' | 'waySeconds' | 'wade'
>;

/** The rest of a stand, from the cast it would make to the landing place. */
export function standAt(
  scene: Scene,
  input: ShotsInput,
  landing: Place,
  obstacles: readonly Obstacle[],
  before: StandBefore,
  grassM: number,
): Stand {
  const { place, posture } = before;
  const { angler, conditions } = input;
  const aimRad = Math.atan2(landing.yM - place.yM, landing.xM - place.xM);
  const wind = windOnCast(
    conditions.windMps,
    conditions.windFromRad ?? null,
    aimRad,
    angler.rodHand,
    input.windSchool ?? 'tilt',
  );
  const down = input.target.headingRad + Math.PI;
  const towardAngler = Math.atan2(place.yM - input.target.yM, place.xM - input.target.xM);
  const distanceM = tipDistance(place, landing);
  const room = roomBehind(scene, obstacles, {
    farM: Math.max(input.leaderM, distanceM - angler.rodM) + ROOM_TO_SPARE_M,
    stand: place,
    aimRad,
    posture,
    heightM: angler.heightM,
    rodM: angler.rodM,
    leaderM: input.leaderM,
  });
  return {
    ...before,
    grassM,
    distanceM,
    angleRad: Math.abs(wrapAngle(towardAngler - down)),
    room,
    ahead: roomAhead(scene, place, landing, posture, angler.heightM, angler.rodM, obstacles),
    wind,
    sureM: angler.landsWithinHalfMetreToM * SURE_SHARE[posture] * wind.distanceShare,
    easyM: angler.comfortableM * SURE_SHARE[posture] * wind.distanceShare,
    snag: liesOverSolid(scene, place, landing),
  };
}

/** More room than this behind a cast is not looked for, m. */
const ROOM_TO_SPARE_M = 2;

const STEP_M = 0.1;
/** Line over a log, or over a rock that stands out of the water, snags. */
export function liesOverSolid({ flow }: Scene, a: Place, b: Place): boolean {
  const steps = Math.ceil(tipDistance(a, b) / STEP_M);
  for (let n = 0; n <= steps; n++) {
    const i = Math.round((a.xM + ((b.xM - a.xM) * n) / steps - flow.x0M) / flow.cellM);
    const j = Math.round((a.yM + ((b.yM - a.yM) * n) / steps - flow.y0M) / flow.cellM);
    if (i < 0 || j < 0 || i >= flow.nx || j >= flow.ny) continue;
    const k = j * flow.nx + i;
    if (flow.solid[k] === SOLID.log || (flow.solid[k] === SOLID.boulder && flow.depthM[k]! < DRY_M))
      return true;
  }
  return false;
}

/** Land between the feet and the first water along the cast, m; 0 when standing in it or far from any. */
export function grassBefore(scene: Scene, place: Place, aimRad: number): number {
  const { flow } = scene;
  for (let d = 0; d < 8; d += 0.25) {
    const x = place.xM + d * Math.cos(aimRad);
    const y = place.yM + d * Math.sin(aimRad);
    const i = Math.round((x - flow.x0M) / flow.cellM);
    const j = Math.round((y - flow.y0M) / flow.cellM);
    if (i < 0 || j < 0 || i >= flow.nx || j >= flow.ny) continue;
    if (flow.depthM[j * flow.nx + i]! > DRY_M) return d;
  }
  return 0;
}
