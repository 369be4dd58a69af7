import type { Place } from '../grid/index';
import { entriesOf, type BeatPlan } from '../formats/index';
import type { Scatter } from '../chance/index';
import type { FlyKind, Rig } from '../rig/index';
import type { Conditions, Fish, Posture } from '../sight/index';
import type {
  Alarm,
  Forbidden,
  HidingSchool,
  WadingBody,
  WadingSchool,
  Watcher,
} from '../stalk/index';
import { LAY_DEFAULTS, type Lay, type LayKind } from './lays';
import type { Species } from '../fish/index';
import type { CastFrom, Wishes } from './shot-terms';
import type { WindSchool } from './wind';

export interface ShotAngler extends WadingBody {
  rodM: number;
  rodHand: 'right' | 'left';
  /** What this angler lands within half a metre. */
  landsWithinHalfMetreToM: number;
  /** Up to here a longer cast is no worse, m. */
  comfortableM: number;
  /** What the record says of this angler: own scatter, and the shift of hooked. */
  learned?: { scatter: Scatter; hook: number };
}

/** A search for shots, in full; its rig is the one that hangs on the line. */
export interface ShotsInput {
  target: Fish;
  others: readonly Watcher[];
  angler: ShotAngler;
  conditions: Conditions;
  from: Place | readonly Place[];
  rig: Rig;
  leaderM: number;
  lays: readonly Lay[];
  castFrom: CastFrom;
  windSchool?: WindSchool;
  wading?: WadingSchool;
  hiding?: HidingSchool;
  postures?: readonly Posture[];
  forbidden?: readonly Forbidden[];
  alarm?: Alarm;
  fly: FlyKind;
  species: Species;
  waterTempC?: number;
  /** Chance that the fish is home, 0-1; 1: it is asked of a fish that is. */
  home: number;
  /** A hard landing draws such fish instead of frightening them. */
  landingDraws?: boolean;
  /** A fish that nobody has marked: a lie that might hold one. */
  unmarked?: boolean;
  /** How far the fish drops back as it rises, m. */
  driftBackM?: number;
  /** Where the fly must land; absent: the lead that the fish wants, on its lane. */
  landing?: Place;
  pin?: { stand?: Place; lay?: LayKind };
  exclude?: { spots?: readonly Place[]; lays?: readonly LayKind[] };
  /** What the angler would rather, told apart from the chance. */
  wishes?: Wishes;
  standStepM?: number;
}

/** What a search may be asked with: all but the target and the rig has a default. */
export type ShotsQuestion = Partial<
  Omit<ShotsInput, 'target' | 'angler' | 'rig' | 'leaderM' | 'lays'>
> & {
  target: Fish;
  angler?: Partial<ShotAngler>;
  rig: Rig;
  lays?: readonly Lay[];
};

/** Every lay, with its usual amount. */
export const SEARCHED_LAYS: readonly Lay[] = [
  { kind: 'straight' },
  { kind: 'reach', toward: 'up-current', amountM: LAY_DEFAULTS.reachM },
  { kind: 'reach', toward: 'down-current', amountM: LAY_DEFAULTS.reachM },
  { kind: 'slack' },
  { kind: 'pile' },
  { kind: 'curve', toward: 'up-current' },
  { kind: 'aerial-mend', toward: 'up-current' },
  { kind: 'feed' },
  { kind: 'late-feed' },
  { kind: 'high-stick' },
  { kind: 'bow-and-arrow' },
  { kind: 'roll' },
  { kind: 'bank-lay' },
];

/** An angler nobody has described. */
export const USUAL_ANGLER: ShotAngler = {
  heightM: 1.75,
  massKg: 78,
  maxWadeM: 0.7,
  rodM: 2.4,
  rodHand: 'right',
  landsWithinHalfMetreToM: 12,
  comfortableM: 8,
};
const DULL: Conditions = {
  sunAltitudeRad: 0.5,
  sunPlanRad: null,
  sky: 'overcast',
  windMps: 0,
};

/** Fills in what was not said. */
export function shotsInput(plan: BeatPlan, q: ShotsQuestion): ShotsInput {
  const { fly = 'dry', rig, angler, lays = SEARCHED_LAYS, ...rest } = q;
  const without = q.exclude?.lays ?? [];
  return {
    others: [],
    conditions: DULL,
    from: entriesOf(plan),
    castFrom: 'any-angle',
    species: 'brown',
    home: 1,
    ...rest,
    fly,
    rig,
    leaderM: rig.leaderM,
    angler: { ...USUAL_ANGLER, ...angler },
    lays: lays.filter((l) => !without.includes(l.kind) && (!q.pin?.lay || q.pin.lay === l.kind)),
  };
}
