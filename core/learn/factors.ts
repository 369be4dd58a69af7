import { paceWord, type PaceWord } from '../units/index';
import type { TryFact } from './try-facts';

/** By what takes are told apart: each try falls into one group, or none where it is not known. */
export const FACTORS = [
  'depth',
  'pace',
  'kind',
  'lay',
  'fly',
  'rig',
  'hour',
  'temperature',
  'light',
  'level',
  'posture',
  'distance',
  'method',
  'angler',
] as const;
export type FactorName = (typeof FACTORS)[number];
/** By what put-downs are told apart. */
export const SPOOK_FACTORS = ['posture', 'distance', 'level'] as const;
/** What two of are held side by side. */
export const SIDES = ['rig', 'angler', 'method'] as const;

/** Upper ends of groups; the last is open. */
const DEPTHS_M = [0.3, 0.5, 0.8] as const;
const HOURS = [9, 12, 15, 18] as const;
const TEMPS_C = [8, 11, 14, 17] as const;
const DISTANCES_M = [4, 6, 9, 12] as const;

/** Names of groups by their upper ends. */
function groupsTo(ends: readonly number[]) {
  const names = [...ends.map(String), 'over'];
  return (value: number | null): string | null => {
    if (value === null) return null;
    let i = 0;
    while (i < ends.length && value >= ends[i]!) i++;
    return names[i]!;
  };
}
const depthGroup = groupsTo(DEPTHS_M);
const hourGroup = groupsTo(HOURS);
const tempGroup = groupsTo(TEMPS_C);
const distanceGroup = groupsTo(DISTANCES_M);

/** The group of a try; depth, hour, temperature and distance by the upper end of their group ("over" the last). */
export const GROUP_OF: Record<FactorName, (f: TryFact) => string | null> = {
  depth: (f) => depthGroup(f.depthM),
  pace: (f): PaceWord | null => (f.surfaceSpeedMps === null ? null : paceWord(f.surfaceSpeedMps)),
  kind: (f) => f.kind,
  lay: (f) => f.lay,
  fly: (f) => f.flyKind,
  rig: (f) => f.rigId,
  hour: (f) => hourGroup(f.hour),
  temperature: (f) => tempGroup(f.tempC),
  light: (f) => f.sky,
  level: (f) => f.level,
  posture: (f) => f.posture,
  distance: (f) => distanceGroup(f.distanceM),
  method: (f) => f.method,
  angler: (f) => f.device || null,
};

/** Ends of the groups that have them, for words. */
export const GROUP_ENDS: Partial<Record<FactorName, readonly number[]>> = {
  depth: DEPTHS_M,
  hour: HOURS,
  temperature: TEMPS_C,
  distance: DISTANCES_M,
};
