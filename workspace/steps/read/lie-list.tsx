'use client';

import { useMemo } from 'react';
import { formatDepth, formatFishLength } from '../../../core/units/index';
import type { Lie } from '../../../core/lies/index';
import { Button } from '../../../ui/button';
import { DataTable, type TableColumn } from '../../../ui/data-table';
import { Disclosure } from '../../../ui/disclosure';
import { Select } from '../../../ui/select';
import { useActions, usePart } from '../../context';
import { useDepthPattern, useFishedToday } from './depth-pattern';
import { KIND_GROUPS, passes, type LieFilter } from '../../state/lie-filter';
import { lieName } from '../../../words/names';
import { createReadActions } from './read-actions';
import { createPlanActions } from '../../plan-actions';
import css from './read.module.css';
import panel from '../../../ui/panel.module.css';

const GROUP_WORDS: Record<LieFilter['kinds'], string> = {
  all: 'all kinds',
  rocks: 'by rocks',
  current: 'in the current',
  cover: 'under cover',
  deep: 'deep places',
  soft: 'soft water',
};

/** The lies as a list: sorted by any column, filtered as the plan is. */
export function LieList({ lies }: { lies: readonly Lie[] }) {
  const acting = useActions(createPlanActions);
  const reader = useActions(createReadActions);
  const shown = usePart((s) => s.shown);
  const chosen = usePart((s) => s.lieId);
  const units = usePart((s) => s.settings.units);
  const working = usePart((s) => s.settings.methods.working);
  const pattern = useDepthPattern();
  const fished = useFishedToday();
  const list = useMemo(() => lies.filter((l) => passes(shown, l)), [lies, shown]);
  const columns = useMemo<readonly TableColumn<Lie>[]>(
    () => [
      {
        id: 'rating',
        name: 'Rating',
        value: (l) => l.rating,
        largestFirst: true,
        cell: (l) => <strong>{l.rating}</strong>,
      },
      {
        id: 'kind',
        name: 'Kind',
        value: (l) => lieName(l.kind),
        cell: (l) => (
          <Button
            voice="bare"
            data-wide=""
            aria-pressed={l.id === chosen}
            onClick={() => acting.chooseLie(l)}
          >
            {lieName(l.kind)}
            {fished(l) && <span className={panel.fits}> fished today</span>}
            {!fished(l) &&
              pattern?.kind === 'pattern' &&
              pattern.fits(l.depthM, l.meanSpeedMps) >= FITS_FROM && (
                <span className={panel.fits}> fits today</span>
              )}
          </Button>
        ),
      },
      {
        id: 'depth',
        name: 'Depth',
        value: (l) => l.depthM,
        largestFirst: true,
        cell: (l) => formatDepth(l.depthM, units),
      },
      {
        id: 'largest',
        name: 'Keeps to',
        value: (l) => l.largest.keepsCm,
        largestFirst: true,
        cell: (l) =>
          l.largest.keepsCm === null ? 'none' : formatFishLength(l.largest.keepsCm, units),
      },
      { id: 'up-current', name: 'Up-current', value: (l) => l.xM, cell: () => null, hidden: true },
    ],
    [acting, chosen, fished, pattern, units],
  );
  return (
    <>
      <Disclosure title={list.length === lies.length ? 'Show fewer' : 'Fewer are shown'}>
        <div className={css.filters}>
          <label>
            Kind{' '}
            <Select
              value={shown.kinds}
              onChange={(e) => reader.showLies({ kinds: e.target.value as LieFilter['kinds'] })}
            >
              {(['all', ...Object.keys(KIND_GROUPS)] as LieFilter['kinds'][]).map((k) => (
                <option key={k} value={k}>
                  {GROUP_WORDS[k]}
                </option>
              ))}
            </Select>
          </label>
          <label>
            Rating{' '}
            <Select
              value={shown.leastRating}
              onChange={(e) => reader.showLies({ leastRating: Number(e.target.value) })}
            >
              {[0, 20, 35, 50, 70].map((r) => (
                <option key={r} value={r}>
                  {r === 0 ? 'any' : `${r} and up`}
                </option>
              ))}
            </Select>
          </label>
          <label>
            Keeps a fish of{' '}
            <Select
              aria-label="Keeps a fish of"
              value={shown.leastCm}
              onChange={(e) => reader.showLies({ leastCm: Number(e.target.value) })}
            >
              {[0, 25, 30, 35, 40, 45].map((cm) => (
                <option key={cm} value={cm}>
                  {cm === 0 ? 'any length' : formatFishLength(cm, units)}
                </option>
              ))}
            </Select>
          </label>
        </div>
      </Disclosure>
      {list.length === 0 && <p>No lie is left by these choices. Show more kinds or ratings.</p>}
      {list.length > 0 && (
        <div className={css.lieList}>
          <DataTable
            label="Lies"
            columns={columns}
            rows={list}
            rowKey={(l) => l.id}
            sort={{ id: shown.order, desc: shown.desc }}
            onSort={({ id, desc }) => reader.showLies({ order: id as LieFilter['order'], desc })}
            chosen={(l) => l.id === chosen}
          />
        </div>
      )}
      <Button
        voice="plain"
        onClick={() => reader.showLies({ order: 'up-current', desc: working === 'down-current' })}
        aria-pressed={shown.order === 'up-current'}
      >
        In working order, {working}
      </Button>
    </>
  );
}

/** A lie fits the day's pattern from this share of the best chance on. */
const FITS_FROM = 0.6;
