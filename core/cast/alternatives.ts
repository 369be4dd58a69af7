import type { Place } from '../grid/index';
import type { Reason } from '../units/index';
import { candidate, castOf, driftOf, type Candidate, type ShotContext } from './shot-candidate';
import type { Lay } from './lays';
import { reasonFor, TERMS, type Term } from './shot-terms';
import { simulateDrift } from './simulate-drift';
import type { Stand } from './stands';

/** What anglers would do first, and why it loses to the best shot. */
export interface Alternative {
  what: 'straight-from-there' | 'near-bank' | 'straight-below';
  stand: Place;
  lay: Lay;
  cleanS: number;
  total: number;
  /** The term that costs it most beside the best shot, and the figure. */
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
  stands: readonly Stand[],
  best: Pick<Candidate, 'total' | 'qualities' | 'lay'> & { stand: Place },
): Alternative[] {
  const out: Alternative[] = [];
  const add = (what: Alternative['what'], stand: Stand | undefined, lay: Lay) => {
    if (!stand) return;
    const judged = judge(ground, stand, lay);
    if (!judged || judged.c.total >= best.total) return;
    const { c, dragReason } = judged;
    const term = costliest(ground, c, best);
    out.push({
      what,
      stand: stand.place,
      lay,
      cleanS: c.cleanS,
      total: c.total,
      because: reasonFor(term, c.facts, c.cleanS),
      dragReason: term === 'clean' ? dragReason : null,
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
  lay: Lay,
): { c: Candidate; dragReason: Reason | null } | null {
  // Straight below is no shot of ours, and is judged here to say why.
  const cast = castOf(ground, { ...stand, angleRad: Math.PI / 2 }, lay);
  if (!cast) return null;
  const drift = simulateDrift(ground.scene.flow, {
    ...driftOf(ground, stand.place, lay),
    stopAtDrag: true,
  });
  if (drift.status !== 'ok') return null;
  return {
    c: candidate(ground, stand, lay, cast, drift.cleanS, drift.laid),
    dragReason: drift.reason,
  };
}

/** The term whose weighed shortfall against the best shot is greatest. */
function costliest(ground: ShotContext, c: Candidate, best: Pick<Candidate, 'qualities'>): Term {
  const costs = (t: Term) => ground.weights[t] * (best.qualities[t] - c.qualities[t]);
  return TERMS.reduce((a, b) => (costs(b) > costs(a) ? b : a));
}
