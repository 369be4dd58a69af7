'use client';

import { formatLength } from '../../../core/units/index';
import { LOOKED_BEHIND_M, type CastNow } from '../../../core/cast/index';
import type { Place } from '../../../core/grid/index';
import { pageX, pageY, type Camera } from '../../../drawing/camera';
import { usePart } from '../../context';
import { linePath } from '../../../drawing/shapes';
import { isPale, targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import css from './cast.module.css';
import drawn from '../../../drawing/marks.module.css';
import { Label, RoundRoom, useSheet } from '../../../drawing/label-room';

type XY = [number, number];

/** What the cast is made of on the plan: room behind, false casts, lead, lift, covers, the landing. */
export function CastPlan({ camera }: { camera: Camera }) {
  const { small } = useSheet();
  const now = usePart((s) => valueOf(s, 'drift')?.now);
  const stand = usePart((s) => s.stand)!;
  const stale = usePart((s) => isPale(s, 'drift'));
  return (
    <g aria-hidden="true" opacity={stale ? 0.6 : 1}>
      {now && <Room camera={camera} now={now} stand={stand} />}
      {now?.falseCast && !small && <FalseCasts camera={camera} now={now} stand={stand} />}
      {!small && <LandIt camera={camera} />}
      <LeadAndLift camera={camera} />
    </g>
  );
}

const at = (camera: Camera, p: Place): XY => [pageX(camera, p.xM), pageY(camera, p.yM)];
const off = (from: Place, rad: number, m: number): Place => ({
  xM: from.xM + m * Math.cos(rad),
  yM: from.yM + m * Math.sin(rad),
});

/** The fan of the back cast: as far as it is free, and barred where something ends it. */
function Room({ camera, now, stand }: { camera: Camera; now: CastNow; stand: Place }) {
  const needM = Math.max(0, now.distanceM - 2);
  const shownM = Math.min(LOOKED_BEHIND_M, Math.max(4, needM));
  const rim = now.room.rays.map((r) =>
    at(camera, off(stand, r.bearingRad, Math.min(shownM, r.overheadM))),
  );
  const ends = now.room.rays.filter((r) => r.met !== null && r.overheadM < shownM);
  return (
    <>
      <path d={`${linePath([at(camera, stand), ...rim])}Z`} className={css.room} />
      {now.ahead.met && <Ahead camera={camera} met={now.ahead.met.at} stand={stand} />}
      {ends.map((r, i) => {
        const [x, y] = at(camera, off(stand, r.bearingRad, r.overheadM));
        return (
          <path key={i} d={`M${x - 4},${y - 4}l8,8M${x + 4},${y - 4}l-8,8`} className={css.met} />
        );
      })}
    </>
  );
}

/** What hangs ahead, as the fan behind is drawn: open as far as the cross, and barred there. */
function Ahead({ camera, met, stand }: { camera: Camera; met: Place; stand: Place }) {
  const [x, y] = at(camera, met);
  const aim = Math.atan2(met.yM - stand.yM, met.xM - stand.xM);
  const far = Math.hypot(met.xM - stand.xM, met.yM - stand.yM);
  const rim = [-1, 0, 1].map((side) => at(camera, off(stand, aim + side * AHEAD_HALF_RAD, far)));
  return (
    <g>
      <path d={`${linePath([at(camera, stand), ...rim])}Z`} className={css.room} />
      <path
        data-mark="ahead"
        d={`M${x - 4},${y - 4}l8,8M${x + 4},${y - 4}l-8,8`}
        className={css.met}
      />
    </g>
  );
}
const AHEAD_HALF_RAD = 0.06;

/** The false casts' direction, as an arc from the cast to it. */
function FalseCasts({ camera, now, stand }: { camera: Camera; now: CastNow; stand: Place }) {
  const { bearingRad, turnRad, clear } = now.falseCast!;
  if (!clear) return null;
  const radius = 0.4 * now.distanceM;
  const steps = 12;
  // On the far side of the arc from the line, where the lift and the landing are not.
  const word = at(camera, off(stand, bearingRad + Math.sign(turnRad) * 0.2, radius));
  const arc = Array.from({ length: steps + 1 }, (_, i) =>
    at(camera, off(stand, bearingRad - turnRad * (1 - i / steps), radius)),
  );
  const end = at(camera, off(stand, bearingRad, 0.55 * now.distanceM));
  return (
    <>
      <path d={linePath([at(camera, stand), end])} className={css.falseCastLine} />
      <path d={linePath(arc)} className={css.falseCast} />
      <Label
        kind="smallAngler"
        text="false casts"
        at={word}
        clear={4}
        prefer={word[0] < at(camera, stand)[0] ? 'left' : 'right'}
      />
    </>
  );
}

const BRACKET_PX = 20;

/** Lead as a bracket beside the lane on the far side; the lift point on the track. */
function LeadAndLift({ camera }: { camera: Camera }) {
  const target = usePart(targetOf);
  const stand = usePart((s) => s.stand)!;
  const landing = usePart((s) => s.landing)!;
  const best = usePart((s) => valueOf(s, 'drift')?.band?.best ?? null);
  const lead = usePart((s) => valueOf(s, 'castStudy')?.lead ?? null);
  const leadM = usePart((s) => valueOf(s, 'drift')?.now?.leadM ?? null);
  const units = usePart((s) => s.settings.units);
  const { small } = useSheet();
  if (!target || leadM === null || leadM < 0.1) return null;
  const [lx, ly] = at(camera, landing);
  const [fx, fy] = at(camera, target);
  const [sx, sy] = at(camera, stand);
  const length = Math.hypot(fx - lx, fy - ly) || 1;
  let [nx, ny] = [-(fy - ly) / length, (fx - lx) / length];
  // The far side of the lane from the angler.
  if (nx * (sx - fx) + ny * (sy - fy) > 0) [nx, ny] = [-nx, -ny];
  const shift = (p: XY, by: number): XY => [p[0] + nx * by, p[1] + ny * by];
  const [a, b] = [shift([lx, ly], BRACKET_PX), shift([fx, fy], BRACKET_PX)];
  const cap = (p: XY) => linePath([shift(p, -5), shift(p, 5)]);
  const lift = !small && lead && best && liftPlace(best, lead.liftPastM, target);
  return (
    <>
      <path d={`${linePath([a, b])}${cap(a)}${cap(b)}`} className={css.bracketCase} />
      <path d={`${linePath([a, b])}${cap(a)}${cap(b)}`} className={css.bracket} />
      <Label
        kind="angler"
        text={`lead ${formatLength(leadM, units)}`}
        at={[(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]}
        clear={Math.max(8, Math.abs(a[0] - b[0]) / 2 + 6)}
        prefer="right"
      />
      {lift && <Lift camera={camera} place={lift} toward={[sx, sy]} />}
    </>
  );
}

/** Where the fly is once it is so far past the fish; null when it never gets there. */
function liftPlace(
  best: { x: Float64Array; y: Float64Array },
  pastM: number,
  fish: { xM: number; yM: number; headingRad: number },
): Place | null {
  for (let n = 0; n < best.x.length; n++) {
    const past =
      -(best.x[n]! - fish.xM) * Math.cos(fish.headingRad) -
      (best.y[n]! - fish.yM) * Math.sin(fish.headingRad);
    if (past >= pastM) return { xM: best.x[n]!, yM: best.y[n]! };
  }
  return null;
}

function Lift({ camera, place, toward }: { camera: Camera; place: Place; toward: XY }) {
  const [x, y] = at(camera, place);
  const d = Math.hypot(toward[0] - x, toward[1] - y) || 1;
  const [ux, uy] = [(toward[0] - x) / d, (toward[1] - y) / d];
  const apex: XY = [x + 3 * ux, y + 3 * uy];
  const arm = (side: number): XY => [
    apex[0] + 10 * ux - side * 6.5 * uy,
    apex[1] + 10 * uy + side * 6.5 * ux,
  ];
  const d2 = `${linePath([arm(1), apex, arm(-1)])}`;
  return (
    <>
      <path d={d2} className={css.bracketCase} />
      <path d={d2} className={css.lift} />
      <RoundRoom x={apex[0]} y={apex[1]} r={7} />
      <Label
        kind="smallAngler"
        text="lift"
        at={apex}
        clear={12}
        prefer={uy > 0 ? 'below' : 'above'}
      />
    </>
  );
}

/** Where the fish is led and landed, and the danger it is kept from. */
function LandIt({ camera }: { camera: Camera }) {
  const away = usePart((s) => valueOf(s, 'castStudy')?.leadAway ?? null);
  if (!away) return null;
  const [x, y] = at(camera, away.to);
  const danger = away.danger && at(camera, away.danger.at);
  return (
    <>
      <path d={linePath([at(camera, away.from), [x, y]])} className={css.ledFishCase} />
      <path d={linePath([at(camera, away.from), [x, y]])} className={css.ledFish} />
      <path d={`M${x - 5},${y - 5}l10,10M${x + 5},${y - 5}l-10,10`} className={css.ledFishCross} />
      {danger && (
        <g transform={`translate(${danger[0]} ${danger[1]})`}>
          <rect x={-8} y={-8} width={16} height={16} className={css.danger} />
          <path d="M0,-5V1M0,4v.5" className={css.dangerMark} />
        </g>
      )}
    </>
  );
}

/** Below this scale the covers of one fish are dots: numbers would lie on one another. */
const NUMBERED_PX_PER_M = 40;

/** The three covers of the fish, or those of the whole water, numbered in their order. */
export function Covers({ camera }: { camera: Camera }) {
  const pool = usePart((s) => valueOf(s, 'pool'));
  const covers = usePart((s) => valueOf(s, 'castStudy')?.covers ?? null);
  // The third cover is the landing place itself, which has its own mark.
  const list = pool ?? covers?.slice(0, 2) ?? [];
  if (!pool && camera.scale < NUMBERED_PX_PER_M)
    return list.map((c, i) => {
      const [x, y] = at(camera, c.place);
      return <circle key={i} cx={x} cy={y} r={3.2} className={drawn.cover} />;
    });
  return (
    <>
      {list.map((c, i) => {
        const [x, y] = at(camera, c.place);
        return (
          <g key={i} transform={`translate(${x} ${y})`}>
            <circle r={9} className={drawn.cover} data-mark="cover" />
            <RoundRoom x={x} y={y} r={9} />
            <text y={4.2} textAnchor="middle" className={drawn.coverNumber}>
              {i + 1}
            </text>
          </g>
        );
      })}
    </>
  );
}
