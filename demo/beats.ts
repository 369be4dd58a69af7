import { readBeat, type BeatPlan } from '../core/formats/index';
import { beatFromSketch, type Sketch } from '../core/water/index';
import { FIRST_SKETCH } from './first-beat';
import { KETTLE_SLOT } from './data/kettle-slot';
import { DEMO_BEAT_ID } from './names';
import { TANSY_GLIDE_FILE } from './data/tansy-glide';
import { WITHY_BEND_FILE } from './data/withy-bend';

export interface DemoBeat {
  id: string;
  plan: BeatPlan;
  /** What a sketched beat was made from: it can be opened and changed. */
  sketch: Sketch | null;
}

/** Four beats of one invented stream, in working order: sketch, survey, sketch, survey. */
export function demoBeats(): DemoBeat[] {
  return [
    sketched(DEMO_BEAT_ID, FIRST_SKETCH),
    surveyed('tansy-glide', TANSY_GLIDE_FILE),
    sketched('kettle-slot', KETTLE_SLOT),
    surveyed('withy-bend', WITHY_BEND_FILE),
  ];
}

function sketched(id: string, sketch: Sketch): DemoBeat {
  const built = beatFromSketch(sketch);
  if (built.ok) return { id, plan: built.plan, sketch };
  throw new Error(`${id} does not build: ${built.problems.map((p) => p.message).join(' ')}`);
}

function surveyed(id: string, file: unknown): DemoBeat {
  const read = readBeat(file);
  if (read.ok) return { id, plan: read.plan, sketch: null };
  throw new Error(`${id} does not read: ${read.problems.map((p) => p.message).join(' ')}`);
}
