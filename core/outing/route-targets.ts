import type { Lie } from '../lies/index';
import type { Mark, Settings } from '../log/index';
import { coverSeconds } from '../moves/index';
import { answersAt, howOf } from '../planning/index';
import { driftRigOf, type FlyKind, type RigPlan } from '../rig/index';
import type { RouteQuestion, RouteTarget } from '../route/index';
import type { Conditions } from '../sight/index';
import { sameLie } from '../terms/index';
import { probeFlow, type FlowField } from '../water/index';
import { fishInLie, flyFished, homeOfMark, plainFish, shotAngler } from './targets';

/** A fish of this length is worth one, cm: the larger more, for who counts so. */
const WORTH_ONE_CM = 25;

export interface RouteTold {
  marks: readonly Mark[];
  lies: readonly Lie[];
  flow: FlowField;
  settings: Settings;
  light: Conditions;
  waterTempC: number;
  nowMs: number;
  /** The rig in the hand, or the one that was chosen, and what floats of it. */
  rig: RigPlan;
  fly: FlyKind;
}

/** Everything a route may cover, and how it is asked for: marks that are not gone, and every lie beside them. */
export function routeQuestion(told: RouteTold): RouteQuestion {
  const { marks, lies, flow, settings, light, waterTempC, nowMs } = told;
  const { methods } = settings;
  const present = marks.filter((m) => m.behaviour !== 'gone');
  const facts = (p: { xM: number; yM: number }) => {
    const water = probeFlow(flow, null, p.xM, p.yM);
    return {
      answers: answersAt(water, waterTempC, settings),
      coverS: coverSeconds(null, water?.surfaceSpeedMps ?? null),
    };
  };
  const worthOf = (cm: number) => (methods.worth === 'largest' ? (cm / WORTH_ONE_CM) ** 2 : 1);
  const targets: RouteTarget[] = [
    ...present.map((m) => ({
      id: m.id,
      home: homeOfMark(m, lies, nowMs),
      worth: worthOf(m.totalLengthCm),
      fish: plainFish(m),
      unmarked: false,
      ...facts(m),
    })),
    ...lies
      .filter((l) => present.every((m) => !sameLie(m, l)))
      .map((l) => ({
        id: l.id,
        home: l.rating / 100,
        worth: worthOf(settings.fishLengthCm),
        fish: fishInLie(l, settings.fishLengthCm),
        unmarked: true,
        ...facts(l),
      })),
  ];
  const fly = flyFished(told.fly, methods.dropper, null);
  return {
    targets,
    shots: {
      angler: shotAngler(settings, told.rig),
      fly,
      rig: driftRigOf(told.rig, settings.tackle, fly),
      ...howOf(settings),
      waterTempC,
      conditions: light,
    },
  };
}

/** Which way a route goes, by the school. */
export const directionOf = (settings: Settings): 'up' | 'down' =>
  settings.methods.working === 'up-current' ? 'up' : 'down';
