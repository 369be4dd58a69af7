import { screen, within } from '@testing-library/react';
import { castNow, castStudy, driftBand, driftInputOf } from '../../core/cast/index';
import { createScene } from '../../core/sight/index';
import { plan, stream } from '../../core/stalk/fixtures/streams';
import { CAST, MARK } from '../fixtures/cast';
import { stateWith } from '../fixtures/state';
import { answered } from '../fixtures/answered';
import { showIn } from '../fixtures/workspace';
import { TEST_SETTINGS } from '../fixtures/settings';
import type { WorkspaceState } from '../state/state';
import { cameraFor } from './card-drawing';
import { standaloneSvg } from './save-svg';
import { ShotCard } from './shot-card';
import type { BeatInput } from '../state/document';

// Tracing the depths of so large a made flow is slow, and is tested where it is.
jest.mock('../../drawing/depth-lines', () => ({
  traceDepthLines: () => ({
    shore: [
      [
        [0, -4],
        [25, -4],
        [25, 4],
        [0, 4],
      ],
    ],
    depths: [],
  }),
  placeDepthWords: () => [],
}));

const beatPlan = {
  ...plan(),
  timeZone: 'Etc/GMT-2',
  levels: [{ name: 'Fair' as const, dischargeM3s: 1.6, how: 'float' }],
};
const flow = stream(0.4, 0.5);
const scene = createScene(beatPlan, flow);
const drift = driftBand(flow, driftInputOf(CAST), 6, true);
const beat = {
  id: 'b1',
  streamName: 'Thrum',
  plan: beatPlan,
  nowMs: Date.parse('2026-06-13T05:00:00Z'),
} as unknown as BeatInput;
const show = (more: Partial<WorkspaceState> = {}) =>
  showIn(
    <ShotCard />,
    stateWith({
      step: 'cast',
      card: true,
      markId: 'm1',
      marks: [MARK],
      stand: CAST.stand,
      landing: CAST.landing,
      lay: CAST.lay,
      flow,
      flowState: { kind: 'ready' },
      ...answered({
        drift: { band: drift, now: castNow(scene, CAST, drift.best), ms: 1 },
        castStudy: castStudy(scene, CAST),
      }),
      ...more,
    }),
    beat,
  );
const line = (name: string) => screen.getByText(name).parentElement!;

describe('the card of a shot', () => {
  it('says where, how, how far to lead and when to lift, in metres and rods; and what to mind', () => {
    show();
    expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('Made');
    expect(screen.getByText(/Thrum. Fair, 1.60 m³\/s. Sat 13 June, for 9:40/)).toBeInTheDocument();
    expect(line('Stand')).toHaveTextContent('Kneel, true left, 3.0 m below');
    expect(line('Lead')).toHaveTextContent(/1.2 m \(0.5 rods\); lift .* past it/);
    expect(line('Cover')).toHaveTextContent(/short 6.4 m, then \+0.6 m, then \+0.3 m/);
    expect(line('Strike')).toHaveTextContent('down the valley');
    expect(screen.getByText(/Local rules decide\./)).toBeInTheDocument();
    const rows = screen.getByRole('table', { name: 'Tries, to be filled in' });
    expect(within(rows).getAllByRole('row')).toHaveLength(5);
    // Nothing on the drawing can be pressed, and it is told in words.
    expect(document.querySelector('.cardDrawing > div')).toHaveAttribute('inert');
    expect(screen.getByText('Plan and long section of this shot.')).toBeInTheDocument();
  });
  it('speaks the angler’s units and local notes, and asks for a temperature nobody has read', () => {
    show({
      settings: {
        ...TEST_SETTINGS,
        units: 'us',
        localNotes: 'Closed on Mondays.',
        waterTempC: null,
      },
    });
    expect(line('Lead')).toHaveTextContent('3.9 ft');
    expect(screen.getByText(/Closed on Mondays/)).toBeInTheDocument();
    expect(screen.getByText('Take the water’s temperature first.')).toBeInTheDocument();
  });
  it('warm water comes first', () => {
    show({ settings: { ...TEST_SETTINGS, waterTempC: 19 } });
    expect(
      screen.getByText(/The water is 19.0 °C; your limit is 18.3 °C. Stop now/),
    ).toBeInTheDocument();
  });
  it('without a cast it says how to get one', () => {
    show({ stand: null, landing: null });
    expect(screen.getByText(/No cast is chosen/)).toBeInTheDocument();
  });
});

describe('the drawing as a file', () => {
  it('stands alone: styles written out, drawings stacked, no classes, roles or stops for Tab', () => {
    show();
    const text = standaloneSvg(document.querySelector('.cardDrawing')!)!;
    const doc = new DOMParser().parseFromString(text, 'image/svg+xml');
    expect(doc.querySelector('parsererror')).toBeNull();
    const drawings = [...doc.documentElement.children].filter((e) => e.tagName === 'svg');
    expect(drawings.map((d) => d.getAttribute('y'))).toEqual(['0', '432']);
    expect(/ (class|role|tabindex|aria-[a-z]+)=/.exec(text)?.[0]).toBeUndefined();
    expect(text.includes('NaN')).toBe(false);
  });
  it('nothing to draw is no file', () => {
    expect(standaloneSvg(document.createElement('div'))).toBeNull();
  });
});

it('the camera holds every place, on paper and on a phone', () => {
  const places = [
    { xM: 2, yM: -9 },
    { xM: 14, yM: 3 },
  ];
  for (const size of [
    { width: 864, plan: 432, section: 188 },
    { width: 344, plan: 360, section: 160 },
  ]) {
    const c = cameraFor(places, 25, 0, size);
    for (const p of places) {
      const [x, y] = [(p.xM - c.leftM) * c.scale, (c.topM - p.yM) * c.scale];
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(size.width);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(size.plan);
    }
  }
});
