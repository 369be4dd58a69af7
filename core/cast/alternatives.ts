import type { Place } from '../grid/index';
import type { Reason } from '../units/index';
import { PARTS, type Part } from '../chance/index';
import {
  candidate,
  castOf,
  driftOf,
  type Aim,
  type Candidate,
  type ShotContext,
} from './shot-candidate';
import type { Lay } from './lays';
import { reasonFor } from './shot-terms';
import { simulateDrift } from './simulate-drift';
import type { Stand } from './stands';

/** What anglers would do first, and why it loses to the best shot. */
export interface Alternative {
  what: 'straight-from-there' | 'near-bank' | 'straight-below';
  stand: Place;
  lay: Lay;
  cleanS: number;
  /** Its chance of an honest look within three covers. */
  value: number;
  /** The factor that costs it most beside the best shot, and the figure. */
  because: Reason;
  /** Why its drift ends, when the drift is what loses. */
  dragReason: Reason | null;
}

/** Abreast of the fish: this near to square on, rad. */
const ABREAST_RAD = (35 * Math.PI) / 180;
const BELOW_RAD = (14 * Math.PI) / 180;
const BELOW_LOOKED: Lay = { kind: 'straight' };

/** Why the obvious alternatives lose; those that do not lose, or cannot be, are left out. */
export function alternatives(
  ground: ShotContext,
  byAim: ReadonlyMap<Aim, readonly Stand[]>,
  best: Pick<Candidate, 'order' | 'chance' | 'lay'> & { stand: Place; landing: Place },
): Alternative[] {
  const aim = ground.aims.find((a) => a.place === best.landing)!;
  const stands = byAim.get(aim)!;
  const out: Alternative[] = [];
  const add = (what: Alternative['what'], stand: Stand | undefined, lay: Lay) => {
    if (!stand) return;
    const judged = judge(ground, stand, aim, lay);
    if (!judged || judged.c.order >= best.order) return;
    const { c, dragReason } = judged;
    const part = costliest(c, best);
    out.push({
      what,
      stand: stand.place,
      lay,
      cleanS: c.cleanS,
      value: c.chance.value,
      because: reasonFor(part, c.facts, c.chance),
      dragReason: part === 'clean' ? dragReason : null,
    });
  };
  const here = stands.find((s) => s.place.xM === best.stand.xM && s.place.yM === best.stand.yM);
  if (best.lay.kind !== 'straight') add('straight-from-there', here, { kind: 'straight' });
  add('near-bank', nearBank(stands), { kind: 'straight' });
  const below =
    nearestTo(stands, (s) => s.angleRad <= BELOW_RAD && s.wade === 0) ??
    nearestTo(stands, (s) => s.angleRad <= BELOW_RAD);
  add('straight-below', below, BELOW_LOOKED);
  return out;
}

const nearestTo = (stands: readonly Stand[], fits: (s: Stand) => boolean): Stand | undefined =>
  stands.filter(fits).sort((a, b) => Math.abs(a.distanceM - 7) - Math.abs(b.distanceM - 7))[0];

/** The dry place abreast of the fish that is quickest to reach: what one would walk up to. */
function nearBank(stands: readonly Stand[]): Stand | undefined {
  return stands
    .filter(
      (s) =>
        s.wade === 0 && Math.abs(s.angleRad - Math.PI / 2) < ABREAST_RAD && s.distanceM <= s.sureM,
    )
    .sort((a, b) => a.waySeconds + 20 * a.distanceM - (b.waySeconds + 20 * b.distanceM))[0];
}

function judge(
  ground: ShotContext,
  stand: Stand,
  aim: Aim,
  lay: Lay,
): { c: Candidate; dragReason: Reason | null } | null {
  // Straight below is no shot of ours, and is judged here to say why.
  const cast = castOf(ground, { ...stand, angleRad: Math.PI / 2 }, lay);
  if (!cast) return null;
  const drift = simulateDrift(ground.scene.flow, {
    ...driftOf(ground, stand.place, aim, lay),
    stopAtDrag: true,
  });
  if (drift.status !== 'ok') return null;
  return {
    c: candidate(ground, stand, aim, lay, cast, drift),
    dragReason: drift.reason,
  };
}

const COMPARED = PARTS.filter((p) => p !== 'home');

/** The factor whose share of -ln of the product grows most against the best shot. */
function costliest(c: Candidate, best: Pick<Candidate, 'chance'>): Part {
  const costs = (p: Part) =>
    Math.log(Math.max(LEAST_PART, best.chance.parts[p])) -
    Math.log(Math.max(LEAST_PART, c.chance.parts[p]));
  return COMPARED.reduce((a, b) => (costs(b) > costs(a) ? b : a));
}
const LEAST_PART = 0.01;
