import { DEFAULT_RIG } from '../../../core/rig/index';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import {
  castNow,
  castStudy,
  driftBand,
  driftInputOf,
  type ChanceAsked,
  type ShotsFound,
} from '../../../core/cast/index';
import { createScene } from '../../../core/sight/index';
import { plan, stream } from '../../../core/stalk/fixtures/streams';
import type { BeatFeature } from '../../../core/formats/index';
import { TEST_SETTINGS } from '../../fixtures/settings';
import { CAST, MARK } from '../../fixtures/cast';
import { stateWith } from '../../fixtures/state';
import { answered } from '../../fixtures/answered';
import { showIn } from '../../fixtures/workspace';
import { type WorkspaceState } from '../../state/state';
import { CastPanel } from './cast-panel';
import type { BeatInput } from '../../state/document';
import { keptShots } from '../../../testing/solved';
import { kept } from '../../../testing/kept';

/** The panels on real answers: a stream of .4 m/s with a log, a fish and an angler. */
const log: BeatFeature = {
  kind: 'log',
  diameterM: 0.3,
  shape: {
    type: 'LineString',
    line: [
      { xM: 10, yM: 1.6 },
      { xM: 13, yM: 1.8 },
    ],
  },
};
const entry: BeatFeature = {
  kind: 'entry',
  note: '',
  shape: { type: 'Point', place: { xM: 1, yM: -7 } },
};
const beatPlan = { ...plan(entry, log), timeZone: 'Etc/GMT-2' };
const flow = stream(0.4, 0.5);
const scene = createScene(beatPlan, flow);
const drift = kept('cast', ['drift', flow, CAST], () =>
  driftBand(flow, { ...driftInputOf(CAST), film: true }, 6, true),
);
const now = castNow(scene, CAST, drift.best);
const study = kept('cast', ['study', beatPlan, flow, CAST], () => castStudy(scene, CAST));
const shots = keptShots(beatPlan, flow, {
  rig: DEFAULT_RIG,
  target: MARK,
  standStepM: 1,
}) as ShotsFound;

const ready = stateWith({
  step: 'cast',
  markId: 'm1',
  stand: CAST.stand,
  landing: CAST.landing,
  lay: CAST.lay,
  marks: [MARK],
  flow,
  flowState: { kind: 'ready' },
  ...answered({ drift: { band: drift, now, ms: 1 }, castStudy: study, shots }),
  search: { kind: 'done' },
});
const beat = { id: 'b1', streamName: 'Thrum', plan: beatPlan } as unknown as BeatInput;
const show = (more: Partial<WorkspaceState> = {}) =>
  showIn(<CastPanel />, { ...ready, ...more }, beat);
/** The same, with other answers. */
const told = (values: Parameters<typeof answered>[0]) => show(answered(values, ready));

describe('the drift', () => {
  it('one large figure with its band, and whether it passes the fish', () => {
    show();
    expect(screen.getByText(/^between|followed no further/)).toBeInTheDocument();
    expect(screen.getByText(/^Passes it/)).toBeInTheDocument();
    expect(screen.getByRole('heading', { level: 2 })).toHaveTextContent(
      'Fish 1, from true left, 3.0 m below',
    );
  });
  it('does not call unknown clean', () => {
    told({
      drift: { band: { ...drift, best: { ...drift.best, status: 'unknown' } }, now, ms: 1 },
    });
    expect(screen.getByText('Not known')).toBeInTheDocument();
    expect(screen.queryByText('clean drift')).not.toBeInTheDocument();
  });
  it('lead, lift and the cast in metres and rods; in feet when asked', () => {
    show();
    expect(screen.getByText('1.2 m')).toBeInTheDocument();
    expect(screen.getByText('to the fly, 3.1 rods')).toBeInTheDocument();
    show({ settings: { ...TEST_SETTINGS, units: 'us' } });
    expect(screen.getByText('24.0 ft')).toBeInTheDocument();
  });
  it('without a stand it asks for a fish', () => {
    show({ stand: null, landing: null, markId: null });
    expect(screen.getByText(/Choose a fish or a lie first/)).toBeInTheDocument();
  });
});

describe('how the line is laid', () => {
  it('every lay on one scale; touching one takes it', async () => {
    const { calls } = show();
    const list = screen.getByRole('list', { name: 'Lays from this stand' });
    expect(within(list).getAllByRole('button')).toHaveLength(5);
    await userEvent.click(screen.getByRole('button', { name: 'All 13 lays' }));
    expect(within(list).getAllByRole('button')).toHaveLength(13);
    await userEvent.click(within(list).getByRole('button', { name: /^Straight/ }));
    await userEvent.click(screen.getByRole('radio', { name: '2.0 m' }));
    expect(calls).toEqual([
      ['setLay', { kind: 'straight' }],
      ['setLay', { kind: 'reach', toward: 'up-current', amountM: 2 }],
    ]);
  });
  it('what cannot be thrown from here says so', async () => {
    show();
    await userEvent.click(screen.getByRole('button', { name: 'All 13 lays' }));
    expect(
      screen.getByRole('button', { name: /^Bow and arrow.*not from here/ }),
    ).toBeInTheDocument();
  });
  it('a mend that buys time is offered, and taken back', async () => {
    const mend = { atS: 0.6, toward: 'up-current', amountM: 0.8 } as const;
    const { calls } = told({ castStudy: { ...study, mend: { mend, cleanS: 3, gainS: 1.2 } } });
    expect(screen.getByText('A mend buys 1.2 s:')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Mend it so' }));
    expect(calls).toEqual([['setMend', mend]]);
    const again = show({ mend });
    await userEvent.click(screen.getByRole('button', { name: 'Without the mend' }));
    expect(again.calls).toEqual([['setMend', null]]);
  });
});

describe('the film', () => {
  it('plays from the start, scrubs, and says what happens at the moment', async () => {
    const { calls } = show();
    await userEvent.click(screen.getByRole('button', { name: 'Play the drift' }));
    expect(calls).toEqual([['filmTo', 0, true]]);
    expect(screen.getByText('At 0.0 s: the fly lands.')).toBeInTheDocument();
    show({ filmAtS: 1 });
    expect(screen.getByText(/^At 1.0 s: /)).toBeInTheDocument();
  });
  it('waits while something is dragged', () => {
    show({ dragging: 'stand' });
    expect(screen.getByRole('button', { name: 'Play the drift' })).toBeDisabled();
  });
});

describe('where to cast from', () => {
  it('a pickDiverse with what speaks for and against, and what loses', async () => {
    const { calls } = show();
    const rows = document.querySelectorAll('.shots > li');
    expect(rows.length).toBe(shots.shots.length);
    expect(screen.getByText(/casts from .* stands weighed/)).toBeInTheDocument();
    await userEvent.click(rows[0]!.querySelector('button')!);
    expect(calls).toEqual([['applyShot', 0]]);
  });
  it('two are laid side by side', () => {
    show({ shotsCompared: [0, 1] });
    const table = screen.getByRole('table', { name: 'Side by side' });
    expect(within(table).getAllByRole('columnheader')).toHaveLength(2);
    expect(within(table).getByRole('rowheader', { name: 'calm on the way' })).toBeInTheDocument();
  });
  it('progress that can be stopped; a dead end with its sentence; out of date said', async () => {
    const { calls } = show({ search: { kind: 'looking', progress: 0.4 } });
    expect(screen.getByText('Looking at every stand and lay: 40 %.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
    expect(calls).toEqual([['cancelSearch']]);
    told({ shots: { kind: 'no shots', reason: 'no-stand', looked: shots.looked } });
    expect(screen.getByText(/No place within your reach is left/)).toBeInTheDocument();
    const stale = show(answered({ shots }, ready, ['shots']));
    await userEvent.click(screen.getByRole('button', { name: 'Look again' }));
    expect(stale.calls).toEqual([['findShots']]);
  });
  it('keeps, leaves out and wishes', async () => {
    const { calls } = show();
    await userEvent.click(screen.getByText(/^Your say/));
    await userEvent.click(screen.getByRole('button', { name: 'Only from this stand' }));
    await userEvent.click(screen.getByRole('button', { name: 'Not this lay' }));
    await userEvent.click(screen.getByRole('checkbox', { name: 'Rather dry feet' }));
    expect(calls).toEqual([
      ['askShots', { pinStand: true }],
      ['askShots', { withoutLays: ['reach'] }],
      ['askShots', { wishes: { dryFeet: true } }],
    ]);
  });
});

describe('the chance of an honest look', () => {
  const asked: ChanceAsked = {
    fly: 'dry',
    species: 'brown',
    home: 0.9,
    waterTempC: 11,
    calmWay: 0.95,
  };
  const withChance = castNow(scene, { ...CAST, chance: asked }, drift.best);
  it('one large figure with its band, its parts on one line, what holds it back, and the hook', () => {
    told({ drift: { band: drift, now: withChance, ms: 1 } });
    const figure = Math.round(100 * withChance.chance!.found);
    expect(document.querySelector('[data-part=chance]')).toHaveTextContent(
      new RegExp(`^${figure} in 100an honest look in three castsbetween \\d+ and \\d+$`),
    );
    expect(screen.getByText(/^home 90 · calm on the way 95 · unseen casting/)).toBeInTheDocument();
    expect(screen.getAllByText(/Held back:/).length).toBeGreaterThan(0);
    expect(screen.getByText(/If it takes/)).toBeInTheDocument();
  });
  it('says it where no cast offers one, and what would change it; never a handful', () => {
    told({
      shots: {
        kind: 'no shots',
        reason: 'no-look',
        looked: shots.looked,
        best: { value: 0.04, heldBack: 'lands' },
        wouldHelp: [{ change: 'longer-rod', value: 0.3 }],
      },
    });
    expect(
      screen.getByText(/No cast from here offers an honest look: the best has 4 in 100/),
    ).toBeInTheDocument();
    expect(screen.getByText(/a rod longer by 0.6 m \(30 in 100\)/)).toBeInTheDocument();
    expect(screen.getByText(/Not tried here: another level/)).toBeInTheDocument();
  });
});

describe('from here, cover, and after the take', () => {
  it('room, wind and false casts in words; where the wind comes from is a setting', async () => {
    const { calls } = show();
    expect(screen.getByText(/Open behind/)).toBeInTheDocument();
    expect(screen.getByText(/Not known where it comes from/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'up the valley' }));
    expect(calls).toEqual([['changeSettings', { windFrom: 'downstream' }]]);
  });
  it('no room for a cast is a caution, and so is a lay that does not reach', () => {
    told({ drift: { band: drift, now: { ...now, by: null, refusal: 'no-room' }, ms: 1 } });
    expect(screen.getByText(/No room behind for this cast/)).toBeInTheDocument();
    const far = { ...now, by: null, refusal: 'beyond-reach' as const, layReachM: 5 };
    told({ drift: { band: drift, now: far, ms: 1 } });
    expect(screen.getByText(/Too far for this lay: it reaches 5.0 m/)).toBeInTheDocument();
  });
  it('names the log it lies by, and to keep it off', () => {
    show();
    expect(screen.getByText(/It lies by the log: come up to it, not over it/)).toBeInTheDocument();
    expect(screen.getByText(/Keep it off the log/)).toBeInTheDocument();
    expect(screen.getByText(/^First short|First short, /)).toBeInTheDocument();
  });
  it('the whole water in order, when asked', async () => {
    const { calls } = show();
    await userEvent.click(screen.getByRole('button', { name: 'Cover the whole water' }));
    expect(calls).toEqual([['showPool', true]]);
    told({
      pool: [
        {
          water: 'own-bank',
          place: { xM: 9, yM: -3.4 },
          distanceM: 2.4,
          moreM: null,
          lay: { kind: 'straight' },
          cleanS: 2,
        },
      ],
    });
    const table = screen.getByRole('table', { name: /In this order/ });
    expect(within(table).getByText('Own bank')).toBeInTheDocument();
    expect(within(table).getByText('2.4 m, 1.0 rods')).toBeInTheDocument();
  });
});
