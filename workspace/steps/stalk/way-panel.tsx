'use client';

import { formatLength, formatMinutes } from '../../../core/units/index';
import type { Posture } from '../../../core/sight/index';
import { usePart } from '../../context';
import { endText, legText, noWayText } from '../../../words/stalk-words';
import { capital, inHundred } from '../../../words/names';
import { Band } from './band';
import { useFishNames } from '../../use-fish-names';
import { shownWay, targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import { ExposureChart } from './exposure-chart';
import panel from '../../../ui/panel.module.css';

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

const atTheStand = (p: Posture) =>
  ({
    stand: 'Stand still there.',
    crouch: 'Crouch there.',
    kneel: 'Kneel there.',
    crawl: 'Lie low there.',
  })[p];
