import type { RigPlan, SinkStart, Tackle } from '../rig/index';
import type { Place } from '../grid/index';
import type { FlowField } from '../water/index';
import { dropperWater, type DropperWater } from './depth-at';
import { hungRig } from './hung';
import { downLadder, upLadder, type Rung } from './ladder';
import { depthOnLane, sinkLane, surfaceOnLane, type SinkLane } from './lane';
import {
  believeSink,
  feltTable,
  type Felt,
  type FeltPlace,
  type FeltTable,
  type SinkBefore,
  type SinkBelief,
} from './sink-record';
import { sunk, type Sunk } from './sunk';
import { workedFlies, type WorkedFly } from './worked';

/** One drift of the record, by the place and the rig that the try's snapshot names. */
export interface FeltAt {
  id: string;
  place: Place;
  plan: RigPlan;
  start: SinkStart;
  leadM: number;
  felt: Felt;
}

export interface BenchAsked {
  fish: Place & { fishDepthM: number };
  plan: RigPlan;
  tackle: Pick<Tackle, 'box'>;
  start: SinkStart;
  leadM: number;
  pastM: number;
  /** How well the bed is known there, m. */
  bedSpreadM: number;
  felt: readonly FeltAt[];
  /** What the record held before these: of the angler's sink, and of beds. */
  before?: SinkBefore & { beds: readonly (Place & { shiftM: number; spreadM: number })[] };
  windMps: number;
  /** How far off the fish takes, m. */
  reachM: number;
}

/** The lane as it is drawn: at even steps, metres along it from the fish. */
export interface LaneDrawn {
  alongM: number[];
  /** Where each is on the plan, m. */
  xM: number[];
  depthM: number[];
  surfaceMps: number[];
  d84M: number[];
}

/** Everything the Bench says of one rig at one fish. */
export interface BenchAnswer {
  lane: LaneDrawn;
  /** null: nothing sinks on this rig. */
  sunk: Sunk | null;
  down: Rung[];
  up: Rung[];
  /** What hangs under a dry: whether the water carries it; null without one. */
  dropper: DropperWater | null;
  /** Weight in water of all that hangs below what floats, N. */
  hungN: number;
  belief: Omit<SinkBelief, 'beds'> & {
    here: { shiftM: number; spreadM: number; drifts: number } | null;
  };
  worked: WorkedFly[];
  depthM: number;
  surfaceMps: number;
  steep: boolean;
}

export type NoBench = { kind: 'dry-land' };

const UP_M = 8;
const DOWN_M = 5;
/** Drifts of one place are told apart from another's by this, m. */
const ONE_PLACE_M = 1.5;
/** As many of the record as are looked at: the newest. */
const MOST_FELT = 40;
const TIP_M = 0.6;
const HELD_M = 2;
const SWUNG_M = 6;

/** Tables of drifts that were felt, by what was asked: one takes some ten ms. */
export type FeltKeep = Map<string, { table: FeltTable; d84M: number }>;

/** The place a drift is counted at. */
export const placeKey = (p: Place) =>
  `${Math.round(p.xM / ONE_PLACE_M)},${Math.round(p.yM / ONE_PLACE_M)}`;

/** Places whose bed was felt on one water, each with its drifts, with a keep of what was worked out before. */
export function feltPlaces(
  flow: FlowField,
  asked: Pick<BenchAsked, 'felt' | 'tackle' | 'pastM' | 'bedSpreadM' | 'before'>,
  keep: FeltKeep,
): FeltPlace[] {
  const places = new Map<string, { tables: FeltTable[]; felt: string[]; d84M: number }>();
  for (const f of asked.felt.slice(-MOST_FELT)) {
    const key = JSON.stringify([f, asked.pastM]);
    let kept = keep.get(key);
    if (!kept) {
      const lane = sinkLane(flow, f.place, Math.min(UP_M, f.leadM + 1), DOWN_M);
      if (!lane || !hungRig(f.plan, asked.tackle.box)) continue;
      const table = feltTable({
        placeId: placeKey(f.place),
        lane,
        rigAt: (m) => hungRig(f.plan, asked.tackle.box, m),
        start: f.start,
        leadM: f.leadM,
        pastM: asked.pastM,
        felt: f.felt,
      });
      kept = { table, d84M: lane.d84M[Math.max(0, Math.round(-lane.fromM / lane.stepM))]! };
      keep.set(key, kept);
    }
    const at = places.get(placeKey(f.place)) ?? { tables: [], felt: [], d84M: kept.d84M };
    at.tables.push(kept.table);
    at.felt.push(f.id);
    places.set(placeKey(f.place), at);
  }
  // A bed that was felt before is known as well as it was left, whether or not it is felt again.
  const left = asked.before?.beds ?? [];
  for (const bed of left)
    if (!places.has(placeKey(bed))) places.set(placeKey(bed), { tables: [], felt: [], d84M: 0 });
  return [...places].map(([id, p]): FeltPlace => {
    const bed = left.find((b) => placeKey(b) === id);
    return {
      id,
      ...(bed && { shiftM: bed.shiftM }),
      spreadM: bed?.spreadM ?? asked.bedSpreadM,
      d84M: p.d84M,
      tables: p.tables,
      felt: p.felt,
    };
  });
}

/** What the Bench says of one rig at one fish on this water. Some forty ms. */
export function bench(flow: FlowField, asked: BenchAsked, keep: FeltKeep): BenchAnswer | NoBench {
  const lane = sinkLane(flow, asked.fish, UP_M, DOWN_M);
  if (!lane) return { kind: 'dry-land' };
  const { plan, tackle, start, leadM, pastM } = asked;
  const { beds, ...belief } = believeSink(feltPlaces(flow, asked, keep), asked.before);
  const about = { lane, plan, tackle, start, leadM: Math.min(leadM, -lane.fromM) };
  const answer = sunk({ ...about, fishDepthM: asked.fish.fishDepthM, pastM, belief });
  const ladder = answer && {
    ...about,
    wantedM: answer.wantedM,
    multiplier: belief.multiplier,
  };
  const rig = hungRig(plan, tackle.box);
  const isDropper = plan.kind === 'dry-dropper';
  return {
    lane: drawn(lane),
    sunk: answer,
    down: ladder ? downLadder(ladder) : [],
    up: ladder ? upLadder(ladder) : [],
    dropper: isDropper && rig ? dropperWater(lane, 0, rig.lengthM, asked.windMps) : null,
    hungN: rig?.loads.reduce((sum, l) => sum + l.weightN, 0) ?? 0,
    belief: { ...belief, here: beds.get(placeKey(asked.fish)) ?? null },
    worked: workedFlies({
      lane,
      plan,
      box: tackle.box,
      surfaceMps: surfaceOnLane(lane, 0),
      reachM: asked.reachM,
      tipM: TIP_M,
      heldM: HELD_M,
      swungM: SWUNG_M,
      multiplier: belief.multiplier,
    }),
    depthM: depthOnLane(lane, 0),
    surfaceMps: surfaceOnLane(lane, 0),
    steep: lane.steep,
  };
}

function drawn(lane: SinkLane): LaneDrawn {
  return {
    alongM: Array.from({ length: lane.n }, (_, i) => lane.fromM + i * lane.stepM),
    xM: lane.places.map((p) => p.xM),
    depthM: Array.from(lane.depthM),
    surfaceMps: Array.from(lane.surfaceMps),
    d84M: Array.from(lane.d84M),
  };
}
