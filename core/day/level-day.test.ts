import { CHECKS, dayCautions, type CautionFacts } from './cautions';
import { depthAtLevel, levelAdvice, levelProposals } from './level-day';

describe('levels and their colour', () => {
  it('are guessed until they were read, the higher the darker and the colder', () => {
    const bare = levelProposals([]);
    const best = bare.map((p) => p.turbidityNtu.best);
    expect([...best].sort((a, b) => a - b)).toEqual(best);
    const means = bare.map((p) => p.meanC);
    expect([...means].sort((a, b) => b - a)).toEqual(means);
    expect(bare.every((p) => p.readings === 0)).toBe(true);
  });
  it('readings of the stream at a level correct that level and no other', () => {
    const [thin, , full] = levelProposals([]);
    const read = levelProposals(
      [14, 16, 15].map((turbidityNtu) => ({ level: 'Full' as const, turbidityNtu })),
    );
    expect(read[2]!.turbidityNtu.best).toBeGreaterThan(11);
    expect(read[2]!.turbidityNtu.best).toBeLessThan(15);
    expect(read[2]!.turbidityNtu.high).toBeLessThan(read[2]!.turbidityNtu.best * 3);
    expect(full!.turbidityNtu.best).toBeCloseTo(6, 9);
    expect(read[0]).toEqual(thin);
  });
  it('depth goes with discharge to the .4 (Leopold & Maddock 1953)', () => {
    expect(depthAtLevel(0.4, 1, 1)).toBe(0.4);
    expect(depthAtLevel(0.4, 1, 32)).toBeCloseTo(1.6, 9);
  });
  it('spate sends one to the soft edges, the end of the year to larger water', () => {
    expect(levelAdvice('Spate', 'spring')).toEqual(['soft edges, own feet first']);
    expect(levelAdvice('Fair', 'autumn')).toEqual(['any water', 'larger water late']);
  });
});

describe('what to mind', () => {
  const calm: CautionFacts = {
    offBy: [],
    tooWarm: false,
    careFromC: 17.2,
    thunder: null,
    windMps: 2,
    airLowC: 8,
    coldestC: 11,
    rising: false,
    spate: false,
    fireBan: false,
  };
  it('nothing on a calm day; heat for fish first, then thunder, timber, ice and cold, water, fire', () => {
    expect(dayCautions(calm)).toEqual([]);
    const all = dayCautions({
      offBy: [
        { siteId: 'b', h: 13, againH: null },
        { siteId: 'a', h: 11, againH: 19 },
      ],
      tooWarm: true,
      careFromC: 17.2,
      thunder: { fromH: 16, toH: 18 },
      windMps: 9,
      airLowC: -1,
      coldestC: 4,
      rising: true,
      spate: true,
      fireBan: true,
    });
    expect(all.map((c) => c.kind)).toEqual([
      'too warm',
      'heat',
      'lightning',
      'timber',
      'ice',
      'cold water',
      'spate',
      'rising',
      'fire ban',
    ]);
    expect(all[1]).toMatchObject({ offBy: [{ siteId: 'a' }, { siteId: 'b' }] });
    expect(CHECKS).toContain('thermometer');
  });
});
