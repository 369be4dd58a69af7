import { featuresOf, shapePlaces, type BeatPlan } from '@/core/formats/index';

/** A beat's banks and rocks, small: to know it again. */
export function BeatSketch({ plan }: { plan: BeatPlan }) {
  const banks = featuresOf(plan, 'bank').flatMap((b) => shapePlaces(b.shape));
  const ys = banks.map((p) => p.yM);
  const [low, high] = [Math.min(...ys) - 1, Math.max(...ys) + 1];
  const side = (s: 'left' | 'right') =>
    featuresOf(plan, 'bank')
      .filter((b) => b.side === s)
      .flatMap((b) => shapePlaces(b.shape))
      .sort((a, b) => a.xM - b.xM)
      .map((p) => `${p.xM.toFixed(2)},${(high - p.yM).toFixed(2)}`);
  const ring = [...side('left'), ...side('right').reverse()].join(' ');
  return (
    <svg viewBox={`0 0 ${plan.lengthM} ${high - low}`} aria-hidden="true">
      <polygon points={ring} fill="var(--wet)" stroke="var(--shore)" strokeWidth={0.06} />
      {featuresOf(plan, 'boulder').map((b, i) => {
        const p = shapePlaces(b.shape)[0]!;
        return (
          <circle
            key={i}
            cx={p.xM}
            cy={high - p.yM}
            r={b.diameterM / 2}
            fill="var(--rock)"
            stroke="var(--rockline)"
            strokeWidth={0.05}
          />
        );
      })}
    </svg>
  );
}
