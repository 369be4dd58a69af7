import { finish } from '../grid/index';
import { driftBandSteps } from './drift-band';
import { leadAway } from './lead-away';
import { candidate, driftOf, type Candidate, type ShotContext } from './shot-candidate';
import { forAndAgainst, orderOf } from './shot-terms';
import type { Shot } from './shots-found';
import { tightenSeconds } from './tighten-line';

/** A candidate in full: its band, its strike, where the fish is led, and its reasons. */
export const shotOf = (ground: ShotContext, c: Candidate): Shot => finish(shotSteps(ground, c));

export function* shotSteps(ground: ShotContext, c: Candidate): Generator<void, Shot> {
  const { scene, input } = ground;
  const { stand, aim, lay } = c;
  const away = leadAway(scene, stand.place, input.target, input.others, ground.snags);
  const drift = driftOf(ground, stand.place, aim, lay);
  yield;
  const { best, cleanS } = yield* driftBandSteps(scene.flow, drift);
  const tightS = tightenSeconds(scene.flow, drift, aim.takeS);
  const told = candidate(ground, stand, aim, lay, c.cast, { ...best, tightS });
  const facts = { ...told.facts, landing: away.quality };
  return {
    stand: stand.place,
    posture: stand.posture,
    landing: aim.place,
    lay,
    cast: c.cast,
    facts,
    chance: told.chance,
    order: orderOf(told.chance, facts, {
      from: input.castFrom,
      wading: input.wading ?? 'never-unless',
      wishes: input.wishes ?? {},
      waySeconds: stand.waySeconds,
      dropper: input.fly === 'dry-dropper',
    }),
    cleanS,
    passesFish: best.passesFish,
    dragReason: best.reason,
    room: stand.room,
    ahead: stand.ahead,
    wind: stand.wind,
    waySeconds: stand.waySeconds,
    leadAway: away,
    ...forAndAgainst(told.chance, facts),
  };
}
