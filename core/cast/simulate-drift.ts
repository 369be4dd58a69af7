import type { Reason } from '../units/index';
import type { FlowField } from '../water/index';
import { currentOf, surfaceInto, type Current } from './drift-current';
import type { DriftInput } from './drift-input';
import {
  classifyInto,
  cutShort,
  lastingSteps,
  MICRO_MPS,
  passInto,
  type DriftResult,
} from './drift-result';
import {
  frameOf,
  lineOutOf,
  linePlaces,
  slackOf,
  startRun,
  step,
  throwOver,
  type Run,
} from './drift-run';

/**
 * Drift of a floating fly on line and leader carried by the mean surface current. Line is an
 * inextensible chain that may go slack (`chain.ts`), pulled at the entry by the sag of the part
 * in the air (`air.ts`), whose other end is the rod tip (`rod.ts`). Fly drag is the distance between
 * the fly and where it would be free, over the step. A stretch the solver could not settle makes the
 * result `unknown`, never clean. Throws RangeError unless seconds > 0.
 */
export function simulateDrift(flow: FlowField, input: DriftInput): DriftResult {
  const { seconds } = input;
  if (!(seconds > 0)) throw new RangeError(`seconds must be positive, got ${seconds}`);
  const dt = input.dtS ?? 0.1;
  const current = currentOf(flow, input.speedBias);
  const landingWet = surfaceInto(current, input.landing.xM, input.landing.yM).depthM > 0;
  const run = startRun(current, input, dt);
  const { chain } = run;
  const steps = Math.ceil(seconds / dt);
  const out = emptyResult(steps + 1, run);
  if (input.film) out.film = [frameOf(run, 0, 0)];
  const lasting = lastingSteps(dt);
  const liftAt = input.fish && input.liftPastM !== undefined ? input.liftPastM : null;
  const mendAt = input.mend ? Math.round(input.mend.atS / dt) : -1;
  const takeAt = input.takeS === undefined ? -1 : Math.round(input.takeS / dt);
  let dragging = 0;
  let unknown = !landingWet;
  for (let n = 1; n <= steps; n++) {
    if (n === mendAt) throwOver(run, input.mend!);
    if (!step(run, n === 1)) unknown = true;
    const drag = Math.hypot(chain.x[0]! - run.freeFly.xM, chain.y[0]! - run.freeFly.yM) / dt;
    out.t[n] = n * dt;
    out.x[n] = chain.x[0]!;
    out.y[n] = chain.y[0]!;
    out.dragMps[n] = drag;
    if (out.atFirstDrag === null && drag > MICRO_MPS) out.atFirstDrag = linePlaces(run);
    if (out.film) out.film.push(frameOf(run, n * dt, drag));
    out.lineOutM = Math.max(out.lineOutM, lineOutOf(run));
    if (takeAt >= 0 && n <= takeAt) out.slackM = slackOf(run);
    dragging = drag > MICRO_MPS ? dragging + 1 : 0;
    if (liftAt !== null && isPast(input.fish!, liftAt, chain.x[0]!, chain.y[0]!)) {
      out.liftedS = n * dt;
      cutShort(out, n + 1);
      break;
    }
    if (input.stopAtDrag && dragging >= lasting) {
      cutShort(out, n + 1);
      break;
    }
  }
  classifyInto(out, dt);
  if (unknown) out.status = 'unknown';
  if (input.fish) passInto(out, input.fish);
  out.reason = reasonOf(out, current);
  return out;
}

/** Whether a place lies further down a fish's current than that, m. */
const isPast = (
  { xM, yM, headingRad }: NonNullable<DriftInput['fish']>,
  m: number,
  x: number,
  y: number,
) => (x - xM) * Math.cos(headingRad) + (y - yM) * Math.sin(headingRad) < -m;

function emptyResult(count: number, run: Run): DriftResult {
  const out: DriftResult = {
    t: new Float64Array(count),
    x: new Float64Array(count),
    y: new Float64Array(count),
    dragMps: new Float64Array(count),
    dragClass: new Uint8Array(count),
    firstMicroS: null,
    firstWakeS: null,
    cleanS: 0,
    cleanM: 0,
    passesFish: null,
    passesAtS: null,
    liftedS: null,
    reason: null,
    status: 'ok',
    laid: linePlaces(run),
    slackM: slackOf(run),
    lineOutM: lineOutOf(run),
    stepM: run.stepM,
    leaderPlaces: Math.min(run.chain.n, Math.round(run.rig.leaderM / run.stepM) + 1),
    atFirstDrag: null,
  };
  out.x[0] = run.chain.x[0]!;
  out.y[0] = run.chain.y[0]!;
  return out;
}

/** Mean strain rate along a line at which it counts as drawing or slackening, 1/s. */
const STRAIN_PER_S = 0.02;

/**
 * Which way drag came, from the line as it lay: quickest water under it against the fly's own, and the
 * strain rate t.grad(u).t along the line from the fly: > 0 it runs into quicker water the way it
 * flows and draws at once, < 0 slack gathers first.
 */
function reasonOf(out: DriftResult, current: Current): Reason | null {
  if (out.firstMicroS === null) return null;
  const line = out.laid;
  const own = { ...surfaceInto(current, line[0]!.xM, line[0]!.yM) };
  const flyMps = Math.hypot(own.u, own.v);
  let quickest = 0;
  let slowest = Infinity;
  let strain = 0;
  let length = 0;
  let before = own;
  for (let i = 1; i < line.length - 1; i++) {
    const s = { ...surfaceInto(current, line[i]!.xM, line[i]!.yM) };
    const v = Math.hypot(s.u, s.v);
    quickest = Math.max(quickest, v);
    if (s.depthM > 0) slowest = Math.min(slowest, v);
    const dx = line[i]!.xM - line[i - 1]!.xM;
    const dy = line[i]!.yM - line[i - 1]!.yM;
    const d = Math.hypot(dx, dy);
    if (d > 0) strain += ((s.u - before.u) * dx + (s.v - before.v) * dy) / d;
    length += d;
    before = s;
  }
  const rate = length > 0 ? strain / length : 0;
  const about = rate > STRAIN_PER_S ? 'draws' : rate < -STRAIN_PER_S ? 'slackens' : 'across';
  const because = (what: string, value: number): Reason => ({
    what,
    value,
    unit: 'm/s',
    source: 'chain',
    about,
  });
  if (quickest > 1.2 * flyMps + 0.05) return because('tongue-between', quickest);
  if (slowest < 0.7 * flyMps) return because('slack-between', slowest);
  return because('line-at-its-end', flyMps);
}
