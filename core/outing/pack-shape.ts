import type { CastKind, Lay, NoShots } from '../cast/index';
import type { CoverChance } from '../chance/index';
import type { BeatFeature, BeatPlan, LevelName } from '../formats/index';
import type { Place } from '../grid/index';
import type { LieKind } from '../lies/index';
import type { Mark, Settings, TempSource, TrySnapshot } from '../log/index';
import type { FlyKind } from '../rig/index';
import type { RouteGround, Stop } from '../route/index';
import type { Posture } from '../sight/index';
import type { FlowField } from '../water/index';

/** How a target is best fished, as worked out before going out. */
export interface PackShot {
  stand: Place;
  /** On which bank the stand is, looking down the current, or in the water. */
  side: 'left' | 'right' | 'water';
  posture: Posture;
  landing: Place;
  lay: Lay;
  cast: CastKind;
  distanceM: number;
  leadM: number;
  cleanS: { low: number; best: number; high: number };
  chance: { low: number; best: number; high: number };
  /** The cast's own share of that chance, and the two that are the fish's and the way's: for who comes to it otherwise. */
  cover: CoverChance;
  calm: number | null;
  exposure: number;
  waySeconds: number;
  fly: FlyKind;
}

/** A fish that was marked, or a lie worth a cast. */
export interface PackTarget {
  id: string;
  /** null: a lie in which nobody has seen a fish. */
  markId: string | null;
  /** Its number as the book counts fish; null: a lie. */
  fishNumber: number | null;
  kind: LieKind | null;
  xM: number;
  yM: number;
  headingRad: number;
  totalLengthCm: number;
  depthM: number;
  rating: number | null;
  shot: PackShot | null;
  /** Why there is none. */
  noShot: NoShots['reason'] | null;
  /** What the plan said, to go into the try; hour and temperature are the try's own. */
  snapshot: TrySnapshot;
}

/** Raised when the shape of a pack changes: what was worked out in another shape is worked out anew. */
export const PACK_SHAPE = 5;

/** A beat as it is taken along: what is drawn, what is there, and how each is fished, in working order. */
export interface BeatPack {
  version: typeof PACK_SHAPE;
  beatId: string;
  name: string;
  streamName: string;
  planHash: string;
  level: LevelName;
  madeMs: number;
  timeZone: string | null;
  lengthM: number;
  /** What the picture of the water covers, m in the plan. */
  frame: { x0M: number; y0M: number; x1M: number; y1M: number };
  features: BeatFeature[];
  targets: PackTarget[];
  /** What a route stands on, and its stops with time without end; absent in packs from before routes. */
  route?: { ground: RouteGround; stops: Stop[] };
}

export interface PackOrder {
  beatId: string;
  streamName: string;
  planHash: string;
  plan: BeatPlan;
  flow: FlowField;
  level: LevelName;
  marks: Mark[];
  settings: Settings;
  homeOffset: number;
  /** The water at the hour for which it is worked out, C. */
  water: { tempC: number; source: TempSource };
  nowMs: number;
}
