'use client';

import { formatLength } from '../../../core/units/index';
import type { WindowBody, WindowView } from '../../../core/sight/index';
import { usePart } from '../../context';
import { FISH_SIDE, POSTURE_MARK } from '../../../drawing/shapes';
import { targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import panel from '../../../ui/panel.module.css';
import css from './spot.module.css';

const R = 96;

/** What the fish sees of the world above, and the ray by which it sees the angler. */
export function WindowPanel() {
  const view = usePart((s) => valueOf(s, 'window'));
  const target = usePart(targetOf);
  const units = usePart((s) => s.settings.units);
  if (!target) return null;
  if (!view) return <p className={panel.working}>Looking up through its eye.</p>;
  return (
    <>
      <WindowDisc view={view} />
      <p className={panel.second}>
        Its window, {formatLength(2 * view.radiusM, units)} across on the surface, as it looks up:
        the sky in the middle, banks and boughs squeezed to the rim. Behind it, dark, it is blind.
      </p>
      {view.sight ? (
        <SideRay view={view} fishDepthM={target.fishDepthM} />
      ) : (
        <p className={panel.second}>Choose a place to look from, to see how you show in it.</p>
      )}
    </>
  );
}

/** Page direction of a plan bearing: up-current to the right, true right up. */
const point = (bearingRad: number, at: number) =>
  `${(R * at * Math.cos(bearingRad)).toFixed(1)},${(-R * at * Math.sin(bearingRad)).toFixed(1)}`;

function WindowDisc({ view }: { view: WindowView }) {
  const ring = (key: 'ground' | 'plants') =>
    `M${point(0, 1)}${view.skyline.map((s) => `L${point(s.bearingRad, 1)}`).join('')}Z` +
    `M${view.skyline.map((s) => point(s.bearingRad, s[key])).join('L')}Z`;
  const back = view.headingRad + Math.PI;
  const blind = `M0,0L${point(back - view.blindHalfRad, 1)}A${R},${R} 0 0 0 ${point(back + view.blindHalfRad, 1)}Z`;
  const body = (b: WindowBody) =>
    `M${point(b.bearingRad - b.halfWidthRad, b.foot)}L${point(b.bearingRad + b.halfWidthRad, b.foot)}` +
    `L${point(b.bearingRad + b.halfWidthRad, b.top)}L${point(b.bearingRad - b.halfWidthRad, b.top)}Z`;
  return (
    <svg
      width="248"
      height="216"
      viewBox="-124 -108 248 216"
      role="img"
      aria-label={`What the fish sees: ${view.angler ? `you reach ${Math.round((1 - view.angler.top) * 100)} hundredths of the way in from the rim` : 'no angler'}.`}
      className={css.windowDisc}
    >
      <circle r={R} className={css.discSky} />
      <path d={ring('plants')} className={css.discPlants} fillRule="evenodd" />
      <path d={ring('ground')} className={css.discGround} fillRule="evenodd" />
      <path d={blind} className={css.discBlind} />
      {view.sun && (
        <g transform={`translate(${point(view.sun.bearingRad, view.sun.at).replace(',', ' ')})`}>
          <circle r={6} className={css.discSun} />
          <path d="M0,-12V-9M0,9V12M-12,0H-9M9,0H12" className={css.discRays} />
        </g>
      )}
      {view.angler && <path d={body(view.angler)} className={css.discAngler} />}
      {view.rod && <path d={body(view.rod)} className={css.discRod} />}
      <circle r={R} className={css.discRim} />
      <path
        d={`M${point(view.headingRad, 0.12)}L${point(view.headingRad, -0.12)}`}
        className={css.discHead}
      />
      <circle
        cx={R * 0.12 * Math.cos(view.headingRad)}
        cy={-R * 0.12 * Math.sin(view.headingRad)}
        r={3}
        fill="var(--fish)"
      />
    </svg>
  );
}

/** Side view, to scale along and up: the ray from the top of the angler, dry and wet. */
function SideRay({ view, fishDepthM }: { view: WindowView; fishDepthM: number }) {
  const posture = usePart((s) => s.posture);
  const units = usePart((s) => s.settings.units);
  const { distanceM, topM, footM, ray } = view.sight!;
  const width = 288;
  const height = 132;
  const scale = Math.min(238 / Math.max(3, distanceM + 0.6), 112 / (topM + fishDepthM + 0.3));
  const surface = 12 + topM * scale + 4;
  const fishX = 38;
  const x = (m: number) => fishX + m * scale;
  const crossing = x(ray.crossingM);
  const man = POSTURE_MARK[posture];
  // The mark's own height, px at scale 1, is stretched to the angler's.
  const tall = -man.head[1] + 2.4;
  const k = ((topM - footM) * scale) / tall;
  const insideDeg = ((ray.aboveEdgeRad * 180) / Math.PI).toFixed(1);
  return (
    <>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`You are ${formatLength(distanceM, units)} off; the ray from your top crosses the surface ${formatLength(ray.crossingM, units, 2)} from the fish.`}
        className={css.sideRay}
      >
        <rect
          x={0}
          y={surface}
          width={Math.max(crossing + 12, width * 0.72)}
          height={fishDepthM * scale + 14}
          className={css.sideWater}
        />
        <path d={`M0,${surface}H${width}`} className={css.sideSurface} />
        <path
          d={`M${x(distanceM)},${surface - topM * scale}L${crossing},${surface}`}
          className={css.sideDry}
        />
        <path
          d={`M${crossing},${surface}L${x(0)},${surface + fishDepthM * scale}`}
          className={css.sideWet}
        />
        <circle cx={crossing} cy={surface} r={3} className={css.sideCrossing} />
        <g transform={`translate(${x(0)} ${surface + fishDepthM * scale}) scale(.34)`}>
          <path d={FISH_SIDE} fill="var(--fish)" />
        </g>
        <g transform={`translate(${x(distanceM)} ${surface - footM * scale}) scale(${k})`}>
          <path d={man.path} stroke="var(--angler)" strokeWidth={2.2} fill="none" />
          <circle cx={man.head[0]} cy={man.head[1]} r={2.4} fill="var(--angler)" />
        </g>
        <text x={width - 4} y={height - 4} textAnchor="end" className={css.sideWord}>
          {formatLength(distanceM, units)} off
        </text>
      </svg>
      <p>
        Your top shows {insideDeg}° inside the rim. The ray meets the water{' '}
        {formatLength(ray.crossingM, units, 2)} from the fish.
      </p>
    </>
  );
}
