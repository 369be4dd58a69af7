import { featuresOf, shapePlaces, type BeatPlan } from '../../core/formats/index';
import { TOTAL_PER_FORK } from '../../core/fish/index';
import type { CastQuestion, ShotsQuestion } from '../../core/cast/index';
import { rigFor } from '../../core/rig/index';
import type { Fish, LookoutInput } from '../../core/sight/index';
import type { Place } from '../../core/grid/index';
import type { CautionInput, StalkInput, Watcher } from '../../core/stalk/index';
import type { RateInput } from '../../workers/protocol';
import { atHour, civilHour, toCivil } from '../../core/units/civil-time';
import { conditionsAt } from '../state/conditions';
import { HOURS } from '../state/hours';
import { fishIn, seasonAt, targetOf, tempOf, type WorkspaceState } from '../state/state';

/** What the workers are asked, put together from the state. Pure. */

/** Light and weather of the hour on screen; of every hour of the strip. */
export const lightAt = (plan: BeatPlan, s: WorkspaceState) =>
  conditionsAt(plan, s.atMs, s.settings);
export const lightByHour = (plan: BeatPlan, s: WorkspaceState) =>
  HOURS.map((hour) => conditionsAt(plan, atHour(s.atMs, hour, plan.timeZone), s.settings));

/** Light in steps of ten minutes: neither shade nor what a fish sees moves faster. */
const TEN_MINUTES = 600_000;
const steadyLight = (plan: BeatPlan, s: WorkspaceState) =>
  conditionsAt(plan, Math.round(s.atMs / TEN_MINUTES) * TEN_MINUTES, s.settings);

/** Lies looked for beside the marks, at most: the best. */
const LIES_LOOKED_FOR = 12;

/** What to look for: the chosen fish alone, else every mark, and the best lies by their rating. */
export function lookoutInput(plan: BeatPlan, s: WorkspaceState): LookoutInput {
  const target = targetOf(s);
  const lies = (s.lies?.lies ?? []).slice(0, LIES_LOOKED_FOR).map((lie) => ({
    ...fishIn(lie, s.settings.fishLengthCm),
    weight: (0.5 * lie.rating) / 100,
  }));
  const { posture, settings } = s;
  return {
    targets: target ? [target] : [...s.marks, ...lies],
    hours: lightByHour(plan, s),
    posture,
    heightM: settings.anglerHeightM,
    polarised: settings.polarised,
  };
}

/** Which fish, in what water, at what hour. */
export function rateInput(plan: BeatPlan, s: WorkspaceState): RateInput {
  const { settings } = s;
  return {
    species: settings.species,
    forkLengthCm: settings.fishLengthCm / TOTAL_PER_FORK,
    waterTempC: tempOf(s),
    turbidityNtu: settings.turbidityNtu,
    prey: settings.prey,
    season: seasonAt(s.atMs, plan.timeZone, plan.anchor?.lat ?? 1),
    method: settings.methods.holding,
    light: steadyLight(plan, s),
  };
}

/** Every mark sees; so does the fish thought to lie in a chosen lie. */
export function fishSeeing(s: WorkspaceState) {
  const target = targetOf(s);
  return target && !s.marks.some((m) => m.id === target.id) ? [...s.marks, target] : s.marks;
}

/** The best lies look too, a little, where no marked fish lies near: how many, how good, how far off. */
const LOOKING_LIES = { most: 3, leastRating: 60, apartM: 1.5, weight: 0.3 };

/** Everyone who may see the angler coming: marks that are not gone, the target, and the best lies. */
export function watchers(s: WorkspaceState): Watcher[] {
  const seen: Watcher[] = fishSeeing(s).filter(
    (f) => !('behaviour' in f && f.behaviour === 'gone'),
  );
  const lies = (s.lies?.lies ?? [])
    .filter(
      (lie) =>
        lie.rating >= LOOKING_LIES.leastRating &&
        seen.every((f) => Math.hypot(f.xM - lie.xM, f.yM - lie.yM) > LOOKING_LIES.apartM),
    )
    .slice(0, LOOKING_LIES.most)
    .map((lie) => ({
      ...fishIn(lie, s.settings.fishLengthCm),
      weight: (LOOKING_LIES.weight * lie.rating) / 100,
    }));
  return [...seen.map(plainFish), ...lies];
}

/** Only what a fish is to those who ask how it sees: notes and history stay here. */
const plainFish = (f: Watcher): Watcher => ({
  id: f.id,
  xM: f.xM,
  yM: f.yM,
  fishDepthM: f.fishDepthM,
  headingRad: f.headingRad,
  totalLengthCm: f.totalLengthCm,
  surety: f.surety,
});

/** As many as can be put in order. */
const MOST_TARGETS = 8;

/** The fish that are put in order: those marked, as they came, that are not gone. */
export const targetsInOrder = (s: WorkspaceState): Fish[] =>
  s.marks
    .filter((m) => m.behaviour !== 'gone')
    .slice(0, MOST_TARGETS)
    .map(plainFish);

/** The grid while something is dragged, m: an answer within a frame or two. */
const DRAGGING_CELL_M = 0.5;

/** The way to the stand as it is asked for; null while there is no stand. */
export function stalkInput(plan: BeatPlan, s: WorkspaceState): StalkInput | null {
  if (!s.stand) return null;
  const { settings } = s;
  return {
    from: s.from ?? entriesOf(plan),
    to: s.stand,
    endPosture: s.posture,
    fish: watchers(s),
    angler: {
      heightM: settings.anglerHeightM,
      massKg: settings.anglerMassKg,
      maxWadeM: settings.maxWadeM,
    },
    conditions: steadyLight(plan, s),
    wading: settings.methods.wading,
    hiding: settings.methods.hiding,
    via: s.via,
    forbidden: s.out,
    alarm: { tauS: settings.noticing.tauS, footfall: settings.noticing.footfall },
    ...(s.dragging && { cellM: DRAGGING_CELL_M }),
  };
}

/** Drift is followed this long, s. */
export const DRIFT_S = 6;

/** Plan angle that the wind comes from; null while nobody has said. Up-current is +x, true right +y. */
export function windFromRad(s: WorkspaceState): number | null {
  const { windFrom } = s.settings;
  if (windFrom === 'upstream') return 0;
  if (windFrom === 'downstream') return Math.PI;
  if (windFrom === 'true-right') return Math.PI / 2;
  return windFrom === 'true-left' ? -Math.PI / 2 : null;
}

const anglerOf = ({ settings }: WorkspaceState) => ({
  heightM: settings.anglerHeightM,
  massKg: settings.anglerMassKg,
  maxWadeM: settings.maxWadeM,
  rodM: settings.rodM,
  rodHand: settings.rodHand,
  landsWithinHalfMetreToM: settings.landsWithinHalfMetreToM,
  comfortableM: settings.comfortableM,
});

/** The marked fish beside the target that are still there. */
const othersOf = (s: WorkspaceState): Watcher[] => {
  const target = targetOf(s);
  return s.marks.filter((m) => m.behaviour !== 'gone' && m.id !== target?.id).map(plainFish);
};

/** The cast as it stands on the plan; null without a stand and a landing place. */
export function castQuestion(plan: BeatPlan, s: WorkspaceState): CastQuestion | null {
  if (!s.stand || !s.landing) return null;
  const target = targetOf(s);
  return {
    stand: s.stand,
    landing: s.landing,
    lay: s.lay,
    posture: s.posture,
    angler: anglerOf(s),
    conditions: { ...steadyLight(plan, s), windFromRad: windFromRad(s) },
    windSchool: s.settings.methods.wind,
    target: target && plainFish(target),
    others: othersOf(s),
    rig: rigFor(s.fly),
    seconds: DRIFT_S,
  };
}

/** Where to stand and how to cast, with what the angler pinned, left out and weighed. */
export function shotsQuestion(plan: BeatPlan, s: WorkspaceState): ShotsQuestion | null {
  const target = targetOf(s);
  if (!target) return null;
  const { settings, asked } = s;
  const { noticing } = settings;
  return {
    target: plainFish(target),
    others: othersOf(s),
    angler: anglerOf(s),
    fly: s.fly,
    conditions: { ...steadyLight(plan, s), windFromRad: windFromRad(s) },
    from: s.from ?? entriesOf(plan),
    castFrom: settings.methods.castFrom,
    windSchool: settings.methods.wind,
    wading: settings.methods.wading,
    hiding: settings.methods.hiding,
    alarm: { tauS: noticing.tauS, footfall: noticing.footfall },
    forbidden: s.out,
    ...(asked.pinLanding && s.landing && { landing: s.landing }),
    pin: {
      ...(asked.pinStand && s.stand && { stand: s.stand }),
      ...(asked.pinLay && { lay: asked.pinLay }),
    },
    exclude: { spots: asked.withoutSpots, lays: asked.withoutLays },
    weights: asked.weights,
  };
}

/** The next hours, for what waiting would change. */
const WAIT_HOURS = [1, 2, 3, 5];
export const laterLight = (plan: BeatPlan, s: WorkspaceState) =>
  WAIT_HOURS.map((h) => s.atMs + h * 3_600_000).map((ms) => ({
    hour: civilHour(ms, plan.timeZone),
    conditions: conditionsAt(plan, ms, s.settings),
  }));

/** What the cautions of a way depend on. */
export function careNow(plan: BeatPlan, s: WorkspaceState): CautionInput {
  const month = Number(toCivil(s.atMs, plan.timeZone).slice(5, 7));
  return {
    waterTempC: tempOf(s),
    windMps: s.settings.windMps,
    sky: s.settings.sky,
    species: s.settings.species,
    northernMonth: (plan.anchor?.lat ?? 1) < 0 ? ((month + 5) % 12) + 1 : month,
  };
}

/** Every entry of the beat; without one, the down-current end of the true left bank. */
export function entriesOf(plan: BeatPlan): Place[] {
  const marked = featuresOf(plan, 'entry').map((e) => shapePlaces(e.shape)[0]!);
  return marked.length > 0 ? marked : [entryOf(plan)];
}

export function entryOf(plan: BeatPlan) {
  const entry = featuresOf(plan, 'entry')[0];
  if (entry) return shapePlaces(entry.shape)[0]!;
  // No entry marked: the down-current end of the true left bank.
  const left = featuresOf(plan, 'bank').find((b) => b.side === 'left')!;
  const foot = shapePlaces(left.shape)[0]!;
  return { xM: foot.xM, yM: foot.yM - 2 };
}
