'use client';

import { useState } from 'react';
import { CHANCE } from '../core/chance/index';
import type { Try } from '../core/log/index';
import {
  FOODS,
  RISE_FORMS,
  SIZES_MM,
  whatTheyTake,
  WINGS,
  type Food,
  type RiseForm,
  type Wings,
} from '../core/moves/index';
import { readRises } from '../core/sight/index';
import { civilHour } from '../core/units/index';
import { bankClockMs } from '../sync/page-bank';
import { Button } from '../ui/button';
import { FOOD_WORDS, FORM_WORDS, lengthWords, sizeWords, WING_WORDS } from '../words/taking-words';
import { Chips } from './chips';
import { heatNow } from './heat-now';
import type { OutingShared } from './shared';
import { goTo } from './use-bank';
import css from './outing.module.css';

const SHOWN = 4;

/** What they are taking: odds from what is seen, heard in taps; and what to show first. */
export function TakingView({ attempt, ...shared }: OutingShared & { attempt: Try | undefined }) {
  const { view, now, outing, actions } = shared;
  const units = view.bank?.settings.units ?? 'metric';
  const [form, setForm] = useState<RiseForm | null>(null);
  const [taps, setTaps] = useState<number[]>([]);
  const [untouched, setUntouched] = useState<Food | null>(null);
  const [lengthMm, setLengthMm] = useState<(typeof SIZES_MM)[number] | null>(null);
  const [wings, setWings] = useState<Wings | null>(null);
  const { tempC } = heatNow(view, outing);
  // One fish: where its rings show is not told here.
  const [riser] = readRises(taps.map((atMs, seq) => ({ seq, atMs, xM: 0, yM: 0 }))).risers;
  const everyS = riser?.intervalS ?? null;
  const hour = civilHour(now, outing?.timeZone);
  const odds = whatTheyTake({
    everyS,
    regular: everyS === null ? null : riser!.regular,
    form,
    untouched,
    hour,
    waterTempC: tempC,
    caught: lengthMm !== null && wings !== null ? { lengthMm, wings } : null,
  });
  const fly = attempt?.snapshot.cast?.rig.fly;
  const first = `${FOOD_WORDS[odds.first.food]}, ${sizeWords(odds.first.mm, units)}`;
  return (
    <main className={css.page}>
      <header className={css.tryHead}>
        <h1>What are they taking?</h1>
        <a href={attempt ? `#/try/${attempt.id}` : '#/now'}>Back</a>
      </header>
      <section className={css.taking} aria-live="polite">
        <h2>Show first: {first}.</h2>
        <p>
          {odds.isOpen ? 'Nothing stands out yet: say what more you see. ' : ''}
          {odds.caughtIs
            ? `In the hand: ${odds.caughtIs.map((f) => FOOD_WORDS[f]).join(' or ')}. `
            : ''}
          {fly ? `The fly on now is taken as ${lengthWords(CHANCE.flyMm[fly], units)}.` : ''}
        </p>
        <table className={css.pays}>
          <caption>Odds in 100, our guess</caption>
          <tbody>
            {odds.foods.slice(0, SHOWN).map((f) => (
              <tr key={f.food}>
                <th scope="row">{FOOD_WORDS[f.food]}</th>
                <td aria-hidden="true">
                  <span style={{ width: `${(100 * f.chance) / odds.foods[0]!.chance}%` }} />
                </td>
                <td>{Math.round(100 * f.chance)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {attempt && (
          <Button
            onClick={() => {
              void actions.press(attempt.id, 'change', { changed: 'fly', fly: first });
              goTo(`try/${attempt.id}`);
            }}
          >
            It is on: go on with it
          </Button>
        )}
      </section>
      <Chips
        label="How it rises"
        all={RISE_FORMS}
        words={(f) => FORM_WORDS[f]}
        is={form}
        onPick={(f) => setForm(f === form ? null : f)}
      />
      <div className={css.laid}>
        <Button onClick={() => setTaps([...taps, bankClockMs()])}>Tap at each rise</Button>
        {taps.length > 0 && (
          <Button voice="plain" onClick={() => setTaps([])}>
            Begin again
          </Button>
        )}
        <p role="status">
          {everyS !== null
            ? `Every ${Math.round(everyS)} s, ${riser!.regular ? 'regular' : 'not regular'}.`
            : taps.length > 0
              ? `${taps.length} of ${LEAST_TAPS} taps.`
              : ''}
        </p>
      </div>
      <Chips
        label="Drifts by untouched"
        all={FOODS}
        words={(f) => FOOD_WORDS[f]}
        is={untouched}
        onPick={(f) => setUntouched(f === untouched ? null : f)}
      />
      <Chips
        label="Caught one: how long"
        all={SIZES_MM}
        words={(mm) => lengthWords(mm, units)}
        is={lengthMm}
        onPick={(mm) => setLengthMm(mm === lengthMm ? null : mm)}
      />
      <Chips
        label="Its wings at rest"
        all={WINGS}
        words={(w) => WING_WORDS[w]}
        is={wings}
        onPick={(w) => setWings(w === wings ? null : w)}
      />
    </main>
  );
}
const LEAST_TAPS = 3;
