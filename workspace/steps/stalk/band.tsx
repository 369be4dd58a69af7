import panel from '../../../ui/panel.module.css';
/** What the inspector has beside a scroll bar. */
const WIDTH_PX = 272;

/** A figure with what is not known about it: grey band, tick at the best value, both ends in words. */
export function Band({
  low,
  best,
  high,
  to,
  words,
}: {
  low: number;
  best: number;
  high: number;
  to: number;
  words: [string, string];
}) {
  const x = (v: number) => WIDTH_PX * Math.min(1, Math.max(0, v / to));
  return (
    <div>
      <svg width={WIDTH_PX} height="16" viewBox={`0 0 ${WIDTH_PX} 16`} aria-hidden="true">
        <rect
          x={x(low)}
          y={3}
          width={Math.max(2, x(high) - x(low))}
          height={10}
          fill="var(--rule)"
        />
        <path d={`M0,8H${WIDTH_PX}`} stroke="var(--rule2)" strokeWidth={1} />
        <path d={`M${x(best)},2v12`} stroke="var(--ink)" strokeWidth={2.4} />
      </svg>
      <span className={panel.second}>
        {words[0] === words[1] ? 'as far as can be told' : `between ${words[0]} and ${words[1]}`}
      </span>
    </div>
  );
}
