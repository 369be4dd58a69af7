import type { Place } from '../grid/index';
import { CHANCE, type ShotChance } from '../chance/index';
import type { Fish, Scene } from '../sight/index';
import { alarmedBy, FIGHT_ALARM_M, leadAway, type LeadAway } from './lead-away';

/** One fish to be worked, the stand for it, and how calm each fish is once that stand is reached. */
export interface SequenceTarget {
  fish: Fish;
  stand: Place;
  /** Chance that fish i is still calm after the way to this stand, in the order of the targets. */
  calmOf: readonly number[];
  /** Chance of an honest look at it, home and way included, and what its covers leave behind (`afterCovers`). */
  value: number;
  hooked: number;
  spooked: number;
  /** What an honest look at it is worth beside one at another; 1 unless the angler wishes otherwise. */
  worth?: number;
}

/** Why one fish is worked before another: what working the other first would cost it. */
export interface SequenceReason {
  first: string;
  before: string;
  because: 'flight' | 'fight' | 'seen';
  /** Chance that the fish would be alarmed by the other's being worked first, 0-1. */
  alarmed: number;
}

/**
 * What three covers at a fish come to: hooked, or missed and put down, which may send it off. From open
 * s = 1 each hooks s L take h; s goes on at (1 - L take)(1 - put).
 */
export function afterCovers(c: ShotChance): { hooked: number; spooked: number } {
  const there = c.parts.home * c.parts.calm;
  let [open, hooked, spooked] = [1, 0, 0];
  for (let k = 0; k < CHANCE.covers; k++) {
    const takes = (k === 0 ? c.look : c.look * (1 - CHANCE.shared)) * SEQUENCE.take;
    const put = 1 - c.undisturbed;
    hooked += open * takes * c.hooked;
    spooked += open * takes * (1 - c.hooked) + open * (1 - takes) * put;
    open *= (1 - takes) * (1 - put);
  }
  return { hooked: there * hooked, spooked: there * spooked };
}

export interface Sequence {
  /** Indices into the targets, the first to be worked first. */
  order: number[];
  /** Expected number of fish that get an honest look, each by its worth. */
  shots: number;
  /** The same for the plain order: from the start outward, the nearer first. */
  plain: { order: number[]; shots: number };
  /** Where a hooked fish is led, and the place it is landed, by target. */
  led: LeadAway[];
  why: SequenceReason[];
}

/** What comes of an honest shot, and how fish alarm one another: our guesses. */
export const SEQUENCE = {
  /** An honest look is taken so often. */
  take: 0.4,
  /** A frightened fish bolts this far up-current, m, and alarms within this of its way. */
  flightM: 5,
  flightAlarmM: 1.2,
  /** A fight alarms within this of the way the fish is led. */
  fightAlarmM: FIGHT_ALARM_M,
} as const;

const MOST_TARGETS = 8;

/**
 * The order of targets with the most honest shots to be expected, exact for up to eight: working one
 * multiplies the others' calm by what its flight, its fight and the way to its stand leave of it,
 * so the best order is found over subsets. Throws RangeError with more targets.
 */
export function sequenceTargets(
  scene: Scene,
  targets: readonly SequenceTarget[],
  start: Place,
): Sequence {
  const n = targets.length;
  if (n > MOST_TARGETS)
    throw new RangeError(`sequenceTargets: ${n} targets; at most ${MOST_TARGETS} can be ordered`);
  const led = targets.map((t) => {
    const others = targets.filter((o) => o !== t).map((o) => o.fish);
    return leadAway(scene, t.stand, t.fish, others);
  });
  const parts = targets.map((t, j) =>
    targets.map((other, i) => (i === j ? null : alarmOf(t, led[j]!.to, other.fish, t.calmOf[i]!))),
  );
  // left[j][i]: what working j leaves of i's calm.
  const left = parts.map((row) => row.map((p) => (p ? p.left : 1)));
  const own = targets.map((t) => t.value * (t.worth ?? 1));
  const best = bestOrder(own, left);
  const plainOrder = targets
    .map((_, i) => i)
    .sort((a, b) => distance(start, targets[a]!.fish) - distance(start, targets[b]!.fish));
  return {
    order: best.order,
    shots: best.shots,
    plain: { order: plainOrder, shots: shotsOf(plainOrder, own, left) },
    led,
    why: reasonsFor(best.order, targets, parts),
  };
}

/** Expected honest looks of an order: each fish's own chance times what those before it left of its calm. */
export function shotsOf(
  order: readonly number[],
  own: readonly number[],
  left: readonly (readonly number[])[],
): number {
  let sum = 0;
  order.forEach((i, place) => {
    let calm = own[i]!;
    for (let before = 0; before < place; before++) calm *= left[order[before]!]![i]!;
    sum += calm;
  });
  return sum;
}

/** Over subsets: what was worked before decides a fish's calm, in whatever order it was worked. */
export function bestOrder(
  own: readonly number[],
  left: readonly (readonly number[])[],
): { order: number[]; shots: number } {
  const n = own.length;
  const value = new Float64Array(1 << n).fill(-1);
  const last = new Int8Array(1 << n).fill(-1);
  value[0] = 0;
  for (let set = 1; set < 1 << n; set++) {
    for (let i = 0; i < n; i++) {
      if (!(set & (1 << i))) continue;
      const before = set ^ (1 << i);
      let calm = own[i]!;
      for (let j = 0; j < n; j++) if (before & (1 << j)) calm *= left[j]![i]!;
      const total = value[before]! + calm;
      if (total > value[set]! + 1e-12) {
        value[set] = total;
        last[set] = i;
      }
    }
  }
  const order: number[] = [];
  for (let set = (1 << n) - 1; set > 0; set ^= 1 << last[set]!) order.unshift(last[set]!);
  return { order, shots: value[(1 << n) - 1]! };
}

interface AlarmParts {
  flight: number;
  fight: number;
  seen: number;
  /** What is left of the other's calm. */
  left: number;
}

function alarmOf(worked: SequenceTarget, ledTo: Place, other: Fish, calmOnWay: number): AlarmParts {
  const { fish } = worked;
  const bolted = {
    xM: fish.xM + SEQUENCE.flightM * Math.cos(fish.headingRad),
    yM: fish.yM + SEQUENCE.flightM * Math.sin(fish.headingRad),
  };
  const flight = worked.spooked * alarmedBy(other, fish, bolted, SEQUENCE.flightAlarmM);
  const fight = worked.hooked * alarmedBy(other, fish, ledTo, SEQUENCE.fightAlarmM);
  const seen = 1 - calmOnWay;
  return { flight, fight, seen, left: (1 - flight - fight) * calmOnWay };
}

/** Alarms smaller than this decide nothing. */
const WORTH_SAYING = 0.03;

/** For each fish and the next, what the other way round would cost; the dearest reasons first. */
function reasonsFor(
  order: readonly number[],
  targets: readonly SequenceTarget[],
  parts: readonly (readonly (AlarmParts | null)[])[],
): SequenceReason[] {
  const why: SequenceReason[] = [];
  for (let a = 0; a < order.length; a++) {
    for (let b = a + 1; b < order.length; b++) {
      const [first, later] = [order[a]!, order[b]!];
      const harm = parts[later]![first]!;
      const spared = 1 - harm.left - (1 - parts[first]![later]!.left);
      if (1 - harm.left < WORTH_SAYING || spared <= 0) continue;
      const because = (['flight', 'fight', 'seen'] as const).reduce((x, y) =>
        harm[y] > harm[x] ? y : x,
      );
      why.push({
        first: targets[first]!.fish.id,
        before: targets[later]!.fish.id,
        because,
        alarmed: 1 - harm.left,
      });
    }
  }
  return why.sort((x, y) => y.alarmed - x.alarmed);
}

const distance = (a: Place, b: Place) => Math.hypot(a.xM - b.xM, a.yM - b.yM);
