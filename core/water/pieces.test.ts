import { classifyPieces, probeFlow, summariseWater, PIECE_KINDS } from './index';
import { flowOf } from './fixtures/flows';

const kinds = (flow: ReturnType<typeof flowOf>) =>
  classifyPieces(flow)
    .pieces.sort((a, b) => a.xM - b.xM)
    .map((p) => p.kind);

describe('pieces', () => {
  it('a riffle, a run and a pool in that order up-current, each one patch', () => {
    const flow = flowOf(
      (x) =>
        x < 3.3
          ? { depth: 0.2, u: -0.9 }
          : x < 6.6
            ? { depth: 0.4, u: -0.55 }
            : { depth: 0.9, u: -0.2 },
      { ny: 30 },
    );
    expect(kinds(flow)).toEqual(['riffle', 'run', 'pool']);
  });

  it('slow water is a pool where it is deep for its beat, else a glide; a tail shallows into a riffle', () => {
    expect(kinds(flowOf(() => ({ depth: 0.5, u: -0.1 })))).toEqual(['glide']);
    const tail = flowOf(
      (x) =>
        x < 3
          ? { depth: 0.15, u: -0.9 }
          : x < 6.5
            ? { depth: 0.15 + 0.11 * (x - 3), u: -0.12 }
            : { depth: 0.95, u: -0.12 },
      { ny: 30 },
    );
    const found = kinds(tail);
    expect(found[0]).toBe('riffle');
    expect(found).toContain('tail');
    expect(found[found.length - 1]).toBe('pool');
  });

  it('water that turns back over more than a square metre is a backwater, less is not', () => {
    const eddy = (half: number) =>
      flowOf((x, y) => ({
        depth: 0.5,
        u: Math.abs(x - 5) < half && Math.abs(y - 1) < half ? 0.15 : -0.5,
      }));
    expect(kinds(eddy(0.75))).toContain('backwater');
    expect(kinds(eddy(0.3))).not.toContain('backwater');
  });

  it('a slot is narrower than six depths; a plunge lies below a drop of a quarter of a metre', () => {
    const slot = flowOf((_x, y) => ({ depth: y > 2 && y < 3.6 ? 0.6 : 0, u: -0.6 }));
    expect(kinds(slot)).toEqual(['slot']);
    const plunge = flowOf(() => ({ depth: 0.5, u: -0.4 }));
    for (let k = 0; k < plunge.depthM.length; k++)
      plunge.surfaceM[k] = plunge.x0M + (k % plunge.nx) * plunge.cellM > 6 ? 0.4 : 0;
    const piece = classifyPieces(plunge).pieces.find((p) => p.kind === 'plunge')!;
    expect(piece.xMinM).toBeGreaterThan(3);
    expect(piece.xMaxM).toBeLessThan(7.6);
  });

  it('a stretch over a third in pockets is pocket water', () => {
    const rocks = [1, 2.6, 4.2, 5.8, 7.4, 9].flatMap((x) =>
      [1, 2.5, 4].map((y) => [x, y] as const),
    );
    const flow = flowOf((x, y) => {
      const rock = rocks.find(([rx, ry]) => Math.hypot(x - rx, y - ry) < 0.3);
      if (rock) return { depth: 0, solid: 1 };
      const lee = rocks.some(([rx, ry]) => x < rx && rx - x < 1.1 && Math.abs(y - ry) < 0.45);
      return { depth: 0.35, u: lee ? -0.1 : -0.9 };
    });
    expect(kinds(flow)).toContain('pocket water');
  });

  it('slivers join a neighbour, every wet cell has a piece, and the areas add up', () => {
    let seed = 1;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const flow = flowOf((_x, y) => ({
      depth: y < 0.5 ? 0 : 0.2 + 0.6 * random(),
      u: -0.1 - random(),
    }));
    const { pieces, ofCell } = classifyPieces(flow);
    const area = pieces.reduce((sum, p) => sum + p.areaM2, 0);
    const wet = flow.depthM.filter((d) => d > 0).length * flow.cellM ** 2;
    expect(area).toBeCloseTo(wet, 9);
    for (const p of pieces) expect(p.areaM2).toBeGreaterThanOrEqual(2);
    flow.depthM.forEach((d, k) => expect(ofCell[k]! >= 0).toBe(d > 0));
  });

  it('mirrored water has the mirrored pieces', () => {
    const water = (x: number, y: number) => ({
      depth: 0.2 + 0.12 * y,
      u: -0.9 + 0.12 * y - 0.02 * x,
    });
    const a = classifyPieces(flowOf(water)).pieces;
    const b = classifyPieces(flowOf((x, y) => water(x, 5 - y))).pieces;
    const shape = (ps: typeof a) =>
      ps.map((p) => `${p.kind} ${p.areaM2.toFixed(3)} ${p.meanDepthM.toFixed(4)}`).sort();
    expect(shape(b)).toEqual(shape(a));
  });
});

describe('probe', () => {
  const flow = flowOf((x, y) => ({ depth: y < 1 ? 0 : 0.4, u: x < 5 ? -0.6 : 0.2 }));
  it('says depth, pace at the surface, Froude number and piece', () => {
    const probe = probeFlow(flow, classifyPieces(flow), 2, 3)!;
    expect(probe.depthM).toBeCloseTo(0.4, 6);
    expect(probe.surfaceSpeedMps).toBeGreaterThan(probe.meanSpeedMps);
    expect(probe.froude).toBeCloseTo(0.6 / Math.sqrt(9.81 * 0.4), 6);
    expect(probe.piece).toBe('run');
    expect(probe.turnedBack).toBe(false);
    expect(probeFlow(flow, null, 8, 3)).toMatchObject({ turnedBack: true, piece: null });
  });
  it('is nothing on land and outside', () => {
    expect(probeFlow(flow, null, 2, 0.3)).toBeNull();
    expect(probeFlow(flow, null, -5, 3)).toBeNull();
  });
});

it('a level in figures: areas by piece add up to what is wet', () => {
  const flow = flowOf((x, y) => ({ depth: y < 1 ? 0 : 0.4, u: x < 5 ? -0.9 : 0.2 }));
  const s = summariseWater(flow, classifyPieces(flow));
  expect(s.wettedM2).toBeCloseTo(40, 6);
  expect(s.turnedBackM2).toBeCloseTo(20, 6);
  const sum = PIECE_KINDS.reduce((total, kind) => total + s.pieceM2[kind], 0);
  expect(sum).toBeCloseTo(s.wettedM2, 6);
});
