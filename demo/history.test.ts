import { judged, learn, priorsFrom, refitted, tryFact } from '../core/learn/index';
import { NO_PRIORS, type PriorName } from '../core/log/index';
import { demoBeats } from './beats';
import { DEMO_STREAM } from './first-beat';
import { DEMO_TRUTH, demoHistory } from './history';

const UNTIL = Date.parse('2026-06-13T07:40:00Z');
const beats = demoBeats();
const history = demoHistory(beats, DEMO_STREAM, UNTIL);
const facts = history.tries.flatMap((t) => tryFact(t) ?? []);
const refits = judged(refitted(facts));
const part = (name: PriorName, of = '') =>
  refits.find((r) => r.name === name)!.parts.find((p) => p.of === of)!;

it('two seasons over four beats and a string of places: at least 400 tries and 250 readings', () => {
  expect(history.tries.length).toBeGreaterThanOrEqual(400);
  expect(history.readings.length).toBeGreaterThanOrEqual(250);
  expect(new Set(history.tries.map((t) => t.beatId))).toEqual(
    new Set([...beats.map((b) => b.id), null]),
  );
  const years = new Set(history.tries.map((t) => new Date(t.openedMs).getUTCFullYear()));
  expect([...years].sort()).toEqual([2025, 2026]);
  expect(history.tries.every((t) => t.openedMs < UNTIL)).toBe(true);
});
it('is the same each time', () => {
  expect(demoHistory(beats, DEMO_STREAM, UNTIL).tries[7]).toEqual(history.tries[7]);
});
it('Learn finds the truth it was made from: each within its interval', () => {
  const { home, waters, ...truth } = DEMO_TRUTH;
  const wanted: [PriorName, string, number][] = [
    ['home', 'slope', home.slope],
    ...Object.entries(waters).map(([id, w]): [PriorName, string, number] => [
      'home',
      id,
      home.shift + w,
    ]),
    ['noticing', '', Math.log(truth.noticing)],
    ['alarm', '', Math.log(truth.alarm)],
    ['answer', '', Math.log(truth.answer)],
    ['hook', '', truth.hook],
    ['scatter', 'near', Math.log(truth.scatter.near)],
    ['scatter', 'far', Math.log(truth.scatter.far)],
    ['scatter', 'wind', Math.log(truth.scatter.wind)],
  ];
  for (const [name, of, value] of wanted) {
    const { low, high } = part(name, of);
    expect([name, of, low <= value && value <= high]).toEqual([name, of, true]);
  }
});
it('and puts what is sure into the reckoning', () => {
  const moved = refits.filter((r) => r.verdict === 'moved').map((r) => r.name);
  expect(moved).toEqual(expect.arrayContaining(['home', 'noticing', 'hook', 'scatter']));
  expect(priorsFrom(refits, [], { untilMs: UNTIL, beds: [], depth: {} })).not.toEqual(NO_PRIORS);
});
it('deep water takes better: found among all that is asked, and nothing else is', () => {
  const told = learn(facts).factors.flatMap((f) =>
    f.groups
      .filter((g) => g.verdict === 'more' || g.verdict === 'less')
      .map((g) => `${f.factor} ${g.name} ${g.verdict}`),
  );
  expect(told).toEqual(['depth over more']);
});
