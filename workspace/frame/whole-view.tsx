'use client';

import { usePart } from '../context';
import { BenchView } from '../steps/bench/bench-view';
import { DayView } from '../steps/day/day-view';
import { LearnView } from '../steps/learn/learn-view';

/** What a step draws instead of the plan and the section. */
export function WholeView() {
  const step = usePart((s) => s.step);
  if (step === 'day') return <DayView />;
  return step === 'learn' ? <LearnView /> : <BenchView />;
}
