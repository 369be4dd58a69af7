'use client';

import {
  FACTORS,
  LEAST,
  type FactorName,
  type HomeBin,
  type Learned,
} from '../../../core/learn/index';
import { useSize } from '../../../drawing/use-size';
import { PlainTable } from '../../../ui/plain-table';
import { inHundred } from '../../../words/names';
import { factorName, groupName, LOSS_WORDS, MISS_WORDS } from '../../../words/learn-words';
import { usePart } from '../../context';
import { endsOf } from './learn-panel';
import css from './learn.module.css';

const HOME_PX = 250;

/** The pictures of Learn on a desk: each with its figures beside it. */
export function LearnView() {
  const [ref, size] = useSize<HTMLDivElement>();
  const learned = usePart((s) => s.learned);
  const shown = usePart((s) => s.learnShown);
  return (
    <div ref={ref} className={css.learn}>
      {!learned ? (
        <p className={css.waiting}>Counting the tries.</p>
      ) : (
        <>
          <section aria-label="Rated and held">
            <h2>Did the place hold a fish as often as it was rated?</h2>
            <p>{learned.home.all.found.n} places in which nobody had seen one before</p>
            <Homes bins={learned.home.bins} width={size.width} dark={shown === 'home'} />
          </section>
          <section aria-label="Takes for each look">
            <h2>Takes for each look</h2>
            <p>
              A look: the fish looked, turned away, missed or took. Grey: where the truth lies, 95
              times in 100.
            </p>
            <div className={css.factors}>
              {FACTORS.map((f) => (
                <Factor key={f} factor={f} learned={learned} dark={shown === f} />
              ))}
            </div>
          </section>
          <section aria-label="Missed and lost">
            <h2>Why they were missed, and lost</h2>
            <div className={css.factors}>
              <Bars
                rows={learned.misses.map((m) => ({ name: MISS_WORDS[m.cause], ...m.share }))}
                none="No cause of a miss was pressed."
                dark={shown === 'misses'}
              />
              <Bars
                rows={learned.losses.map((m) => ({ name: LOSS_WORDS[m.cause], ...m.share }))}
                none="No fish was lost of which the cause was said."
                dark={shown === 'misses'}
              />
            </div>
          </section>
        </>
      )}
    </div>
  );
}

/** What was said along, what was found up: a bar of 95 in 100 for each tenth. */
function Homes({ bins, width, dark }: { bins: readonly HomeBin[]; width: number; dark: boolean }) {
  if (bins.length === 0) return <p className={css.none}>Too few: no such place was worked yet.</p>;
  const left = 70;
  const x = (p: number) => left + p * (Math.max(320, width) - left - 30);
  const y = (p: number) => 14 + (1 - p) * (HOME_PX - 64);
  return (
    <svg
      width={Math.max(320, width)}
      height={HOME_PX}
      role="img"
      aria-label="Places by what was said of them, and how many showed a fish"
      data-dark={dark}
      className={css.homes}
    >
      {[0, 0.2, 0.4, 0.6, 0.8, 1].map((p) => (
        <g key={p}>
          <path d={`M${left},${y(p)}H${x(1)}`} className={css.line} />
          <text x={left - 8} y={y(p) + 4.5} textAnchor="end" className={css.word}>
            {p === 0 ? 'none' : p === 1 ? 'always' : `${10 * p} in 10`}
          </text>
        </g>
      ))}
      {bins.map((b) => {
        const at = x((b.tenth + 0.5) / 10);
        const few = b.found.n < LEAST.places;
        return (
          <g key={b.tenth} data-few={few}>
            <rect
              x={at - 6}
              y={y(b.found.high)}
              width={12}
              height={Math.max(1, y(b.found.low) - y(b.found.high))}
              className={few ? css.few : css.band}
            />
            <path d={`M${at - 10},${y(b.found.best)}h20`} className={css.best} />
            {/* What was to be expected of them, as said then. */}
            <path d={`M${at - 14},${y(b.expected)}h28`} className={css.said} />
            <text x={at} y={HOME_PX - 28} textAnchor="middle" className={css.word}>
              {10 * b.tenth}s
            </text>
            <text x={at} y={HOME_PX - 10} textAnchor="middle" className={css.word}>
              {b.found.k} of {b.found.n}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function Factor({
  factor,
  learned,
  dark,
}: {
  factor: FactorName;
  learned: Learned;
  dark: boolean;
}) {
  const units = usePart((s) => s.settings.units);
  const told = learned.factors.find((f) => f.factor === factor)!;
  const rows = told.groups
    .filter((g) => g.takes.n > 0)
    .map((g) => ({
      ...g.takes,
      name: groupName(factor, g.name, endsOf(factor), units),
      few: g.verdict === 'too few',
    }));
  return (
    <Bars
      title={factorName(factor)}
      rows={rows}
      none="None was told."
      dark={dark}
      mean={told.mean}
    />
  );
}

interface Row {
  name: string;
  k: number;
  n: number;
  best: number;
  low: number;
  high: number;
  few?: boolean;
}

const BAR = { width: 150, height: 16 } as const;

/** Shares of a few groups, each with its interval; the mean of all dotted. */
function Bars({
  title,
  rows,
  none,
  dark,
  mean,
}: {
  title?: string;
  rows: readonly Row[];
  none: string;
  dark: boolean;
  mean?: number;
}) {
  const x = (p: number) => 4 + p * (BAR.width - 8);
  return (
    <div className={css.factor} data-dark={dark}>
      {title && <h3>{title}</h3>}
      {rows.length === 0 ? (
        <p className={css.none}>{none}</p>
      ) : (
        <PlainTable voice="small">
          <tbody>
            {rows.map((r) => (
              <tr key={r.name}>
                <th scope="row">{r.name}</th>
                <td>
                  {r.few ? (
                    <em>too few</em>
                  ) : (
                    <svg
                      width={BAR.width}
                      height={BAR.height}
                      role="img"
                      aria-label={`${inHundred(r.best)}, ${Math.round(100 * r.low)} to ${Math.round(100 * r.high)}`}
                    >
                      <path d={`M${x(0)},8H${x(1)}`} className={css.line} />
                      <rect
                        x={x(r.low)}
                        y={3}
                        width={Math.max(2, x(r.high) - x(r.low))}
                        height={10}
                        className={css.band}
                      />
                      {mean !== undefined && <path d={`M${x(mean)},0v16`} className={css.mean} />}
                      <path d={`M${x(r.best)},1v14`} className={css.best} />
                    </svg>
                  )}
                </td>
                <td>
                  {r.k} of {r.n}
                </td>
              </tr>
            ))}
          </tbody>
        </PlainTable>
      )}
    </div>
  );
}
