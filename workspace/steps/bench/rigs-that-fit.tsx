'use client';

import { useMemo } from 'react';
import {
  findRig,
  forStained,
  rigFrom,
  rigsFor,
  rodFor,
  type RigFit,
} from '../../../core/rig/index';
import { flowShareOf, rigWaterOf } from '../../../core/sink/index';
import { formatLength } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { fitWords } from '../../../words/rig-words';
import { useActions, usePart, useWorkspace } from '../../context';
import { valueOf } from '../../state/answer';
import { rigOf, tempOf } from '../../state/selectors';
import { createBenchActions } from './bench-actions';
import panel from '../../../ui/panel.module.css';
import css from './bench.module.css';

const SHOWN = 5;
/** From here on water is stained, and flies are seen late and near (our guess). */
const STAINED_NTU = 8;
const SMALL_CM = 20;
/** Rigs for this beat today, each with what chose it; the angler's own; and the two that are ready. */
export function RigsThatFit() {
  const { beat } = useWorkspace();
  const bench = useActions(createBenchActions);
  const units = usePart((s) => s.settings.units);
  const tackle = usePart((s) => s.settings.tackle);
  const now = usePart(rigOf);
  const flow = usePart((s) => s.flow);
  const level = usePart((s) => s.level);
  const turbidityNtu = usePart((s) => s.settings.turbidityNtu);
  const windMps = usePart((s) => s.settings.windMps);
  const tempC = usePart(tempOf);
  const smallChar = usePart(
    (s) => s.settings.species === 'brook' && s.settings.fishLengthCm < SMALL_CM,
  );
  const rising = usePart((s) => s.marks.filter((m) => m.behaviour === 'rising').length > 1);
  const pockets = usePart((s) => {
    const lies = valueOf(s, 'lies')?.lies ?? [];
    return lies.length === 0 ? 0 : lies.filter((l) => l.kind === 'pocket').length / lies.length;
  });
  const water = useMemo(
    () =>
      flow &&
      rigWaterOf(beat.plan, flow, {
        pockets,
        turbidityNtu,
        tempC,
        windMps,
        flowShare: flowShareOf(beat.plan, level),
        smallChar,
        rising,
      }),
    [beat, flow, pockets, turbidityNtu, tempC, windMps, level, smallChar, rising],
  );
  if (!water) return null;
  const fits = rigsFor(water).slice(0, SHOWN);
  const rod = rodFor(water.widthM, now.kind, windMps);
  const row = (id: string, name: string, why: string) => (
    <li key={id}>
      <Button
        voice="bare"
        className={css.fit}
        aria-pressed={now.id === id}
        onClick={() => bench.choose(id)}
      >
        <strong>{name}</strong>
        <small>{why}</small>
      </Button>
    </li>
  );
  const readyName = (i: 0 | 1) => findRig(tackle, tackle.ready[i])?.name ?? 'none';
  return (
    <section>
      <h3>Rigs that fit here</h3>
      <ul className={css.fits}>
        {fits.map((f: RigFit) => row(f.id, rigFrom(f.id).name, fitWords(f, units)))}
        {tackle.rigs.map((r) => row(r.id, r.name, 'Your own.'))}
      </ul>
      {turbidityNtu >= STAINED_NTU && (
        <Button onClick={() => bench.change(forStained(now))}>
          Stained: the same, two X heavier
        </Button>
      )}
      <p className={panel.second}>
        A rod for water {formatLength(water.widthM, units)} wide:{' '}
        {rod.lineWeight === null ? 'no line' : `${rod.lineWeight} weight`},{' '}
        {formatLength(rod.lengthsM[0], units)} to {formatLength(rod.lengthsM[1], units)}.
      </p>
      <h3>Two rods ready</h3>
      <p>
        In the hand: <strong>{readyName(0)}</strong>. The other: <strong>{readyName(1)}</strong>.
      </p>
      <div className={panel.row}>
        <Button onClick={() => bench.makeReady(0, now.id)}>This in the hand</Button>
        <Button onClick={() => bench.makeReady(1, now.id)}>This on the other</Button>
      </div>
      <p className={panel.second}>{passWords(fits)}</p>
    </section>
  );
}

/** Which two for this beat today, and in which order they go through a place. */
function passWords(fits: readonly RigFit[]): string {
  const [first, ...rest] = fits.map((f) => rigFrom(f.id));
  if (!first) return '';
  const isHigh = (kind: string) => kind === 'dry' || kind === 'two-dries' || kind === 'dry-dropper';
  const other = rest.find((r) => isHigh(r.kind) !== isHigh(first.kind)) ?? rest[0];
  if (!other) return `For this beat today: ${first.name}.`;
  const [high, low] = isHigh(first.kind) ? [first, other] : [other, first];
  return `For this beat today: ${first.name} and ${other.name}. High first, then low: ${high.name}, then ${low.name}; others begin low where no fish shows, since it stirs fewer. Dusk light or a rise turns it about.`;
}
