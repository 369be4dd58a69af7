import {
  addFeatures,
  changeHeader,
  dropCorner,
  moveCorner,
  newSurvey,
  removeFeature,
  replaceFeature,
  surveyProblems,
  type SurveyDraft,
} from './survey-draft';
import { scalePhoto } from './photo-panel';
import { backOne, finish, placesFromText, takeTool, tap, toolOf, TOOLS } from './tools';
import { KIND_RULES, type BeatFeature } from '../../core/formats/index';

const line = (...points: [number, number][]) => ({
  type: 'LineString' as const,
  line: points.map(([xM, yM]) => ({ xM, yM })),
});
const bank = (side: 'left' | 'right', y: number): BeatFeature => ({
  kind: 'bank',
  side,
  form: 'sloping',
  shape: line([0, y], [30, y]),
});
const sounding = (x: number, y: number, depthM = 0.4): BeatFeature => ({
  kind: 'sounding',
  depthM,
  shape: { type: 'Point', place: { xM: x, yM: y } },
});
const whole = (): SurveyDraft =>
  addFeatures(newSurvey('Rill'), bank('left', -3), bank('right', 3), sounding(10, 0));
const said = (d: SurveyDraft) => surveyProblems(d).problems.map((p) => p.message);

describe('a survey in the making', () => {
  it('says what is missing until it is whole', () => {
    expect(said(newSurvey('Rill'))).toContain('Banks: there is no left bank.');
    expect(said(addFeatures(newSurvey('Rill'), bank('left', -3), bank('right', 3)))).toEqual([
      'Depths: the beat has no section and no sounding; at least one is needed.',
    ]);
    expect(surveyProblems(whole()).problems).toEqual([]);
  });
  it('names the thing, its field and what is possible', () => {
    const crossing = addFeatures(
      newSurvey('X'),
      bank('left', 3),
      bank('right', -3),
      sounding(10, 0),
    );
    expect(said(crossing)[0]).toMatch(/^Banks: at x 0.0 m the true right bank is -6.0 m/);
    expect(said(addFeatures(whole(), sounding(12, 9)))).toEqual([
      "Sounding 2: lies 6.0 m outside the water's edge at x 12.0, y 9.0 m, yet is 0.4 m deep; move it into the water or the bank out.",
    ]);
    expect(said(addFeatures(whole(), sounding(12, 0, -1)))).toEqual([
      'Sounding 2: depthM is -1; it must be a number from 0 to 6 m.',
    ]);
    expect(said(changeHeader(whole(), { name: ' ' }))).toEqual([
      'The beat has no name yet; it needs 1 to 120 letters.',
    ]);
    expect(said(newSurvey(''))).toContain('Banks: there is no left bank.');
    expect(said(changeHeader(whole(), { lengthM: 2 }))[0]).toMatch(/^lengthM is 2/);
  });
  it('what was fitted is dropped with a change of the bed, and a fall given by places with another fall', () => {
    const fitted = changeHeader(whole(), {
      calibration: { roughness: 1.2, points: 9, depthRmsM: 0.05, speedRmsMps: 0.1 },
    });
    const uneven: SurveyDraft = {
      ...fitted,
      plan: {
        ...fitted.plan,
        fallProfile: [
          { xM: 0, share: 0 },
          { xM: 30, share: 1 },
        ],
      },
    };
    expect(addFeatures(uneven, sounding(5, 1)).plan.calibration).toBeUndefined();
    expect(changeHeader(uneven, { bearingDeg: 40 }).plan.fallProfile).toBeDefined();
    expect(changeHeader(uneven, { slope: 0.02 }).plan.fallProfile).toBeUndefined();
  });
  it('replacing and removing touch one feature', () => {
    const d = whole();
    const moved = replaceFeature(d, 2, sounding(11, 1));
    expect(moved.plan.features[2]!.shape).toEqual({ type: 'Point', place: { xM: 11, yM: 1 } });
    expect(removeFeature(moved, 2).plan.features).toEqual(d.plan.features.slice(0, 2));
    expect(d.plan.features).toHaveLength(3);
  });
  it('corners move and go, but a shape keeps the corners it needs', () => {
    const l = line([0, 0], [1, 0], [2, 0]);
    expect(moveCorner(l, 1, { xM: 1, yM: 5 })).toEqual(line([0, 0], [1, 5], [2, 0]));
    expect(dropCorner(l, 0)).toEqual(line([1, 0], [2, 0]));
    const two = line([0, 0], [1, 0]);
    expect(dropCorner(two, 0)).toBe(two);
  });
});

describe('tools', () => {
  it('there is one for every kind, asking only for what the kind has', () => {
    expect(TOOLS.map((t) => t.kind).sort()).toEqual(Object.keys(KIND_RULES).sort());
    for (const t of TOOLS) {
      const rule = KIND_RULES[t.kind];
      expect(rule.geometry).toContain(t.shape);
      for (const ask of t.asks) expect(Object.keys(rule.properties)).toContain(ask.field);
      for (const [field, value] of Object.entries(t.usual))
        expect([field, rule.properties[field]!.problem(value)]).toEqual([field, null]);
    }
  });
  it('a point is whole at once, a log with two ends, a bank when it is ended', () => {
    const rock = tap(takeTool(toolOf('boulder')), { xM: 3.004, yM: -1 });
    expect(rock.kind === 'whole' && rock.feature).toMatchObject({
      kind: 'boulder',
      diameterM: 1.2,
      shape: { place: { xM: 3, yM: -1 } },
    });
    const first = tap(takeTool(toolOf('log')), { xM: 0, yM: 0 });
    expect(first.kind).toBe('more');
    expect(tap(first.state, { xM: 1, yM: 1 }).kind).toBe('whole');
    let state = takeTool(toolOf('bank'));
    for (const x of [0, 10, 20, 30]) state = tap(state, { xM: x, yM: -3 }).state;
    expect(backOne(state).places).toHaveLength(3);
    expect(finish(backOne(state))!.feature.shape).toMatchObject({ type: 'LineString' });
    expect(finish(takeTool(toolOf('bank')))).toBeNull();
  });
  it('a taped section begins with its own ends as stations', () => {
    const first = tap(takeTool(toolOf('section')), { xM: 5, yM: -3 });
    const done = tap(first.state, { xM: 5, yM: 3 });
    expect(done.kind === 'whole' && done.feature).toMatchObject({
      stations: [{ offsetM: 0, depthM: 0 }, { offsetM: 3 }, { offsetM: 6, depthM: 0 }],
    });
  });
  it('places by numbers, or a sentence', () => {
    expect(placesFromText('3, -1.5; 4.2 -1')).toEqual([
      { xM: 3, yM: -1.5 },
      { xM: 4.2, yM: -1 },
    ]);
    expect(placesFromText(' ')).toMatch(/^No place was given/);
    expect(placesFromText('3; 4, 1')).toMatch(/^Place 1 is "3"/);
  });
});

it('a photograph is scaled by two known points: the first stays, the second lies where it was measured', () => {
  const photo = {
    photoId: 'p',
    widthPx: 1000,
    heightPx: 500,
    mPerPx: 0.04,
    turnDeg: 10,
    middle: { xM: 15, yM: 2 },
  };
  const [a, b] = [
    { xM: 5, yM: 1 },
    { xM: 8, yM: 5 },
  ];
  const scaled = scalePhoto(photo, a, b, 10);
  expect(scaled.mPerPx).toBeCloseTo(0.08, 9);
  expect(scaled.middle).toEqual({ xM: 25, yM: 3 });
  expect(scalePhoto(photo, a, a, 10)).toBe(photo);
});
