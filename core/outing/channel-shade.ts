import { featuresOf, shapePlaces, type BeatPlan } from '../formats/index';
import { pointInPolygon, polylineYAt, type Place } from '../grid/index';
import type { Conditions } from '../sight/index';

/** Places along the middle of the water that are looked at. */
const PLACES = 24;
/** Where a tree's or bush's crown was not told: of its height. */
const CROWN_OF_HEIGHT = 0.5;
/** Lower than this the hills and all that was not drawn take the sun (our guess), degrees. */
const LOWEST_DEG = 4;
/** A tall bank shades as a wall. */
const BANK_M = 1;

/**
 * Share of the middle of the water that the sun does not reach, 0-1: trees, bushes and high banks as they
 * are drawn, on level ground. 1 while the sun is down. For planning a day; the shade on the water is `shadeField`.
 */
export function channelShade(
  plan: BeatPlan,
  light: Pick<Conditions, 'sunAltitudeRad' | 'sunPlanRad'>,
): number {
  const { sunAltitudeRad, sunPlanRad } = light;
  if (sunPlanRad === null || sunAltitudeRad < (LOWEST_DEG * Math.PI) / 180) return 1;
  const to = { x: Math.cos(sunPlanRad), y: Math.sin(sunPlanRad) };
  const slope = Math.tan(sunAltitudeRad);
  const { left, right } = banks(plan);
  const stems = [...featuresOf(plan, 'tree'), ...featuresOf(plan, 'bush')].map((f) => ({
    heightM: f.heightM,
    crownM: f.crownM ?? CROWN_OF_HEIGHT * f.heightM,
    places: shapePlaces(f.shape),
    isArea: f.shape.type === 'Polygon',
  }));
  let shaded = 0;
  for (let i = 0; i < PLACES; i++) {
    const xM = ((i + 0.5) / PLACES) * plan.lengthM;
    const [l, r] = [polylineYAt(left, xM), polylineYAt(right, xM)];
    const at = { xM, yM: (l + r) / 2 };
    const underTree = stems.some((s) => takesSun(s, at, to, slope));
    if (underTree || behindBank(plan, at, Math.abs(r - l) / 2, to.y, slope)) shaded++;
  }
  return shaded / PLACES;
}

interface Stem {
  heightM: number;
  crownM: number;
  places: readonly Place[];
  isArea: boolean;
}

/** Whether the ray to the sun passes through a crown. */
function takesSun(
  { heightM, crownM, places, isArea }: Stem,
  at: Place,
  to: { x: number; y: number },
  slope: number,
): boolean {
  const farthest = heightM / slope;
  if (isArea) {
    for (let m = 0; m <= farthest; m += 1)
      if (pointInPolygon({ xM: at.xM + m * to.x, yM: at.yM + m * to.y }, [...places])) return true;
    return false;
  }
  return places.some((p) => {
    const [dx, dy] = [p.xM - at.xM, p.yM - at.yM];
    const along = dx * to.x + dy * to.y;
    const aside = Math.abs(dx * to.y - dy * to.x);
    return aside < crownM / 2 && along > -crownM / 2 && along - crownM / 2 < farthest;
  });
}

function behindBank(
  plan: BeatPlan,
  at: Place,
  halfWidthM: number,
  toRight: number,
  slope: number,
): boolean {
  const side = toRight > 0 ? 'right' : 'left';
  const bank = featuresOf(plan, 'bank').find(
    (b) =>
      b.side === side &&
      (b.heightM ?? 0) >= BANK_M &&
      shapePlaces(b.shape).some((p) => p.xM >= at.xM) &&
      shapePlaces(b.shape).some((p) => p.xM <= at.xM),
  );
  if (!bank || Math.abs(toRight) < 0.05) return false;
  return ((bank.heightM ?? 0) * Math.abs(toRight)) / slope > halfWidthM;
}

/** Both banks as lines in order of x. */
function banks(plan: BeatPlan): { left: Place[]; right: Place[] } {
  const line = (side: 'left' | 'right') =>
    featuresOf(plan, 'bank')
      .filter((b) => b.side === side)
      .flatMap((b) => shapePlaces(b.shape))
      .sort((a, b) => a.xM - b.xM);
  return { left: line('left'), right: line('right') };
}
