import type { EventCode } from '../core/log/index';
import css from './outing.module.css';

const FISH = 'M26,0Q14,-9 -12,-4L-24,-11L-19,0L-24,11L-12,4Q14,9 26,0Z';

/** Line and fly in rust, the fish in blue: what a press means, before it is read. */
const SHAPES: Partial<Record<EventCode, { fish?: string; line?: string; fly?: [number, number] }>> =
  {
    cast: { line: 'M-44,-14H44', fly: [-34, -14] },
    look: { line: 'M-44,-14H44', fly: [16, -14], fish: 'translate(-8,6) rotate(-14)' },
    refusal: { line: 'M-44,-14H44', fly: [10, -14], fish: 'translate(-10,4) rotate(-38)' },
    hook: { line: 'M18,-4L44,-20', fish: 'translate(-8,4) rotate(-20)' },
    miss: { line: 'M22,-14H44', fly: [22, -14], fish: 'translate(-12,4) rotate(-20)' },
    spook: { fish: 'translate(14,0) rotate(180)' },
    landing: { fish: 'translate(0,0)' },
    loss: { line: 'M24,-14L44,-20', fish: 'translate(-14,4) rotate(160)' },
  };

export function EventShape({ code }: { code: EventCode }) {
  const shape = SHAPES[code];
  if (!shape) return null;
  return (
    <svg viewBox="-50 -24 100 44" className={css.shape} aria-hidden="true">
      {shape.line && <path className={css.shapeLine} d={shape.line} />}
      {shape.fish && <path className={css.fish} d={FISH} transform={shape.fish} />}
      {shape.fly && <circle className={css.shapeFly} cx={shape.fly[0]} cy={shape.fly[1]} r={4} />}
      {code === 'spook' && <path className={css.shapeWake} d="M-46,-10h18M-46,0h22M-46,10h18" />}
    </svg>
  );
}
