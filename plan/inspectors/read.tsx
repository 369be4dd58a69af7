'use client';

import {
  formatDepth,
  formatFishLength,
  formatLength,
  formatSpeed,
  formatTemp,
} from '../../core/units/index';
import { Behind, Choice, Do, Fact } from '../../ui/parts';
import { DEPTH_RAMP, PACE_RAMP } from '../../ui/tokens';
import { rampColour } from '../../ui/colour';
import { usePart, useWorkspace } from '../context';
import { LargePebble } from '../layers/pebble';
import { useThemeName } from '../use-theme-name';
import { ASSUMED_LENGTH_CM, lieOf, tempOf } from '../state';
import { lieName, lieWhy } from '../words';
import { SOURCES } from '../sources';
import { CalibrationPanel, LevelPanel, OverSwitches, ProbePanel } from './water-panel';

export function ReadInspector() {
  const lie = usePart(lieOf);
  return (
    <>
      {lie ? <LieDetail /> : <ReadIntro />}
      <ProbePanel />
      <LevelPanel />
      <WaterKey />
      <CalibrationPanel />
    </>
  );
}

function ReadIntro() {
  const lies = usePart((s) => s.lies);
  const units = usePart((s) => s.settings.units);
  const temp = usePart(tempOf);
  const typed = usePart((s) => s.settings.waterTempC !== null);
  const best = lies?.lies[0];
  const { actions } = useWorkspace();
  return (
    <section>
      <h2>Where a trout can hold</h2>
      {!lies && <p className="working">Reading the water.</p>}
      {lies && best && (
        <p>
          {lies.lies.length === 1 ? '1 lie' : `${lies.lies.length} lies`} for a brown trout of{' '}
          {formatFishLength(ASSUMED_LENGTH_CM, units)} at {formatTemp(temp, units)}
          {typed ? '' : ', a guess until you type the temperature'}. The best, {best.rating} of 100:{' '}
          {lieName(best.kind).toLowerCase()}.
        </p>
      )}
      {lies && !best && (
        <p>
          No place here would keep a brown trout of {formatFishLength(ASSUMED_LENGTH_CM, units)}{' '}
          today. Try another level, or a warmer day.
        </p>
      )}
      {best && (
        <Do voice="solid" onClick={() => actions.chooseLie(best)}>
          Show the best lie
        </Do>
      )}
    </section>
  );
}

function LieDetail() {
  const { actions } = useWorkspace();
  const lie = usePart(lieOf)!;
  const lies = usePart((s) => s.lies)!;
  const units = usePart((s) => s.settings.units);
  const stale = usePart((s) => s.liesStale);
  const rank = lies.lies.findIndex((l) => l.id === lie.id) + 1;
  const why = lieWhy(lie.why, units);
  return (
    <section className={stale ? 'stale' : ''}>
      <h2>{lieName(lie.kind)}</h2>
      <p className="second">
        {formatDepth(lie.depthM, units)} deep. {rank === 1 ? 'Best' : `Number ${rank}`} of{' '}
        {lies.lies.length}.
      </p>
      <LargePebble rating={lie.rating} needs={lie.needs} />
      <p>
        <strong>{why.lead}</strong> {why.rest.join(' ')}
      </p>
      <dl className="facts">
        <Fact name="Gains">{Math.round(lie.profitJph)} J an hour (about ±25 %)</Fact>
        <Fact name="Could keep a trout to">
          {lie.largestCm === null ? 'none' : formatFishLength(lie.largestCm, units)}
        </Fact>
      </dl>
      <div className="row">
        <Do voice="solid" onClick={() => actions.go('cast')}>
          Plan a cast to it
        </Do>
        <Do onClick={() => actions.placeMark(lie)}>Mark a fish here</Do>
      </div>
      <Behind title="Show all inputs">
        <ul className="inputs">
          {lie.why.map((r) => (
            <li key={r.what}>
              {SOURCES[r.what] ?? r.what}:{' '}
              {r.unit === 'm'
                ? formatLength(r.value, units, 2)
                : r.unit === 'm/s'
                  ? formatSpeed(r.value, units)
                  : r.unit === 'J/h'
                    ? `${Math.round(r.value)} J/h`
                    : r.value.toFixed(2)}{' '}
              <em>{SOURCES[r.source] ?? r.source}</em>
            </li>
          ))}
        </ul>
      </Behind>
    </section>
  );
}

function WaterKey() {
  const { actions } = useWorkspace();
  const layer = usePart((s) => s.layer);
  const units = usePart((s) => s.settings.units);
  const flow = usePart((s) => s.flow);
  const theme = useThemeName();
  const ramp = (layer === 'depth' ? DEPTH_RAMP : PACE_RAMP)[theme];
  return (
    <section className="key">
      <Choice
        label="What the water shows"
        value={layer}
        options={[
          ['depth', 'Depth'],
          ['pace', 'Pace'],
        ]}
        onChange={actions.setLayer}
      />
      <OverSwitches />
      <div className="ramp" aria-hidden="true">
        {Array.from({ length: 16 }, (_, i) => (
          <span key={i} style={{ background: rampColour(ramp, (1.2 * (i + 0.5)) / 16) }} />
        ))}
      </div>
      <div className="ramp-words">
        <span>{layer === 'depth' ? formatDepth(0, units) : 'still'}</span>
        <span>
          {layer === 'depth'
            ? `${formatDepth(1.2, units)} and more`
            : `rush, ${formatSpeed(1.2, units)}`}
        </span>
      </div>
      <Behind title="How to read it">
        <p className="second">
          Stone size is the rating. Grains: Shelter above, Food up-current, Ease below, Air behind.
          A short grain is what holds it back.
        </p>
        <p className="second">
          Curled ticks: water that turns back up the valley. Rocks with a broken outline are too
          small to solve at {formatLength(flow?.cellM ?? 0.2, units)}: no pocket is rated behind
          them. Under a cut bank no current is reckoned. A step that plunges is more than the solver
          knows: its pool is a piece of its own, its white water not solved.
        </p>
      </Behind>
    </section>
  );
}
