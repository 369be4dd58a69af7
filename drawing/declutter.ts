import { forceCollide, forceSimulation, forceX, forceY, type SimulationNodeDatum } from 'd3-force';

/** A round mark: where it belongs and how large it is, page units. */
export interface Round {
  x: number;
  y: number;
  r: number;
  /** Stays where it is; others make way. */
  fixed?: boolean;
}

/** Free paper kept between two marks, px. */
const BETWEEN_PX = 2;
const STEPS = 60;
/** Pull back to where a mark belongs, each step; collisions are settled more strongly. */
const PULL = 0.12;

/**
 * Moves round marks apart so that none covers another, each as near to its own place as the others
 * let it. Same marks, same answer; marks that touch nothing stay where they are. O(n log n) a step.
 */
export function declutter(marks: readonly Round[]): { x: number; y: number }[] {
  const nodes: (Round & SimulationNodeDatum & { ownX: number; ownY: number })[] = marks.map(
    (m) => ({
      ...m,
      ownX: m.x,
      ownY: m.y,
      ...(m.fixed && { fx: m.x, fy: m.y }),
    }),
  );
  forceSimulation(nodes)
    .force('x', forceX<(typeof nodes)[number]>((n) => n.ownX).strength(PULL))
    .force('y', forceY<(typeof nodes)[number]>((n) => n.ownY).strength(PULL))
    .force(
      'apart',
      forceCollide<(typeof nodes)[number]>((n) => n.r + BETWEEN_PX / 2)
        .strength(1)
        .iterations(3),
    )
    .velocityDecay(0.5)
    .stop()
    .tick(STEPS);
  return nodes.map((n) => ({ x: n.x, y: n.y }));
}
