'use client';

import { atHour, civilHour, clockText, convert, parseFigure } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { FigureField } from '../../../ui/figure-field';
import { useActions, usePart, useWorkspace } from '../../context';
import { atClock, HOURS } from '../../state/hours';
import { samePlace } from '../../state/match';
import { hindranceText, inTen, lookoutLetter } from '../../../words/words';
import { inHundred } from '../../../words/names';
import { PostureChoice } from '../../parts/posture-choice';
import { targetOf } from '../../state/selectors';
import { isStale, valueOf } from '../../state/answer';
import { createMarkActions } from '../../records/mark-actions';
import { createPlanActions } from '../../plan-actions';
import panel from '../../../ui/panel.module.css';
import css from './spot.module.css';

/** A later hour must show this much more of the fish to be worth the wait. */
const WORTH_WAITING = 0.15;

/** Where to look from, and when; what stands in the way. */
export function LookoutPanel() {
  const { beat } = useWorkspace();
  const marking = useActions(createMarkActions);
  const zone = beat.plan.timeZone;
  const lookouts = usePart((s) => valueOf(s, 'lookouts'));
  const stale = usePart((s) => isStale(s, 'lookouts'));
  const target = usePart(targetOf);
  const viewer = usePart((s) => s.viewer);
  const atMs = usePart((s) => s.atMs);
  const hour = civilHour(atMs, zone);
  const clock = (h: number) => clockText(atHour(atMs, HOURS[h]!, zone), zone);
  return (
    <section className={stale ? panel.stale : ''}>
      <h3>Where to look from</h3>
      {!lookouts && <p className={panel.working}>Looking from every place on the banks.</p>}
      {lookouts?.length === 0 && (
        <p>
          {target
            ? 'No place on the banks shows it at any hour: the water is too coloured, too broken or out of sight.'
            : 'No place on the banks shows any of them at any hour.'}
        </p>
      )}
      {lookouts && lookouts.length > 0 && (
        <>
          <p>
            <strong>{adviceText(lookouts[0]!, hour, clock, target !== null)}</strong>
          </p>
          <ul className={panel.changes}>
            {lookouts.map((l, i) => (
              <li key={`${l.xM},${l.yM}`}>
                <Button
                  voice="bare"
                  className={css.lookoutRow}
                  aria-pressed={samePlace(viewer, l)}
                  onClick={() => marking.moveViewer(l)}
                >
                  <strong>{lookoutLetter(i)}</strong> now {inTen(atClock(l.mean, hour))}, best{' '}
                  {inTen(l.mean[l.bestHour]!)} at {clock(l.bestHour)}; seen yourself{' '}
                  {inHundred(l.seen)}
                  {target && l.because[0] && `. ${sentence(hindranceText(l.because[0]))}`}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      <ViewerWords />
      <PostureChoice />
      <Disclosure title="Weather and glasses">
        <WeatherFields />
      </Disclosure>
    </section>
  );
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function adviceText(
  best: { mean: number[]; bestHour: number },
  hour: number,
  clock: (h: number) => string,
  one: boolean,
): string {
  const what = one ? 'it' : 'them';
  const now = atClock(best.mean, hour);
  // Only what is still to come is worth waiting for.
  const later = HOURS.map((h, i) => ({ h, i })).filter(({ h }) => h > hour);
  const top = later.reduce(
    (a, b) => (best.mean[b.i]! > best.mean[a]! ? b.i : a),
    later[0]?.i ?? best.bestHour,
  );
  if (later.length > 0 && best.mean[top]! - now >= WORTH_WAITING) {
    const first = later.find(({ i }) => best.mean[i]! >= best.mean[top]! - 0.05)!;
    return `Wait for the sun: from A, ${inTen(best.mean[first.i]!)} show ${what} at ${clock(first.i)}; now ${inTen(now)}.`;
  }
  return `Look now, from A: ${inTen(now)} show ${what}.`;
}

/** The place the angler has put the viewer, in figures. */
function ViewerWords() {
  const { beat } = useWorkspace();
  const marking = useActions(createMarkActions);
  const viewer = usePart((s) => s.viewer);
  const glare = usePart((s) => valueOf(s, 'glare'));
  const target = usePart(targetOf);
  const hour = usePart((s) => civilHour(s.atMs, beat.plan.timeZone));
  if (!viewer) return null;
  return (
    <>
      {target && glare && (
        <p role="status">
          From where you are:{' '}
          {inTen(
            atClock(
              glare.map((g) => g.share),
              hour,
            ),
          )}{' '}
          show it;{' '}
          {atClock(
            glare.map((g) => g.shade),
            hour,
          ) > 0.5
            ? 'it lies in the shade'
            : 'the sun is on it'}
          .
        </p>
      )}
      <Button onClick={() => marking.moveViewer(null)}>Look from nowhere</Button>
    </>
  );
}

export function WeatherFields() {
  const acting = useActions(createPlanActions);
  const sky = usePart((s) => s.settings.sky);
  const windMps = usePart((s) => s.settings.windMps);
  const polarised = usePart((s) => s.settings.polarised);
  const us = usePart((s) => s.settings.units === 'us');
  return (
    <>
      <Choice
        label="The sky"
        value={sky}
        options={[
          ['clear', 'clear'],
          ['broken', 'broken cloud'],
          ['overcast', 'grey'],
        ]}
        onChange={(s) => acting.changeSettings({ sky: s })}
      />
      <FigureField
        id="wind"
        label="Wind"
        unit={us ? 'mph' : 'm/s'}
        value={(us ? convert.mpsToMph(windMps) : windMps).toFixed(1)}
        parse={(t) =>
          parseFigure(t, { what: 'Wind', unit: us ? 'mph' : 'm/s', min: 0, max: us ? 44 : 20 })
        }
        onKeep={(w) =>
          acting.changeSettings({
            windMps: Math.round((100 * w) / (us ? convert.mpsToMph(1) : 1)) / 100,
          })
        }
      />
      <Choice
        label="Glasses"
        value={polarised ? 'polarised' : 'none'}
        options={[
          ['polarised', 'polarised glasses'],
          ['none', 'none'],
        ]}
        onChange={(g) => acting.changeSettings({ polarised: g === 'polarised' })}
      />
    </>
  );
}
