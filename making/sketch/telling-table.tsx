'use client';

import type { Sketch } from '../../core/water/index';
import { formatDepth, formatSpeed, paceWord, type UnitSystem } from '../../core/units/index';
import { Button } from '../../ui/button';
import { Disclosure } from '../../ui/disclosure';
import { PlainTable } from '../../ui/plain-table';
import panel from '../../ui/panel.module.css';
import css from '../making.module.css';
import { disagreementText } from './sketch-words';
import type { Compared } from './use-compared';

/** Each piece as told and as solved; the pieces that disagree are named first, the worst one first. */
export function TellingTable({
  sketch,
  compared,
  units,
  onChoose,
}: {
  sketch: Sketch;
  compared: Compared;
  units: UnitSystem;
  onChoose: (id: string) => void;
}) {
  if (compared.state === 'solving')
    return <p className={panel.second}>Solving the water, to lay it beside what was told…</p>;
  if (compared.state === 'failed')
    return (
      <p role="alert" className={panel.problem}>
        The water could not be solved for comparison: {compared.message}
      </p>
    );
  const { pieces } = compared;
  const off = pieces.flatMap((t) => {
    const text = disagreementText(sketch, t, units);
    return text ? [{ id: t.pieceId, text }] : [];
  });
  return (
    <div className={css.telling}>
      <p role="status">
        {off.length === 0
          ? 'Solved, the water is what was told.'
          : `Solved, the water differs from what was told in ${off.length} of ${pieces.length} pieces.`}
      </p>
      {off.map(({ id, text }) => (
        <p key={id} className={css.contradiction}>
          <strong>{text.lead}</strong> {text.needs}{' '}
          <Button voice="plain" onClick={() => onChoose(id)}>
            Open it
          </Button>
        </p>
      ))}
      <Disclosure title="Told and solved, piece by piece">
        <PlainTable>
          <thead>
            <tr>
              <th scope="col">Piece</th>
              <th scope="col">told</th>
              <th scope="col">solved</th>
            </tr>
          </thead>
          <tbody>
            {sketch.pieces.map((piece, i) => {
              const t = pieces.find((p) => p.pieceId === piece.id);
              if (!t) return null;
              const said = (deepestM: number, mps: number) =>
                `${formatDepth(deepestM, units)}, ${paceWord(mps)} ${formatSpeed(mps, units)}`;
              return (
                <tr key={piece.id}>
                  <th scope="row">
                    {i + 1} {piece.kind}
                  </th>
                  <td>
                    {said(t.told.deepestM, t.told.surfaceSpeedMps)}
                    {piece.assumed?.length ? ' (not told)' : ''}
                  </td>
                  <td>
                    {t.solved
                      ? `${said(t.solved.deepestM, t.solved.surfaceSpeedMps)}, ${t.solved.kind}`
                      : 'dry'}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </PlainTable>
      </Disclosure>
    </div>
  );
}
