import type { Part, ShotChance } from '../chance/index';
import type { Place } from '../grid/index';
import type { Posture } from '../sight/index';
import type { Reason } from '../units/index';
import type { Alternative } from './alternatives';
import type { Lay } from './lays';
import type { Lead } from './lead';
import type { LeadAway } from './lead-away';
import type { RoomAhead } from './room-ahead';
import type { CastKind, RoomBehind } from './room-behind';
import type { SearchStats } from './shot-candidate';
import type { ShotFacts } from './shot-terms';
import type { WindOnCast } from './wind';

/** One plan to be carried out: where from, how, its chance, and what speaks for and against it. */
export interface Shot {
  stand: Place;
  posture: Posture;
  landing: Place;
  lay: Lay;
  cast: CastKind;
  facts: ShotFacts;
  /** Chance of an honest look within three covers, its parts and its band; and of a hook once it takes. */
  chance: ShotChance;
  /** What shots are sorted by, and nothing else. */
  order: number;
  cleanS: { low: number; best: number; high: number };
  passesFish: 'clean' | 'micro' | 'wake' | 'misses' | null;
  /** Why the drift ends. */
  dragReason: Reason | null;
  room: RoomBehind;
  ahead: RoomAhead;
  wind: WindOnCast;
  waySeconds: number;
  leadAway: LeadAway;
  for: Reason[];
  against: Reason[];
}

export interface ShotsFound {
  kind: 'shots';
  shots: Shot[];
  alternatives: Alternative[];
  lead: Lead;
  landing: Place;
  looked: SearchStats;
}

/** Something else done or waited for, and the best chance that it would bring. */
export interface WouldHelp {
  change: 'longer-rod' | 'wade' | 'soft-light' | 'no-wind';
  value: number;
}

export interface NoShots {
  kind: 'no shots';
  reason:
    | 'no-start'
    | 'no-stand'
    | 'no-lay'
    | 'fish-on-land'
    | 'landing-on-land'
    /** Casts can be made, but none with a chance worth the name. */
    | 'no-look';
  looked: SearchStats;
  /** With `no-look`: the best there is, what holds it back, and what would help. */
  best?: { value: number; heldBack: Part };
  wouldHelp?: WouldHelp[];
}
export type ShotsResult = ShotsFound | NoShots;
