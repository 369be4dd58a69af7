import { CHANCE, logistic, logit, scatterAt } from '../core/chance/index';
import type { BeatPlan } from '../core/formats/index';
import { createRandom } from '../core/grid/index';
import { doseTimes } from '../core/learn/index';
import {
  EMPTY_SNAPSHOT,
  readingSaying,
  writeSnapshot,
  type EventCode,
  type KeptRead,
  type Outing,
  type Priors,
  type Reading,
  type Try,
  type TryEvent,
  type TrySnapshot,
} from '../core/log/index';
import { answersIn } from '../core/moves/index';
import type { FlowField } from '../core/water/index';
import { placesRead } from './places-told';
import { FELT_LAY, FELT_RIG, LEAD_M, spotOfRead, spotsOf, type FeltOdds, type Spot } from './spots';
import { tempAt, weatherOf, type DayWeather } from './seasons-weather';

/**
 * What is true of the demo's two seasons, and differs from what the models guess: Learn has to find
 * it. Invented from end to end.
 */
export const DEMO_TRUTH = {
  /** P(home): slope over what was said and shift, in the logit; by beat beside it; and by depth in summer. */
  home: { slope: 0.8, shift: -0.5 },
  waters: { 'sallow-steps': 0.5, 'tansy-glide': -0.6, 'kettle-slot': 0.1, 'withy-bend': 0 },
  deeperInSummer: 1.6,
  noticing: 1.5,
  alarm: 0.6,
  answer: 0.72,
  /** Hooked, in the logit of what was said. */
  hook: -1.1,
  scatter: { near: 1.25, far: 1.6, wind: 1.5 } satisfies Priors['scatter'],
  /** The angler's own nymphs against the reckoned ones, times. */
  sink: 0.8,
  /** Takes for each look; deep water takes better, in the logit. */
  take: 0.36,
  deepTakes: 2.6,
} as const;

export interface History {
  outings: Outing[];
  tries: Try[];
  readings: Reading[];
  reads: KeptRead[];
}

const OUTINGS = 46;
const TRIES_A_DAY = 12;
const READINGS_A_DAY = 6;
/** The clock of the demo's stream. */
const ZONE_MIN = 120;
const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
const MARKED = 0.3;
const SURETY = 0.93;
const AT_PLACES = 0.12;

const RIGS = [
  { id: 'usual', fly: 'dry' },
  { id: 'usual-dropper', fly: 'dry-dropper' },
  { id: 'usual-sunk', fly: 'sunk' },
] as const;
const LAYS = [
  { kind: 'straight' },
  { kind: 'pile' },
  { kind: 'reach', toward: 'up-current', amountM: 1 },
] as const;
const POSTURES = ['stand', 'crouch', 'kneel'] as const;
/** Two who share one book: each logs on a phone of their own. */
const PHONES = ['demo-phone-one', 'demo-phone-two'];

type Random = () => number;

/**
 * Two seasons over the beats and a string of places, to the day before `untilMs`: the same each time.
 * `flow`: the solved water of one beat, on which drifts are felt.
 */
export function demoHistory(
  beats: readonly { id: string; plan: BeatPlan }[],
  streamName: string,
  untilMs: number,
  seed = 90,
  solved?: { beatId: string; level: string; flow: FlowField },
): History {
  const random = createRandom(seed);
  const reads = placesRead(streamName, untilMs);
  const spots = [
    ...beats.flatMap(({ id, plan }) => spotsOf(id, plan, random, solved, DEMO_TRUTH.sink)),
    ...reads.map((r) => spotOfRead(r)),
  ];
  const out: History = { outings: [], tries: [], readings: [], reads };
  for (const [n, dayMs] of daysBefore(untilMs).entries()) {
    const outing: Outing = {
      id: `demo-outing-${n + 1}`,
      startMs: dayMs + 8 * HOUR_MS,
      endMs: dayMs + 18 * HOUR_MS,
      timeZone: beats[0]!.plan.timeZone ?? 'UTC',
      note: '',
    };
    const beat = beats[n % beats.length]!;
    const here = spots.filter((s) => s.beatId === beat.id);
    const places = spots.filter((s) => s.beatId === null);
    const weather = weatherOf(dayMs, random);
    out.outings.push(outing);
    out.readings.push(...readingsOf(outing, beat.id, dayMs, weather, n));
    const phone = PHONES[random() < 0.6 ? 0 : 1]!;
    for (let k = 0; k < TRIES_A_DAY; k++) {
      const list = random() < AT_PLACES ? places : here;
      const spot = list[Math.floor(list.length * random())]!;
      const openedMs = dayMs + (9 + (8.5 * k) / TRIES_A_DAY) * HOUR_MS;
      out.tries.push(
        tryAt(spot, outing, `demo-try-${n + 1}-${k + 1}`, openedMs, weather, phone, random),
      );
    }
  }
  return out;
}

/** Days of two seasons, April to September, the last a week before. */
function daysBefore(untilMs: number): number[] {
  const days: number[] = [];
  for (let back = 6; days.length < OUTINGS; back += 5) {
    const ms = Math.floor((untilMs - back * DAY_MS) / DAY_MS) * DAY_MS - ZONE_MIN * 60_000;
    const month = new Date(ms + DAY_MS / 2).getUTCMonth() + 1;
    if (month >= 4 && month <= 9) days.push(ms);
  }
  return days.reverse();
}

function readingsOf(
  outing: Outing,
  beatId: string,
  dayMs: number,
  weather: DayWeather,
  n: number,
): Reading[] {
  return Array.from({ length: READINGS_A_DAY }, (_, i) => {
    const h = 8.5 + 1.8 * i;
    return readingSaying({
      id: `demo-reading-${n + 1}-${i + 1}`,
      outingId: outing.id,
      beatId,
      takenMs: dayMs + h * HOUR_MS,
      zoneOffsetMin: ZONE_MIN,
      waterTempC: Math.round(10 * tempAt(weather, h)) / 10,
      airTempC: Math.round(tempAt(weather, h) + 3),
      sky: weather.sky,
      windMps: Math.round(weather.windMps),
    });
  });
}

function tryAt(
  spot: Spot,
  outing: Outing,
  id: string,
  openedMs: number,
  weather: DayWeather,
  phone: string,
  random: Random,
): Try {
  const comes = (p: number) => random() < p;
  const of = <T>(list: readonly T[]) => list[Math.floor(list.length * random())]!;
  const marked = spot.beatId !== null && comes(MARKED);
  const homeSaid = marked ? null : 0.12 + 0.8 * random();
  const castM = 4 + 9 * random();
  const crossMps = weather.windMps * random();
  const rig = of(RIGS);
  const lay = of(LAYS);
  const species = comes(0.75) ? ('brown' as const) : ('brook' as const);
  const tempC = tempAt(weather, (openedMs - outing.startMs) / HOUR_MS + 8);
  const answers = answersIn(spot.speedMps, tempC);
  const seen = 0.8 + 0.18 * random();
  const said = {
    home: homeSaid ?? SURETY,
    calm: 0.7 + 0.28 * random(),
    look: 0.3 + 0.55 * random(),
    seen,
    undisturbed: seen * (0.9 + 0.08 * random()),
    hooked: 0.35 + 0.45 * random(),
    tightS: 0.3,
    drag: 0.05 + 0.4 * random(),
    sigmaM: Math.max(0.08, (CHANCE.sigmaAtSureM * castM) / 12),
    crossMps,
    splash: 0.03,
  };
  const exposure = 0.04 + 0.45 * random() ** 2;
  const felt = rig.id === FELT_RIG ? spot.felt : null;
  const stand = { xM: spot.xM - 0.8 * castM, yM: spot.yM + 0.6 * castM };
  const value = said.home * said.calm * CHANCE.leftOut * said.look;
  const snapshot = writeSnapshot({
    ...EMPTY_SNAPSHOT,
    level: spot.plan ? spot.plan.surveyedLevel : null,
    water: { tempC, tempSource: 'curve', turbidityNtu: 1 },
    weather: { sky: weather.sky, windMps: weather.windMps, windFrom: 'unknown' },
    rated: { species, totalLengthCm: 25, method: 'energy-budget', homeOffset: 0, homeSlope: 1 },
    target: {
      id: marked ? null : spot.id,
      kind: spot.kind,
      xM: spot.xM,
      yM: spot.yM,
      rating: homeSaid === null ? null : Math.round(100 * homeSaid),
      needs: null,
      depthM: spot.depthM,
      surfaceSpeedMps: spot.speedMps / 0.85,
      meanSpeedMps: spot.speedMps,
      behaviour: marked ? 'holding' : null,
    },
    cast:
      spot.beatId === null
        ? null
        : {
            stand,
            posture: of(POSTURES),
            landing: { xM: stand.xM + 0.8 * castM, yM: stand.yM - 0.6 * castM },
            lay: felt ? FELT_LAY : lay,
            mend: null,
            leadM: felt ? LEAD_M : null,
            castKind: 'overhead',
            rig: { id: rig.id, fly: rig.fly, leaderM: 2.7 },
          },
    predicted:
      spot.beatId === null
        ? EMPTY_SNAPSHOT.predicted
        : {
            cleanS: { low: 1, best: 1.8, high: 3 },
            calm: said.calm,
            exposure,
            chance: {
              value,
              parts: {
                ...said,
                seen: Math.sqrt(said.seen),
                given: value / said.home,
                first: value,
                lands: 0.8,
                clean: 0.75,
                lined: 0.97,
              },
            },
            ...(felt && { ticks: 1 - felt.said.clear }),
            answers,
          },
  });
  const events = goes(
    { ...said, exposure, answers, castM, felt, hasCast: spot.beatId !== null },
    spot,
    snapshot,
    openedMs,
    id,
    phone,
    random,
  );
  return {
    id,
    outingId: outing.id,
    beatId: spot.beatId,
    // Fish of other days are marked no more: only that nobody rated the place tells of them.
    markId: null,
    readId: spot.readId,
    fly: rig.id === 'usual' ? 'parachute 14' : 'pheasant tail 16',
    openedMs,
    zoneOffsetMin: ZONE_MIN,
    snapshot,
    events,
  };
}

interface Going {
  home: number;
  calm: number;
  look: number;
  seen: number;
  undisturbed: number;
  hooked: number;
  drag: number;
  sigmaM: number;
  crossMps: number;
  exposure: number;
  answers: number;
  castM: number;
  felt: FeltOdds | null;
  hasCast: boolean;
}

/** What happened: the way, then cast by cast, until it took, was put down, or the angler had enough. */
function goes(
  said: Going,
  spot: Spot,
  snapshot: TrySnapshot,
  openedMs: number,
  id: string,
  device: string,
  random: Random,
): TryEvent[] {
  const comes = (p: number) => random() < p;
  const truth = DEMO_TRUTH;
  const events: TryEvent[] = [];
  const add = (code: EventCode, more: Partial<TryEvent> = {}) =>
    events.push({
      id: `${id}-${events.length + 1}`,
      device,
      seq: events.length + 1,
      code,
      clientMs: openedMs + 60_000 * (events.length + 1),
      zoneOffsetMin: ZONE_MIN,
      ...more,
    });
  const marked = snapshot.target!.rating === null;
  const month = new Date(openedMs).getUTCMonth() + 1;
  const summer = month >= 6 && month <= 8;
  const water = (truth.waters as Record<string, number>)[spot.beatId ?? ''] ?? 0;
  const deep = summer ? truth.deeperInSummer * Math.log(spot.depthM / 0.55) : 0;
  const isHome = comes(
    marked
      ? SURETY
      : logistic(truth.home.shift + water + deep + truth.home.slope * logit(said.home)),
  );
  const times = doseTimes(said.exposure, truth.noticing) / truth.alarm;
  const cover = (said.undisturbed / said.seen) * said.seen ** times;
  const patience = 3 + Math.floor(6 * random());
  const plays = comes(CHANCE.leftOut);
  if (isHome && said.hasCast && !comes(said.calm ** times)) {
    add('spook');
    return events;
  }
  const sigma = said.sigmaM * scatterAt(truth.scatter, said.castM, said.crossMps);
  for (let cast = 1; cast <= patience; cast++) {
    // Of two casts in three it is said where they fell, and how they ran.
    const told: Partial<TryEvent> =
      said.hasCast && comes(0.65)
        ? {
            fellAt: comes(1 - Math.exp(-0.5 * (0.5 / sigma) ** 2))
              ? 'on'
              : (['short', 'long', 'left', 'right'] as const)[Math.floor(4 * random())]!,
            dragged: comes(said.drag),
          }
        : {};
    const own =
      said.look * Math.min(1, truth.answer * said.answers) * (cast === 1 ? 1 : 1 - CHANCE.shared);
    if (isHome && plays && comes(own)) {
      answered(told);
      return events;
    }
    if (isHome && !comes(cover)) {
      add(felt() ?? 'cast', told);
      add('spook');
      return events;
    }
    add(felt() ?? 'cast', told);
  }
  add('leave');
  return events;

  function felt(): EventCode | null {
    // Drawn whether or not there is water to feel on: the rest goes the same way.
    const u = random();
    if (!said.felt) return null;
    const { clear, hung } = said.felt.is;
    return u < clear ? 'clear' : u < clear + hung ? 'hung' : 'bottom';
  }
  function answered(told: Partial<TryEvent>) {
    if (!comes(logistic(logit(truth.take) + (spot.depthM > 0.8 ? truth.deepTakes : 0)))) {
      add(comes(0.6) ? 'look' : 'refusal', told);
      add('leave');
      return;
    }
    if (!comes(logistic(logit(said.hooked) + truth.hook))) {
      add('miss', { ...told, missed: comes(0.65) ? 'late' : 'early' });
      add('leave');
      return;
    }
    add('hook', told);
    if (comes(0.75)) add('landing', { lengthCm: Math.round(16 + 16 * random()) });
    else add('loss', { lost: comes(0.5) ? 'hook-came-out' : 'slack-line' });
  }
}
