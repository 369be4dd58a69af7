'use client';

import { useState } from 'react';
import type { Rung } from '../../../core/sink/index';
import { formatDepth } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { PlainTable } from '../../../ui/plain-table';
import { refusalWords, rungWords } from '../../../words/rig-words';
import { useActions, usePart } from '../../context';
import { valueOf } from '../../state/answer';
import { createBenchActions } from './bench-actions';
import css from './bench.module.css';
import panel from '../../../ui/panel.module.css';

/** Not getting down, or hanging up: what helps, in order, each with its number here. */
export function LadderTable() {
  const told = usePart((s) => valueOf(s, 'bench'));
  const units = usePart((s) => s.settings.units);
  const bench = useActions(createBenchActions);
  const [said, setSaid] = useState<string | null>(null);
  if (!told || 'kind' in told.answer || !told.answer.sunk) return null;
  const { down, up, sunk } = told.answer;
  const rungs = down.length > 0 ? down : up;
  if (rungs.length === 0)
    return (
      <section aria-label="To get it down">
        <h3>It is where it should be</h3>
        <p>
          {formatDepth(sunk.depthM, units)} down as it passes; {formatDepth(sunk.wantedM, units)} is
          wanted.
        </p>
      </section>
    );
  const apply = (rung: Rung) => {
    const refused = bench.applyRung(rung);
    setSaid(refused && refusalWords(refused, units));
  };
  return (
    <section aria-label={down.length > 0 ? 'To get it down' : 'To keep it off the bed'}>
      <h3>{down.length > 0 ? 'To get it down, in this order' : 'Too deep: in this order'}</h3>
      <PlainTable className={css.ladder}>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">By how much</th>
            <th scope="col">Then it is</th>
            <th scope="col">What it costs</th>
            <th scope="col">
              <span className={panel.second}>Do it</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rungs.map((rung, i) => {
            const [what, number, costs] = rungWords(rung, units);
            return (
              <tr key={rung.kind}>
                <th scope="row">
                  <strong>{i + 1}</strong> {what}
                  <small>{costs}</small>
                </th>
                <td>
                  <strong>{number}</strong>
                </td>
                <td>
                  {formatDepth(rung.depthM, units)}
                  {rung.enough ? '' : ', not enough'}
                </td>
                <td>{costs}</td>
                <td>
                  <Button aria-label={`${what}: do it`} onClick={() => apply(rung)}>
                    Do it
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </PlainTable>
      {said && (
        <p role="alert" className={panel.problem}>
          {said}
        </p>
      )}
    </section>
  );
}
