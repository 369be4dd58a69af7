import type { LayKind } from './lays';
import { layReachM } from './lays';
import { castFor, type CastKind, type RoomBehind } from './room-behind';
import { mayCastAt } from './shot-terms';
import { layOverGrass } from './stands';

/** Where a cast would be made from, as far as that decides whether it can be made. */
export interface CastSpot {
  distanceM: number;
  /** From straight below the fish (0) to straight above (pi); null: no fish is meant. */
  angleRad: number | null;
  /** Grass between the feet and the water, m. */
  grassM: number;
  room: Pick<RoomBehind, 'reachM'>;
}

/** Why a lay cannot be thrown: dead below or above the fish, beyond what it reaches, grass, feeding up, no room. */
export type CastRefusal =
  'straight' | 'beyond-reach' | 'over-grass' | 'no-grass' | 'fed-up-current' | 'no-room';

export type CastAllowed = { cast: CastKind; refusal: null } | { cast: null; refusal: CastRefusal };

/**
 * Whether a lay can be thrown from a spot, and by which cast. The one rule: the search, the list of lays
 * and the drag all ask it.
 */
export function castAllowed(
  spot: CastSpot,
  lay: LayKind,
  { rodM, leaderM }: { rodM: number; leaderM: number },
): CastAllowed {
  const no = (refusal: CastRefusal): CastAllowed => ({ cast: null, refusal });
  const { angleRad, distanceM, grassM, room } = spot;
  if (angleRad !== null && !mayCastAt(angleRad, lay)) return no('straight');
  if (distanceM > layReachM(lay, rodM, leaderM)) return no('beyond-reach');
  const bankLay = lay === 'bank-lay';
  if (!layOverGrass(grassM, distanceM, bankLay, rodM, leaderM))
    return no(bankLay ? 'no-grass' : 'over-grass');
  // Line is fed down the current, not across or up it.
  if (lay === 'feed' && angleRad !== null && angleRad < Math.PI / 2) return no('fed-up-current');
  const cast = castFor(lay, distanceM, room);
  return cast ? { cast, refusal: null } : no('no-room');
}
