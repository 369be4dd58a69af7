'use client';

import { stretchText } from '../../../words/lie-words';
import {
  formatDepth,
  formatFishLength,
  formatLength,
  formatSpeed,
  formatTemp,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { later } from '../../../ui/later';
import { lazy } from '../../lazy';
import { DEPTH_RAMP, PACE_RAMP } from '../../../ui/tokens';
import { rampColour } from '../../../ui/colour';
import { useActions, usePart } from '../../context';
import { useThemeName } from '../../../drawing/use-theme-name';
import { NOTHING_WORDS, SPECIES_NAMES } from '../../../words/words';
import { lieName } from '../../../words/names';
import { FishPanel, ScrubPanel } from './fish-panel';
import { PatternPanel } from './pattern-panel';
import { LevelPanel, OverSwitches, ProbePanel } from './water-panel';
import { lieOf, tempOf } from '../../state/selectors';
import { isStale, valueOf } from '../../state/answer';
import { createReadActions } from './read-actions';
import { createPlanActions } from '../../plan-actions';
import panel from '../../../ui/panel.module.css';
import css from './read.module.css';

const LiePanel = lazy(() => import('./lie-panel').then((m) => m.LiePanel));
const CarryPanel = later(() => import('./carry-panel').then((m) => m.CarryPanel));
const CalibrationPanel = later(() => import('./calibration-panel').then((m) => m.CalibrationPanel));

export function ReadPanel() {
  const lie = usePart(lieOf);
  return (
    <>
      {lie ? <LiePanel /> : <ReadIntro />}
      <PatternPanel />
      <FishPanel />
      <ScrubPanel />
      <ProbePanel />
      <LevelPanel />
      <WaterKey />
      <CalibrationPanel />
      <CarryPanel />
    </>
  );
}

function ReadIntro() {
  const acting = useActions(createPlanActions);
  const lies = usePart((s) => valueOf(s, 'lies'));
  const units = usePart((s) => s.settings.units);
  const temp = usePart(tempOf);
  const typed = usePart((s) => s.settings.waterTempC !== null || s.triedTempC !== null);
  const fish = usePart((s) => s.settings);
  const stale = usePart((s) => isStale(s, 'lies'));
  const best = lies?.lies[0];
  return (
    <section>
      <h2>Where a trout can hold</h2>
      {!lies && <p className={panel.working}>Reading the water.</p>}
      {lies && best && (
        <p>
          {lies.lies.length === 1 ? '1 lie' : `${lies.lies.length} lies`} for a{' '}
          {SPECIES_NAMES[fish.species].toLowerCase()} trout of{' '}
          {formatFishLength(fish.fishLengthCm, units)} at {formatTemp(temp, units)}
          {typed ? '' : ', a guess until you type the temperature'}. The best,{' '}
          {lieName(best.kind).toLowerCase()}, holds one {best.rating} times in 100.
        </p>
      )}
      {lies?.nothing && <p>{NOTHING_WORDS[lies.nothing]}</p>}
      {lies && best && (
        <p className={panel.second}>
          They would hold about {Math.round(lies.expected.mean)} fish (between{' '}
          {Math.floor(lies.expected.low)} and {Math.ceil(lies.expected.high)}), spaced by territory:
          a rule of thumb, not a count.
        </p>
      )}
      {lies && lies.stretches.length > 0 && (
        <ul className={panel.inputs} aria-label="Even edges">
          {lies.stretches.map((s) => (
            <li key={s.lieIds[0]}>{stretchText(s, units)}</li>
          ))}
        </ul>
      )}
      {best && (
        <Button voice="solid" disabled={stale} onClick={() => acting.chooseLie(best)}>
          Show the best lie
        </Button>
      )}
    </section>
  );
}

function WaterKey() {
  const reader = useActions(createReadActions);
  const layer = usePart((s) => s.layer);
  const units = usePart((s) => s.settings.units);
  const flow = usePart((s) => s.flow);
  const theme = useThemeName();
  const ramp = (layer === 'depth' ? DEPTH_RAMP : PACE_RAMP)[theme];
  return (
    <section className={css.key}>
      <Choice
        label="What the water shows"
        value={layer}
        options={[
          ['depth', 'Depth'],
          ['pace', 'Pace'],
        ]}
        onChange={reader.setLayer}
      />
      <OverSwitches />
      <div className={css.ramp} aria-hidden="true">
        {Array.from({ length: 16 }, (_, i) => (
          <span key={i} style={{ background: rampColour(ramp, (1.2 * (i + 0.5)) / 16) }} />
        ))}
      </div>
      <div className={css.rampWords}>
        <span>{layer === 'depth' ? formatDepth(0, units) : 'still'}</span>
        <span>
          {layer === 'depth'
            ? `${formatDepth(1.2, units)} and more`
            : `rush, ${formatSpeed(1.2, units)}`}
        </span>
      </div>
      <Disclosure title="How to read it">
        <p className={panel.second}>
          Stone size is the rating. Grains: Shelter above, Food up-current, Ease below, Air behind.
          A short grain is what holds it back.
        </p>
        <p className={panel.second}>
          Curled ticks: water that turns back up the valley. Rocks with a broken outline are too
          small to solve at {formatLength(flow?.cellM ?? 0.2, units)}: no pocket is rated behind
          them. Under a cut bank no current is reckoned. A step that plunges is more than the solver
          knows: its pool is a piece of its own, its white water not solved.
        </p>
      </Disclosure>
    </section>
  );
}
