'use client';

import { formatDepth, type UnitSystem } from '@/core/units/index';
import { momentWords } from '@/words/dates';
import { lieName } from '@/words/names';
import type { KeptRead } from '@/core/log/index';
import { Button } from '@/ui/button';
import { ButtonLink } from '@/ui/button-link';
import { Select } from '@/ui/select';
import css from './read.module.css';
import panel from '../../ui/panel.module.css';

/** What was kept, newest first; each can be pinned to a beat, and placed there on its plan. */
export function KeptReads({
  reads,
  beats,
  units,
  onPin,
  onDrop,
}: {
  reads: readonly KeptRead[];
  beats: readonly { id: string; name: string }[];
  units: UnitSystem;
  onPin: (read: KeptRead, beatId: string | null) => void;
  onDrop: (read: KeptRead) => void;
}) {
  if (reads.length === 0) return null;
  return (
    <section className={css.kept} aria-label="Kept reads">
      <h2>Kept</h2>
      <ul>
        {reads.map((r) => (
          <li key={r.id}>
            <p>
              <strong>{r.result.rating}</strong> {lieName(r.result.kind)},{' '}
              {formatDepth(r.answers.depthM, units)}
              {r.note && `: ${r.note}`}
              <br />
              <span className={panel.second}>{momentWords(r.takenMs, r.zoneOffsetMin)}</span>
            </p>
            <label>
              On{' '}
              <Select
                aria-label="Beat of this read"
                value={r.beatId ?? ''}
                onChange={(e) => onPin(r, e.target.value === '' ? null : e.target.value)}
              >
                <option value="">no beat yet</option>
                {beats.map((b) => (
                  <option key={b.id} value={b.id}>
                    {b.name}
                  </option>
                ))}
              </Select>
            </label>
            {r.beatId && (
              <ButtonLink voice="plain" href={`/b/${r.beatId}/read?pin=${r.id}`} prefetch={false}>
                {r.xM === null ? 'Place it on the plan' : 'Show it on the plan'}
              </ButtonLink>
            )}
            <Button voice="plain" onClick={() => onDrop(r)}>
              Throw it away
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
