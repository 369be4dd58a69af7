import { createShotSearch, type Shot, type ShotsQuestion } from '../cast/index';
import { CHANCE_VERSION, type ShotChance } from '../chance/index';
import { TOTAL_PER_FORK } from '../fish/index';
import { entriesOf, type BeatPlan } from '../formats/index';
import type { Place } from '../grid/index';
import { rateLies, seasonAt, type Lie } from '../lies/index';
import {
  alarmOf,
  priorsOf,
  writeSnapshot,
  type Mark,
  type Settings,
  type TrySnapshot,
} from '../log/index';
import { answersIn } from '../moves/index';
import { driftRigOf, flyInHand, rigInHand, type FlyKind } from '../rig/index';
import { createScene, shadeField, type Fish } from '../sight/index';
import { createStalkKeep } from '../stalk/index';
import { sameLie } from '../terms/index';
import { toCivil } from '../units/index';
import { createChannel, probeFlow } from '../water/index';
import { conditionsAt, feedLightOf, steadyMs } from './light';
import type { BeatPack, PackOrder, PackShot, PackTarget } from './pack-shape';
import { routeOf, shotOfRoute } from './pack-route';
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
      lie: lies.find((l) => sameLie(l, mark)) ?? null,
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
      species: settings.species,
      home: mark ? homeOfMark(mark, lies, order.nowMs) : (lie?.rating ?? 100) / 100,
      waterTempC: tempC,
      unmarked: mark === null,
      landingDraws: methods.landing === 'hard-draws',
      alarm: alarmOf(settings),
      conditions: light,
      from: entriesOf(plan),
      castFrom: methods.castFrom,
      windSchool: methods.wind,
      wading: methods.wading,
      hiding: methods.hiding,
    };
    const search = createShotSearch(scene, question, keep);
    while (!search.advance(TURN_MS))
      onProgress(ROUTE_SHARE + ((1 - ROUTE_SHARE) * (n + search.progress)) / all.length);
    const found = search.result();
    const best = found.kind === 'shots' ? found.shots[0]! : null;
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
      shot: best && shotForBank(best, fly, (p) => channel.across(inside(p.xM, plan), p.yM)),
      noShot: found.kind === 'shots' ? null : found.reason,
      snapshot: snapshotOf(order, tempC, fish, mark, lie, best, fly),
    };
  });
  // The rest of the lies that the route may cover, with the cast that the route would make.
  const known = new Set(targets.map((t) => t.id));
  for (const [l, { id }] of (routed?.ground.lies ?? []).entries()) {
    const lie = lies.find((x) => x.id === id);
    if (!lie || known.has(id)) continue;
    const fish = fishInLie(lie, settings.fishLengthCm);
    const fly = flyFished('dry-dropper', settings.methods.dropper, null);
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
      shot: shotOfRoute(routed!.ground, l, fly),
      noShot: null,
      snapshot: snapshotOf(order, tempC, fish, null, lie, null, fly),
    });
  }
  onProgress(1);
  return {
    version: 1,
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
    chance: { low: shot.chance.low, best: shot.chance.value, high: shot.chance.high },
    waySeconds: shot.waySeconds,
    fly,
  };
}

/** Everything that a chance was made of, so that each part can be held against what happened. */
export function chanceForRecord(c: ShotChance): NonNullable<TrySnapshot['predicted']['chance']> {
  const { found, value, first, hooked, tightS, undisturbed, look, sigmaM, crossMps, drag, splash } =
    c;
  return {
    value: found,
    parts: {
      ...c.parts,
      given: value,
      first,
      hooked,
      tightS: Number.isFinite(tightS) ? tightS : -1,
      undisturbed,
      look,
      sigmaM,
      crossMps,
      drag,
      splash,
      version: CHANCE_VERSION,
    },
  };
}

function snapshotOf(
  { plan, planHash, level, settings, homeOffset, flow, water, nowMs }: PackOrder,
  tempC: number,
  fish: Fish,
  mark: Mark | null,
  lie: Lie | null,
  shot: Shot | null,
  fly: FlyKind,
): TrySnapshot {
  const here = probeFlow(flow, null, fish.xM, fish.yM);
  // A dropper that was cut off leaves the same rig in the hand.
  const rig = rigInHand(settings.tackle, flyInHand(settings.tackle, 'dry-dropper'));
  return writeSnapshot(
    {
      planHash,
      level,
      dischargeM3s: plan.levels.find((l) => l.name === level)?.dischargeM3s ?? null,
      hour: toCivil(nowMs, plan.timeZone),
      water: {
        tempC,
        tempSource: water.source,
        turbidityNtu: settings.turbidityNtu,
      },
      weather: { sky: settings.sky, windMps: settings.windMps, windFrom: settings.windFrom },
      rated: {
        species: settings.species,
        totalLengthCm: fish.totalLengthCm,
        method: settings.methods.holding,
        homeOffset,
        homeSlope: priorsOf(settings).home.slope,
      },
      target: {
        id: fish.id,
        kind: lie?.kind ?? null,
        xM: fish.xM,
        yM: fish.yM,
        rating: lie?.rating ?? null,
        needs: lie?.needs ?? null,
        depthM: here?.depthM ?? null,
        surfaceSpeedMps: here?.surfaceSpeedMps ?? null,
        meanSpeedMps: here?.meanSpeedMps ?? null,
        behaviour: mark?.behaviour ?? null,
      },
      cast: shot && {
        stand: shot.stand,
        posture: shot.posture,
        landing: shot.landing,
        lay: shot.lay,
        mend: null,
        leadM: shot.facts.leadM,
        castKind: shot.cast,
        rig: { id: rig.id, fly, leaderM: driftRigOf(rig, settings.tackle, fly).leaderM },
      },
      predicted: {
        cleanS: shot?.cleanS ?? null,
        calm: shot?.facts.calm ?? null,
        exposure: shot?.facts.exposure ?? null,
        chance: shot ? chanceForRecord(shot.chance) : null,
        answers: answersIn(here?.meanSpeedMps ?? null, tempC, priorsOf(settings).answer),
      },
    },
    priorsOf(settings),
  );
}
