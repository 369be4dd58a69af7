import { polylineYAt, type Place } from '../grid/index';
import { joinBank } from './bank-line';
import { featuresOf, type BeatPlan } from './beat-plan';

/** Names a problem: index of the feature in the file (null for the header), property, sentence. */
export type Say = (feature: number | null, property: string, message: string) => void;

/** A centre line may lie this far off the chord. */
const MAX_BEND_DEG = 60;
/** Banks that cross, meet or bend too far off their chord. */
export function checkBanks(plan: BeatPlan, say: Say, notes: string[]): void {
  const left = joinBank(plan, 'left');
  const right = joinBank(plan, 'right');
  for (const bank of [left, right]) {
    if (bank.problem) say(null, 'features', `Banks: ${bank.problem}.`);
    notes.push(...bank.notes);
  }
  if (left.problem || right.problem) return;
  // The centre line, smoothed over a tenth of the beat, against its chord.
  const step = Math.max(1, plan.lengthM / 10);
  let previous: number | null = null;
  for (let x = 0; x <= plan.lengthM + 1e-9; x += step) {
    const yL = polylineYAt(left.line, x);
    const yR = polylineYAt(right.line, x);
    if (yR - yL < 0.3) {
      say(
        null,
        'features',
        `Banks: at x ${x.toFixed(1)} m the true right bank is ${(yR - yL).toFixed(1)} m from the true left; they cross or meet. True right is toward +y.`,
      );
      return;
    }
    const centre = (yL + yR) / 2;
    if (previous !== null) {
      const bend = (Math.atan2(Math.abs(centre - previous), step) * 180) / Math.PI;
      if (bend > MAX_BEND_DEG) {
        say(
          null,
          'features',
          `Banks: the beat bends ${bend.toFixed(0)} degrees off its chord at x ${x.toFixed(1)} m; at most ${MAX_BEND_DEG}. Make it two beats.`,
        );
        return;
      }
    }
    previous = centre;
  }
}

/** What no bed could be made from. */
export function checkDepths(plan: BeatPlan, say: Say): void {
  if (featuresOf(plan, 'section').length + featuresOf(plan, 'sounding').length === 0) {
    say(
      null,
      'features',
      'Depths: the beat has no section and no sounding; at least one is needed.',
    );
  }
  const drops = featuresOf(plan, 'ledge').reduce((sum, l) => sum + l.dropM, 0);
  const fall = plan.slope * plan.lengthM;
  if (drops > fall + 1e-9) {
    say(
      null,
      'slope',
      `Slope: the ledges drop ${drops.toFixed(2)} m and the whole beat falls ${fall.toFixed(2)} m (slope times length); the fall must be at least the drops.`,
    );
  }
}

/** A depth taken this far outside the banks is still the angler's tape, not land, m. */
export const ON_LAND_M = 0.3;

/** How far a place lies outside the banks or beyond an end of the beat, m; under 0: within. */
export function outsideM(plan: BeatPlan, { xM, yM }: Place): number {
  const left = polylineYAt(joinBank(plan, 'left').line, xM);
  const right = polylineYAt(joinBank(plan, 'right').line, xM);
  return Math.max(left - yM, yM - right, -xM, xM - plan.lengthM);
}

/** Depths taken on land. */
export function checkSoundings(plan: BeatPlan, say: Say): void {
  for (const [index, f] of plan.features.entries()) {
    if (f.kind !== 'sounding' || f.depthM === 0 || f.shape.type !== 'Point') continue;
    const { xM, yM } = f.shape.place;
    const outside = outsideM(plan, f.shape.place);
    if (outside <= ON_LAND_M) continue;
    say(
      index,
      'geometry',
      `Feature ${index} (sounding): lies ${outside.toFixed(1)} m outside the water's edge at x ${xM.toFixed(1)}, y ${yM.toFixed(1)} m, yet is ${f.depthM} m deep; move it into the water or the bank out.`,
    );
  }
}
