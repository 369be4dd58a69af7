'use client';

import { useMemo } from 'react';
import { readRises, trueLie, type Riser } from '../../../core/sight/index';
import { formatLength } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { useActions, usePart } from '../../context';
import { inHundred } from '../../../words/names';
import { markOf } from '../../state/selectors';
import { RiseTiming } from '../../parts/rise-timing';
import { createMarkActions } from '../../records/mark-actions';
import panel from '../../../ui/panel.module.css';
import css from './spot.module.css';

/** Rings tapped as they show: rhythm, how many fish, where each really lies, whether to wait. */
export function RisesPanel() {
  const marking = useActions(createMarkActions);
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
        <p className={panel.second}>
          Tap each ring where it shows. Watch several before you cast: their rhythm and the fish
          behind them are worked out.
        </p>
      )}
      {tapping && (
        <p role="status">
          <strong>Touch the water where it rose, each time it rises.</strong>
        </p>
      )}
      <div className={panel.row}>
        <Button voice={tapping ? 'line' : 'solid'} onClick={() => marking.setTapping(!tapping)}>
          {tapping ? 'That will do' : rises.length === 0 ? 'Tap rises' : 'Tap more'}
        </Button>
        {(last ?? mark) && (
          <Button onClick={() => marking.tapRise(last ?? mark!)}>
            {last ? 'It rose there again' : 'It rose where it is marked'}
          </Button>
        )}
        {last && <Button onClick={() => marking.removeRises([last.id])}>Take the last back</Button>}
        {rises.length > 1 && (
          <Button onClick={() => marking.removeRises(rises.map((r) => r.id))}>Begin anew</Button>
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
  const marking = useActions(createMarkActions);
  const flow = usePart((s) => s.flow);
  const units = usePart((s) => s.settings.units);
  if (!flow) return null;
  const lie = trueLie(flow, riser.place);
  const drift = riser.driftMPerMin;
  const moves = drift && Math.hypot(drift.x, drift.y) > 0.2;
  return (
    <div className={css.riser}>
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
        <Button
          onClick={() => marking.placeMark(lie.place, { behaviour: 'rising', surety: 'likely' })}
        >
          Mark it where it lies
        </Button>
      )}
      <RiseTiming riser={riser} />
    </div>
  );
}
