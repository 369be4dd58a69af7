import type { LayKind } from './lays';
import { isFed, layReachM } from './lays';
import type { RoomAhead } from './room-ahead';
import { castFor, type CastKind, type RoomBehind } from './room-behind';
import { mayCastAt, type CastFrom } from './shot-terms';
import { layOverGrass } from './stands';

/** Where a cast would be made from, as far as that decides whether it can be made. */
export interface CastSpot {
  distanceM: number;
  /** From straight below the fish (0) to straight above (pi); null: no fish is meant. */
  angleRad: number | null;
  /** Grass between the feet and the water, m. */
  grassM: number;
  room: Pick<RoomBehind, 'reachM'>;
  /** What hangs or stands in the line's way; absent: nothing does. */
  ahead?: Pick<RoomAhead, 'spareM'>;
}

/** Why a lay cannot be thrown: dead below or above the fish, beyond what it reaches, grass, feeding up, no room. */
export type CastRefusal =
  | 'straight'
  | 'beyond-reach'
  | 'over-grass'
  | 'no-grass'
  | 'fed-up-current'
  | 'no-room'
  | 'boughs-ahead';

export type CastAllowed = { cast: CastKind; refusal: null } | { cast: null; refusal: CastRefusal };

/**
 * Whether a lay can be thrown from a spot, and by which cast. The one rule: the search, the list of lays
 * and the drag all ask it.
 */
export function castAllowed(
  spot: CastSpot,
  lay: LayKind,
  {
    rodM,
    leaderM,
    from,
    weighted = false,
  }: { rodM: number; leaderM: number; from?: CastFrom; weighted?: boolean },
): CastAllowed {
  const no = (refusal: CastRefusal): CastAllowed => ({ cast: null, refusal });
  const { angleRad, distanceM, grassM, room } = spot;
  if (angleRad !== null && !mayCastAt(angleRad, lay, from)) return no('straight');
  if (distanceM > layReachM(lay, rodM, leaderM)) return no('beyond-reach');
  const bankLay = lay === 'bank-lay';
  if (!layOverGrass(grassM, distanceM, bankLay, rodM, leaderM))
    return no(bankLay ? 'no-grass' : 'over-grass');
  // Line is fed down the current, not up it; late, to a fish that the fly reaches once it is past the rod.
  if (isFed(lay) && angleRad !== null && angleRad < Math.PI / 2) return no('fed-up-current');
  const cast = castFor(lay, distanceM, room, mayWaterLoad(lay, spot, weighted));
  if (!cast) return no('no-room');
  const through = throughAhead(cast, distanceM, spot);
  return through ? { cast: through, refusal: null } : no('boughs-ahead');
}

/** The line must hang down-current behind the angler, who stands below the fish; plain lays only. */
const LOBBED: readonly LayKind[] = ['straight', 'reach'];
const mayWaterLoad = (lay: LayKind, { angleRad }: CastSpot, weighted: boolean): boolean =>
  weighted && LOBBED.includes(lay) && (angleRad === null || angleRad < Math.PI / 2);

/** A cast that gets under or past what is ahead: itself, or for an overhead one the side cast. */
function throughAhead(cast: CastKind, distanceM: number, spot: CastSpot): CastKind | null {
  const spare = spot.ahead?.spareM;
  if (!spare || spare[cast] >= 0) return cast;
  const aside = cast === 'overhead' && spare.side >= 0 && distanceM <= spot.room.reachM.side;
  return aside ? 'side' : null;
}
