'use client';

import {
  formatDepth,
  formatFishLength,
  formatLength,
  formatSpeed,
  formatTemp,
  type Reason,
  type UnitSystem,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { DescriptionRow, Facts } from '../../../ui/facts';
import { Disclosure } from '../../../ui/disclosure';
import { useActions, usePart } from '../../context';
import { LargePebble } from '../../../drawing/pebble';
import { SOURCES } from '../../../words/sources';
import { inputText, lieWhy, whatIfText } from '../../../words/words';
import { lieName } from '../../../words/names';
import { CLASS_WORDS, largestText, stretchText, willingText } from '../../../words/lie-words';
import { lieOf } from '../../state/selectors';
import { isStale, valueOf } from '../../state/answer';
import { createTryActions } from '../../records/try-actions';
import { createMarkActions } from '../../records/mark-actions';
import { createPlanActions } from '../../plan-actions';
import panel from '../../../ui/panel.module.css';

/** The chosen lie: its needs, its why, what would change it, what is worth measuring. */
export function LiePanel() {
  const acting = useActions(createPlanActions);
  const marking = useActions(createMarkActions);
  const log = useActions(createTryActions);
  const lie = usePart(lieOf)!;
  const lies = usePart((s) => valueOf(s, 'lies'))!;
  const units = usePart((s) => s.settings.units);
  const lengthCm = usePart((s) => s.settings.fishLengthCm);
  const stale = usePart((s) => isStale(s, 'lies'));
  const rank = lies.lies.findIndex((l) => l.id === lie.id) + 1;
  const why = lieWhy(lie.why, units);
  const stretch = lies.stretches.find((s) => s.lieIds.includes(lie.id));
  return (
    <section className={stale ? panel.stale : ''}>
      <h2>{lieName(lie.kind)}</h2>
      <p className={panel.second}>
        {formatDepth(lie.depthM, units)} deep. {rank === 1 ? 'Best' : `Number ${rank}`} of{' '}
        {lies.lies.length} for a fish of {formatFishLength(lengthCm, units)}.{' '}
        {stretch && stretchText(stretch, units)}
      </p>
      <LargePebble rating={lie.rating} needs={lie.needs} />
      <p>
        <strong>{why.lead}</strong> {why.rest.join(' ')}
      </p>
      <Facts>
        <DescriptionRow name={lie.profitJph >= 0 ? 'Gains' : 'Loses'}>
          {Math.abs(Math.round(lie.profitJph))} J an hour (about ±25 %)
        </DescriptionRow>
        <DescriptionRow name={CLASS_WORDS[lie.largest.class]}>
          {largestText(lie.largest, units)}
        </DescriptionRow>
        <DescriptionRow name="Moves for a fly">{willingText(lie.willing)}</DescriptionRow>
      </Facts>
      <div className={panel.row}>
        <Button voice="solid" onClick={() => acting.go('cast')}>
          Plan a cast to it
        </Button>
        <Button onClick={() => marking.placeMark(lie)}>Mark a fish here</Button>
        <Button onClick={() => log.drewBlank()}>It drew blank</Button>
      </div>
      <Study rating={lie.rating} />
      <Disclosure title="Show all inputs">
        <ul className={panel.inputs}>
          {lie.why.map((r) => (
            <li key={r.what}>
              {SOURCES[r.what] ?? r.what}: {valueText(r, units)}{' '}
              <em>{SOURCES[r.source] ?? r.source}</em>
            </li>
          ))}
        </ul>
      </Disclosure>
    </section>
  );
}

function valueText(r: Reason, units: UnitSystem): string {
  if (r.unit === 'm') return formatLength(r.value, units, 2);
  if (r.unit === 'm/s') return formatSpeed(r.value, units);
  if (r.unit === 'J/h') return `${Math.round(r.value)} J/h`;
  if (r.unit === '°C') return formatTemp(r.value, units);
  if (r.unit === 'mg/L' || r.unit === 'NTU') return `${r.value.toFixed(1)} ${r.unit}`;
  return r.value.toFixed(2);
}

/** Changes under this many points leave the lie as it is. */
const WORTH_SAYING = 2;

function Study({ rating }: { rating: number }) {
  const study = usePart((s) => {
    const known = valueOf(s, 'study');
    return known?.lieId === s.lieId ? known : null;
  });
  const units = usePart((s) => s.settings.units);
  if (!study) return <p className={panel.working}>Asking what would change it.</p>;
  const changes = study.changes.filter((c) => Math.abs(c.rating - rating) >= WORTH_SAYING);
  const inputs = study.sensitivity.inputs
    .filter((i) => Math.abs(i.high - i.low) >= WORTH_SAYING)
    .slice(0, 3);
  return (
    <>
      <h3>What would change it</h3>
      {changes.length === 0 && (
        <p className={panel.second}>Neither two degrees, nor shade, nor a stain.</p>
      )}
      <ul className={panel.changes}>
        {changes.map((c) => (
          <li key={whatIfText(c, units)}>
            <span>{whatIfText(c, units)}</span> <strong>{Math.round(c.rating)}</strong>{' '}
            <span className={panel.second}>
              {c.rating > rating ? 'up' : 'down'} {Math.abs(Math.round(c.rating - rating))}
            </span>
          </li>
        ))}
      </ul>
      <h3>Worth measuring</h3>
      {inputs.length === 0 && (
        <p className={panel.second}>Nothing: judged by eye it is known well enough.</p>
      )}
      <ul className={panel.changes}>
        {inputs.map((i) => (
          <li key={i.input}>
            <span>{inputText(i, units)}</span>{' '}
            <strong>
              {Math.round(Math.min(i.low, i.high))} to {Math.round(Math.max(i.low, i.high))}
            </strong>
          </li>
        ))}
      </ul>
    </>
  );
}
