import type { LayKind, Wishes } from '../../core/cast/index';
import type { Place } from '../../core/grid/index';

/** What the angler wants of the search. */
export interface ShotsAsked {
  pinStand: boolean;
  pinLay: LayKind | null;
  pinLanding: boolean;
  withoutLays: LayKind[];
  withoutSpots: Place[];
  /** What the angler would rather: it orders, it is no chance. */
  wishes: Wishes;
}
export const NOTHING_ASKED: ShotsAsked = {
  pinStand: false,
  pinLay: null,
  pinLanding: false,
  withoutLays: [],
  withoutSpots: [],
  wishes: {},
};
