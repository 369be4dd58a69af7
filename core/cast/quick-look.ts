import { CHANCE, withinCovers } from '../chance/index';
import type { Place } from '../grid/index';
import { createDriftEstimate, estimateKey, estimateSecondsInto } from './drift-estimate';
import { castTip, type Lay } from './lays';
import { candidate, castOf, type Aim, type Candidate, type ShotContext } from './shot-candidate';
import type { ShotsInput } from './shots-input';
import { STAND_STEP_M, type Stand } from './stands';

/** None goes on within this of a better one of its lay, m. */
const SPACED_M = 0.8;
/** Round the best, stands within this are looked at too, m. */
const ROUND_M = 0.9;

/** Thinned by x alone, so that a mirrored stream is thinned alike. */
export function isLookedAt({ place }: { place: Place }, aim: number, input: ShotsInput): boolean {
  return Math.abs(Math.round(place.xM / (input.standStepM ?? STAND_STEP_M))) % 2 === aim % 2;
}

/** Every aim, stand and lay by the quick estimate; of each the best, spaced. */
export function* quickLook(
  ground: ShotContext,
  stands: ReadonlyMap<Aim, readonly Stand[]>,
  goOn: number,
): Generator<number, Candidate[]> {
  const { input, aims } = ground;
  const proxy = createDriftEstimate();
  const keys = [...new Set(input.lays.map(estimateKey))];
  const sets = keys.map((key) => input.lays.filter((lay) => estimateKey(lay) === key));
  const out: Candidate[] = [];
  const most = Math.ceil(goOn / (input.lays.length * aims.length));
  for (const [a, aim] of aims.entries()) {
    const byLay = new Map(input.lays.map((lay): [Lay, Hopeful[]] => [lay, []]));
    const list = stands.get(aim)!;
    for (let s = 0; s < list.length; s++) {
      if (s % 50 === 0) yield 0.45 + (0.2 * (a + s / list.length)) / aims.length;
      const stand = list[s]!;
      for (const set of sets) {
        const lays = set.filter((lay) => castOf(ground, stand, lay) !== null);
        if (lays.length === 0) continue;
        const tip = castTip(stand.place, aim.place, input.angler.rodM, lays[0]!.kind);
        const { current } = ground;
        estimateSecondsInto(proxy, current, tip, aim.place, lays, aim.upRad, aim.followedS);
        ground.looked.candidates += lays.length;
        lays.forEach((lay, l) => {
          const cast = castOf(ground, stand, lay)!;
          const c = candidate(ground, stand, aim, lay, cast, { cleanS: proxy.seconds[l]! });
          byLay.get(lay)!.push({ ...c, hoped: upperBound(ground, c, proxy.boundS[l]!) });
        });
      }
    }
    for (const found of byLay.values()) out.push(...shortlist(found, most));
  }
  return out;
}

/** A candidate by its quick estimate, and its order if its line dragged no sooner than it must. */
type Hopeful = Candidate & { hoped: number };

/** Only the clean seconds differ: the look is read again, the rest scales. */
function upperBound({ fish }: ShotContext, c: Candidate, boundS: number): number {
  if (boundS <= c.cleanS) return c.order;
  const { chance, aim } = c;
  const blurM = Math.hypot(chance.sigmaM, fish.placeM);
  const look = aim.table.at(boundS, blurM).presented * chance.parts.lined * chance.parts.seen;
  const value =
    CHANCE.leftOut * chance.parts.calm * withinCovers(look, chance.undisturbed, CHANCE.covers);
  return c.order + (value - chance.value) * chance.hooked;
}

/** Half of them the best as estimated, half the best as hoped: neither estimate is to be trusted alone. */
function shortlist(list: Hopeful[], most: number): Candidate[] {
  if (list.length <= most) return list;
  const likely = spaced(list, most / 2, SPACED_M);
  const taken = new Set<Candidate>(likely);
  const rest = list.filter((c) => !taken.has(c)).map((c) => ({ ...c, order: c.hoped }));
  return [...likely, ...spaced(rest, most / 2, SPACED_M)];
}

/** Of the best few, the stands round them that had no closer look: candidates were spaced. */
export function neighbours(
  ground: ShotContext,
  stands: ReadonlyMap<Aim, readonly Stand[]>,
  fine: readonly Candidate[],
  roundBest: number,
): Candidate[] {
  const keyOf = (aim: Aim, lay: Lay, p: Place) =>
    `${ground.aims.indexOf(aim)} ${lay.kind} ${p.xM} ${p.yM}`;
  const seen = new Set(fine.map((c) => keyOf(c.aim, c.lay, c.stand.place)));
  const out: Candidate[] = [];
  for (const c of [...fine].sort((a, b) => b.order - a.order).slice(0, roundBest)) {
    for (const stand of stands.get(c.aim)!) {
      const { xM, yM } = stand.place;
      if (Math.hypot(xM - c.stand.place.xM, yM - c.stand.place.yM) > ROUND_M) continue;
      const key = keyOf(c.aim, c.lay, stand.place);
      const cast = castOf(ground, stand, c.lay);
      if (seen.has(key) || !cast) continue;
      seen.add(key);
      out.push({ ...c, stand, cast });
    }
  }
  return out;
}

/** The best of a list, none within `apartM` of a better one. */
export function spaced(list: Candidate[], most: number, apartM: number): Candidate[] {
  list.sort((a, b) => b.order - a.order || b.cleanS - a.cleanS);
  if (apartM === 0) return list.slice(0, most);
  const out: Candidate[] = [];
  for (const c of list) {
    if (out.length >= most) break;
    const p = c.stand.place;
    let free = true;
    for (const o of out) {
      const dx = o.stand.place.xM - p.xM;
      const dy = o.stand.place.yM - p.yM;
      if (dx * dx + dy * dy < apartM * apartM) {
        free = false;
        break;
      }
    }
    if (free) out.push(c);
  }
  return out;
}
