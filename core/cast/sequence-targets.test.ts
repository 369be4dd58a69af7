import fc from 'fast-check';
import { createScene, type Fish } from '../sight/index';
import { plan as banks } from '../stalk/fixtures/streams';
import { bestOrder, sequenceTargets, shotsOf, type SequenceTarget } from './index';
import { madeFlow } from '../water/fixtures/waters';

const plan = banks();
const flow = madeFlow(() => -0.3);
const scene = createScene(plan, flow);
const fishAt = (id: string, xM: number, yM: number): Fish => ({
  id,
  xM,
  yM,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 25,
  surety: 'sure',
});
const targetsOf = (fish: Fish[], calm = 0.95): SequenceTarget[] =>
  fish.map((f) => ({
    fish: f,
    stand: { xM: f.xM - 5, yM: f.yM - 3 },
    calmOf: fish.map(() => calm),
    value: calm,
    hooked: 0.35,
    spooked: 0.25,
  }));

/** Every order there is. */
function permutations(n: number): number[][] {
  if (n === 0) return [[]];
  return permutations(n - 1).flatMap((p) =>
    Array.from({ length: n }, (_, i) => [...p.slice(0, i), n - 1, ...p.slice(i)]),
  );
}

it('the order over subsets is the best of all orders (exhaustive, up to six)', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 6 }).chain((n) =>
        fc.tuple(
          fc.array(share, { minLength: n, maxLength: n }),
          fc.array(fc.array(share, { minLength: n, maxLength: n }), {
            minLength: n,
            maxLength: n,
          }),
        ),
      ),
      ([own, left]) => {
        const best = bestOrder(own, left);
        const all = permutations(own.length).map((o) => shotsOf(o, own, left));
        expect(Math.abs(best.shots - Math.max(...all))).toBeLessThan(1e-9);
        expect(Math.abs(shotsOf(best.order, own, left) - best.shots)).toBeLessThan(1e-9);
      },
    ),
    { numRuns: 60, seed: 3 },
  );
});

it('in a plain row the lower fish comes first (common practice), and it says why', () => {
  const row = [fishAt('upper', 14, 0), fishAt('middle', 11, 0.2), fishAt('lower', 8, 0)];
  // A stand for an upper fish is within four metres of the lower ones.
  const targets = targetsOf(row).map((t) => ({
    ...t,
    calmOf: row.map((f) => (Math.hypot(f.xM - t.stand.xM, f.yM - t.stand.yM) < 4 ? 0.4 : 0.95)),
  }));
  const s = sequenceTargets(scene, targets, { xM: 0, yM: -6 });
  expect(s.order.map((i) => row[i]!.id)).toEqual(['lower', 'middle', 'upper']);
  expect(s.shots).toBeCloseTo(s.plain.shots, 9);
});

it('a lower fish that bolts into an upper one waits for it', () => {
  const fish = [fishAt('lower', 8, 0), fishAt('upper', 11, 0)];
  const s = sequenceTargets(scene, targetsOf(fish, 1), { xM: 0, yM: -6 });
  // Flight runs up-current: putting the lower one down costs the upper, not the other way round.
  const harm = s.why.find((w) => w.first === 'upper' && w.before === 'lower');
  expect(harm?.because).toBe('flight');
  expect(s.order.map((i) => fish[i]!.id)).toEqual(['upper', 'lower']);
  expect(s.shots).toBeGreaterThan(s.plain.shots);
});

it('a hooked fish is led to shallow slack water near the stand when there is some', () => {
  const edge = madeFlow((y) => -0.5 + 0.12 * Math.abs(y));
  for (let k = 0; k < edge.depthM.length; k++) {
    const y = edge.y0M + Math.floor(k / edge.nx) * edge.cellM;
    edge.depthM[k] = Math.max(0, 0.6 - 0.14 * Math.abs(y));
  }
  const shallow = createScene(plan, edge);
  const fish = [fishAt('a', 12, 0)];
  const targets = fish.map((f) => ({
    fish: f,
    stand: { xM: 8, yM: -4.2 },
    calmOf: [1],
    value: 1,
    hooked: 0.35,
    spooked: 0.25,
  }));
  const { led } = sequenceTargets(shallow, targets, { xM: 0, yM: -6 });
  const k =
    Math.round((led[0]!.to.yM - edge.y0M) / edge.cellM) * edge.nx +
    Math.round((led[0]!.to.xM - edge.x0M) / edge.cellM);
  expect(edge.depthM[k]!).toBeLessThan(0.4);
  expect(Math.hypot(led[0]!.to.xM - 8, led[0]!.to.yM + 4.2)).toBeLessThan(5);
});

it('nine fish are too many, and it says so', () => {
  const nine = Array.from({ length: 9 }, (_, i) => fishAt(String(i), 2 + 2 * i, 0));
  expect(() => sequenceTargets(scene, targetsOf(nine), { xM: 0, yM: -6 })).toThrow('at most 8');
});

it('who wishes for the largest works it first, where it spoils the others', () => {
  const fish = [fishAt('lower', 8, 0), { ...fishAt('upper', 11, 0), totalLengthCm: 45 }];
  const row = targetsOf(fish).map((t) => ({
    ...t,
    calmOf: fish.map((f) => (f.id === t.fish.id ? 0.95 : 0.5)),
  }));
  const even = sequenceTargets(scene, row, { xM: 0, yM: -6 });
  const wished = row.map((t) => ({ ...t, worth: (t.fish.totalLengthCm / 25) ** 4 }));
  const largest = sequenceTargets(scene, wished, { xM: 0, yM: -6 });
  expect(largest.order[0]).toBe(1);
  expect(largest.shots).toBeGreaterThan(even.shots);
});
