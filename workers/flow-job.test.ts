import type { FlowField, FlowRun } from '../core/water/index';
import { firstPicture, runFlowJob } from './flow-job';

const field = {} as FlowField;
function fakeRun(turns: number): FlowRun & { advanced: number } {
  const run = {
    advanced: 0,
    advance() {
      run.advanced++;
      return run.advanced >= turns;
    },
    get progress() {
      return run.advanced / turns;
    },
    coarse: () => (run.advanced > 3 ? field : null),
    result: () => field,
  };
  return run;
}
const giveWay = () => Promise.resolve();

it('cancelled at 30 %, takes no further step and answers null', async () => {
  const run = fakeRun(100);
  const seen: number[] = [];
  const result = await runFlowJob(
    run,
    { onProgress: (p) => seen.push(p), onCoarse: () => {} },
    () => run.progress >= 0.3,
    giveWay,
  );
  expect(result).toBeNull();
  expect(run.advanced).toBe(30);
  expect(seen[seen.length - 1]).toBeCloseTo(0.3, 9);
});

it('shows the coarse picture once, then the result', async () => {
  const run = fakeRun(10);
  let shown = 0;
  const result = await runFlowJob(
    run,
    { onProgress: () => {}, onCoarse: () => shown++ },
    () => false,
    giveWay,
  );
  expect(result).toBe(field);
  expect(shown).toBe(1);
});

it('the first picture alone: no step after it, none after a newer question', async () => {
  const run = fakeRun(100);
  expect(await firstPicture(run, () => false, giveWay)).toBe(field);
  expect(run.advanced).toBe(4);
  const other = fakeRun(100);
  expect(await firstPicture(other, () => other.advanced >= 2, giveWay)).toBeNull();
  expect(other.advanced).toBe(2);
});
