'use client';

import { DIRECTIONS } from '../../../core/route/index';
import { formatLength, formatMinutes } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { ProgressBar } from '../../../ui/progress-bar';
import { capital, postureName } from '../../../words/names';
import {
  besideWords,
  DIRECTION_WORDS,
  LEFT_OUT_WORDS,
  noRouteWords,
  stopWordsOf,
} from '../../../words/route-words';
import { useActions, usePart } from '../../context';
import { freshOf } from '../../state/answer';
import { useLieNames } from '../../parts/use-lie-names';
import { createStalkActions } from './stalk-actions';
import panel from '../../../ui/panel.module.css';

const MINUTES = ['none', '30', '60', '120', '240'] as const;
const PAYS = ['1', '2', '3', '4', '6', '8'] as const;

/** Work it: which stands in which order, what each covers and how often, what is left out and why. */
export function WorkPanel() {
  const stalking = useActions(createStalkActions);
  const work = usePart((s) => s.work);
  if (!work)
    return (
      <section>
        <h3>Work the whole beat</h3>
        <Button onClick={() => stalking.workIt({})}>Work out the route</Button>
      </section>
    );
  return (
    <section aria-label="The route">
      <h3>Work the whole beat</h3>
      <Choice
        label="Which way"
        value={work.direction}
        options={DIRECTIONS.map((d) => [d, DIRECTION_WORDS[d]])}
        onChange={(direction) => stalking.workIt({ direction })}
      />
      <p className={panel.second}>Time there is, and what elsewhere pays (takes an hour)</p>
      <Choice
        label="Time there is"
        value={work.minutes === null ? 'none' : String(work.minutes)}
        options={MINUTES.map((m) => [m, m === 'none' ? 'no end' : formatMinutes(Number(m))])}
        onChange={(m) => stalking.workIt({ minutes: m === 'none' ? null : Number(m) })}
      />
      {work.minutes !== null && (
        <Choice
          label="By then"
          value={work.turn ? 'back' : 'there'}
          options={[
            ['there', 'at the last stand'],
            ['back', 'back at the entry'],
          ]}
          onChange={(v) => stalking.workIt({ turn: v === 'back' })}
        />
      )}
      <Choice
        label="Elsewhere pays, takes an hour"
        value={String(work.lambda)}
        options={PAYS.map((p) => [p, p])}
        onChange={(p) => stalking.workIt({ lambda: Number(p) })}
      />
      <RouteTold />
      <p>
        <Button voice="plain" onClick={() => stalking.workIt(null)}>
          Give the route up
        </Button>
      </p>
    </section>
  );
}

function RouteTold() {
  const whole = usePart((s) => freshOf(s, 'route'));
  const sketch = usePart((s) => freshOf(s, 'routeSketch'));
  const failed = usePart((s) => s.answers.route.state === 'failed');
  const progress = usePart((s) => s.workProgress);
  const units = usePart((s) => s.settings.units);
  const nameOf = useLieNames();
  const shown = whole ?? sketch;
  if (failed) return <p role="alert">The route could not be worked out.</p>;
  return (
    <>
      {!whole && (
        <div role="status">
          <p className={panel.working}>
            {sketch ? 'Over the best lies; the whole beat is on its way.' : 'Weighing the stands.'}
          </p>
          <ProgressBar label="The route" share={progress} />
        </div>
      )}
      {shown && shown.result.kind !== 'route' && (
        <p role="alert">{noRouteWords(shown.result.kind)}</p>
      )}
      {shown?.result.kind === 'route' && (
        <>
          <p>
            <strong>
              {shown.result.steps.length} {shown.result.steps.length === 1 ? 'stand' : 'stands'},{' '}
              {formatMinutes(shown.result.minutes)}
            </strong>
            : {shown.result.looks.best.toFixed(1)} fish get an honest look (between{' '}
            {shown.result.looks.low.toFixed(0)} and {shown.result.looks.high.toFixed(0)}).
          </p>
          <ol className={panel.legs}>
            {shown.result.steps.map((step, i) => {
              const stand = shown.stands[step.stand]!;
              return (
                <li key={i}>
                  {capital(postureName(stand.posture).toLowerCase())},{' '}
                  {formatMinutes(step.waySeconds / 60)} on
                  {step.wadedM > 0.5
                    ? `, ${formatLength(step.wadedM, units)} of it wading`
                    : ''}.{' '}
                  <span className={panel.second}>{capital(stopWordsOf(step, nameOf))}</span>
                </li>
              );
            })}
          </ol>
          {shown.result.beside.length > 0 && (
            <p className={panel.second}>{besideWords(shown.result)}</p>
          )}
          {shown.result.leftOut.length > 0 && (
            <Disclosure title={`Left out: ${shown.result.leftOut.length}`}>
              <ul className={panel.inputs}>
                {shown.result.leftOut.map((l) => (
                  <li key={l.id}>
                    {capital(nameOf(l.id))}: {LEFT_OUT_WORDS[l.because]}
                    {l.paysAnHour > 0 ? `, ${l.paysAnHour.toFixed(1)} takes an hour by itself` : ''}
                    {l.costs !== null && l.costs > 0.005
                      ? `; adding it costs ${l.costs.toFixed(2)} takes`
                      : ''}
                    .
                  </li>
                ))}
              </ul>
            </Disclosure>
          )}
          <p className={panel.second}>
            No promise that a crossing is safe: wading is weighed as your limits say.
          </p>
        </>
      )}
    </>
  );
}
