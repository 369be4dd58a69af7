import { linePath } from '../../drawing/shapes';
import { inTen } from '../../words/words';
import { inHundred } from '../../words/names';
import { ROWS, type StripScale } from './scale';
import type { HourExposure, HourGlare } from '../state/answer';
import css from './hours.module.css';
import drawn from '../../drawing/marks.module.css';

/** Of ten glances, how many see the fish from the chosen place, and when it lies in shade. */
export function GlanceRow({
  glare,
  nowGlare,
  now,
  scale: { width, labelWidth, perHour, x, yShare },
}: {
  glare: readonly HourGlare[];
  nowGlare: number;
  now: number;
  scale: StripScale;
}) {
  return (
    <>
      {glare.map(
        (g) =>
          g.shade > 0.5 && (
            <rect
              key={g.hour}
              x={Math.max(labelWidth, x(g.hour - 0.25))}
              y={ROWS.shade}
              width={0.5 * perHour + 0.5}
              height={6}
              fill="var(--ink2)"
            />
          ),
      )}
      <text x={12} y={84} className={css.stripSecond}>
        shade on it
      </text>
      <text x={12} y={108} className={css.stripLabel}>
        Glances
      </text>
      <text x={12} y={124} className={css.stripLabel}>
        that see it
      </text>
      <path
        d={`M${labelWidth},${yShare(0.5)}H${width}`}
        stroke="var(--rule2)"
        strokeWidth={1}
        strokeDasharray="2 5"
      />
      <path
        d={linePath(glare.map((g): [number, number] => [x(g.hour), yShare(g.share)]))}
        className={css.stripGlance}
      />
      <text
        x={x(now) + 8}
        y={nowGlare > 0.6 ? yShare(nowGlare) + 17 : yShare(nowGlare) - 6}
        className={`${css.stripGlanceWord} ${drawn.cased}`}
      >
        {inTen(nowGlare)}
      </text>
    </>
  );
}

/** How plainly the fish sees the angler at the stand, by the hour. */
export function SeenRow({
  seen,
  nowSeen,
  now,
  looking,
  scale: { width, labelWidth, x, yShare },
}: {
  seen: readonly HourExposure[] | null;
  nowSeen: number | null;
  now: number;
  /** On the way to see a fish, not yet to cast at it. */
  looking: boolean;
  scale: StripScale;
}) {
  return (
    <>
      <text x={12} y={108} className={css.stripLabel}>
        Seen at
      </text>
      <text x={12} y={124} className={css.stripLabel}>
        the stand
      </text>
      {seen && nowSeen !== null ? (
        <>
          <path
            d={`M${labelWidth},${yShare(0.5)}H${width}`}
            stroke="var(--fish)"
            strokeWidth={1}
            strokeDasharray="2 5"
          />
          <path
            d={linePath(seen.map((p): [number, number] => [x(p.hour), yShare(p.exposure)]))}
            className={css.stripSeen}
          />
          <text
            x={x(now) + 8}
            y={Math.max(ROWS.seenTop + 10, yShare(nowSeen) - 6)}
            className={`${css.stripSeenWord} ${drawn.cased}`}
          >
            {inHundred(nowSeen)}
          </text>
        </>
      ) : (
        <text x={labelWidth + 12} y={112} className={css.stripSecond}>
          {looking
            ? 'Choose a fish and a place to look from, to see when it shows.'
            : 'Choose a fish and a stand to see how plainly it sees you through the day.'}
        </text>
      )}
    </>
  );
}
