import { chanceAt, type ShotChance } from '../chance/index';
import { metresApart } from '../grid/index';
import type { Settings, TrySnapshot } from '../log/index';
import type { Prediction } from '../planning/index';
import { driftRigOf, flyInHand, rigInHand, type FlyKind } from '../rig/index';
import type { RouteGround } from '../route/index';
import type { PackShot } from './pack-shape';

/** A chance as it is shown: of a fish that nobody may have seen, with its band. */
export const bandOfChance = ({ found, low, high }: ShotChance): PackShot['chance'] => ({
  low,
  best: found,
  high,
});

/** How a lie is come to: the chance that a fish is home by then, and that it is calm; null: nobody knows the way. */
export interface ComeTo {
  home: number;
  calm: number | null;
  waySeconds: number;
}

/** A cast of a route's ground, from one of its stands at one of its lies, with what is predicted of it. */
export function castFromStand(
  { stands, casts, seen, lies }: RouteGround,
  stand: number,
  lie: number,
  come: ComeTo,
  fly: FlyKind,
): { shot: PackShot; predicted: Prediction } | null {
  const cast = casts[stand]![lie];
  if (!cast) return null;
  const { xM, yM, side, posture } = stands[stand]!;
  const chance = chanceAt(cast.cover, come.home, come.calm ?? 1);
  const cleanS = { low: cast.cleanS, best: cast.cleanS, high: cast.cleanS };
  const exposure = seen[stand]![lie]!;
  return {
    shot: {
      stand: { xM, yM },
      side,
      posture,
      landing: cast.landing,
      lay: cast.lay,
      cast: cast.cast,
      distanceM: cast.distanceM,
      leadM: metresApart(cast.landing, lies[lie]!),
      cleanS,
      chance: bandOfChance(chance),
      cover: cast.cover,
      calm: come.calm,
      exposure,
      waySeconds: come.waySeconds,
      fly,
    },
    predicted: { chance, cleanS, calm: come.calm, exposure },
  };
}

/** The same cast, come to otherwise: after what was tried there today, or by another way. */
export function castComeTo(
  shot: PackShot,
  come: ComeTo,
): { shot: PackShot; predicted: Prediction } {
  const chance = chanceAt(shot.cover, come.home, come.calm ?? 1);
  return {
    shot: {
      ...shot,
      calm: come.calm,
      waySeconds: come.waySeconds,
      chance: bandOfChance(chance),
    },
    predicted: { chance, cleanS: shot.cleanS, calm: come.calm, exposure: shot.exposure },
  };
}

/** What a try keeps of a cast that was taken along. A dropper that was cut off leaves the same rig in the hand. */
export function castOfShot(shot: PackShot, settings: Settings): TrySnapshot['cast'] {
  const rig = rigInHand(settings.tackle, flyInHand(settings.tackle, 'dry-dropper'));
  return {
    stand: shot.stand,
    posture: shot.posture,
    landing: shot.landing,
    lay: shot.lay,
    mend: null,
    leadM: shot.leadM,
    castKind: shot.cast,
    rig: {
      id: rig.id,
      fly: shot.fly,
      leaderM: driftRigOf(rig, settings.tackle, shot.fly).leaderM,
    },
  };
}
