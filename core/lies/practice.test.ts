import type { BeatPlan } from '../formats/index';
import { cellIndex } from '../grid/index';
import { createChannel, type FlowField } from '../water/index';
import { territoryM2 } from '../fish/index';
import { headingAt, waterForFish, type FishOptions, type Method } from './index';
import { fishDay } from './fish-day';
import { needsField, ratingField } from './needs-field';
import {
  flowOfBeat,
  GLIDE,
  GULLY,
  GULLY_BOULDER,
  POCKET_BOULDER,
  POCKETS,
  TONGUE,
} from './fixtures/beats';
import { keptLies } from '../../testing/solved';

/**
 * What good anglers agree on (common practice), held on solved beats built for it: relations, not
 * values. GULLY was drawn after the constants were frozen.
 */
const TROUT: FishOptions = { species: 'brown', forkLengthCm: 24, waterTempC: 11 };

function mapOf(plan: BeatPlan, times: number, more: Partial<FishOptions> = {}) {
  const flow = flowOfBeat(plan, times);
  const water = waterForFish(plan, flow);
  const options = { ...TROUT, ...more };
  const needs = needsField(water, fishDay(water, options));
  const field = ratingField(water, needs, options.method ?? 'energy-budget');
  /** Best and mean rating, and the place of the best, over the wet cells that `within` takes. */
  const over = (within: (xM: number, yM: number, k: number) => boolean) => {
    let best = 0;
    let at = { xM: NaN, yM: NaN };
    let sum = 0;
    let n = 0;
    for (let k = 0; k < field.length; k++) {
      const i = k % flow.nx;
      const xM = flow.x0M + i * flow.cellM;
      const yM = flow.y0M + ((k - i) / flow.nx) * flow.cellM;
      if (!water.open[k] || !within(xM, yM, k)) continue;
      sum += field[k]!;
      n++;
      if (field[k]! > best) {
        best = field[k]!;
        at = { xM, yM };
      }
    }
    expect(n).toBeGreaterThan(0);
    return { best, mean: sum / n, at };
  };
  return { flow, water, needs, field, over };
}
const box = (x0: number, x1: number, y0: number, y1: number) => (x: number, y: number) =>
  x >= x0 && x <= x1 && y >= y0 && y <= y1;

describe.each([
  ['Pockets', POCKETS, POCKET_BOULDER, -1],
  ['Gully (held back)', GULLY, GULLY_BOULDER, 1],
] as const)('quick pocket water: %s', (_name, plan, rock, openSide) => {
  const map = mapOf(plan, 1);
  const half = rock.diameterM / 2;
  const beside = map.over(
    box(
      rock.xM - 2 * rock.diameterM,
      rock.xM + 2 * rock.diameterM,
      rock.yM + openSide * 1.7 - 0.4,
      rock.yM + openSide * 1.7 + 0.4,
    ),
  );
  it('the cushion ahead of a boulder outranks the open current beside it', () => {
    const cushion = map.over(
      box(rock.xM + half, rock.xM + half + 0.8, rock.yM - half, rock.yM + half),
    );
    expect(cushion.best).toBeGreaterThan(1.5 * beside.mean);
    expect(cushion.best).toBeGreaterThan(beside.best);
  });
  it('so does the pocket behind it', () => {
    const pocket = map.over(
      box(rock.xM - half - 2, rock.xM - half, rock.yM - half, rock.yM + half),
    );
    expect(pocket.best).toBeGreaterThan(1.5 * beside.mean);
    expect(pocket.best).toBeGreaterThan(beside.best);
  });
});

describe('the tongue into the pool', () => {
  const map = mapOf(TONGUE, 1);
  /** Rating across the tongue at x: in its middle, at its edges, in the dead slack. */
  const across = (x: number, of = map) => {
    const cells: { y: number; pace: number; rating: number; depth: number }[] = [];
    for (let y = -4.5; y <= 3.5; y += of.flow.cellM) {
      const k = cellIndex(of.flow, x, y);
      if (k < 0 || of.flow.depthM[k]! < 0.25) continue;
      cells.push({ y, pace: of.water.pace[k]!, rating: of.field[k]!, depth: of.flow.depthM[k]! });
    }
    const core = cells.reduce((a, b) => (b.pace > a.pace ? b : a));
    const edge = cells
      .filter((c) => Math.abs(c.y - core.y) >= 0.6 && Math.abs(c.y - core.y) <= 1.8)
      .reduce((a, b) => (b.rating > a.rating ? b : a));
    const slack = cells.filter((c) => c.y < core.y - 2.4);
    return {
      middle: core.rating,
      edge: edge.rating,
      slack: slack.reduce((s, c) => s + c.rating, 0) / slack.length,
    };
  };
  it.each([15, 13.5])('its edge outranks its middle and the dead slack, at x %f', (x) => {
    const { middle, edge, slack } = across(x);
    expect(edge).toBeGreaterThan(1.3 * middle);
    expect(edge).toBeGreaterThan(1.2 * slack);
  });
  it('in a poor stream the edge gains on the slack', () => {
    const rich = across(15);
    const poor = across(15, mapOf(TONGUE, 1, { season: 'winter', prey: 'small' }));
    expect(poor.edge / poor.slack).toBeGreaterThan(rich.edge / rich.slack);
  });
  it('in the cold the deep slow pool outranks shelf, riffle and tail, and the drop beats the shelf', () => {
    const cold = mapOf(TONGUE, 1, { waterTempC: 3 });
    const pool = cold.over(box(9, 16, -3, 3));
    const drop = cold.over(box(14.5, 16.6, -3, 3));
    const shelf = cold.over(box(17.6, 20, -3, 3));
    const riffle = cold.over(box(21, 25, 0, 3.4));
    const tail = cold.over(box(0, 3, -3, 3));
    expect(pool.best).toBeGreaterThan(1.5 * Math.max(shelf.best, riffle.best, tail.best));
    expect(drop.best).toBeGreaterThan(1.5 * shelf.best);
    const whole = cold.over(() => true);
    const at = cellIndex(cold.flow, whole.at.xM, whole.at.yM);
    expect(cold.flow.depthM[at]!).toBeGreaterThan(0.55);
    expect(cold.water.pace[at]!).toBeLessThan(0.4);
  });
  it('in an eddy the fish faces down-valley', () => {
    let back = -1;
    const { flow } = map;
    for (let k = 0; k < flow.u.length; k++) {
      const edge = k % flow.nx === 0 || k % flow.nx === flow.nx - 1;
      if (!edge && flow.depthM[k]! > 0.3 && (back < 0 || flow.u[k]! > flow.u[back]!)) back = k;
    }
    expect(flow.u[back]!).toBeGreaterThan(0.05);
    expect(Math.cos(headingAt(flow, back))).toBeLessThan(-0.7);
    const thread = cellIndex(flow, 23, 1.6);
    expect(Math.cos(headingAt(flow, thread))).toBeGreaterThan(0.9);
  });
});

/** For each metre of the beat: the best place along the soft (true left) waterline, and in mid-channel. */
function strips(map: ReturnType<typeof mapOf>, plan: BeatPlan) {
  const channel = createChannel(plan);
  const best = { margin: 0, middle: 0 };
  let n = 0;
  for (let x = 4; x < 16; x++) {
    const at = { left: channel.leftYM(x), right: channel.rightYM(x) };
    const slice = (y0: number, y1: number) => map.over(box(x, x + 1, y0, y1)).best;
    best.margin += slice(at.left - 1, at.left + 1.2);
    const third = (at.right - at.left) / 3;
    best.middle += slice(at.left + third, at.right - third);
    n++;
  }
  return { margin: best.margin / n, middle: best.middle / n };
}

describe.each([
  ['energy-budget', true],
  ['soft-water', true],
  // Deeper water hides more: by cover alone mid-channel of the glide may even gain.
  ['cover-first', false],
] as [Method, boolean][])('in spate, by %s', (method, middleLoses) => {
  it.each([
    ['Tongue', TONGUE],
    ['Glide', GLIDE],
  ] as const)('soft margins gain on mid-channel: %s', (_name, plan) => {
    const fair = strips(mapOf(plan, 1, { method }), plan);
    // Six times on the glide: at four it is .74 m deep at .65 m/s, which many a fish still holds in.
    const spate = strips(mapOf(plan, plan === GLIDE ? 6 : 4, { method }), plan);
    expect(spate.margin).toBeGreaterThan(fair.margin);
    expect(spate.margin / spate.middle).toBeGreaterThan(1.2 * (fair.margin / fair.middle));
    if (middleLoses) expect(spate.middle).toBeLessThan(fair.middle);
  });
});

describe('the spread glide', () => {
  const map = mapOf(GLIDE, 1);
  it('rates low where it is shallow and bare; its two-foot edge under the bank does not', () => {
    const bare = map.over(box(5, 17, -2.6, 0.4));
    const edge = map.over(box(5, 17, 2, 3.2));
    expect(bare.mean).toBeLessThan(0.45);
    expect(edge.best).toBeGreaterThan(0.6);
    expect(edge.mean).toBeGreaterThan(1.3 * bare.mean);
  });
  it('a larger fish loses more on the bare glide than by the cut bank', () => {
    const large = mapOf(GLIDE, 1, { forkLengthCm: 36 });
    const ratio = (m: typeof map) =>
      m.over(box(5, 17, -2.6, 0.4)).mean / m.over(box(5, 17, 2, 3.2)).mean;
    expect(ratio(large)).toBeLessThan(0.7 * ratio(map));
  });
});

it('in the warmth broken, oxygenated water gains on still water', () => {
  const air = (tempC: number, aeration: number) => {
    const water = waterForFish(POCKETS, flowOfBeat(POCKETS));
    const made = { ...water, aeration: new Float64Array(water.open.length).fill(aeration) };
    const k = cellIndex(water.flow, 10, 1);
    const needs = needsField(made, fishDay(made, { ...TROUT, waterTempC: tempC, altitudeM: 600 }));
    return needs.oxygen[k]!;
  };
  expect(air(18, 0.9) / air(18, 0.2)).toBeGreaterThan(1.05);
  expect(air(18, 0.9) / air(18, 0.2)).toBeGreaterThan(air(11, 0.9) / air(11, 0.2));
});

it('a finer grid moves the ten best lies by less than a territory radius', () => {
  const list = (flow: FlowField) => keptLies(GULLY, flow, TROUT).lies;
  const fine = list(flowOfBeat(GULLY, 1, 0.2));
  const radius = Math.sqrt(territoryM2(TROUT.forkLengthCm));
  const best = list(flowOfBeat(GULLY, 1, 0.25)).slice(0, 10);
  expect(best.length).toBeGreaterThan(3);
  for (const lie of best) {
    const nearest = Math.min(...fine.map((o) => Math.hypot(o.xM - lie.xM, o.yM - lie.yM)));
    expect(nearest).toBeLessThan(radius);
  }
});
