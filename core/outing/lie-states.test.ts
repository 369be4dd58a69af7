import { EMPTY_SNAPSHOT, type EventCode, type Try } from '../log/index';
import { heldAgain, lieState, type LieState } from './index';

const MIN = 60_000;
const attempt = (codes: EventCode[], openedMs = 0): Try => ({
  id: `t${openedMs}`,
  outingId: 'o',
  beatId: 'b',
  markId: null,
  fly: '',
  openedMs,
  zoneOffsetMin: 0,
  snapshot: EMPTY_SNAPSHOT,
  events: codes.map((code, i) => ({
    id: `e${openedMs}-${i}`,
    device: 'd',
    seq: i + 1,
    code,
    clientMs: openedMs + (i + 1) * MIN,
    zoneOffsetMin: 0,
  })),
});
const at = (codes: EventCode[], nowMin: number, lambda = 3, home = 0.54) =>
  lieState({
    tries: codes.length > 0 ? [attempt(codes)] : [],
    home,
    cover: { a: 0.45, coverS: 11, takeS: 55 },
    lambda,
    detourMin: 1,
    nowMs: nowMin * MIN,
  });

it('untried it has no state, open it is being worked, left after blanks it is covered', () => {
  expect(at([], 0)).toBeNull();
  expect(at(['cast'], 1)).toEqual({ kind: 'being worked' });
  expect(at(['cast', 'cast', 'leave'], 5)).toEqual({ kind: 'covered', casts: 2, atMs: 3 * MIN });
});

it('put down it rests, and comes back at its time', () => {
  const resting = at(['cast', 'spook'], 3) as Extract<LieState, { kind: 'resting' }>;
  expect(resting.kind).toBe('resting');
  expect(at(['cast', 'spook'], resting.untilMs / MIN + 0.1)).toEqual({
    kind: 'rested',
    sinceMs: resting.untilMs,
  });
});

it('a landed fish leaves it vacant; a good lie is worth a look hours later, a poor one never', () => {
  const good = at(['hook', 'landing'], 5) as Extract<LieState, { kind: 'vacant' }>;
  expect(good).toMatchObject({ kind: 'vacant', how: 'taken', sinceMs: 2 * MIN });
  const hours = (good.backMs! - good.sinceMs) / 3_600_000;
  expect(Math.abs(hours - 2.9)).toBeLessThan(0.15);
  expect(heldAgain(good, 0.54, good.sinceMs + 4 * 3_600_000)).toBeCloseTo(0.15, 2);
  expect(at(['hook', 'landing'], 5, 6, 0.2)).toMatchObject({ kind: 'vacant', backMs: null });
});
