import { CLEAR_NTU, clarityOver, type Fish, type Scene } from '../sight/index';
import { traceStreamline } from '../water/index';
import { OWN_MUD } from './guesses';
import { bedAt, cellPlace, type WalkGrid } from './walk-grid';

/**
 * What an angler's own mud leaves of what a fish notices, 0-1, for every cell of the walk: less than
 * 1 only where one wades on silt, clay or sand so that the current carries the mud over the fish.
 */
export function ownMud(scene: Scene, grid: WalkGrid, fish: Fish): Float64Array {
  const leaves = new Float64Array(grid.nx * grid.ny).fill(1);
  const up = traceStreamline(scene.flow, fish, { direction: 'up', maxM: OWN_MUD.followedM });
  let goneM = 0;
  for (let n = 1; n < up.places.length; n++) {
    const [a, b] = [up.places[n - 1]!, up.places[n]!];
    goneM += Math.hypot(b.xM - a.xM, b.yM - a.yM);
    const halfM = OWN_MUD.halfWidthM + OWN_MUD.spreads * goneM;
    const reach = Math.ceil(halfM / grid.cellM);
    const ci = Math.round((b.xM - grid.x0M) / grid.cellM);
    const cj = Math.round((b.yM - grid.y0M) / grid.cellM);
    for (let j = Math.max(0, cj - reach); j <= Math.min(grid.ny - 1, cj + reach); j++)
      for (let i = Math.max(0, ci - reach); i <= Math.min(grid.nx - 1, ci + reach); i++) {
        const k = j * grid.nx + i;
        if (!grid.wade[k]) continue;
        const place = cellPlace(grid, k);
        if (Math.hypot(place.xM - b.xM, place.yM - b.yM) > halfM) continue;
        const bed = bedAt(scene.plan, place);
        if (!(bed in OWN_MUD.ntu)) continue;
        const stirred = OWN_MUD.ntu[bed as keyof typeof OWN_MUD.ntu];
        const ntu = stirred * Math.exp(-goneM / OWN_MUD.fadesM);
        const left = clarityOver(fish.fishDepthM, CLEAR_NTU + ntu);
        if (left < leaves[k]!) leaves[k] = left;
      }
  }
  return leaves;
}
