import fc from 'fast-check';
import { createRandom } from '../../grid/index';
import type { PaceWord } from '../../units/index';
import { featuresOf, joinBank } from '../../formats/index';
import { surfaceFactor } from '../profile';
import { MATERIALS } from '../materials';
import { classifyPieces } from '../index';
import {
  beatFromSketch,
  createStreamLine,
  fitSketch,
  newPiece,
  newSketch,
  PACE_WORD_MPS,
  SKETCH_KINDS,
  sketchProblems,
  toldDepthM,
  toldNow,
  type Sketch,
  type SketchPiece,
} from './index';
import { meanShare } from './sketch';
import { keptFlow } from '../../../testing/solved';

const sketch = (pieces: SketchPiece[], things: Sketch['things'] = []): Sketch => ({
  ...newSketch('Rill', 1.75),
  pieces,
  things,
});
/** Words that an angler would use of each kind. */
const WORDS: Record<SketchPiece['kind'], [depth: 'shin' | 'knee' | 'waist', pace: PaceWord]> = {
  'pocket water': ['knee', 'brisk'],
  run: ['knee', 'walk'],
  glide: ['knee', 'stroll'],
  riffle: ['shin', 'brisk'],
  pool: ['waist', 'stroll'],
  plunge: ['waist', 'walk'],
  tail: ['shin', 'walk'],
  slot: ['waist', 'brisk'],
  backwater: ['knee', 'still'],
};
/** A piece of which everything was told. */
const piece = (id: string, kind: SketchPiece['kind'], more: Partial<SketchPiece> = {}) => {
  const [depth, pace] = WORDS[kind];
  const told = { widthM: 6, deepest: { word: depth }, pace: { word: pace }, ...more };
  return toldNow(newPiece(id, kind, 6), told);
};

/** A piece that carries exactly `q`, told by tape and float. */
function carrying(
  id: string,
  kind: SketchPiece['kind'],
  q: number,
  widthM: number,
  depthM: number,
) {
  const own = piece(id, kind, { widthM, deepest: { depthM } });
  const mean = depthM * meanShare(kind);
  const surface = (q / (widthM * mean)) * surfaceFactor(mean, MATERIALS[own.material].d84M);
  return { ...own, pace: { floatS: 3 / surface, overM: 3 } };
}

describe('the discharge that fits', () => {
  const exact = [
    carrying('a', 'tail', 0.8, 7, 0.35),
    carrying('b', 'run', 0.8, 6, 0.5),
    carrying('c', 'pool', 0.8, 7, 0.9),
    carrying('d', 'riffle', 0.8, 6.5, 0.25),
    carrying('e', 'glide', 0.8, 6, 0.55),
  ];

  it('is what every piece carries, when they agree', () => {
    const fit = fitSketch(sketch(exact));
    expect(fit.dischargeM3s).toBeCloseTo(0.8, 6);
    expect(fit.contradictions).toEqual([]);
    expect(fit.lowM3s).toBeLessThan(0.8);
    expect(fit.highM3s).toBeGreaterThan(0.8);
  });

  it('is recovered from noisy telling of a known stream: half the time within 10 %, 90 % within 25 %', () => {
    const random = createRandom(7);
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const words = Object.entries(PACE_WORD_MPS);
    const errors: number[] = [];
    for (let trial = 0; trial < 400; trial++) {
      const q = 0.3 * 10 ** random();
      const told = exact.map((p, i) => {
        const depthM = 0.3 + 0.5 * random();
        const widthM = 4 + 4 * random();
        const own = carrying(p.id, p.kind, q, widthM, depthM);
        const surface = 3 / (own.pace as { floatS: number }).floatS;
        // Every other pace by word, the nearest in the logarithm; the rest by a float.
        const word = words.reduce((a, b) =>
          Math.abs(Math.log(b[1] / surface)) < Math.abs(Math.log(a[1] / surface)) ? b : a,
        )[0] as keyof typeof PACE_WORD_MPS;
        return {
          ...own,
          widthM: widthM * Math.exp(0.08 * gauss()),
          deepest: { depthM: depthM * Math.exp(0.12 * gauss()) },
          pace:
            i % 2 === 0 ? { word } : { floatS: (3 / surface) * Math.exp(0.1 * gauss()), overM: 3 },
        };
      });
      errors.push(Math.abs(Math.log(fitSketch(sketch(told)).dischargeM3s / q)));
    }
    errors.sort((a, b) => a - b);
    expect(Math.exp(errors[200]!) - 1).toBeLessThan(0.1);
    expect(Math.exp(errors[360]!) - 1).toBeLessThan(0.25);
  });

  it('names the piece that contradicts, with what it would need', () => {
    const wrong = { ...exact[2]!, pace: { floatS: 2.5, overM: 3 } };
    const fit = fitSketch(sketch([exact[0]!, exact[1]!, wrong, exact[3]!, exact[4]!]));
    expect(fit.contradictions.map((c) => c.pieceId)).toEqual(['c']);
    expect(fit.dischargeM3s).toBeCloseTo(0.8, 6);
    const { needs, carriesM3s } = fit.contradictions[0]!;
    const factor = 0.8 / carriesM3s;
    expect(needs.surfaceSpeedMps).toBeCloseTo(1.2 * factor, 9);
    expect(needs.deepestM).toBeCloseTo(0.9 * factor, 9);
    const mended = { ...wrong, pace: { floatS: 3 / needs.surfaceSpeedMps, overM: 3 } };
    expect(fitSketch(sketch([exact[0]!, mended])).contradictions).toEqual([]);
  });

  it('a backwater says nothing of it', () => {
    const fit = fitSketch(sketch([...exact, piece('f', 'backwater')]));
    expect(fit.toldM3s[5]).toBeNull();
    expect(fit.dischargeM3s).toBeCloseTo(0.8, 6);
  });
});

describe('what cannot be built is said', () => {
  it.each([
    [[], 'No piece yet: add the first one at the foot of the beat.'],
    [
      [piece('a', 'run', { widthM: 0, lengthM: 12 }), piece('b', 'pool', { widthM: 0 })],
      'Piece 1 (run): width is 0; 0.5 to 40 m is possible.',
    ],
    [
      [piece('a', 'run', { deepest: { depthM: -1 }, lengthM: 12 })],
      'Piece 1 (run): deepest is -1; 0.05 to 4 m is possible.',
    ],
    [
      [piece('a', 'run', { pace: { floatS: 0.3, overM: 3 }, lengthM: 12 })],
      'Piece 1 (run): pace is 10; 0.01 to 5 m/s is possible.',
    ],
    [
      [piece('a', 'run', { lengthM: 4 })],
      'The pieces are 4.0 m long together; a beat of 10 to 150 m is possible.',
    ],
    [
      [piece('a', 'run', { lengthM: NaN })],
      'Piece 1 (run): length is not a number; 1 to 120 m is possible.',
    ],
  ])('%#', (pieces, sentence) => {
    expect(sketchProblems(sketch(pieces)).map((p) => p.message)).toContain(sentence);
    expect(beatFromSketch(sketch(pieces)).ok).toBe(false);
  });
  it('two pieces of width 0 are each named', () => {
    const both = [piece('a', 'run', { widthM: 0, lengthM: 9 }), piece('b', 'pool', { widthM: 0 })];
    expect(sketchProblems(sketch(both)).map((p) => p.id)).toEqual(['a', 'b']);
  });
  it('a stream that doubles back is two beats', () => {
    const bent = [
      piece('a', 'run', { lengthM: 10 }),
      piece('b', 'pool', { lengthM: 10, bendDeg: 90 }),
      piece('c', 'run', { lengthM: 10, bendDeg: 80 }),
    ];
    const built = beatFromSketch(sketch(bent));
    expect(built).toMatchObject({ ok: false, problems: [{ field: 'bendDeg' }] });
  });
});

describe('the beat that is built', () => {
  const pieces = [
    piece('a', 'riffle', { lengthM: 7 }),
    piece('b', 'pool', { lengthM: 9, bendDeg: 30, deepSide: 'right' }),
    piece('c', 'run', { lengthM: 8, bendDeg: -20 }),
  ];

  it('has the told widths and depths at the middle of each piece, the deep on its side', () => {
    const built = beatFromSketch(sketch(pieces));
    if (!built.ok) throw new Error(built.problems[0]!.message);
    const deepest = featuresOf(built.plan, 'section').map((s) =>
      Math.max(...s.stations.map((t) => t.depthM)),
    );
    expect(deepest[4]).toBeCloseTo(toldDepthM(pieces[1]!.deepest, 1.75), 2);
    const pool = featuresOf(built.plan, 'section')[4]!;
    const at = pool.stations.reduce((a, b) => (b.depthM > a.depthM ? b : a)).offsetM;
    expect(at).toBeGreaterThan(3.6);
    const left = joinBank(built.plan, 'left');
    expect(left.problem).toBeNull();
  });

  it('bends toward true right where told, and its chord is x', () => {
    const line = createStreamLine(sketch(pieces));
    const end = line.at(line.lengthM).middle;
    expect(end.yM).toBeCloseTo(0, 9);
    expect(end.xM).toBeCloseTo(line.chordM, 9);
    expect(line.at(9).headingRad).toBeGreaterThan(line.at(4).headingRad - 1e-9);
    expect(line.at(16).headingRad - line.at(7).headingRad).toBeCloseTo((30 * Math.PI) / 180, 1);
  });

  it('mirrored in the telling, it is mirrored', () => {
    const turned = pieces.map((p) => ({
      ...p,
      bendDeg: -p.bendDeg,
      deepSide: ({ left: 'right', right: 'left', middle: 'middle' } as const)[p.deepSide],
    }));
    const [a, b] = [beatFromSketch(sketch(pieces)), beatFromSketch(sketch(turned))];
    if (!a.ok || !b.ok) throw new Error('not built');
    const right = joinBank(a.plan, 'right').line;
    const left = joinBank(b.plan, 'left').line;
    right.forEach((p, i) => expect(left[i]!.yM).toBeCloseTo(-p.yM, 9));
  });

  it('an undercut keeps its water deep to the bank; a log and rocks stand where they were dropped', () => {
    const built = beatFromSketch(
      sketch(pieces, [
        {
          id: 'u',
          pieceId: 'b',
          along: 0.5,
          kind: 'undercut',
          side: 'right',
          lengthM: 6,
          cutM: 0.5,
        },
        {
          id: 'r',
          pieceId: 'a',
          along: 0.5,
          kind: 'boulder',
          across: 0.25,
          diameterM: 1,
          heightM: 0.6,
        },
        {
          id: 'l',
          pieceId: 'c',
          along: 0.5,
          kind: 'log',
          side: 'left',
          reach: 0.4,
          diameterM: 0.3,
        },
      ]),
    );
    if (!built.ok) throw new Error(built.problems[0]!.message);
    const cut = featuresOf(built.plan, 'bank').find((b) => b.form === 'undercut')!;
    expect(cut.side).toBe('right');
    const stations = featuresOf(built.plan, 'section')[4]!.stations;
    expect(stations[stations.length - 1]!.depthM).toBeGreaterThan(0.6);
    const rock = featuresOf(built.plan, 'boulder')[0]!.shape;
    if (rock.type !== 'Point') throw new Error('a rock is a point');
    const bankY = joinBank(built.plan, 'left').line[0]!.yM;
    expect(rock.place.yM).toBeGreaterThan(bankY);
    expect(rock.place.xM).toBeCloseTo(3.5, 0);
    expect(featuresOf(built.plan, 'log')).toHaveLength(1);
  });

  it('builds or says why, for anything a hand can set (property)', () => {
    const anyPiece = fc.record({
      kind: fc.constantFrom(...SKETCH_KINDS),
      lengthM: fc.double({ min: 0, max: 40, noNaN: true }),
      widthM: fc.double({ min: 0, max: 20, noNaN: true }),
      depthM: fc.double({ min: 0, max: 3, noNaN: true }),
      surfaceSpeedMps: fc.double({ min: 0.02, max: 6, noNaN: true }),
      bendDeg: fc.integer({ min: -100, max: 100 }),
    });
    fc.assert(
      fc.property(fc.array(anyPiece, { maxLength: 6 }), (all) => {
        const told = all.map((p, i) =>
          piece(String(i), p.kind, {
            lengthM: p.lengthM,
            widthM: p.widthM,
            deepest: { depthM: p.depthM },
            pace: { floatS: 3 / p.surfaceSpeedMps, overM: 3 },
            bendDeg: p.bendDeg,
          }),
        );
        const built = beatFromSketch(sketch(told));
        if (built.ok) expect(built.plan.levels.length).toBe(4);
        else expect(built.problems.every((x) => x.message.endsWith('.'))).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it('solved, it is what was told: a riffle below a pool, in that order', () => {
    const built = beatFromSketch(
      sketch(
        [
          carrying('a', 'riffle', 0.9, 6, 0.28),
          carrying('b', 'pool', 0.9, 6.5, 1),
          carrying('c', 'run', 0.9, 6, 0.5),
        ].map((p, i) => ({ ...p, lengthM: [7, 9, 7][i]! })),
      ),
    );
    if (!built.ok) throw new Error(built.problems[0]!.message);
    const flow = keptFlow(built.plan, { dischargeM3s: 0.9 });
    const { pieces: found } = classifyPieces(flow);
    const largest = (kind: string) =>
      found.filter((p) => p.kind === kind).sort((a, b) => b.areaM2 - a.areaM2)[0]!;
    expect(largest('riffle').xM).toBeLessThan(9);
    expect(largest('pool').xM).toBeGreaterThan(7);
    expect(largest('pool').deepestM).toBeGreaterThan(0.7);
  });
});
