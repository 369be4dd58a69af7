'use client';

import { formatDepth, formatLength, formatMinutes } from '../../core/units/index';
import type { Posture } from '../../core/sight/index';
import { ALARM } from '../../core/stalk/index';
import { Behind } from '../../ui/parts';
import { usePart } from '../context';
import { numberOfMark, targetOf } from '../state';
import { inHundred, legText, noWayText } from '../words';
import { AtTheStand } from './at-the-stand';
import { Band } from './band';

export function StalkInspector() {
  const target = usePart(targetOf);
  const stalk = usePart((s) => s.stalk);
  const stale = usePart((s) => s.stalkStale);
  const units = usePart((s) => s.settings.units);
  const posture = usePart((s) => s.posture);
  const stand = usePart((s) => s.stand);
  const names = usePart((s) => s.marks.map((m) => `${m.id}=${numberOfMark(s, m.id)}`).join('|'));
  const nameOf = (id: string | null) => {
    const number = names
      .split('|')
      .find((n) => n.startsWith(`${id}=`))
      ?.split('=')[1];
    return number ? `fish ${number}` : 'the fish in the lie';
  };
  const [minutes, minutesUnit] =
    stalk?.kind === 'way' ? formatMinutes(stalk.seconds / 60).split(' ') : [];
  if (!target || !stand) {
    return (
      <section>
        <h2>Get near, unseen</h2>
        <p>Choose a fish or a lie first: on the plan or in the list.</p>
      </section>
    );
  }
  return (
    <section className={stale ? 'stale' : ''}>
      <h2>The way to the stand</h2>
      {stale && (
        <p className="working" role="status">
          Looking for a way.
        </p>
      )}
      {stalk?.kind === 'no way' && (
        <p>
          <strong>{noWayText(stalk)}</strong>
        </p>
      )}
      {stalk?.kind === 'way' && (
        <>
          <p className="large">
            {minutes}
            <small> {minutesUnit}</small>
            <span>
              {formatLength(stalk.lengthM, units)},{' '}
              {stalk.wadedM > 0 ? `${formatLength(stalk.wadedM, units)} of it wading` : 'no wading'}
            </span>
          </p>
          <ol className="legs">
            {stalk.legs.map((leg, i) => (
              <li key={i}>
                {legText(leg, units)}{' '}
                <span className="second">
                  {formatMinutes(leg.seconds / 60)}
                  {leg.worst.exposure > 0.1
                    ? `, seen ${inHundred(leg.worst.exposure)} at worst by ${nameOf(leg.worst.fishId)}`
                    : ', unseen'}
                </span>
              </li>
            ))}
            <li>{atTheStand(posture)}</li>
          </ol>
          {stalk.worst.fishId && stalk.worst.exposure > 0.1 && (
            <p>
              <strong>Worst moment:</strong> {nameOf(stalk.worst.fishId)} notices{' '}
              {inHundred(stalk.worst.exposure)} where the eye is drawn on the plan.
            </p>
          )}
          {stalk.calm.map((c) => (
            <div key={c.fishId}>
              <p className="band-title">
                {nameOf(c.fishId).replace(/^f/, 'F').replace(/^t/, 'T')} still calm:{' '}
                {inHundred(c.best)}
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
          {stalk.wadedM > 0 && (
            <p className="caution">
              Wading to {formatDepth(stalk.deepestM, units)}. No computation makes a crossing safe:
              test each step, leave by the way you came, and turn back when in doubt.
            </p>
          )}
        </>
      )}
      <AtTheStand next="cast" word="Plan the cast" />
      <Behind title="What this rests on">
        <p className="second">
          Standing and kneeling on a half-metre grid, weighed for being seen, wading and distance. A
          fish is still calm with e^(-dose/{ALARM.tauS} s), between {ALARM.tauBandS[0]} and{' '}
          {ALARM.tauBandS[1]} s: our guess, weigh it by your own log. Deep or quick water, rocks,
          bushes and marked hazards are never crossed. Land beyond what was surveyed is taken as
          flat and open.
        </p>
      </Behind>
    </section>
  );
}

const atTheStand = (p: Posture) =>
  ({
    stand: 'Stand still there.',
    crouch: 'Crouch there.',
    kneel: 'Kneel there.',
    crawl: 'Lie low there.',
  })[p];
