import type { RigPlan } from './plan';

/** How what sinks lies as it lands. */
export type SinkStart = 'tucked' | 'up-current' | 'beyond-float';

const TUCKS: ReadonlySet<string> = new Set(['pile', 'slack', 'high-stick']);

/** How a lay lands what sinks: a heap lets it fall at once; else it is drawn after, or lies beyond the float. */
export function startOf(layKind: string, plan: RigPlan): SinkStart {
  if (TUCKS.has(layKind)) return 'tucked';
  return plan.parts.some((p) => p.part === 'float') || plan.kind === 'dry-dropper'
    ? 'beyond-float'
    : 'up-current';
}
