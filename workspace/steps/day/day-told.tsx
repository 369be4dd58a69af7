'use client';

import {
  CHECKS,
  HATCHES,
  levelAdvice,
  levelProposals,
  type DayPlan,
} from '../../../core/day/index';
import { LEVEL_NAMES } from '../../../core/formats/index';
import { dateFacts, dayAsked, type DayBook } from '../../../core/outing/index';
import {
  convert,
  formatTemp,
  parseFigure,
  tempUnit,
  type UnitSystem,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Check } from '../../../ui/check';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { FigureField } from '../../../ui/figure-field';
import {
  ADVICE_WORDS,
  CHECK_WORDS,
  degreesText,
  HATCH_WORDS,
  hourText,
} from '../../../words/day-words';
import { useActions, usePart } from '../../context';
import { createDayActions } from './day-actions';
import panel from '../../../ui/panel.module.css';
import css from './day-panel.module.css';

/** Flies seen on the water: a press at the hour on screen; what was seen outranks the table. */
export function DayHatches({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const day = useActions(createDayActions);
  const atMs = usePart((s) => s.atMs);
  const { seen } = dateFacts(book);
  const h = Math.min(24, Math.max(0, 12 + (atMs - book.noonMs) / 3_600_000));
  return (
    <Disclosure
      title={
        seen.length > 0
          ? `Seen on the water: ${seen.map((s) => HATCH_WORDS[s.kind]).join(', ')}`
          : 'Seen on the water'
      }
    >
      <HatchList book={book} plan={plan} />
      <p className={panel.second}>
        Press what flies now, at {hourText(h)}. It outranks the table, which is common practice.
      </p>
      <div className={css.cells}>
        {HATCHES.map((kind) => {
          const known = seen.find((s) => s.kind === kind);
          return (
            <Button
              key={kind}
              voice="line"
              aria-pressed={known !== undefined}
              onClick={() => day.seeHatch(kind, Math.round(4 * h) / 4)}
            >
              {HATCH_WORDS[kind]}
              {known ? `, ${hourText(known.h)}` : ''}
            </Button>
          );
        })}
      </div>
    </Disclosure>
  );
}

/** What the table, and what was seen, say of the beat that is looked at. */
function HatchList({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const siteId = usePart((s) => s.dayShown ?? s.daySiteId);
  const site = plan.sites.find((s) => s.siteId === siteId);
  const name = book.sites.find((s) => s.id === siteId)?.name ?? '';
  if (!site || site.hatches.length === 0)
    return <p>The table has none for {name} on this day: too warm, too cold or too bright.</p>;
  return (
    <ul className={panel.inputs}>
      {site.hatches.map((h) => (
        <li key={`${h.kind} ${h.fromH}`}>
          {hourText(h.fromH)} to {hourText(h.toH)}: {HATCH_WORDS[h.kind]}
          {h.known === 'seen' ? ', seen' : ''}
        </li>
      ))}
    </ul>
  );
}

const CLOUDS = [
  ['0', 'clear', 0],
  ['1', 'some', 0.3],
  ['2', 'mostly', 0.7],
  ['3', 'all', 1],
] as const;
const WINDS = [
  ['0', 'still', 0.5],
  ['1', 'light', 2],
  ['2', 'leaves move', 5],
  ['3', 'boughs move', 11],
] as const;
const nearest = <T extends readonly (readonly [string, string, number])[]>(
  list: T,
  value: number,
) => list.reduce((a, b) => (Math.abs(b[2] - value) < Math.abs(a[2] - value) ? b : a))[0];

const airText = (c: number | null, units: UnitSystem) =>
  c === null ? '' : formatTemp(c, units).replace(/[^\d.,-]/g, '');
const parseAir = (what: string, units: UnitSystem) => (text: string) => {
  const range = units === 'us' ? { min: -40, max: 120 } : { min: -40, max: 50 };
  const read = parseFigure(text, { what, unit: tempUnit(units), ...range });
  return read.ok && units === 'us' ? { ok: true as const, value: convert.fToC(read.value) } : read;
};

/** Air, sky, wind, thunder, level: what the curve and the cautions are reckoned from. */
export function DayWeather({ book }: { book: DayBook }) {
  const day = useActions(createDayActions);
  const units = usePart((s) => s.settings.units);
  const settings = usePart((s) => s.settings);
  const siteId = usePart((s) => s.daySiteId);
  const told = dateFacts(book);
  const asked = dayAsked(book, settings, siteId);
  const stream = book.sites.find((s) => s.id === siteId)?.streamId ?? '';
  const proposals = levelProposals(book.colours[stream] ?? []);
  const proposal = proposals.find((p) => p.level === asked.level)!;
  return (
    <Disclosure
      title={
        told.airLowC === null
          ? 'Weather and level: not told'
          : `Weather and level${told.weather === 'simulated' ? ': invented' : ''}`
      }
    >
      <div className={panel.fields}>
        <FigureField
          id="air-low"
          label="Air, coldest"
          unit={tempUnit(units)}
          value={airText(told.airLowC, units)}
          parse={parseAir('The coldest air', units)}
          onKeep={(airLowC) =>
            day.tellDate({
              airLowC,
              airHighC: Math.max(airLowC, told.airHighC ?? airLowC + 12),
              weather: 'typed',
            })
          }
        />
        <FigureField
          id="air-high"
          label="Air, warmest"
          unit={tempUnit(units)}
          value={airText(told.airHighC, units)}
          parse={parseAir('The warmest air', units)}
          onKeep={(airHighC) =>
            day.tellDate({
              airHighC,
              airLowC: Math.min(airHighC, told.airLowC ?? airHighC - 12),
              weather: 'typed',
            })
          }
        />
      </div>
      <p className={panel.second}>Cloud</p>
      <Choice
        label="Cloud"
        value={nearest(CLOUDS, told.cloud)}
        options={CLOUDS.map(([v, word]) => [v, word])}
        onChange={(v) => day.tellDate({ cloud: CLOUDS.find((c) => c[0] === v)![2] })}
      />
      <p className={panel.second}>Wind</p>
      <Choice
        label="Wind"
        value={nearest(WINDS, told.windMps)}
        options={WINDS.map(([v, word]) => [v, word])}
        onChange={(v) => day.tellDate({ windMps: WINDS.find((c) => c[0] === v)![2] })}
      />
      <div className={css.checks}>
        <Check
          checked={told.thunder !== null}
          onChange={(on) => day.tellDate({ thunder: on ? { fromMin: 960, toMin: 1140 } : null })}
        >
          Thunder may come
        </Check>
        {told.thunder && (
          <span className={css.thunder}>
            {(['fromMin', 'toMin'] as const).map((end) => (
              <FigureField
                key={end}
                id={`thunder-${end}`}
                label={end === 'fromMin' ? 'from' : 'to'}
                unit="h"
                value={String(told.thunder![end] / 60)}
                parse={(text) =>
                  parseFigure(text, { what: 'The hour of thunder', unit: 'h', min: 0, max: 24 })
                }
                onKeep={(h) => {
                  const next = { ...told.thunder!, [end]: Math.round(60 * h) };
                  // The other end gives way: it never ends before it begins.
                  if (next.fromMin >= next.toMin)
                    next[end === 'fromMin' ? 'toMin' : 'fromMin'] =
                      end === 'fromMin'
                        ? Math.min(1440, next.fromMin + 60)
                        : Math.max(0, next.toMin - 60);
                  day.tellDate({ thunder: next });
                }}
              />
            ))}
          </span>
        )}
        <Check checked={told.rising} onChange={(rising) => day.tellDate({ rising })}>
          Water may rise
        </Check>
        <Check checked={told.fireBan} onChange={(fireBan) => day.tellDate({ fireBan })}>
          Fire ban
        </Check>
      </div>
      <p className={panel.second}>Level</p>
      <Choice
        label="Level of the day"
        value={asked.level}
        options={LEVEL_NAMES.map((l) => [l, l])}
        onChange={(level) => day.tellDate({ level })}
      />
      <p>
        {asked.level} usually brings a colour of {proposal.turbidityNtu.best.toFixed(1)} NTU (
        {proposal.turbidityNtu.low.toFixed(1)} to {proposal.turbidityNtu.high.toFixed(1)};{' '}
        {proposal.readings === 0
          ? 'a guess, until this stream was read at it'
          : `by ${proposal.readings} ${proposal.readings === 1 ? 'reading' : 'readings'} of this stream`}
        ){proposal.meanC === 0 ? '' : `, and water ${degrees(proposal.meanC, units)}`}.{' '}
        <Button
          voice="plain"
          onClick={() => day.takeColour(Math.round(10 * proposal.turbidityNtu.best) / 10)}
        >
          Take the colour
        </Button>
      </p>
      <p>
        {levelAdvice(asked.level, asked.season)
          .map((a) => ADVICE_WORDS[a])
          .join(' ')}{' '}
        <span className={panel.second}>(common practice)</span>
      </p>
      <Button onClick={() => day.takeSimulatedWeather((asked.air.lowC + asked.air.highC) / 2)}>
        From the simulated forecast
      </Button>
      {told.weather === 'simulated' && (
        <p className={panel.second}>This weather is invented: the stand-in for a forecast.</p>
      )}
    </Disclosure>
  );
}

const degrees = (c: number, units: UnitSystem) =>
  `${degreesText(c, units)} ${c < 0 ? 'colder' : 'warmer'}`;

/** Looked through before leaving. */
export function DayChecks({ book }: { book: DayBook }) {
  const day = useActions(createDayActions);
  const { checked } = dateFacts(book);
  const open = CHECKS.length - checked.length;
  return (
    <Disclosure
      title={open === 0 ? 'Before leaving: all done' : `Before leaving: ${open} to look at`}
    >
      <div className={css.checks}>
        {CHECKS.map((c) => (
          <Check
            key={c}
            checked={checked.includes(c)}
            onChange={(on) =>
              day.tellDate({ checked: on ? [...checked, c] : checked.filter((x) => x !== c) })
            }
          >
            {CHECK_WORDS[c]}
          </Check>
        ))}
      </div>
    </Disclosure>
  );
}
