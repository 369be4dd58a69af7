import { DEFAULT_RIG } from '../../core/rig/index';
import { screen } from '@testing-library/react';
import { castNow, castStudy, driftBand, driftInputOf } from '../../core/cast/index';
import { type LieField } from '../../core/lies/index';
import { createScene, lookouts, sightRing, fishView } from '../../core/sight/index';
import { planStalk } from '../../core/stalk/index';
import { plan, stream } from '../../core/stalk/fixtures/streams';
import { readWater } from '../../core/water/index';
import { openingCamera } from '../../drawing/camera';
import { answered } from '../fixtures/answered';
import { CAST, MARK } from '../fixtures/cast';
import { stateWith } from '../fixtures/state';
import { showIn } from '../fixtures/workspace';
import type { BeatInput } from '../state/document';
import type { WorkspaceState } from '../state/state';
import { CastLayer } from '../steps/cast/cast-layer';
import { LiesLayer } from '../steps/read/lies-layer';
import { ReadingLayer } from '../steps/read/reading-layer';
import { MarksLayer, RingLayer } from '../steps/spot/marks-layer';
import { SpotLayer } from '../steps/spot/spot-layer';
import { StalkLayer } from '../steps/stalk/stalk-layer';
import { keptLies, keptShots } from '../../testing/solved';

jest.mock('next-themes', () => ({ useTheme: () => ({ resolvedTheme: 'light' }) }));

/** Every layer drawn over one made water by what the models say of it. */
const beatPlan = plan();
const flow = stream(0.4, 0.5);
const scene = createScene(beatPlan, flow);
const { conditions } = CAST;
const drift = driftBand(flow, driftInputOf(CAST), 6, true);
const lies: LieField = {
  ...keptLies(beatPlan, flow, {
    species: 'brown',
    forkLengthCm: 24,
    waterTempC: 12,
    turbidityNtu: 1,
    shade: null,
  }),
};
const shots = keptShots(beatPlan, flow, { rig: DEFAULT_RIG, target: MARK, standStepM: 1 });
const state = stateWith({
  markId: 'm1',
  marks: [MARK],
  flow,
  flowState: { kind: 'ready' },
  stand: CAST.stand,
  landing: CAST.landing,
  lay: CAST.lay,
  via: [{ xM: 5, yM: -6 }],
  out: [{ xM: 7, yM: -8 }],
  viewer: { xM: 8, yM: -6 },
  ...answered({
    lies,
    reading: readWater(flow),
    ring: sightRing(scene, fishView(scene, MARK, conditions), 'kneel', 1.75, conditions),
    drift: { band: drift, now: castNow(scene, CAST, drift.best), ms: 1 },
    castStudy: castStudy(scene, CAST),
    shots,
    stalk: planStalk(beatPlan, flow, {
      from: { xM: 2, yM: -7 },
      to: CAST.stand,
      endPosture: 'kneel',
      fish: [MARK],
      angler: CAST.angler,
      conditions,
    }),
    lookouts: lookouts(scene, {
      targets: [MARK],
      hours: [conditions],
      posture: 'kneel',
      heightM: 1.75,
      polarised: true,
    }),
  }),
});
const beat = { id: 'b1', streamName: 'Thrum', plan: beatPlan } as unknown as BeatInput;
const camera = openingCamera(25, 0, 900, 500);
const draw = (layer: React.ReactElement, more: Partial<WorkspaceState> = {}) =>
  showIn(<svg>{layer}</svg>, { ...state, ...more }, beat);
/** Nothing drawn may have lost its place. */
const noNaN = () => expect(document.body.innerHTML).not.toMatch(/NaN|undefined|Infinity/);

it('a pebble for each lie that is shown, fewer when they are filtered', () => {
  draw(<LiesLayer camera={camera} />);
  const all = document.querySelectorAll('.lie').length;
  expect(all).toBeGreaterThan(0);
  noNaN();
  document.body.innerHTML = '';
  draw(<LiesLayer camera={camera} />, { shown: { ...state.shown, leastRating: 100 } });
  expect(document.querySelectorAll('.lie').length).toBeLessThan(all);
});

it('pieces by name, with depth and pace in words', () => {
  draw(
    <ReadingLayer
      flow={flow}
      reading={readWater(flow)}
      over={state.over}
      camera={camera}
      units="metric"
      plan={beatPlan}
    />,
    { step: 'read' },
  );
  expect(document.querySelectorAll('.reading, text, path').length).toBeGreaterThan(0);
  noNaN();
});

it('fish turned to their heading, and the ring of the one that is meant', () => {
  draw(
    <>
      <RingLayer camera={camera} />
      <MarksLayer camera={camera} />
    </>,
  );
  expect(screen.getByRole('button', { name: /^Fish 1/ })).toBeInTheDocument();
  expect(document.querySelector('path')).not.toBeNull();
  noNaN();
});

it('places to look from, lettered, and the one that was chosen', () => {
  draw(<SpotLayer camera={camera} width={900} height={500} />, { step: 'spot' });
  expect(screen.getByRole('button', { name: /^Where you look from/ })).toBeInTheDocument();
  noNaN();
});

it('the way with its waypoint and the spot taken out, each with a handle', () => {
  draw(<StalkLayer camera={camera} />, { step: 'stalk' });
  expect(screen.getAllByRole('button', { name: /[Ww]aypoint/ }).length).toBeGreaterThan(0);
  noNaN();
});

it('stand and landing as handles, the line, and the drift as it is: clean, micro or wake', () => {
  draw(<CastLayer camera={camera} />, { step: 'cast' });
  expect(screen.getByRole('button', { name: /^Stand, x/ })).toBeInTheDocument();
  expect(screen.getByRole('button', { name: /^(Fly|Landing|The fly)/ })).toBeInTheDocument();
  expect(document.querySelectorAll('.trackClean, .trackMicro, .trackWake').length).toBeGreaterThan(
    0,
  );
  noNaN();
});
