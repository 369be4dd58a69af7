import { createShotSearch, type Shot, type ShotsQuestion } from '../cast/index';
import { coverOf } from '../chance/index';
import { TOTAL_PER_FORK } from '../fish/index';
import { entriesOf, type BeatPlan } from '../formats/index';
import type { Place } from '../grid/index';
import { rateLies, seasonAt, type Lie } from '../lies/index';
import { constantsMark, priorsOf, type Mark, type Settings, type TrySnapshot } from '../log/index';
import { howOf, lieAt, NO_CAST, snapshotOf, targetFacts, type Prediction } from '../planning/index';
import { driftRigOf, flyInHand, rigInHand, type FlyKind } from '../rig/index';
import { createScene, shadeField, type Fish } from '../sight/index';
import { createStalkKeep } from '../stalk/index';
import { sameLie } from '../terms/index';
import { createChannel, probeFlow } from '../water/index';
import { conditionsAt, feedLightOf, steadyMs } from './light';
import {
  PACK_SHAPE,
  type BeatPack,
  type PackOrder,
  type PackShot,
  type PackTarget,
} from './pack-shape';
import { routeOf, shotOfRoute } from './pack-route';
import { bandOfChance, castOfShot } from './stand-cast';
import { fishInLie, flyFished, homeOfMark, plainFish, shotAngler, watchersOf } from './targets';

/** So many marks, and the best lies beside them, are worked out. */
const MOST = { marks: 4, lies: 6 } as const;
const TURN_MS = 50;

/**
 * Works a beat out for the bank: the marks and the best lies, the best cast at each, and what goes into
 * the record when one is tried. Several seconds; `onProgress` is told the share that is done.
 */
export function packBeat(
  order: PackOrder,
  onProgress: (share: number) => void = () => {},
): BeatPack {
  const { plan, flow, settings, marks } = order;
  const light = conditionsAt(plan, steadyMs(order.nowMs), settings);
  const { tempC } = order.water;
  const scene = createScene(plan, flow);
  const { lies } = rateLies(plan, flow, {
    species: settings.species,
    forkLengthCm: settings.fishLengthCm / TOTAL_PER_FORK,
    waterTempC: tempC,
    turbidityNtu: settings.turbidityNtu,
    prey: settings.prey,
    season: seasonAt(order.nowMs, plan.timeZone, plan.anchor?.lat ?? 1),
    method: settings.methods.holding,
    homeOffset: order.homeOffset,
    homeSlope: priorsOf(settings).home.slope,
    feedLight: feedLightOf(light),
    shade: shadeField(scene, light),
  });
  const present = marks.filter((m) => m.behaviour !== 'gone').slice(-MOST.marks);
  const loose = lies.filter((l) => present.every((m) => !sameLie(m, l))).slice(0, MOST.lies);
  const keep = createStalkKeep();
  const channel = createChannel(plan);
  const routed = routeOf(order, scene, lies, light, tempC, keep, (share) =>
    onProgress(ROUTE_SHARE * share),
  );
  const all: { fish: Fish; mark: Mark | null; lie: Lie | null }[] = [
    ...present.map((mark) => ({
      fish: mark as Fish,
      mark,
      lie: lieAt(lies, mark),
    })),
    ...loose.map((lie) => ({ fish: fishInLie(lie, settings.fishLengthCm), mark: null, lie })),
  ];
  const targets = all.map(({ fish, mark, lie }, n): PackTarget => {
    const { methods } = settings;
    const hand = flyInHand(settings.tackle, 'dry-dropper');
    const tied = rigInHand(settings.tackle, hand);
    const fly = flyFished(hand, methods.dropper, mark);
    const question: ShotsQuestion = {
      target: plainFish(fish),
      others: watchersOf(marks, fish, lies, settings.fishLengthCm).filter((w) => w.id !== fish.id),
      angler: shotAngler(settings, tied),
      fly,
      rig: driftRigOf(tied, settings.tackle, fly),
      ...howOf(settings),
      home: mark ? homeOfMark(mark, lies, order.nowMs) : (lie?.rating ?? 100) / 100,
      waterTempC: tempC,
      unmarked: mark === null,
      conditions: light,
      from: entriesOf(plan),
    };
    const search = createShotSearch(scene, question, keep);
    while (!search.advance(TURN_MS))
      onProgress(ROUTE_SHARE + ((1 - ROUTE_SHARE) * (n + search.progress)) / all.length);
    const found = search.result();
    const best = found.kind === 'shots' ? found.shots[0]! : null;
    const shot = best && shotForBank(best, fly, (p) => channel.across(inside(p.xM, plan), p.yM));
    return {
      id: fish.id,
      markId: mark?.id ?? null,
      fishNumber: mark && marks.indexOf(mark) + 1,
      kind: lie?.kind ?? null,
      xM: fish.xM,
      yM: fish.yM,
      headingRad: fish.headingRad,
      totalLengthCm: fish.totalLengthCm,
      depthM: probeFlow(flow, null, fish.xM, fish.yM)?.depthM ?? fish.fishDepthM,
      rating: lie?.rating ?? null,
      shot,
      noShot: found.kind === 'shots' ? null : found.reason,
      snapshot: snapshotAt(
        order,
        fish,
        mark,
        lie,
        shot,
        best
          ? {
              chance: best.chance,
              cleanS: best.cleanS,
              calm: best.facts.calm,
              exposure: best.facts.exposure,
            }
          : NO_CAST,
      ),
    };
  });
  // The rest of the lies that the route may cover, with the cast that the route would make.
  const known = new Set(targets.map((t) => t.id));
  const routeFly = flyFished(
    flyInHand(settings.tackle, 'dry-dropper'),
    settings.methods.dropper,
    null,
  );
  for (const [l, { id }] of (routed?.ground.lies ?? []).entries()) {
    const lie = lies.find((x) => x.id === id);
    if (!lie || known.has(id)) continue;
    const fish = fishInLie(lie, settings.fishLengthCm);
    const { shot, predicted } = shotOfRoute(routed!.ground, l, routeFly);
    targets.push({
      id,
      markId: null,
      fishNumber: null,
      kind: lie.kind,
      xM: lie.xM,
      yM: lie.yM,
      headingRad: lie.headingRad,
      totalLengthCm: settings.fishLengthCm,
      depthM: lie.depthM,
      rating: lie.rating,
      shot,
      noShot: null,
      snapshot: snapshotAt(order, fish, null, lie, shot, predicted),
    });
  }
  onProgress(1);
  return {
    version: PACK_SHAPE,
    beatId: order.beatId,
    name: plan.name,
    streamName: order.streamName,
    planHash: order.planHash,
    level: order.level,
    madeMs: order.nowMs,
    timeZone: plan.timeZone ?? null,
    lengthM: plan.lengthM,
    frame: {
      x0M: flow.x0M - flow.cellM / 2,
      y0M: flow.y0M - flow.cellM / 2,
      x1M: flow.x0M + (flow.nx - 0.5) * flow.cellM,
      y1M: flow.y0M + (flow.ny - 0.5) * flow.cellM,
    },
    features: plan.features,
    targets: inWorkingOrder(targets, settings.methods.working),
    ...(routed && { route: routed }),
  };
}

const inside = (xM: number, plan: BeatPlan) => Math.min(plan.lengthM, Math.max(0, xM));

/** Near and lower before far and upper, for who works up the current; the other way round for who works down. */
const inWorkingOrder = (targets: PackTarget[], working: Settings['methods']['working']) =>
  [...targets].sort((a, b) => (working === 'up-current' ? a.xM - b.xM : b.xM - a.xM));

/** Of the whole work so much is the route. */
const ROUTE_SHARE = 0.5;

function shotForBank(shot: Shot, fly: FlyKind, across: (p: Place) => number): PackShot {
  const n = across(shot.stand);
  return {
    stand: shot.stand,
    side: n <= 0 ? 'left' : n >= 1 ? 'right' : 'water',
    posture: shot.posture,
    landing: shot.landing,
    lay: shot.lay,
    cast: shot.cast,
    distanceM: shot.facts.distanceM,
    leadM: shot.facts.leadM,
    cleanS: shot.cleanS,
    chance: bandOfChance(shot.chance),
    cover: coverOf(shot.chance),
    calm: shot.facts.calm,
    exposure: shot.facts.exposure,
    waySeconds: shot.waySeconds,
    fly,
  };
}

/** What goes into the try at one target, by the cast that was worked out for it. */
function snapshotAt(
  { plan, planHash, level, settings, homeOffset, flow, water, nowMs }: PackOrder,
  fish: Fish,
  mark: Mark | null,
  lie: Lie | null,
  shot: PackShot | null,
  predicted: Prediction,
): TrySnapshot {
  return snapshotOf({
    beat: {
      planHash,
      level,
      dischargeM3s: plan.levels.find((l) => l.name === level)?.dischargeM3s ?? null,
    },
    atMs: nowMs,
    timeZone: plan.timeZone,
    water,
    settings,
    homeOffset,
    fishLengthCm: fish.totalLengthCm,
    target: targetFacts(fish, lie, mark, probeFlow(flow, null, fish.xM, fish.yM)),
    cast: shot && castOfShot(shot, settings),
    predicted,
    constants: constantsMark(priorsOf(settings)),
  });
}
