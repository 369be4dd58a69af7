'use client';

import type { DayPlan, SitePlan } from '../../../core/day/index';
import { dateFacts, sunOf, type BookSite, type DayBook } from '../../../core/outing/index';
import { clockText } from '../../../core/units/index';
import { useSize } from '../../../drawing/use-size';
import { hourText, REGIME_WORDS } from '../../../words/day-words';
import { NO_BEAT_FACTS, NO_STREAM_FACTS } from '../../../core/log/index';
import { useActions, usePart, useWorkspace } from '../../context';
import { createPlanActions } from '../../plan-actions';
import { isStale, valueOf } from '../../state/answer';
import { DayAxis } from './day-axis';
import { DayFoot } from './day-foot';
import { DayRow } from './day-row';
import { AXIS_PX, dayScale, LABEL_PX, sitesInRows, type DayScale } from './day-scale';
import { StayHandles } from './stay-handles';
import { chosenSites, shadeTold } from './chosen-sites';
import css from './day.module.css';

const HOUR_MS = 3_600_000;

/** The day on a desk: every beat's water by the hour, when to be where, and when to be gone. */
export function DayView() {
  const [ref, size] = useSize<HTMLDivElement>();
  const book = usePart((s) => s.dayBook);
  const plan = usePart((s) => valueOf(s, 'day'));
  const stale = usePart((s) => isStale(s, 'day'));
  const failed = usePart((s) => s.answers.day.state === 'failed');
  const problem = usePart((s) => s.dayProblem);
  if (!book || !plan)
    return (
      <div ref={ref} className={css.day}>
        <p className={css.opening} role={problem || failed ? 'alert' : 'status'}>
          {problem
            ? `The day could not be opened: ${problem}`
            : failed
              ? 'The day could not be worked out from what was told.'
              : 'Opening the day.'}
        </p>
      </div>
    );
  return (
    <div ref={ref} className={css.day} data-stale={stale}>
      {size.width > 0 && <Chart book={book} plan={plan} width={size.width} room={size.height} />}
    </div>
  );
}

function Chart({
  book,
  plan,
  width,
  room,
}: {
  book: DayBook;
  plan: DayPlan;
  width: number;
  room: number;
}) {
  const { beat } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const atMs = usePart((s) => s.atMs);
  const siteId = usePart((s) => s.daySiteId);
  const acting = useActions(createPlanActions);
  const rows = sitesInRows(book.sites, chosenSites(book, siteId), plan);
  const scale = dayScale(
    width,
    room,
    plan,
    rows.map((r) => r.site),
  );
  const told = dateFacts(book);
  const sun = sunOf(book);
  const nowH = 12 + (atMs - book.noonMs) / HOUR_MS;
  const setHour = (h: number, final: boolean) =>
    acting.setHour(
      book.noonMs + (Math.min(scale.toH, Math.max(scale.fromH, h)) - 12) * HOUR_MS,
      final,
    );
  return (
    <svg width={width} height={scale.height} className={css.chart} role="presentation">
      <Patterns />
      <Night sun={sun} scale={scale} />
      {rows.map(({ book: b, site }, i) => (
        <DayRow
          key={b.id}
          book={b}
          site={site}
          name={b.name}
          second={secondOf(book, b)}
          stay={plan.stays.find((s) => s.siteId === b.id) ?? null}
          limitC={plan.limitC}
          top={AXIS_PX + i * scale.rowPx}
          scale={scale}
          units={units}
          shade={shadeTold(book, b)}
          nowH={nowH}
        />
      ))}
      <Ways plan={plan} rows={rows} scale={scale} />
      {plan.stays.map((stay) => {
        const i = rows.findIndex((r) => r.book.id === stay.siteId);
        return (
          <StayHandles
            key={stay.siteId}
            stay={stay}
            name={rows[i]!.book.name}
            y={AXIS_PX + i * scale.rowPx + scale.you}
            scale={scale}
          />
        );
      })}
      <DayFoot
        y={AXIS_PX + rows.length * scale.rowPx}
        scale={scale}
        cloud={told.cloud}
        windMps={told.windMps}
        thunder={told.thunder}
        air={told}
        units={units}
      />
      <DayAxis
        scale={scale}
        nowH={nowH}
        clock={clockText(atMs, beat.plan.timeZone)}
        onHour={setHour}
      />
    </svg>
  );
}

function secondOf(book: DayBook, b: BookSite): string {
  const told = book.facts.beats[b.id] ?? NO_BEAT_FACTS;
  if (told.closed) return 'closed';
  if (told.opensMin !== null || told.shutsMin !== null)
    return `open ${hourText((told.opensMin ?? 0) / 60)} to ${hourText((told.shutsMin ?? 1440) / 60)}`;
  return REGIME_WORDS[(book.facts.streams[b.streamId] ?? NO_STREAM_FACTS).regime].toLowerCase();
}

/** Caution has bars, shade has fine ones. */
function Patterns() {
  return (
    <defs>
      <pattern
        id="day-bars"
        width="9"
        height="9"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="9" height="9" fill="var(--caution)" />
        <rect width="4" height="9" fill="var(--caution-ink)" />
      </pattern>
      <pattern
        id="day-shade"
        width="4"
        height="4"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="1.6" height="4" fill="var(--ink2)" />
      </pattern>
    </defs>
  );
}

function Night({
  sun,
  scale,
}: {
  sun: { riseH: number | null; setH: number | null };
  scale: DayScale;
}) {
  const { x } = scale;
  if (sun.riseH === null || sun.setH === null) return null;
  return (
    <>
      <rect
        x={LABEL_PX}
        y={0}
        width={Math.max(0, x(sun.riseH) - LABEL_PX)}
        height={scale.height}
        fill="var(--night)"
      />
      <rect
        x={x(sun.setH)}
        y={0}
        width={Math.max(0, scale.width - x(sun.setH))}
        height={scale.height}
        fill="var(--night)"
      />
      <text x={scale.width - 6} y={17} textAnchor="end" className={css.small}>
        down
      </text>
      <text x={scale.width - 6} y={33} textAnchor="end" className={css.sunHour}>
        {hourText(sun.setH)}
      </text>
    </>
  );
}

/** Right of the hour of leaving, where there is room for both. */
const HOUR_WORD_PX = 56;
const WAY_WORD_PX = 150;

/** From each stay to the next. */
function Ways({
  plan,
  rows,
  scale,
}: {
  plan: DayPlan;
  rows: readonly { book: BookSite; site: SitePlan }[];
  scale: DayScale;
}) {
  const yOf = (id: string) =>
    AXIS_PX + rows.findIndex((r) => r.book.id === id) * scale.rowPx + scale.you;
  return (
    <>
      {plan.stays.slice(1).map((stay, k) => {
        const from = plan.stays[k]!;
        const [x1, y1, x2, y2] = [
          scale.x(from.leaveH),
          yOf(from.siteId),
          scale.x(stay.arriveH),
          yOf(stay.siteId),
        ];
        return (
          <g key={stay.siteId}>
            <path d={`M${x1},${y1}L${x2},${y2}`} className={css.way} />
            <text
              x={x1 > scale.width - WAY_WORD_PX ? x1 - 6 : x1 + HOUR_WORD_PX}
              y={x1 > scale.width - WAY_WORD_PX ? y1 + 20 : y1 + 5}
              textAnchor={x1 > scale.width - WAY_WORD_PX ? 'end' : 'start'}
              className={`${css.wayWord} ${css.casedPaper}`}
            >
              way {Math.round(stay.wayMin)} min
            </text>
          </g>
        );
      })}
    </>
  );
}
