import fc from 'fast-check';
import { readBeat, writeBeat, type BeatPlan } from '../../core/formats/index';
import { TANSY_GLIDE_FILE } from '../../demo/data/tansy-glide';
import {
  sectionsFromCsv,
  sectionsToCsv,
  soundingsFromCsv,
  soundingsToCsv,
  stationsFromCsv,
} from './csv';

describe('soundings', () => {
  it('are taken with commas, semicolons and decimal commas, speed or none', () => {
    expect(soundingsFromCsv('x,y,depth\n3,-1.5,0.42\n').good[0]).toMatchObject({
      depthM: 0.42,
      shape: { place: { xM: 3, yM: -1.5 } },
    });
    const semicolons = soundingsFromCsv('x;y;depth;speed\n3,5;-1;0,42;0,6\n4;0;0,5;\n');
    expect(semicolons.problems).toEqual([]);
    expect(semicolons.good[0]).toMatchObject({ depthM: 0.42, speedMps: 0.6, at: 'six-tenths' });
    expect(semicolons.good[1]).not.toHaveProperty('speedMps');
  });

  it.each([
    ['', 'The file is empty. Its first line must name the columns x, y, depth.'],
    ['x,y,depth\n', 'The file names its columns but holds no line below them.'],
    [
      'east,north,depth\n1,2,3',
      'The columns are "east", "north", "depth"; x and y are missing. Needed: x, y, depth, and speed if it was taken.',
    ],
    ['x,y,depth\n1,2,-0.4', 'Line 2: depth is -0.4; 0 to 6 m is possible.'],
    ['x,y,depth\n1,2,9', 'Line 2: depth is 9; 0 to 6 m is possible.'],
    ['x,y,depth\n1,2,deep', 'Line 2: depth is "deep"; it must be a number from 0 to 6 m.'],
    ['x,y,depth,speed\n1,2,0.4,7', 'Line 2: speed is 7; -5 to 5 m/s is possible.'],
    [
      'x,y,depth\n3,5,-1,0,42',
      'Line 2 has 5 values for 3 columns: a decimal comma in a file that separates with commas? Write 0.45, or separate with semicolons.',
    ],
  ])('a bad file %# is answered in a sentence', (text, sentence) => {
    const { good, problems } = soundingsFromCsv(text);
    expect(good).toEqual([]);
    expect(problems).toEqual([sentence]);
  });

  it('what is good is kept beside what is not', () => {
    const { good, problems } = soundingsFromCsv('x,y,depth\n1,1,0.3\n2,1,oops\n3,1,0.5\n');
    expect(good).toHaveLength(2);
    expect(problems).toHaveLength(1);
  });
});

describe('stations and sections', () => {
  it('offsets of a tape must grow', () => {
    const { good, problems } = stationsFromCsv('offset,depth\n0,0\n1,0.4\n0.5,0.3\n');
    expect(good).toHaveLength(2);
    expect(problems).toEqual(['Line 4: offset is 0.5; it must be more than 1, the one before.']);
  });
  it('a section of one good line is named, another beside it is taken', () => {
    const { good, problems } = sectionsFromCsv(
      'section,x,y,offset,depth,speed\nA,1,-3,0,0,\nA,1,0,3,0.5,0.6\nA,1,3,6,0,\nB,9,-3,0,0,\n',
    );
    expect(problems).toEqual(['Section "B" has 1 good lines; at least 2 are needed.']);
    expect(good[0]).toMatchObject({
      stations: [{ offsetM: 0 }, { offsetM: 3, speedMps: 0.6 }, { offsetM: 6 }],
      shape: {
        line: [
          { xM: 1, yM: -3 },
          { xM: 1, yM: 3 },
        ],
      },
    });
  });
});

it('what goes out comes in again the same (RFC 4180)', () => {
  const plan = (readBeat(TANSY_GLIDE_FILE) as { plan: BeatPlan }).plan;
  const soundings = plan.features.filter((f) => f.kind === 'sounding');
  expect(soundingsFromCsv(soundingsToCsv(plan)).good).toEqual(soundings);
  const sections = plan.features.filter((f) => f.kind === 'section');
  const back = sectionsFromCsv(sectionsToCsv(plan));
  expect(back.problems).toEqual([]);
  back.good.forEach((s, i) => {
    const before = sections[i]!;
    if (before.kind !== 'section') throw new Error('order');
    expect(s.stations).toEqual(before.stations);
  });
  const again = {
    ...plan,
    features: [...plan.features.filter((f) => f.kind !== 'section'), ...back.good],
  };
  expect(readBeat(writeBeat(again)).ok).toBe(true);
});

it('whatever was sounded goes out as CSV and comes in as it was', () => {
  const mm = (min: number, max: number) =>
    fc.integer({ min: 1000 * min, max: 1000 * max }).map((v) => v / 1000);
  const sounding = fc.record({
    xM: mm(-900, 900),
    yM: mm(-900, 900),
    depthM: mm(0, 6),
    speedMps: fc.option(mm(-5, 5), { nil: undefined }),
  });
  fc.assert(
    fc.property(fc.array(sounding, { minLength: 1, maxLength: 9 }), (all) => {
      const features = all.map(({ xM, yM, depthM, speedMps }) => ({
        kind: 'sounding' as const,
        shape: { type: 'Point' as const, place: { xM, yM } },
        depthM,
        ...(speedMps !== undefined && { speedMps, at: 'six-tenths' as const }),
      }));
      const { good, problems } = soundingsFromCsv(soundingsToCsv({ features } as BeatPlan));
      expect(problems).toEqual([]);
      expect(good).toEqual(features);
    }),
    { numRuns: 200 },
  );
});
