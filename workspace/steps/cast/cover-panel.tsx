'use client';

import { formatLength, formatSeconds } from '../../../core/units/index';
import type { PoolCover } from '../../../core/cast/index';
import { Button } from '../../../ui/button';
import { useActions, useCalmPart, usePart } from '../../context';
import { inRods, structureName, WATER_NAMES } from '../../../words/cast-words';
import { layName } from '../../../words/lay-names';
import { lookoutLetter } from '../../../words/words';
import { RiseTiming } from '../../parts/rise-timing';
import { rodMOf, targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import { createCastActions } from './cast-actions';
import { riserOf } from './riser-of';
import panel from '../../../ui/panel.module.css';
import { PlainTable } from '../../../ui/plain-table';

/** Where the fly goes first, second and third; the pool in order; timing; when to rest and look again. */
export function CoverPanel() {
  const casting = useActions(createCastActions);
  const study = usePart((s) => valueOf(s, 'castStudy'));
  const asked = usePart((s) => s.poolAsked);
  const pool = usePart((s) => valueOf(s, 'pool'));
  const units = usePart((s) => s.settings.units);
  const rodM = usePart(rodMOf);
  if (!study) return null;
  const [first, second, third] = study.covers;
  return (
    <section>
      <h3>Cover</h3>
      <p>
        {study.structure
          ? `It lies by ${structureName(study.structure)}: come up to it, not over it. `
          : ''}
        First short, {formatLength(first!.distanceM, units)} ({inRods(first!.distanceM, rodM)});
        then {formatLength(second!.moreM!, units)} more, then {formatLength(third!.moreM!, units)}{' '}
        more to where it is drawn.
      </p>
      <Timing />
      <LookAgain />
      <div className={panel.row}>
        <Button aria-pressed={asked} onClick={() => casting.showPool(!asked)}>
          {asked ? 'This fish alone' : 'Cover the whole water'}
        </Button>
      </div>
      {asked && !pool && (
        <p className={panel.working} role="status">
          Laying out the covers.
        </p>
      )}
      {pool && <Pool pool={pool} />}
    </section>
  );
}

function Timing() {
  const rises = usePart((s) => s.rises);
  const target = usePart(targetOf);
  const riser = riserOf({ rises }, target);
  return riser ? <RiseTiming riser={riser} /> : null;
}

/** Common practice: after three clean covers without an answer, step back and see whether it is still there. */
function LookAgain() {
  const lookout = usePart((s) => valueOf(s, 'lookouts')?.[0] ?? null);
  const stand = useCalmPart((s) => s.stand);
  const units = usePart((s) => s.settings.units);
  if (!lookout || !stand)
    return (
      <p className={panel.second}>
        Three clean covers without an answer: step back, and see whether it is still there before
        you change anything.
      </p>
    );
  const off = Math.hypot(lookout.xM - stand.xM, lookout.yM - stand.yM);
  return (
    <p className={panel.second}>
      Three clean covers without an answer: go back to place {lookoutLetter(0)} of Spot,{' '}
      {formatLength(off, units)} from here, and see whether it is still there.
    </p>
  );
}

function Pool({ pool }: { pool: PoolCover[] }) {
  const units = usePart((s) => s.settings.units);
  const rodM = usePart(rodMOf);
  if (pool.length === 0) return <p>No water lies within your reach from here.</p>;
  return (
    <PlainTable voice="small">
      <caption>In this order, numbered on the plan</caption>
      <thead>
        <tr>
          <th scope="col">no.</th>
          <th scope="col">water</th>
          <th scope="col">length</th>
          <th scope="col">lay, clean</th>
        </tr>
      </thead>
      <tbody>
        {pool.map((c, i) => (
          <tr key={i}>
            <td>{i + 1}</td>
            <td>{WATER_NAMES[c.water]}</td>
            <td>
              {formatLength(c.distanceM, units)}, {inRods(c.distanceM, rodM)}
            </td>
            <td>
              {layName(c.lay)}, {formatSeconds(c.cleanS)}
            </td>
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}
