import type { Fish, Rise } from '../sight/index';

/** What a fish was seen to do. */
export const BEHAVIOURS = ['holding', 'rising', 'nymphing', 'cruising', 'glued', 'gone'] as const;
export type Behaviour = (typeof BEHAVIOURS)[number];

/** Where in the water a fish is that does so, as a share of the depth from the surface (common practice). */
export const SWIMS_AT: Record<Behaviour, number> = {
  holding: 0.7,
  rising: 0.45,
  nymphing: 0.7,
  cruising: 0.5,
  glued: 0.92,
  gone: 0.7,
};

/** Where and how a fish was seen. Metres in the plan; `fishDepthM` below the surface. */
export type Sighting = Pick<Fish, 'xM' | 'yM' | 'fishDepthM' | 'headingRad' | 'surety'> & {
  behaviour: Behaviour;
  /** When it was seen so; 0 when that was not kept. */
  seenMs: number;
};

/** A fish that was seen, and what it was before, oldest first. */
export interface Mark extends Fish, Sighting {
  note: string;
  photoId: string | null;
  history: Sighting[];
}

/** Whether a mark has changed in what makes another sighting of it. */
export const isOtherSighting = (
  a: Pick<Sighting, 'xM' | 'yM' | 'surety' | 'behaviour'>,
  b: Pick<Sighting, 'xM' | 'yM' | 'surety' | 'behaviour'>,
) => a.xM !== b.xM || a.yM !== b.yM || a.surety !== b.surety || a.behaviour !== b.behaviour;

/** A ring tapped on a beat. Order is by `seq`, never by clock. */
export type KeptRise = Rise & { id: string };
