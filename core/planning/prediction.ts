import { CHANCE_VERSION, type ShotChance } from '../chance/index';
import { priorsOf, type Settings, type TrySnapshot } from '../log/index';
import { answersIn } from '../moves/index';

/** What the plan says of one cast at one fish: what is shown of it is what is kept of it. */
export interface Prediction {
  /** null: no cast was worked out. */
  chance: ShotChance | null;
  cleanS: { low: number; best: number; high: number } | null;
  /** Chance that the fish is calm on arrival, 0-1; null: nobody knows the way. */
  calm: number | null;
  /** How well the fish sees the still angler at the stand, 0-1. */
  exposure: number | null;
  /** Chance that the drift touches the bed, 0-1; absent: nothing sinks, or nobody asked. */
  ticks?: number | undefined;
}

/** Nobody worked a cast out. */
export const NO_CAST: Prediction = { chance: null, cleanS: null, calm: null, exposure: null };

/** A prediction as a try keeps it: every part, so that each can be held against what came. */
export function predictedOf(p: Prediction, answers: number | null): TrySnapshot['predicted'] {
  return {
    cleanS: p.cleanS,
    calm: p.calm,
    exposure: p.exposure,
    chance: p.chance && keptChance(p.chance),
    ...(p.ticks !== undefined && { ticks: p.ticks }),
    answers,
  };
}

/** How a fish answers a good cover there, with what the record has changed of it, 0-1. */
export const answersAt = (
  target: Pick<NonNullable<TrySnapshot['target']>, 'meanSpeedMps' | 'surfaceSpeedMps'> | null,
  tempC: number | null,
  settings: Pick<Settings, 'priors'>,
): number =>
  // The surface is a little quicker than the mean; where only it is known, it will do.
  answersIn(
    target?.meanSpeedMps ?? target?.surfaceSpeedMps ?? null,
    tempC,
    priorsOf(settings).answer,
  );

function keptChance(c: ShotChance): NonNullable<TrySnapshot['predicted']['chance']> {
  const { found, value, first, hooked, tightS, undisturbed, look, sigmaM, crossMps, drag, splash } =
    c;
  return {
    value: found,
    parts: {
      ...c.parts,
      given: value,
      first,
      hooked,
      tightS: Number.isFinite(tightS) ? tightS : -1,
      undisturbed,
      look,
      sigmaM,
      crossMps,
      drag,
      splash,
      version: CHANCE_VERSION,
    },
  };
}
