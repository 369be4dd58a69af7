import { createRandom } from '../grid/index';
import type { BeatFeature, BeatPlan } from '../formats/index';
import { calibrate, createChannel, misfits, surveyDoubt, surveyedDepths } from './index';
import { keptCalibration, keptFlow } from '../../testing/solved';

const line = (...points: [number, number][]) => ({
  type: 'LineString' as const,
  line: points.map(([xM, yM]) => ({ xM, yM })),
});

/** A bending channel, 7 m wide, whose bed runs with it: the truth of these tests. */
const middle = (x: number) => 3 * Math.sin((Math.PI * x) / 30);
const HALF_M = 3.5;
/** The deep crosses from one side to the other and back. */
const crossing = (x: number) => 0.45 * Math.sin((Math.PI * x) / 15);
const truth = (x: number, y: number, deep = crossing) => {
  const n = (y - middle(x)) / HALF_M;
  if (Math.abs(n) >= 1) return 0;
  const deepAt = deep(x);
  return 0.85 * (1 - n * n) * (1 - 0.35 * Math.abs(n - deepAt));
};

function bend(features: BeatFeature[], more: Partial<BeatPlan> = {}): BeatPlan {
  const xs = Array.from({ length: 17 }, (_, i) => -1 + 2 * i);
  return {
    version: 1,
    name: 'Bend',
    lengthM: 30,
    slope: 0.004,
    bearingDeg: 0,
    levels: [{ name: 'Fair', dischargeM3s: 1.2, how: 'guessed' }],
    surveyedLevel: 'Fair',
    features: [
      {
        kind: 'bank',
        side: 'left',
        form: 'sloping',
        shape: line(...xs.map((x): [number, number] => [x, middle(x) - HALF_M])),
      },
      {
        kind: 'bank',
        side: 'right',
        form: 'sloping',
        shape: line(...xs.map((x): [number, number] => [x, middle(x) + HALF_M])),
      },
      ...features,
    ],
    ...more,
  };
}

function tape(x: number, deep = crossing): BeatFeature {
  const stations = Array.from({ length: 9 }, (_, i) => {
    const offsetM = (7 * i) / 8;
    const y = middle(x) - HALF_M + offsetM;
    return { offsetM, depthM: Math.max(0, truth(x, y, deep)) };
  });
  return {
    kind: 'section',
    stations,
    shape: line([x, middle(x) - HALF_M], [x, middle(x) + HALF_M]),
  };
}

const tapes = (every: number, deep = crossing) =>
  Array.from({ length: Math.floor(28 / every) + 1 }, (_, i) => tape(1 + i * every, deep));

describe('depths between tapes', () => {
  it('fitted to the channel they are nearer the truth than by plain distance: half the error and less', () => {
    const plan = bend(tapes(4));
    const depths = surveyedDepths(createChannel(plan));
    const random = createRandom(5);
    let fitted = 0;
    let plain = 0;
    const count = 600;
    for (let n = 0; n < count; n++) {
      const x = 1 + 28 * random();
      const y = middle(x) + HALF_M * (1.9 * random() - 0.95);
      const exact = truth(x, y);
      fitted += (depths.depthM(x, y) - exact) ** 2;
      // Plain: inverse squared distance over the same depths, blind to the channel.
      let weight = 0;
      let sum = 0;
      for (const t of depths.taken) {
        const w = 1 / ((x - t.xM) ** 2 + (y - t.yM) ** 2 + 0.01);
        weight += w;
        sum += w * t.depthM;
      }
      plain += (sum / weight - exact) ** 2;
    }
    expect(Math.sqrt(fitted / count)).toBeLessThan(0.5 * Math.sqrt(plain / count));
    expect(Math.sqrt(fitted / count)).toBeLessThan(0.06);
  });

  it('a ledge is a break: no depth runs through it', () => {
    const step: BeatFeature = {
      kind: 'ledge',
      dropM: 0.1,
      facing: 180,
      shape: line([15, -2], [15, 8]),
    };
    const shallow = {
      ...tape(18),
      stations: [
        { offsetM: 0, depthM: 0 },
        { offsetM: 3.5, depthM: 0.2 },
        { offsetM: 7, depthM: 0 },
      ],
    } as BeatFeature;
    const at = (plan: BeatPlan, x: number) =>
      surveyedDepths(createChannel(plan)).depthM(x, middle(x));
    const broken = bend([tape(12), shallow, step]);
    expect(at(broken, 15.3)).toBeCloseTo(0.2, 1);
    expect(at(broken, 14.7)).toBeGreaterThan(0.6);
    expect(at(bend([tape(12), shallow]), 15.3)).toBeGreaterThan(0.35);
  });
});

describe('where the next sounding helps', () => {
  it('is far from what was taken, in the water, and the doubt shrinks once it is taken', () => {
    const before = surveyDoubt(bend([tape(3), tape(8)]));
    expect(before.next!.xM).toBeGreaterThan(15);
    const { xM, yM } = before.next!;
    const after = surveyDoubt(
      bend([
        tape(3),
        tape(8),
        { kind: 'sounding', depthM: truth(xM, yM), shape: { type: 'Point', place: { xM, yM } } },
      ]),
    );
    const near = (d: typeof before) =>
      Math.max(
        ...d.places.filter((p) => Math.hypot(p.xM - xM, p.yM - yM) < 1).map((p) => p.spreadM),
      );
    expect(near(after)).toBeLessThan(0.95 * near(before));
  });
  it('says so when a beat is sounded closely', () => {
    const close = surveyDoubt(bend(tapes(1)));
    expect(close.next).toBeNull();
    expect(close.rmsM).toBeLessThan(0.12);
  });
});

describe('calibration', () => {
  /** Water over a bed 1.5 times as rough as the book says, at the discharge that fills it as told. */
  const ROUGHNESS = 1.5;
  const rough = bend(tapes(5), {
    calibration: { roughness: ROUGHNESS, points: 1, depthRmsM: 0, speedRmsMps: 0 },
  });
  const flowAt = (dischargeM3s: number) => {
    return keptFlow(rough, { dischargeM3s, cellM: 0.4, onlyCoarse: true, correctBed: false });
  };
  const meanMisfit = (q: number) => {
    const all = misfits(rough, flowAt(q));
    return all.reduce((sum, m) => sum + m.solvedDepthM - m.takenDepthM, 0) / all.length;
  };
  let [low, high] = [0.8, 4];
  for (let n = 0; n < 6; n++) {
    const q = (low + high) / 2;
    if (meanMisfit(q) > 0) high = q;
    else low = q;
  }
  const trueM3s = (low + high) / 2;
  const taken = misfits(
    bend(
      tapes(5).map((f) =>
        f.kind === 'section'
          ? { ...f, stations: f.stations.map((s) => ({ ...s, speedMps: 0 })) }
          : f,
      ),
    ),
    flowAt(trueM3s),
  );
  let next = 0;
  /** Each station with the speed that the true water has there. */
  const measured = (f: BeatFeature): BeatFeature =>
    f.kind !== 'section'
      ? f
      : {
          ...f,
          stations: f.stations.map((s) =>
            s.depthM <= 0 ? s : { ...s, speedMps: taken[next++]!.solvedMps! },
          ),
        };

  it('recovers the roughness and the discharge that made the speeds, within 8 and 4 %', () => {
    const plan = bend(tapes(5).map(measured));
    const fitted = keptCalibration(plan);
    if (!fitted.ok) throw new Error(fitted.reason);
    expect(Math.abs(fitted.dischargeM3s / trueM3s - 1)).toBeLessThan(0.04);
    expect(Math.abs(fitted.calibration.roughness / ROUGHNESS - 1)).toBeLessThan(0.08);
    expect(fitted.calibration.speedRmsMps).toBeLessThan(0.5 * fitted.beforeSpeedRmsMps);
    expect(fitted.atLimit).toBe(false);
  });
  it('asks for speeds when there are too few', () => {
    expect(calibrate(bend(tapes(5)))).toEqual({
      ok: false,
      reason: 'too few speeds',
      speeds: 0,
      needed: 4,
    });
  });
});

describe('a bend', () => {
  it('runs quicker over the deep outside than over the shallow inside', () => {
    const flow = keptFlow(bend(tapes(4, () => 0.45)), { dischargeM3s: 1.4 });
    const mean = (side: 1 | -1) => {
      let sum = 0;
      let n = 0;
      for (let i = 0; i < flow.nx; i++) {
        const x = flow.x0M + i * flow.cellM;
        if (x < 10 || x > 20) continue;
        for (let j = 0; j < flow.ny; j++) {
          const off = (flow.y0M + j * flow.cellM - middle(x)) * side;
          if (off < 0.5 || off > 2.8) continue;
          sum += Math.hypot(flow.u[j * flow.nx + i]!, flow.v[j * flow.nx + i]!);
          n++;
        }
      }
      return sum / n;
    };
    // The bend is to true right: outside is +y at its apex, x 15.
    expect(mean(1)).toBeGreaterThan(mean(-1));
  });
});

describe('flows of one beat at several sharpnesses', () => {
  const plan = bend(tapes(6), { lengthM: 30 });
  it('a coarse picture alone, and a fine one started from another flow, agree in the mean within 10 %', () => {
    const coarse = keptFlow(plan, { dischargeM3s: 1.2, onlyCoarse: true, cellM: 0.4 });
    const fine = keptFlow(plan, { dischargeM3s: 1.2, cellM: 0.25, from: coarse });
    const mean = (f: typeof fine) => {
      const wet = f.depthM.filter((d) => d > 0);
      return wet.reduce((a, b) => a + b, 0) / wet.length;
    };
    expect(Math.abs(mean(fine) / mean(coarse) - 1)).toBeLessThan(0.1);
    expect(fine.cellM).toBe(0.25);
    expect(['converged', 'averaged']).toContain(fine.status);
  });
});
