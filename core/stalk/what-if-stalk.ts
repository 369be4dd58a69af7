import {
  exposureAt,
  fishView,
  POSTURE,
  POSTURES,
  type Conditions,
  type Posture,
  type Scene,
} from '../sight/index';
import type { StalkInput, StalkResult } from './plan-stalk';

/** One thing done otherwise: the fish's calm on arrival, and how well it then sees the still angler. */
export interface StalkChange {
  what: { kind: 'wait'; hour: number } | { kind: 'posture'; posture: Posture };
  /** Of the fish asked about, best guess, 0-1. */
  calm: number;
  /** E of the still angler at the stand. */
  atStand: number;
  seconds: number;
}

/** Gains smaller than these are not worth saying. */
const WORTH = { calm: 0.03, atStand: 0.05 };

/**
 * What waiting and keeping lower would change, for one fish: each is a whole new way by the caller's
 * `plan`, compared with the same grid's own way as it is. Largest gain first; only what gains.
 */
export function whatIfStalk(
  scene: Scene,
  input: StalkInput,
  fishId: string,
  later: readonly { hour: number; conditions: Conditions }[],
  plan: (input: StalkInput) => StalkResult,
): StalkChange[] {
  const fish = input.fish.find((f) => f.id === fishId);
  if (!fish) return [];
  const ask = (what: StalkChange['what'], asked: StalkInput): StalkChange | null => {
    const found = plan(asked);
    if (found.kind !== 'way') return null;
    const { to, endPosture, angler, conditions } = asked;
    const at = { ...to, posture: endPosture, heightM: angler.heightM };
    return {
      what,
      calm: found.calm.find((c) => c.fishId === fishId)?.best ?? 1,
      atStand: exposureAt(scene, fishView(scene, fish, conditions), at, conditions),
      seconds: found.seconds,
    };
  };
  const now = ask({ kind: 'posture', posture: input.endPosture }, input);
  if (!now) return [];
  const gain = (c: StalkChange) => c.calm - now.calm + now.atStand - c.atStand;
  const lower = POSTURES.filter((p) => POSTURE[p].topShare < POSTURE[input.endPosture].topShare);
  return [
    ...later.map((l) =>
      ask({ kind: 'wait', hour: l.hour }, { ...input, conditions: l.conditions }),
    ),
    ...lower.map((posture) => ask({ kind: 'posture', posture }, { ...input, endPosture: posture })),
  ]
    .filter((c) => c !== null)
    .filter((c) => c.calm > now.calm + WORTH.calm || c.atStand < now.atStand - WORTH.atStand)
    .filter((c) => gain(c) > 0)
    .sort((a, b) => gain(b) - gain(a) || a.seconds - b.seconds);
}
