import { POCKETS } from '../core/lies/fixtures/beats';
import type { Settings } from '../core/log/index';
import { answered } from '../workspace/fixtures/answered';
import { stateWith } from '../workspace/fixtures/state';
import type { WorkspaceState } from '../workspace/state/state';
import { castAnswers } from '../workspace/steps/cast/answers';
import { castQuestion, shotsQuestion } from '../workspace/steps/cast/questions';
import { stalkAnswers } from '../workspace/steps/stalk/answers';
import { stalkInput } from '../workspace/steps/stalk/questions';
import { flow, lies, mark, settings as plain } from './fixtures/pockets';

/**
 * Each setting, changed by one step, changes every question whose model reads it, and no other. A question
 * that leaves a setting out gives another answer than its neighbours; one that carries what it does not
 * read is asked anew for nothing.
 */
function stateOf(settings: Settings): WorkspaceState {
  const state = stateWith({
    settings,
    flow,
    marks: [mark('m1', 11.5, { behaviour: 'rising' }), mark('m2', 15)],
    markId: 'm1',
    level: POCKETS.surveyedLevel,
    stand: { xM: 7, yM: -1 },
    landing: { xM: 10.5, yM: 0.8 },
    fly: 'dry-dropper',
    step: 'stalk',
    orderAsked: true,
    work: { minutes: 60, turn: false, direction: 'up', lambda: 3 },
    ...answered({ lies }),
  } as never);
  return state;
}

const specs = [...castAnswers(POCKETS, (() => null) as never), ...stalkAnswers(POCKETS, () => {})];
const ASKED = ['drift', 'shots', 'order', 'route', 'stalk'] as const;
type Asked = (typeof ASKED)[number];
const questionOf = (name: Asked, s: WorkspaceState): string => {
  const question = specs.find((a) => a.name === name)!.question(s);
  if (question === null) throw new Error(`${name} asks nothing`);
  return JSON.stringify(question, (key, value: unknown) => (key === 'flow' ? undefined : value));
};

const withMethod = (method: Partial<Settings['methods']>): Settings => ({
  ...plain,
  methods: { ...plain.methods, ...method },
});
const every = [...ASKED];
const casts: Asked[] = ['drift', 'shots', 'order', 'route'];

/** By setting: one step of it, and the questions whose models read it. */
const REACHES: [string, Settings, Asked[]][] = [
  ['side of the fish', withMethod({ castFrom: 'straight-above' }), casts],
  ['wind school', withMethod({ wind: 'change-sides' }), casts],
  ['landing', withMethod({ landing: 'hard-draws' }), casts],
  ['dropper', withMethod({ dropper: 'keep' }), ['drift', 'shots', 'order']],
  ['wading', withMethod({ wading: 'for-the-angle' }), ['shots', 'order', 'route', 'stalk']],
  ['hiding', withMethod({ hiding: 'screen' }), ['shots', 'order', 'route', 'stalk']],
  ['worth', withMethod({ worth: 'largest' }), ['order', 'route']],
  ['alarm', { ...plain, noticing: { ...plain.noticing, tauS: plain.noticing.tauS + 1 } }, every],
  ['species', { ...plain, species: 'brook' }, casts],
  ['height', { ...plain, anglerHeightM: plain.anglerHeightM + 0.05 }, every],
  ['wading depth', { ...plain, maxWadeM: plain.maxWadeM - 0.1 }, every],
  ['rod hand', { ...plain, rodHand: 'left' }, casts],
  ['sure to', { ...plain, landsWithinHalfMetreToM: plain.landsWithinHalfMetreToM + 1 }, casts],
  ['wind', { ...plain, windMps: plain.windMps + 1 }, every],
  ['colour', { ...plain, turbidityNtu: plain.turbidityNtu + 5 }, every],
  ['sky', { ...plain, sky: 'overcast' }, every],
  ['temperature', { ...plain, waterTempC: 13 }, casts],
  ['what the record says of alarm', { ...plain, priors: { ...plain.priors, alarm: 1.2 } }, every],
  ['what the record says of strikes', { ...plain, priors: { ...plain.priors, hook: -0.4 } }, casts],
  [
    'what the record says of answers',
    { ...plain, priors: { ...plain.priors, answer: 0.8 } },
    ['route'],
  ],
];

describe.each(REACHES)('%s', (_name, changed, readers) => {
  const [before, after] = [stateOf(plain), stateOf(changed)];
  it.each(every)('%s', (asked) => {
    const isAsked = questionOf(asked, after) !== questionOf(asked, before);
    expect(isAsked).toBe(readers.includes(asked));
  });
});

it('the alarm that was set, and what the record says of it, is the one that a cast is asked with', () => {
  const tauS = plain.noticing.tauS + 1;
  const set = { ...plain, noticing: { ...plain.noticing, tauS } };
  const recorded = { ...set, priors: { ...set.priors, alarm: 1.2 } };
  for (const [settings, wanted] of [
    [set, tauS],
    [recorded, 1.2 * tauS],
  ] as const) {
    const state = stateOf(settings);
    expect(castQuestion(POCKETS, state)!.chance!.alarm!.tauS).toBeCloseTo(wanted, 12);
    expect(shotsQuestion(POCKETS, state)!.alarm!.tauS).toBeCloseTo(wanted, 12);
    expect(stalkInput(POCKETS, state)!.alarm!.tauS).toBeCloseTo(wanted, 12);
  }
});
