import { plan, stream } from '../core/stalk/fixtures/streams';
import { runAnswers } from '../workspace/engine/run-answers';
import { deferredWorkers } from '../workspace/engine/fixtures/deferred-workers';
import { CAST, MARK } from '../workspace/fixtures/cast';
import { stateWith } from '../workspace/fixtures/state';
import { answerSpecs } from '../workspace/frame/answer-specs';
import { createWorkspaceStore } from '../workspace/state/store';

/**
 * What one move of a dragged stand costs the interface thread before anything is drawn: the state is
 * set, every answer looked at, the questions that changed put together. `npx tsx bench/pointer-move.ts`.
 */
const MOVES = 2000;
const marks = [1, 2, 3, 4].map((n) => ({ ...MARK, id: `m${n}`, xM: 6 + 3 * n }));
const { workers } = deferredWorkers();
const store = createWorkspaceStore(
  stateWith({
    step: 'cast',
    markId: 'm1',
    marks,
    stand: CAST.stand,
    landing: CAST.landing,
    flow: stream(0.4, 0.5),
    waterSerial: 1,
    flowState: { kind: 'ready' },
  }),
);
const source = { at: () => ({}), hashOf: () => '', find: async () => null } as never;
const specs = answerSpecs(plan(), { source, findShots: async () => null, onRoute: () => {} });
const answers = runAnswers(store, specs, workers, console.error);
store.subscribe(() => answers.refresh());
answers.refresh();
const move = (n: number) =>
  store.setState({ stand: { xM: 8 + (n % 100) / 100, yM: -5 }, dragging: 'stand' });
for (let n = 0; n < 300; n++) move(n);
const times: number[] = [];
for (let n = 0; n < MOVES; n++) {
  const began = performance.now();
  move(n);
  times.push(performance.now() - began);
}
times.sort((a, b) => a - b);
const at = (share: number) => times[Math.floor(share * MOVES)]!.toFixed(3);
console.log(`one move of a dragged stand: median ${at(0.5)} ms, 95th percentile ${at(0.95)} ms`);
process.exit(0);
