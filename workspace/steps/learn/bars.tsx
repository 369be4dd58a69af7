'use client';

import { PlainTable } from '../../../ui/plain-table';
import { inHundred } from '../../../words/names';
import css from './learn.module.css';

export interface Row {
  name: string;
  k: number;
  n: number;
  best: number;
  low: number;
  high: number;
  few?: boolean;
  /** What was said of it; dotted. */
  said?: number;
}

const BAR = { width: 150, height: 16 } as const;

/** Shares of a few groups, each with its interval; the mean of all, or what was said, dotted. */
export function Bars({
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
                      aria-label={`${inHundred(r.best)}, ${Math.round(100 * r.low)} to ${Math.round(100 * r.high)}${r.said === undefined ? '' : `; ${Math.round(100 * r.said)} was said`}`}
                    >
                      <path d={`M${x(0)},8H${x(1)}`} className={css.line} />
                      <rect
                        x={x(r.low)}
                        y={3}
                        width={Math.max(2, x(r.high) - x(r.low))}
                        height={10}
                        className={css.band}
                      />
                      {(r.said ?? mean) !== undefined && (
                        <path d={`M${x(r.said ?? mean!)},0v16`} className={css.mean} />
                      )}
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
