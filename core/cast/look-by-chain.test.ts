import { DEFAULT_RIG } from '../rig/index';
import {
  CHANCE,
  freeMap,
  landingSigmaM,
  lookAt,
  reachOf,
  satisfied,
  zoneOf,
  type FreeMap,
} from '../chance/index';
import { createRandom, type Place } from '../grid/index';
import type { Fish } from '../sight/index';
import { stream } from '../stalk/fixtures/streams';
import type { FlowField } from '../water/index';
import { castTip, simulateDrift, UNKNOWN, type DriftResult, type Lay } from './index';

/**
 * The table of a look holds free flies and a clean time; here the chain itself is cast, with landing,
 * place of the fish, friction, slack and pace drawn by chance (check 4 of the chance).
 */
/** A tongue down the middle, a soft edge where the fish lies. */
function tongue(): FlowField {
  const flow = stream(0.35, 0.5);
  for (let k = 0; k < flow.depthM.length; k++) {
    const y = flow.y0M + Math.floor(k / flow.nx) * flow.cellM;
    if (flow.depthM[k]! > 0) flow.u[k] = -(0.3 + 0.4 / (1 + Math.exp((y - 1.2) / 0.25)));
  }
  return flow;
}
const FISH: Fish = {
  id: 'one',
  xM: 12,
  yM: 2.4,
  fishDepthM: 0.3,
  headingRad: 0,
  totalLengthCm: 28,
  surety: 'likely',
};
const LAYS: Lay[] = [
  { kind: 'straight' },
  { kind: 'reach', toward: 'up-current', amountM: 1.5 },
  { kind: 'pile' },
  { kind: 'slack' },
];
/** Good and bad ones alike. */
const STANDS: Place[] = [
  { xM: 7, yM: -2 },
  { xM: 9.5, yM: -4.6 },
  { xM: 12, yM: -4.6 },
  { xM: 15.5, yM: -2 },
  { xM: 8, yM: 4.4 },
];
const AIMS: Place[] = [
  { xM: 12.7, yM: 2.4 },
  { xM: 13.3, yM: 2.2 },
  { xM: 12.3, yM: 2.9 },
];
const RUNS = 40;
const SURE_M = 10;

const flow = tongue();
const map = freeMap(flow, reachOf(flow, FISH, { fly: 'dry' }));
const placeM = CHANCE.placeM.likely;
const random = createRandom(20);
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
const between = ([lo, hi]: readonly [number, number]) => lo + (hi - lo) * random();

/** The longest stay of a drifting fly within reach of a fish that lies `dx`, `dy` off, s. */
function stayOf(m: FreeMap, drift: DriftResult, dx: number, dy: number): number {
  let best = 0;
  let from = -1;
  let ahead = false;
  for (let n = 0; n < drift.t.length && drift.t[n]! <= drift.cleanS; n++) {
    const zone = zoneOf(m.reach, drift.x[n]! - dx, drift.y[n]! - dy);
    if (zone === 0) {
      from = -1;
      ahead = false;
      continue;
    }
    if (zone === 2) ahead = true;
    if (from < 0 && (ahead || m.reach.anySide)) from = drift.t[n]!;
    if (from >= 0) best = Math.max(best, drift.t[n]! - from);
  }
  return best;
}

it('a look by table is what the chain gives: bias under .03, rms under .15', () => {
  const table: number[] = [];
  const chain: number[] = [];
  for (const stand of STANDS) {
    for (const aim of AIMS) {
      for (const lay of LAYS) {
        const distanceM = Math.hypot(stand.xM - aim.xM, stand.yM - aim.yM);
        const asked = {
          tip: castTip(stand, aim, 2.4, lay.kind),
          stand,
          landing: aim,
          lay,
          seconds: 6,
          nodeM: 0.2,
          dtS: 0.1,
        };
        const sigmaM = landingSigmaM(distanceM, SURE_M, 0);
        const { cleanS } = simulateDrift(flow, { rig: DEFAULT_RIG, ...asked, stopAtDrag: true });
        table.push(lookAt(map, aim, cleanS, Math.hypot(sigmaM, placeM)).presented);
        let sum = 0;
        for (let n = 0; n < RUNS; n++) {
          const landing = { xM: aim.xM + sigmaM * normal(), yM: aim.yM + sigmaM * normal() };
          const [dx, dy] = [placeM * normal(), placeM * normal()];
          const drift = simulateDrift(flow, {
            rig: DEFAULT_RIG,
            ...asked,
            landing,
            stopAtDrag: true,
            film: false,
            dragRatio: between(UNKNOWN.dragRatio),
            microSlack: between(UNKNOWN.microSlack),
            speedBias: between(UNKNOWN.speedBias),
          });
          const off = Math.hypot(landing.xM - dx - FISH.xM, landing.yM - dy - FISH.yM);
          const splash = map.reach.splash * Math.exp(-((off / CHANCE.splashM) ** 2));
          sum += satisfied(map.reach, stayOf(map, drift, dx, dy), map.naturalS) * (1 - splash);
        }
        chain.push(sum / RUNS);
      }
    }
  }
  const n = table.length;
  const off = table.map((t, k) => t - chain[k]!);
  const mean = (a: number[]) => a.reduce((s, v) => s + v, 0) / n;
  const bias = mean(off);
  const rms = Math.sqrt(mean(off.map((d) => d * d)));
  const [mt, mc] = [mean(table), mean(chain)];
  const r =
    mean(table.map((t, k) => (t - mt) * (chain[k]! - mc))) /
    Math.sqrt(mean(table.map((t) => (t - mt) ** 2)) * mean(chain.map((c) => (c - mc) ** 2)));
  expect(Math.abs(bias)).toBeLessThan(0.03);
  expect(rms).toBeLessThan(0.15);
  expect(r).toBeGreaterThan(0.8);
});
