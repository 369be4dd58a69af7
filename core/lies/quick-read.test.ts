import { flowOf } from '../water/fixtures/flows';
import { quickRead, rateLies, type FishOptions, type QuickAnswers } from './index';
import { BARE, lineOf } from './fixtures/beats';
import type { BeatPlan } from '../formats/index';

const TROUT: FishOptions = { species: 'brown', forkLengthCm: 24, waterTempC: 11 };

describe('quick read', () => {
  const told: QuickAnswers = {
    ...TROUT,
    depthM: 0.5,
    surfacePaceMps: 0.4,
    edge: 'none',
    cover: 'none',
    coverDistanceM: 1,
    bottom: 'gravel',
    foam: false,
    colour: 'clear',
    shaded: false,
  };
  const ratingTold = (more: Partial<QuickAnswers> = {}) => {
    const r = quickRead({ ...told, ...more });
    if (!r.ok) throw new Error(r.problems.join());
    return r.rating;
  };
  it.each([
    [0.35, 0.3],
    [0.5, 0.45],
    [0.7, 0.6],
  ])('within 10 points of the whole rating on an even channel %f m deep, %f m/s', (depth, mean) => {
    const flow = flowOf(() => ({ depth, u: -mean }), { nx: 60, ny: 24 });
    flow.d84M.fill(0.05);
    const wide: BeatPlan = {
      ...BARE,
      lengthM: 15,
      features: [
        { kind: 'bank', side: 'left', form: 'sloping', shape: lineOf([0, 0], [15, 0]) },
        { kind: 'bank', side: 'right', form: 'sloping', shape: lineOf([0, 6], [15, 6]) },
      ],
    };
    const field = rateLies(wide, flow, TROUT).field;
    const whole = 100 * field[12 * 60 + 30]!;
    const surface = mean * 1.2;
    expect(Math.abs(ratingTold({ depthM: depth, surfacePaceMps: surface }) - whole)).toBeLessThan(
      10,
    );
  });
  it('an edge with quicker water feeds more; cover hides; the same why is given', () => {
    expect(ratingTold({ surfacePaceMps: 0.12, edge: 'quicker' })).toBeGreaterThan(
      ratingTold({ surfacePaceMps: 0.12 }),
    );
    expect(ratingTold({ cover: 'undercut', coverDistanceM: 0 })).toBeGreaterThan(ratingTold());
    const r = quickRead(told);
    expect(r.ok && r.why.map((w) => w.what)).toEqual(
      expect.arrayContaining(['holds-back', 'nose-pace', 'depth', 'intake', 'cost']),
    );
  });
  it('says what to try, and to leave warm water alone', () => {
    const advice = (more: Partial<QuickAnswers>) => {
      const r = quickRead({ ...told, ...more });
      return r.ok ? r.advice : [];
    };
    expect(advice({ waterTempC: 20.5, tooWarm: true })).toEqual(['leave-warm']);
    expect(advice({ waterTempC: 4, depthM: 1.2, surfacePaceMps: 0.2 })).toContain(
      'nymph-on-bottom',
    );
    expect(advice({ colour: 'muddy' })).toContain('dark-and-large');
  });
  it('too shallow is a rating of nought with its reason; nonsense is named', () => {
    const shallow = quickRead({ ...told, depthM: 0.05 });
    expect(shallow).toMatchObject({ ok: true, rating: 0, why: [{ what: 'too-shallow' }] });
    expect(quickRead({ ...told, depthM: 9, surfacePaceMps: -1 })).toEqual({
      ok: false,
      problems: ['Depth 9 m is outside 0.02 to 3 m.', 'Pace -1 m/s is outside 0 to 3 m/s.'],
    });
  });
});
