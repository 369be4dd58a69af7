'use client';

import { useState } from 'react';
import type { Try } from '../core/log/index';
import { changeOrStay, SIDES_BY, sidesOf, type SidesBy } from '../core/moves/index';
import { Button } from '../ui/button';
import { BY_WORDS, perHundred, sideName, verdictWords } from '../words/sides-words';
import css from './outing.module.css';

/** Two rigs, flies or phones of the day: which takes more, how surely, and how long until that is known. */
export function ChangeOrStay({ tries }: { tries: readonly Try[] }) {
  const [by, setBy] = useState<SidesBy>('rig');
  const sides = sidesOf(tries, by);
  const two = sides.length >= 2 ? ([sides[0]!, sides[1]!] as const) : null;
  const answer = two && changeOrStay(two);
  const names = two?.map((s, i) => sideName(s.name, by, i));
  return (
    <section className={css.taking}>
      <h2>Change or stay</h2>
      <div className={css.cells} role="group" aria-label="Told apart by">
        {SIDES_BY.map((b) => (
          <Button voice="bare" key={b} aria-pressed={b === by} onClick={() => setBy(b)}>
            {BY_WORDS[b]}
          </Button>
        ))}
      </div>
      {!answer || !two || !names ? (
        <p>
          Only one of them was fished so far today: fish two, and they are held against one another
          here.
        </p>
      ) : (
        <>
          <p aria-live="polite">
            <strong>{verdictWords(answer, names)}</strong>
          </p>
          <table className={css.pays}>
            <caption>Takes in 100 clean drifts, weighed by the lies they met</caption>
            <tbody>
              {two.map((s, i) => (
                <tr key={s.name}>
                  <th scope="row">{names[i]}</th>
                  <td>
                    {s.takes} in {s.drifts.toFixed(0)}
                  </td>
                  <td className={css.wide}>{perHundred(answer.rates[i]!)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  );
}
