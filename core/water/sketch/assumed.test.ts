import { paceWord } from '../../units/index';
import {
  beatFromSketch,
  compareSketch,
  fillAssumed,
  fitSketch,
  newPiece,
  newSketch,
  toldDepthM,
  toldNow,
  type Sketch,
  type SketchKind,
  type SketchPiece,
} from './index';
import { keptFlow } from '../../../testing/solved';

const untouched = (...kinds: SketchKind[]): Sketch =>
  fillAssumed({
    ...newSketch('Rill', 1.75),
    pieces: kinds.map((kind, i) => newPiece(`p${i}`, kind, 6)),
  });
const solved = (sketch: Sketch) => {
  const built = beatFromSketch(sketch);
  if (!built.ok) throw new Error(built.problems.map((p) => p.message).join(' '));
  const q = built.plan.levels.find((l) => l.name === built.plan.surveyedLevel)!.dischargeM3s;
  const flow = keptFlow(built.plan, { dischargeM3s: q, cellM: 0.4, onlyCoarse: true });
  return { built, flow, compared: compareSketch(sketch, built.plan, flow) };
};

describe('pieces of which only the kind was told (lies2, 1 E)', () => {
  it.each([
    [['tail', 'pool', 'run', 'riffle']],
    [['run', 'riffle', 'glide', 'tail']],
    [['glide', 'run', 'pool', 'pocket water']],
    [['riffle', 'tail', 'pool', 'run']],
    [['pool', 'tail', 'run', 'glide']],
  ] as const)('%j: nothing contradicts, depths solve to within 15 %', (kinds) => {
    const sketch = untouched(...kinds);
    const { built, compared } = solved(sketch);
    expect(built.ok && built.fit.contradictions).toEqual([]);
    for (const t of compared) {
      expect(t.disagrees).toEqual({ depth: false, pace: false });
      const off = Math.abs(t.solved!.deepestM / t.told.deepestM - 1);
      // Water round rocks of our own is the one place where it is not an even bed.
      const rocks = sketch.pieces.find((p) => p.id === t.pieceId)!.kind === 'pocket water';
      expect(off).toBeLessThan(rocks ? 0.3 : 0.16);
    }
  });

  it('three pace words in four are those of the solved water, over five sketches', () => {
    let [same, all] = [0, 0];
    for (const kinds of [
      ['tail', 'pool', 'run', 'riffle'],
      ['run', 'riffle', 'glide', 'tail'],
      ['glide', 'run', 'pool', 'pocket water'],
      ['riffle', 'tail', 'pool', 'run'],
      ['pool', 'tail', 'run', 'glide'],
    ] as SketchKind[][])
      for (const t of solved(untouched(...kinds)).compared) {
        all++;
        if (paceWord(t.told.surfaceSpeedMps) === paceWord(t.solved!.surfaceSpeedMps)) same++;
      }
    expect(all).toBe(20);
    expect(same).toBeGreaterThanOrEqual(15);
  });

  it('take the discharge from what was told, and give way to what is told of them', () => {
    const base = untouched('tail', 'pool');
    const told = toldNow(base.pieces[0]!, {
      deepest: { depthM: 0.4 },
      pace: { floatS: 6, overM: 3 },
    });
    expect(told.assumed).toBeUndefined();
    const next = fillAssumed({ ...base, pieces: [told, base.pieces[1]!] });
    expect(fitSketch(next).isTold).toBe(true);
    expect(fitSketch(base).isTold).toBe(false);
    expect(fitSketch(base).dischargeM3s).toBeCloseTo((6 / 8) ** 2, 6);
    // A slower pool is a deeper one: the discharge stays what the tail carries.
    const slow = toldNow(next.pieces[1]!, { pace: { word: 'still' } });
    const quick = toldNow(next.pieces[1]!, { pace: { word: 'walk' } });
    const deepest = (p: SketchPiece) =>
      toldDepthM(fillAssumed({ ...next, pieces: [told, p] }).pieces[1]!.deepest, 1.75);
    expect(deepest(slow)).toBeGreaterThan(2 * deepest(quick));
    expect(fillAssumed(next)).toEqual(next);
  });

  it('a slot is narrower than what lies round it until its width is told', () => {
    const s = untouched('run', 'slot', 'pool');
    expect(s.pieces[1]!.widthM).toBeCloseTo(0.45 * 6, 6);
    const wide = toldNow(s.pieces[1]!, { widthM: 4 });
    expect(
      fillAssumed({ ...s, pieces: [s.pieces[0]!, wide, s.pieces[2]!] }).pieces[1]!.widthM,
    ).toBe(4);
  });
});

describe('told and solved, piece by piece (lies2, 1 F)', () => {
  const piece = (
    id: string,
    kind: SketchKind,
    word: 'knee' | 'shin' | 'waist',
    pace: 'walk' | 'stroll' | 'brisk',
  ) => toldNow(newPiece(id, kind, 6), { deepest: { word }, pace: { word: pace } });
  const touched: Sketch = {
    ...newSketch('Rill', 1.75),
    pieces: [
      piece('a', 'tail', 'shin', 'walk'),
      piece('b', 'pool', 'waist', 'stroll'),
      piece('c', 'run', 'knee', 'walk'),
      piece('d', 'pocket water', 'knee', 'brisk'),
    ],
  };

  it('names the pieces whose words the water cannot keep, the worst first, and what would mend them', () => {
    const { compared } = solved(touched);
    const off = compared.filter((t) => t.disagrees.pace || t.disagrees.depth);
    expect(off.map((t) => t.pieceId)).toEqual(expect.arrayContaining(['a', 'd']));
    expect(compared[0]).toBe(off[0]);
    const pocket = compared.find((t) => t.pieceId === 'd')!;
    const { surfaceSpeedMps, deepestM, widthM } = pocket.needs!;
    // All three mends are one factor: what the water does over what was told.
    const factor = pocket.solved!.surfaceSpeedMps / pocket.told.surfaceSpeedMps;
    expect(surfaceSpeedMps / pocket.told.surfaceSpeedMps).toBeCloseTo(factor, 9);
    expect(deepestM / pocket.told.deepestM).toBeCloseTo(factor, 9);
    expect(widthM / 6).toBeCloseTo(factor, 9);
    expect(surfaceSpeedMps).toBeGreaterThan(0.25);
    expect(surfaceSpeedMps).toBeLessThan(0.5);
  });

  it('what was not told cannot disagree', () => {
    const { compared } = solved(untouched('tail', 'pool', 'run'));
    expect(compared.every((t) => t.strain === 0 && t.needs === null)).toBe(true);
  });
});

it('a hollow is deeper than the bed round it by what was told; springs, snags and dead trees stand in the beat', () => {
  const sketch: Sketch = {
    ...untouched('glide', 'run'),
    things: [
      {
        id: 'h',
        pieceId: 'p0',
        kind: 'hollow',
        along: 0.5,
        across: 0.4,
        lengthM: 2.4,
        deeperM: 0.3,
      },
      { id: 's', pieceId: 'p1', kind: 'spring', along: 0.5, across: 0.1, tempC: 8, note: 'Spring' },
      { id: 'n', pieceId: 'p1', kind: 'snag', along: 0.2, across: 0.5, note: 'Branch ends' },
      { id: 'd', pieceId: 'p1', kind: 'dead tree', along: 0.8, side: 'left', offM: 2, heightM: 9 },
    ],
  };
  const { built, flow } = solved(sketch);
  if (!built.ok) throw new Error('it builds');
  const kinds = built.plan.features.map((f) => f.kind);
  for (const kind of ['sounding', 'spring', 'snag', 'tree', 'hazard'])
    expect(kinds).toContain(kind);
  const at = (xM: number, across: number) => {
    const i = Math.round((xM - flow.x0M) / flow.cellM);
    const column = Array.from({ length: flow.ny }, (_, j) => flow.depthM[j * flow.nx + i]!);
    const wet = column.flatMap((d, j) => (d > 0 ? [j] : []));
    return column[Math.round(wet[0]! + across * (wet[wet.length - 1]! - wet[0]!))]!;
  };
  expect(at(5, 0.4) - at(5, 0.7)).toBeGreaterThan(0.18);
});
