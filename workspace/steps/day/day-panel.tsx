'use client';

import { shadeOf, type DayPlan } from '../../../core/day/index';
import { dateFacts, dayAsked, sunOf, type DayBook } from '../../../core/outing/index';
import { Button } from '../../../ui/button';
import { Disclosure } from '../../../ui/disclosure';
import { PlainTable } from '../../../ui/plain-table';
import { ProgressBar } from '../../../ui/progress-bar';
import {
  cautionWords,
  dayTitle,
  dayWhy,
  degreesText,
  hourText,
  otherWords,
  stopText,
} from '../../../words/day-words';
import {
  civilDay,
  formatMinutes,
  formatTemp,
  fromCivil,
  toCivil,
  type UnitSystem,
} from '../../../core/units/index';
import { TextInput } from '../../../ui/input';
import { createPlanActions } from '../../plan-actions';
import { useActions, usePart, useWorkspace } from '../../context';
import { isStale, valueOf } from '../../state/answer';
import { chosenSites, shadeTold } from './chosen-sites';
import { createDayActions } from './day-actions';
import { DayBeats } from './day-beats';
import { DayCalendar } from './day-calendar';
import { DayChecks, DayHatches, DayWeather } from './day-told';
import { DayReadings } from './day-readings';
import { DayStays } from './day-stays';
import panel from '../../../ui/panel.module.css';
import css from './day-panel.module.css';

/** Whether it is right today, when, and where first; and all that it is reckoned from. */
export function DayPanel() {
  const book = usePart((s) => s.dayBook);
  const plan = usePart((s) => valueOf(s, 'day'));
  const stale = usePart((s) => isStale(s, 'day'));
  const problem = usePart((s) => s.dayProblem);
  if (!book || !plan)
    return (
      <section>
        <h2>Day</h2>
        <p role={problem ? 'alert' : 'status'}>
          {problem
            ? `The day could not be opened: ${problem} What was read of the water still counts.`
            : 'Opening the day.'}
        </p>
      </section>
    );
  return (
    <section className={stale ? panel.stale : ''} data-part="day">
      <DateChoice book={book} />
      <Headline book={book} plan={plan} />
      <Others book={book} plan={plan} />
      <DayReadings book={book} plan={plan} />
      <DayStays book={book} plan={plan} />
      <DayHatches book={book} plan={plan} />
      <DayWeather book={book} />
      <DayBeats book={book} plan={plan} />
      <DayChecks book={book} />
      <DayTable book={book} plan={plan} />
      <DayCalendar book={book} plan={plan} />
      <p className={panel.second}>
        Temperatures, looks and hours are reckoned from what was read and told. Your local rules and
        closures decide.
      </p>
    </section>
  );
}

/** A site by its name. */
export const nameIn =
  (book: DayBook) =>
  (id: string): string =>
    book.sites.find((s) => s.id === id)?.name ?? 'A beat that is gone';

/** Another date: planned the evening before, or looked back at. */
function DateChoice({ book }: { book: DayBook }) {
  const acting = useActions(createPlanActions);
  const atMs = usePart((s) => s.atMs);
  const zone = book.timeZone ?? undefined;
  const clock = toCivil(atMs, zone).slice(10);
  const to = (date: string) => {
    const ms = fromCivil(`${date}${clock}`, zone);
    if (ms !== null) acting.setHour(ms, true);
  };
  const by = (days: number) => to(civilDay(book.noonMs + days * 86_400_000, zone));
  return (
    <p className={css.date}>
      <Button voice="line" aria-label="The day before" onClick={() => by(-1)}>
        ‹
      </Button>
      <TextInput
        type="date"
        aria-label="Date of the day"
        value={civilDay(atMs, zone)}
        onChange={(e) => e.target.value !== '' && to(e.target.value)}
      />
      <Button voice="line" aria-label="The day after" onClick={() => by(1)}>
        ›
      </Button>
    </p>
  );
}

function Headline({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const units = usePart((s) => s.settings.units);
  const settings = usePart((s) => s.settings);
  const siteId = usePart((s) => s.daySiteId);
  const nameOf = nameIn(book);
  const heights = new Map(book.sites.map((s) => [s.id, s.altitudeM]));
  const asked = dayAsked(book, settings, siteId);
  const why = dayWhy(
    plan,
    nameOf,
    sunOf(book),
    asked.season === 'winter',
    asked.warmAfterCold,
    units,
  );
  const guessed = plan.stays.filter(
    (s) => book.sites.find((b) => b.id === s.siteId)?.looksKnown === 'length',
  );
  return (
    <>
      <h2>{dayTitle(plan, heights, nameOf)}</h2>
      {plan.none === null && (
        <>
          <p className={panel.second}>
            {plan.stays.length === 1 ? 'One beat' : `${plan.stays.length} beats`}:{' '}
            {spanText(plan.fishingMin)} fishing, {spanText(plan.wayMin)} on the way.
          </p>
          <p className={css.large}>
            <strong>{Math.round(plan.looks.best)}</strong>
            <span>
              fish get an honest look, between {Math.round(plan.looks.low)} and{' '}
              {Math.round(plan.looks.high)}
            </span>
          </p>
        </>
      )}
      {plan.cautions.map((c) => {
        const { lead, rest } = cautionWords(c, nameOf, units);
        return (
          <p key={c.kind} className={panel.caution} role="status">
            {lead} <span className={css.rest}>{rest}</span>
          </p>
        );
      })}
      <p>
        <strong>Why.</strong> {why.join(' ')}
        {plan.sites.every((s) => !s.isRead) &&
          ' No water was read yet: the bands are wide. Type one.'}
        {asked.airKnown === 'season' && ' The air is guessed from the season.'}
      </p>
      {settings.localNotes.trim() !== '' && (
        <p>
          <strong>Your own rules.</strong> {settings.localNotes}
        </p>
      )}
      <Doubts book={book} plan={plan} units={units} />
      {guessed.length > 0 && <WorkOut siteIds={guessed.map((s) => s.siteId)} book={book} />}
    </>
  );
}

/** "8 h 15", "40 min". */
export const spanText = (minutes: number): string => {
  const whole = Math.round(minutes);
  if (whole < 60) return formatMinutes(whole);
  return `${Math.floor(whole / 60)} h${whole % 60 > 0 ? ` ${String(whole % 60).padStart(2, '0')}` : ''}`;
};

/** What does not fit together. */
function Doubts({ book, plan, units }: { book: DayBook; plan: DayPlan; units: UnitSystem }) {
  const nameOf = nameIn(book);
  return (
    <>
      {plan.contradictions.map(({ siteId, a, b }) => (
        <p key={`${a.id} ${b.id}`} role="alert" className={panel.problem}>
          At {nameOf(siteId)} {formatTemp(a.tempC, units)} and {formatTemp(b.tempC, units)} were
          read within half an hour. Both cannot be right: take one out below.
        </p>
      ))}
      {plan.sites.map(
        (s) =>
          s.surprise && (
            <p key={s.siteId}>
              {nameOf(s.siteId)} is {s.surprise.byC < 0 ? 'cooler' : 'warmer'} than the curve had it
              by {degreesText(s.surprise.byC, units)}:{' '}
              {s.surprise.byC < 0 ? 'cloud, shade or wind' : 'more sun, or less water'}.
            </p>
          ),
      )}
    </>
  );
}

/** Beats whose route was never worked out are taken by their length. */
function WorkOut({ siteIds, book }: { siteIds: string[]; book: DayBook }) {
  const day = useActions(createDayActions);
  const working = usePart((s) => s.dayWorking);
  const nameOf = nameIn(book);
  if (working)
    return (
      <div role="status">
        <p>
          Working out {working.name}: {Math.round(100 * working.share)} %
        </p>
        <ProgressBar label={`Working out ${working.name}`} share={working.share} />
        <Button voice="plain" onClick={() => day.stopWorking()}>
          Stop
        </Button>
      </div>
    );
  return (
    <p>
      {siteIds.map(nameOf).join(', ')}: looks by length alone.{' '}
      <Button voice="plain" onClick={() => void day.workOut(siteIds)}>
        Work {siteIds.length === 1 ? 'it' : 'them'} out
      </Button>
    </p>
  );
}

/** Other orders and what they cost, or the way back from one's own. */
function Others({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const day = useActions(createDayActions);
  const nameOf = nameIn(book);
  const told = dateFacts(book);
  const order = plan.stays.map((s) => s.siteId);
  return (
    <section aria-label="Another order">
      {told.byHand && (
        <p className={css.hand}>
          <strong>Set by hand.</strong>{' '}
          {plan.handFails
            ? 'It does not fit the day: the best order is shown.'
            : plan.handCosts && plan.handCosts.best > 0.05
              ? `Against the best it costs ${looksText(plan.handCosts)}.`
              : 'It costs nothing.'}{' '}
          <Button voice="plain" onClick={() => day.asIsBest()}>
            Back to the best
          </Button>
        </p>
      )}
      {plan.others.length > 0 && (
        <>
          <h3>Another order would cost</h3>
          <ul className={css.others}>
            {plan.others.map((o) => (
              <li key={o.kind}>
                <Button
                  voice="plain"
                  onClick={() =>
                    day.setOrder(
                      o.kind === 'turned'
                        ? [...order].reverse()
                        : o.kind === 'one all day'
                          ? [o.siteId]
                          : order.filter((id) => id !== o.siteId),
                    )
                  }
                >
                  {otherWords(o, nameOf)}
                </Button>
                <CostBand costs={o.costs} most={mostOf(plan)} />
                <span className={css.cost}>{looksText(o.costs)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

const mostOf = (plan: DayPlan) => Math.max(1, ...plan.others.map((o) => o.costs.high));
const looksText = (c: { low: number; best: number; high: number }) =>
  `${c.best.toFixed(1)} looks (${c.low.toFixed(1)} to ${c.high.toFixed(1)})`;

/** From none lost to the most of these. */
function CostBand({
  costs,
  most,
}: {
  costs: { low: number; best: number; high: number };
  most: number;
}) {
  const x = (v: number) => 20 + (100 * v) / most;
  return (
    <svg width="132" height="18" aria-hidden="true">
      <path d="M20,0v18" stroke="var(--rule2)" strokeWidth={1.4} />
      <rect
        x={Math.max(0, x(costs.low))}
        y={4}
        width={Math.max(2, x(costs.high) - Math.max(0, x(costs.low)))}
        height={10}
        fill="var(--rule)"
      />
      <path d={`M${x(costs.best)},2v14`} stroke="var(--ink)" strokeWidth={2.6} />
    </svg>
  );
}

/** The chart in rows and columns, for those who do not see it, and on a phone. */
function DayTable({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const { beat } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const chosen = chosenSites(book, beat.id);
  return (
    <Disclosure title="The day as a table">
      <PlainTable voice="small">
        <thead>
          <tr>
            <th>Beat</th>
            <th>You</th>
            <th>Stop</th>
            <th>Best</th>
            <th>Shade</th>
          </tr>
        </thead>
        <tbody>
          {plan.sites
            .filter((s) => chosen.includes(s.siteId))
            .map((s) => {
              const stay = plan.stays.find((x) => x.siteId === s.siteId);
              const stop = stopText(s, units);
              const site = book.sites.find((b) => b.id === s.siteId)!;
              return (
                <tr key={s.siteId}>
                  <th scope="row">{site.name}</th>
                  <td>{stay ? `${hourText(stay.arriveH)} to ${hourText(stay.leaveH)}` : 'not'}</td>
                  <td>
                    {stop.strong} {stop.rest}
                  </td>
                  <td>
                    {s.best ? `${hourText(s.best.fromH)} to ${hourText(s.best.toH)}` : 'no hour'}
                  </td>
                  <td>{Math.round(10 * shadeOf({ shadeByHour: shadeTold(book, site) }))} in 10</td>
                </tr>
              );
            })}
        </tbody>
      </PlainTable>
    </Disclosure>
  );
}
