'use client';

import { formatLength, formatMinutes } from '../../../core/units/index';
import type { Posture } from '../../../core/sight/index';
import type { StalkWay } from '../../../core/stalk/index';
import { useActions, usePart } from '../../context';
import { linePath } from '../../../drawing/shapes';
import { endText, legText, noWayText } from '../../../words/stalk-words';
import { capital, inHundred } from '../../../words/words';
import { Band } from './band';
import { useFishNames } from '../../use-fish-names';
import { shownWay, targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import { createStalkActions } from './stalk-actions';
import panel from '../../../ui/panel.module.css';
import css from './stalk.module.css';

/** The way leg by leg, its exposure, its worst moment, and how calm each fish is on arrival. */
export function WayPanel() {
  const stalk = usePart((s) => valueOf(s, 'stalk'));
  const way = usePart(shownWay);
  const units = usePart((s) => s.settings.units);
  const posture = usePart((s) => s.posture);
  const marked = usePart((s) => s.marks.map((m) => m.id).join('|')).split('|');
  const target = usePart(targetOf);
  const nameOf = useFishNames();
  if (stalk?.kind === 'no way' && !way)
    return (
      <p>
        <strong>{noWayText(stalk, nameOf)}</strong>
      </p>
    );
  if (!way) return null;
  const [minutes, unit] = formatMinutes(way.seconds / 60).split(' ');
  const settling = way.moments[way.moments.length - 1];
  const told = way.calm.filter((c) => marked.includes(c.fishId) || c.fishId === target?.id);
  return (
    <>
      <p className={panel.large}>
        {minutes}
        <small> {unit}</small>
        <span>
          {formatLength(way.lengthM, units)},{' '}
          {way.wadedM > 0 ? `${formatLength(way.wadedM, units)} of it wading` : 'no wading'}
        </span>
      </p>
      <ol className={panel.legs}>
        {way.legs.map((leg, i) => (
          <li key={i}>
            {legText(leg, units)}{' '}
            <span className={panel.second}>
              {formatMinutes(leg.seconds / 60)}
              {leg.worst.exposure > 0.1
                ? `, noticed ${inHundred(leg.worst.exposure)} at worst by ${nameOf(leg.worst.fishId)}`
                : ', unseen'}
              . {leg.lowerFor && endText(leg, way.legs[i + 1]?.posture ?? posture, nameOf)}
            </span>
          </li>
        ))}
        <li>
          {atTheStand(posture)}{' '}
          {settling && settling.exposure > 0.1 && (
            <span className={panel.second}>
              As you settle {nameOf(settling.fishId)} notices {inHundred(settling.exposure)}.
            </span>
          )}
        </li>
      </ol>
      <ExposureChart way={way} />
      {way.worst.fishId && way.worst.exposure > 0.1 && (
        <p>
          <strong>Worst moment:</strong> {nameOf(way.worst.fishId)} notices{' '}
          {inHundred(way.worst.exposure)} where the eye is drawn on the plan.
        </p>
      )}
      {told.map((c) => (
        <div key={c.fishId}>
          <p className={panel.bandTitle}>
            {capital(nameOf(c.fishId))} still calm: {inHundred(c.best)}
          </p>
          <Band
            low={c.low}
            best={c.best}
            high={c.high}
            to={1}
            words={[inHundred(c.low), inHundred(c.high)]}
          />
        </div>
      ))}
    </>
  );
}

const CHART = { width: 272, height: 64, top: 6, bottom: 46 };

/** What the fish that sees best notices, by metres of the way; pointing at it shows the place. */
function ExposureChart({ way }: { way: StalkWay }) {
  const stalking = useActions(createStalkActions);
  const at = usePart((s) => s.wayAt);
  const units = usePart((s) => s.settings.units);
  const far = Math.max(0.1, way.lengthM);
  const x = (m: number) => (CHART.width * m) / far;
  const y = (e: number) => CHART.bottom - e * (CHART.bottom - CHART.top);
  const points = way.moments.map((m): [number, number] => [x(m.atM), y(m.exposure)]);
  const nearest = (px: number) =>
    points.reduce(
      (best, p, i) => (Math.abs(p[0] - px) < Math.abs(points[best]![0] - px) ? i : best),
      0,
    );
  const moment = at === null ? null : (way.moments[at] ?? null);
  const step = (by: number) =>
    stalking.pointAtWay(Math.min(points.length - 1, Math.max(0, (at ?? 0) + by)));
  return (
    <figure className={css.wayChart}>
      <svg
        width={CHART.width}
        height={CHART.height}
        role="slider"
        tabIndex={0}
        aria-label="Noticed along the way"
        aria-valuemin={0}
        aria-valuemax={Math.round(10 * far) / 10}
        aria-valuenow={moment ? Math.round(10 * moment.atM) / 10 : 0}
        aria-valuetext={
          moment
            ? `${formatLength(moment.atM, units)}: ${inHundred(moment.exposure)}, ${moment.posture}`
            : 'arrow keys walk the way'
        }
        onPointerMove={(e) =>
          stalking.pointAtWay(nearest(e.clientX - e.currentTarget.getBoundingClientRect().left))
        }
        onPointerLeave={() => stalking.pointAtWay(null)}
        onBlur={() => stalking.pointAtWay(null)}
        onKeyDown={(e) => {
          const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key];
          if (by === undefined) return;
          e.preventDefault();
          step(by);
        }}
      >
        <path
          d={`M0,${y(0.5)}H${CHART.width}`}
          stroke="var(--fish)"
          strokeWidth={1}
          strokeDasharray="2 5"
        />
        <path d={`M0,${CHART.bottom}H${CHART.width}`} stroke="var(--rule2)" strokeWidth={1} />
        <path
          d={`${linePath(points)}L${CHART.width},${CHART.bottom}L0,${CHART.bottom}Z`}
          className={css.noticedArea}
        />
        <path d={linePath(points)} className={css.stripSeen} />
        {moment && (
          <>
            <path
              d={`M${x(moment.atM)},${CHART.top}V${CHART.bottom}`}
              stroke="var(--ink)"
              strokeWidth={1.5}
            />
            <circle cx={x(moment.atM)} cy={y(moment.exposure)} r={3.5} fill="var(--ink)" />
          </>
        )}
        <text x={0} y={CHART.height - 4} className={panel.axis}>
          {moment
            ? `${formatLength(moment.atM, units)}, ${WALKING[moment.posture]}: noticed ${inHundred(moment.exposure)}`
            : 'noticed along the way; dotted: even odds'}
        </text>
      </svg>
    </figure>
  );
}

const WALKING: Record<Posture, string> = {
  stand: 'upright',
  crouch: 'crouched',
  kneel: 'kneeling',
  crawl: 'crawling',
};

const atTheStand = (p: Posture) =>
  ({
    stand: 'Stand still there.',
    crouch: 'Crouch there.',
    kneel: 'Kneel there.',
    crawl: 'Lie low there.',
  })[p];
