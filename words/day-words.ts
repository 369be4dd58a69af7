import type {
  Caution,
  Check,
  DayPlan,
  DaySun,
  HatchKind,
  LevelAdvice,
  NoDay,
  OtherOrder,
  Regime,
  SitePlan,
} from '../core/day/index';
import type { StayOut } from '../core/log/index';
import { atClockText, formatSpeed, formatTemp, type UnitSystem } from '../core/units/index';

/** How a day is said. Hours are of the day's clock. */

/** "11:20", to five minutes; before midnight and after it as it is. */
export const hourText = (h: number): string => atClockText(Math.round(h * 12) / 12);

/** A difference of temperatures: "2.7 °F". */
export const degreesText = (c: number, units: UnitSystem): string =>
  units === 'us' ? `${Math.abs((c * 9) / 5).toFixed(1)} °F` : `${Math.abs(c).toFixed(1)} °C`;

export const REGIME_WORDS: Record<Regime, string> = {
  freestone: 'Freestone',
  'spring-fed': 'Spring-fed',
  tailwater: 'Below a dam',
};
export const STAY_OUT_WORDS: Record<StayOut, string> = {
  'all day': 'All day',
  'while good': 'While it is good',
  'best hours': 'The best hours',
};
export const HATCH_WORDS: Record<HatchKind, string> = {
  midge: 'midges',
  'blue-winged olive': 'small olives',
  'early caddis': 'early caddis',
  'summer caddis': 'caddis',
  'pale mayfly': 'pale mayflies',
  'spinner fall': 'spinners falling',
  'ant and beetle': 'ants and beetles',
  hopper: 'hoppers',
  cranefly: 'craneflies',
};
export const CHECK_WORDS: Record<Check, string> = {
  net: 'Net',
  barbs: 'Barbs down',
  knots: 'Knots',
  thermometer: 'Thermometer',
  'way out told': 'Way out told to somebody',
};
export const ADVICE_WORDS: Record<LevelAdvice, string> = {
  'soft edges, own feet first': 'Soft edges, and first at your own feet.',
  'edges of the thread': 'The edges of the main thread.',
  'any water': 'Any water that holds a lie.',
  'depth and cover': 'Depth, shade and cover; long and fine.',
  'larger water late': 'Late in the year the better fish drop to larger water.',
};

/** "Low first, then climb". */
export function dayTitle(
  plan: DayPlan,
  heights: ReadonlyMap<string, number | null>,
  nameOf: (id: string) => string,
): string {
  if (plan.none !== null) return NONE_TITLE[plan.none];
  const [first] = plan.stays;
  if (plan.stays.length === 1)
    return `${nameOf(first!.siteId)}, ${hourText(first!.arriveH)} to ${hourText(first!.leaveH)}`;
  const h = plan.stays.map((s) => heights.get(s.siteId) ?? null);
  const known = h.every((x): x is number => x !== null);
  if (known && h.every((x, i) => i === 0 || x > h[i - 1]!)) return 'Low first, then climb';
  if (known && h.every((x, i) => i === 0 || x < h[i - 1]!)) return 'High first, then down';
  return `${nameOf(first!.siteId)} first`;
}
const NONE_TITLE: Record<NoDay, string> = {
  'no sites': 'No beat is chosen',
  closed: 'All of it is closed',
  'too warm': 'Stay home: too warm',
  dark: 'No light to fish by',
  over: 'This day is over',
  'pays nothing': 'Not worth leaving for',
};
export const NONE_WORDS: Record<NoDay, string> = {
  'no sites': 'Choose at least one beat below.',
  closed: 'Every beat that is chosen is closed today, by the rules that you entered.',
  'too warm':
    'The water of every beat that is chosen is at the limit by the early end of its band, at every hour that is left. Look for a spring, a shaded reach higher up, or another day. Local closures decide.',
  dark: 'The sun gives no light to fish by on this date.',
  over: 'No hour with light is left today. Choose another date on the hour strip’s day.',
  'pays nothing': 'The way costs more than any hour would bring. Stay longer, or nearer.',
};

/** Why this order, in short sentences. */
export function dayWhy(
  plan: DayPlan,
  nameOf: (id: string) => string,
  sun: DaySun,
  isWinter: boolean,
  isWarmAfterCold: boolean,
  units: UnitSystem,
): string[] {
  if (plan.none !== null) return [NONE_WORDS[plan.none]];
  const siteOf = (id: string) => plan.sites.find((s) => s.siteId === id)!;
  const stays = plan.stays.map((s) => ({ ...s, site: siteOf(s.siteId), name: nameOf(s.siteId) }));
  const early = (s: SitePlan) => s.stop.overSinceH ?? s.stop.earlyH;
  const out: string[] = [];
  const [first] = stays;
  const stopping = stays.filter((s) => early(s.site) !== null);
  const soonest = [...stopping].sort((a, b) => early(a.site)! - early(b.site)!)[0];
  if (stays.length > 1 && soonest && soonest.siteId === first!.siteId)
    out.push(`${first!.name} warms first, so it goes first.`);
  const met = stopping.filter((s) => s.leaveH <= early(s.site)! + 1e-9);
  if (met.length > 0 && met.some((s) => early(s.site)! - s.leaveH < NEAR_STOP_H))
    out.push(
      met.length === 1
        ? `${met[0]!.name} is left before the early end of its stop.`
        : 'Each beat is left before the early end of its stop.',
    );
  const cool = stays.filter((s) => early(s.site) === null);
  if (stopping.length > 0 && cool.length > 0)
    out.push(
      `${listed(cool.map((s) => s.name))} ${cool.length === 1 ? 'stays' : 'stay'} under ${formatTemp(plan.limitC, units)}: ${cool.length === 1 ? 'it keeps' : 'they keep'}.`,
    );
  if (stopping.length === 0)
    out.push(
      `No water of this day reaches ${formatTemp(plan.limitC, units)}, as far as can be said.`,
    );
  const last = stays.at(-1)!;
  if (sun.setH !== null && last.leaveH > sun.setH - 0.3)
    out.push(`The last light, the best quarter hour of a summer evening, is at ${last.name}.`);
  if (isWarmAfterCold) out.push('A warm day after a cold spell: worth the way.');
  if (isWinter) out.push('Cold water: the middle of the day is worth half as much again.');
  if (plan.gap !== null && plan.gap > 0.05)
    out.push(
      `More than eight beats: this order is good, not proven; the best could bring at most ${plan.gap.toFixed(1)} looks more.`,
    );
  return out;
}
const NEAR_STOP_H = 0.75;

const listed = (names: readonly string[]) =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** "Stop 11:55 (11:20 to 12:30)". */
export function stopText(
  site: SitePlan,
  units: UnitSystem,
): { isStop: boolean; strong: string; rest: string } {
  const { overSinceH, earlyH, bestH, lateH, most } = site.stop;
  if (overSinceH !== null)
    return { isStop: true, strong: `Over since ${hourText(overSinceH)}`, rest: 'by reading' };
  if (earlyH === null) {
    const { bestC, lowC, highC } = site.top;
    return {
      isStop: false,
      strong: 'No stop.',
      rest: `${formatTemp(bestC, units)} at most (${bare(lowC, units)} to ${bare(highC, units)})`,
    };
  }
  const late = lateH === null ? 'not today' : hourText(lateH);
  if (bestH === null)
    return {
      isStop: true,
      strong: `Off by ${hourText(earlyH)}`,
      rest: `(${Math.round(10 * most)} in 10 that it comes to it)`,
    };
  return {
    isStop: true,
    strong: `Stop ${hourText(bestH)}`,
    rest: `(${hourText(earlyH)} to ${late})`,
  };
}
const bare = (c: number, units: UnitSystem) => formatTemp(c, units).replace(/ .*/, '');

export function otherWords(o: OtherOrder, nameOf: (id: string) => string): string {
  const name = nameOf(o.siteId);
  if (o.kind === 'turned') return `${name} first`;
  return o.kind === 'one all day' ? `${name} all day` : `Without ${name}`;
}

/** What to mind; the lead is said in bold. */
export function cautionWords(
  c: Caution,
  nameOf: (id: string) => string,
  units: UnitSystem,
): { lead: string; rest: string } {
  switch (c.kind) {
    case 'too warm':
      return {
        lead: 'Too warm for the fish.',
        rest: 'A trout played in such water may die out of sight. No plan is made.',
      };
    case 'heat':
      return {
        lead: 'Heat, for the fish first.',
        rest: `Off ${listed(c.offBy.map((o) => `${nameOf(o.siteId)} by ${hourText(o.h)}${o.againH === null ? '' : ` till ${hourText(o.againH)}`}`))}. From ${formatTemp(c.careFromC, units)} keep it in the water, and short. Dawn, height, shade and broken water hold out longest.`,
      };
    case 'lightning':
      return {
        lead: `Thunder ${hourText(c.fromH)} to ${hourText(c.toH)}.`,
        rest: 'A rod is a conductor: lay it down half an hour before, off the water and away from lone trees, and wait half an hour after the last.',
      };
    case 'timber':
      return {
        lead: `Wind ${formatSpeed(c.windMps, units)}.`,
        rest: 'Branches and dead trees fall: not under timber, and eyes covered when casting.',
      };
    case 'ice':
      return {
        lead: `Air down to ${formatTemp(c.airC, units)}.`,
        rest: 'Ice on stones and shelf ice at the edge: no step that you have not tried with a staff.',
      };
    case 'cold water':
      return {
        lead: `Water of ${formatTemp(c.waterC, units)}.`,
        rest: 'It takes the strength out of legs within minutes: wade little, with dry clothes within reach.',
      };
    case 'spate':
      return {
        lead: 'Spate.',
        rest: 'Fish from the bank, and keep off undercut edges; what floats down is heavier than you.',
      };
    case 'rising':
      return {
        lead: 'Rising water.',
        rest: 'Cross nothing that you must cross back. Leave when it colours or leaves begin to float by.',
      };
    case 'fire ban':
      return {
        lead: 'Fire ban.',
        rest: 'No fire, no stove, nothing that smokes; engines off dry grass.',
      };
  }
}
