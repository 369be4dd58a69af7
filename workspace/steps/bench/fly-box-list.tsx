'use client';

import { useState } from 'react';
import {
  fallSpeedMps,
  flyMassMg,
  flyShape,
  FLY_SORTS,
  RIG_LIMITS,
  type Fly,
  type FlySort,
} from '../../../core/rig/index';
import { formatSpeed, parseFigure } from '../../../core/units/index';
import { clientId } from '../../../sync/client-id';
import { Button } from '../../../ui/button';
import { FigureField } from '../../../ui/figure-field';
import { Select } from '../../../ui/select';
import { flyWords } from '../../../words/rig-words';
import { useActions, usePart } from '../../context';
import { createBenchActions } from './bench-actions';
import panel from '../../../ui/panel.module.css';
import css from './bench.module.css';

/** Every kind of fly with what is left of it; a new kind is added below. */
export function FlyBoxList() {
  const box = usePart((s) => s.settings.tackle.box);
  const units = usePart((s) => s.settings.units);
  const bench = useActions(createBenchActions);
  return (
    <>
      {box.every((f) => f.left === 0) && <p role="status">The box is empty: say what is left.</p>}
      <ul className={css.box}>
        {box.map((f) => (
          <li key={f.id}>
            <span>
              {flyWords(f)}
              <small>
                {flyMassMg(f).toFixed(0)} mg
                {f.bead
                  ? `, falls ${formatSpeed(fallSpeedMps(flyShape(f, 'sinking')), units)} by itself`
                  : ''}
              </small>
            </span>
            <Button
              aria-label={`One ${flyWords(f)} fewer`}
              disabled={f.left === 0}
              onClick={() => bench.setLeft(f.id, f.left - 1)}
            >
              −
            </Button>
            <strong>{f.left}</strong>
            <Button
              aria-label={`One ${flyWords(f)} more`}
              onClick={() => bench.setLeft(f.id, f.left + 1)}
            >
              +
            </Button>
          </li>
        ))}
      </ul>
      <NewFly onKeep={bench.addFly} />
    </>
  );
}

const PLAIN: Fly = {
  id: '',
  name: 'Nymph',
  sort: 'nymph',
  hookSize: 14,
  bead: { mm: 2.5, of: 'tungsten' },
  extraMg: 0,
  dress: 'ordinary',
  colour: 'olive',
  left: 3,
};

function NewFly({ onKeep }: { onKeep: (fly: Fly) => void }) {
  const [fly, setFly] = useState(PLAIN);
  const [said, setSaid] = useState('');
  return (
    <div className={panel.fields}>
      <label className={panel.stack}>
        Kind
        <Select
          value={fly.sort}
          onChange={(e) => {
            const sort = e.target.value as FlySort;
            const sinks = sort === 'nymph' || sort === 'streamer';
            setFly({
              ...fly,
              sort,
              name: sort[0]!.toUpperCase() + sort.slice(1),
              bead: sinks ? PLAIN.bead : null,
            });
          }}
        >
          {FLY_SORTS.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </Select>
      </label>
      <FigureField
        id="new-hook"
        label="Hook"
        unit="size"
        value={String(fly.hookSize)}
        parse={(t) => parseFigure(t, { what: 'Hook', unit: '', min: 2, max: 24 })}
        onKeep={(hookSize) => setFly({ ...fly, hookSize: Math.round(hookSize) })}
      />
      {fly.bead && (
        <FigureField
          id="new-bead"
          label="Bead, tungsten"
          unit="mm"
          value={fly.bead.mm.toFixed(1)}
          parse={(t) => parseFigure(t, { what: 'The bead', unit: 'mm', ...RIG_LIMITS.bead })}
          onKeep={(mm) => setFly({ ...fly, bead: { mm, of: 'tungsten' } })}
        />
      )}
      <Button
        onClick={() => {
          onKeep({ ...fly, id: `fly-${clientId()}` });
          setSaid(`${flyWords(fly)}: in the box.`);
        }}
      >
        Put it in the box
      </Button>
      <p role="status">{said}</p>
    </div>
  );
}
