import type { BedPrior } from '../log/index';
import type { Tackle } from '../rig/index';
import { believeSink, feltPlaces, type FeltAt, type FeltPlace } from '../sink/index';
import type { FlowField } from '../water/index';
import type { Refitted } from './refit-rules';

/** Drifts of one beat at one level whose bed was felt, on its water. */
export interface FeltWater {
  beatId: string;
  level: string;
  flow: FlowField;
  bedSpreadM: number;
  felt: readonly FeltAt[];
}

/** How far past the fish a drift is followed, m. */
const PAST_M = 1;

/** The angler's own sink, and the beds that were felt, from the drifts of every water that is solved. */
export function refitSink(
  waters: readonly FeltWater[],
  tackle: Pick<Tackle, 'box'>,
  facts: Refitted['facts'],
): { refits: Refitted[]; beds: BedPrior[] } {
  const places = waters.flatMap((w) =>
    feltPlaces(
      w.flow,
      { felt: w.felt, tackle, pastM: PAST_M, bedSpreadM: w.bedSpreadM },
      new Map(),
    ).map((place) => ({ water: w, place })),
  );
  const idOf = (w: FeltWater, place: FeltPlace) => JSON.stringify([w.beatId, w.level, place.id]);
  const belief = believeSink(places.map((p) => ({ ...p.place, id: idOf(p.water, p.place) })));
  const beds = places.map(({ water, place }) => {
    const bed = belief.beds.get(idOf(water, place))!;
    const at = water.felt.find((f) => place.felt?.includes(f.id))!.place;
    return { water, place, bed, at };
  });
  return {
    refits: [
      {
        name: 'sink',
        facts,
        parts: [
          { of: '', guessed: 0, best: belief.lnM, spread: belief.lnMSpread, n: belief.drifts },
        ],
      },
      {
        name: 'beds',
        facts,
        parts: beds.map(({ water, bed, at }) => ({
          of: `${water.beatId} ${water.level} ${at.xM.toFixed(1)} ${at.yM.toFixed(1)}`,
          guessed: 0,
          best: bed.shiftM,
          spread: bed.spreadM,
          n: bed.drifts,
        })),
      },
    ],
    beds: beds.map(({ water, bed, at }) => ({
      beatId: water.beatId,
      level: water.level,
      xM: at.xM,
      yM: at.yM,
      shiftM: bed.shiftM,
      spreadM: bed.spreadM,
    })),
  };
}
