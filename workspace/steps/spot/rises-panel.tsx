'use client';

import { useMemo } from 'react';
import {
  overFishS,
  readRises,
  riseChances,
  timedCast,
  trueLie,
  windowRadiusM,
  type Riser,
} from '../../../core/sight/index';
import { sampleFlow } from '../../../core/water/index';
import { formatLength } from '../../../core/units/index';
import { Do } from '../../../ui/parts';
import { usePart, useWorkspace } from '../../context';
import { markOf } from '../../state/state';
import { inHundred } from '../../../words/words';

/** Rings tapped as they show: rhythm, how many fish, where each really lies, whether to wait. */
export function RisesPanel() {
  const { actions } = useWorkspace();
  const rises = usePart((s) => s.rises);
  const tapping = usePart((s) => s.tapping);
  const mark = usePart(markOf);
  const reading = useMemo(() => readRises(rises), [rises]);
  const last = rises.reduce<(typeof rises)[number] | null>(
    (a, b) => (a === null || b.seq > a.seq ? b : a),
    null,
  );
  return (
    <section>
      <h3>Rises</h3>
      {rises.length === 0 && !tapping && (
        <p className="second">
          Tap each ring where it shows. Watch several before you cast: their rhythm and the fish
          behind them are worked out.
        </p>
      )}
      {tapping && (
        <p role="status">
          <strong>Touch the water where it rose, each time it rises.</strong>
        </p>
      )}
      <div className="row">
        <Do voice={tapping ? 'line' : 'solid'} onClick={() => actions.setTapping(!tapping)}>
          {tapping ? 'That will do' : rises.length === 0 ? 'Tap rises' : 'Tap more'}
        </Do>
        {(last ?? mark) && (
          <Do onClick={() => actions.tapRise(last ?? mark!)}>
            {last ? 'It rose there again' : 'It rose where it is marked'}
          </Do>
        )}
        {last && <Do onClick={() => actions.takeRisesBack([last.id])}>Take the last back</Do>}
        {rises.length > 1 && (
          <Do onClick={() => actions.takeRisesBack(rises.map((r) => r.id))}>Begin anew</Do>
        )}
      </div>
      {reading.backwards.length > 0 && (
        <p>
          The clock went back at rise {reading.backwards.join(', ')}: the interval there is left
          out.
        </p>
      )}
      {rises.length >= 5 && (
        <p>
          {reading.risers.length === 2
            ? `Two fish, sure to ${inHundred(reading.twoFish)}.`
            : `One fish, sure to ${inHundred(1 - reading.twoFish)}.`}
        </p>
      )}
      {reading.risers.map((r, i) => (
        <RiserWords key={i} riser={r} name={reading.risers.length === 2 ? `Riser ${i + 1}` : ''} />
      ))}
    </section>
  );
}

function RiserWords({ riser, name }: { riser: Riser; name: string }) {
  const { actions } = useWorkspace();
  const flow = usePart((s) => s.flow);
  const units = usePart((s) => s.settings.units);
  if (!flow) return null;
  const lie = trueLie(flow, riser.place);
  const drift = riser.driftMPerMin;
  const moves = drift && Math.hypot(drift.x, drift.y) > 0.2;
  return (
    <div className="riser">
      {name && <h4>{name}</h4>}
      <p>
        {riser.intervalS === null
          ? 'Two intervals are needed for a rhythm.'
          : `Every ${riser.intervalS.toFixed(0)} s, give or take ${riser.spreadS!.toFixed(0)} s: ${riser.regular ? 'regular' : 'not regular'}.`}
        {moves &&
          ` It works ${drift.x > 0 ? 'up' : 'down'} the water, ${formatLength(Math.hypot(drift.x, drift.y), units)} a minute.`}
      </p>
      {lie ? (
        <p>
          <strong>
            It lies {formatLength(lie.backM, units)} up-current of its ring (
            {formatLength(lie.band.low, units)} to {formatLength(lie.band.high, units)}).
          </strong>{' '}
          The rule of thumb says {formatLength(2, units)}; both are drawn.
        </p>
      ) : (
        <p>The ring is on dry ground or in film: no lie is worked out.</p>
      )}
      {lie && (
        <Do onClick={() => actions.placeMark(lie.place, { behaviour: 'rising', surety: 'likely' })}>
          Mark it where it lies
        </Do>
      )}
      <RiseTiming riser={riser} />
    </div>
  );
}

/** How often covers meet a rise, by how many a minute, and what timing one makes of it. */
export function RiseTiming({ riser }: { riser: Riser }) {
  const flow = usePart((s) => s.flow);
  if (!flow) return null;
  const lie = trueLie(flow, riser.place);
  const sample = sampleFlow(flow, riser.place.xM, riser.place.yM, { depthM: 0, u: 0, v: 0 });
  // On dry ground no fly drifts: no chance is reckoned.
  const overS = lie && overFishS(lie.surfaceMps, windowRadiusM(0.5 * sample.depthM));
  const chances = overS === null ? [] : riseChances(overS);
  const timed = overS === null ? null : timedCast(riser, overS);
  return (
    <>
      {chances.length > 0 && (
        <table className="chances">
          <caption>The next rise finds your fly there</caption>
          <tbody>
            <tr>
              {chances.map((c) => (
                <th key={c.coversPerMin} scope="col">
                  {c.coversPerMin} a min
                </th>
              ))}
              {timed && <th scope="col">one, timed</th>}
            </tr>
            <tr>
              {chances.map((c) => (
                <td key={c.coversPerMin}>{inHundred(c.unwatched)}</td>
              ))}
              {timed && <td>{inHundred(timed.chance)}</td>}
            </tr>
          </tbody>
        </table>
      )}
      {timed && (
        <p>
          {timed.wait
            ? `Wait for one more rise: a timed cast then meets it ${inHundred(timed.afterOneMore)}.`
            : 'No need to watch another: its rhythm is known well enough.'}
        </p>
      )}
    </>
  );
}
