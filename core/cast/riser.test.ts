import { DEFAULT_RIG } from '../rig/index';
import { aimsFor, freeMap, lookAt, reachOf } from '../chance/index';
import { createRandom } from '../grid/index';
import { stream, plan } from '../stalk/fixtures/streams';
import { trueLie, type Fish } from '../sight/index';
import type { BeatFeature } from '../formats/index';
import { keptShots } from '../../testing/solved';

/** A run of brisk water, .6 m deep: rings show well below the fish that makes them. */
const flow = stream(0.6, 0.6);
const fishAt = (xM: number, yM: number): Fish => ({
  id: 'r',
  xM,
  yM,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 28,
  surety: 'likely',
});
const entry: BeatFeature = {
  kind: 'entry',
  note: '',
  shape: { type: 'Point', place: { xM: 1, yM: -7 } },
};

it('a ring is cast at up-current of its fish: 6 to 10 feet from ring to landing (common practice)', () => {
  const ring = { xM: 12, yM: 1 };
  const lie = trueLie(flow, ring)!;
  const found = keptShots(plan(entry), flow, {
    rig: DEFAULT_RIG,
    target: fishAt(lie.place.xM, lie.place.yM),
    driftBackM: lie.backM,
    standStepM: 1,
  });
  if (found.kind !== 'shots') throw new Error(found.reason);
  const { landing } = found.shots[0]!;
  const m = Math.hypot(landing.xM - ring.xM, landing.yM - ring.yM);
  expect(m / 0.3048).toBeGreaterThan(6);
  expect(m / 0.3048).toBeLessThan(10);
  expect(landing.xM).toBeGreaterThan(lie.place.xM);
});

it('aimed for the lie behind the ring it gets 1.35 times the looks that it gets aimed for the ring', () => {
  const random = createRandom(8);
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  let [atRing, atLie] = [0, 0];
  for (let n = 0; n < 30; n++) {
    const fish = fishAt(12, 0.5);
    const truth = freeMap(flow, reachOf(flow, fish, { fly: 'dry' }));
    // Rings as a fish makes them: it gives way as it rises, at a pace of its own.
    const rise = 0.2 + 0.3 * random();
    const backM = 0.7 * ((0.85 * 0.3) / rise + 0.6 + 0.4 * random());
    const ring = { xM: 12 - backM + 0.2 * gauss(), yM: 0.5 + 0.2 * gauss() };
    const looks = (meant: { xM: number; yM: number }) => {
      const map = freeMap(flow, reachOf(flow, fishAt(meant.xM, meant.yM), { fly: 'dry' }));
      const aims = aimsFor(map, 0.4, null);
      return Math.max(0, ...aims.slice(0, 2).map((a) => lookAt(truth, a, 2.5, 0.3).presented));
    };
    atRing += looks(ring);
    atLie += looks(trueLie(flow, ring, 0.5)!.place);
  }
  expect(atLie).toBeGreaterThan(1.35 * atRing);
});
