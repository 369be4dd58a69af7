'use client';

import { pageX, pageY, type Camera } from '../../../drawing/camera';
import { useActions, usePart } from '../../context';
import { linePath, POSTURE_MARK } from '../../../drawing/shapes';
import { useDrag } from '../../../drawing/use-drag';
import { castTip } from '../../../core/cast/index';
import { runsOf, TRACK_CLASS } from './track';
import { frameAt } from './film';
import { CastPlan, Covers } from './cast-plan';
import { ShotsOnPlan } from './shots-layer';
import { valueOf } from '../../state/answer';
import { createPlanActions } from '../../plan-actions';
import { isPale, rodMOf } from '../../state/selectors';
import css from './cast.module.css';
import drawn from '../../../drawing/marks.module.css';
import { Label, RoundRoom, useSheet } from '../../../drawing/label-room';

type XY = [number, number];

/** The angler's side of the plan: stand, rod, line, landing place and the fly's track. */
export function CastLayer({ camera }: { camera: Camera }) {
  const step = usePart((s) => s.step);
  const stand = usePart((s) => s.stand);
  const landing = usePart((s) => s.landing);
  if (!stand || !landing || (step !== 'cast' && step !== 'stalk')) return null;
  return (
    <g>
      {step === 'cast' && <CastPlan camera={camera} />}
      {step === 'cast' && <Track camera={camera} />}
      <Rod camera={camera} />
      {step === 'cast' && <Covers camera={camera} />}
      {step === 'cast' && <LandingHandle camera={camera} />}
      {step === 'cast' && <ShotsOnPlan camera={camera} />}
      <StandHandle camera={camera} />
    </g>
  );
}

/** Pull above which a stretch is drawn as biting, N: it moves a dry fly by more than clean drift allows. */
const BITES_N = 1e-4;

function Rod({ camera }: { camera: Camera }) {
  const stand = usePart((s) => s.stand)!;
  const landing = usePart((s) => s.landing)!;
  const best = usePart((s) => valueOf(s, 'drift')?.band?.best ?? null);
  const filmAtS = usePart((s) => s.filmAtS);
  const lay = usePart((s) => s.lay.kind);
  const step = usePart((s) => s.step);
  const stale = usePart((s) => isPale(s, 'drift'));
  const rodM = usePart(rodMOf);
  const frame = filmAtS === null ? null : frameAt(best, filmAtS);
  const places = frame?.line ?? best?.laid;
  const [sx, sy] = [pageX(camera, stand.xM), pageY(camera, stand.yM)];
  // With a reach the tip begins displaced: the line is drawn as it was laid.
  const end = places ? places[places.length - 1]! : castTip(stand, landing, rodM, lay);
  const [tx, ty] = [pageX(camera, end.xM), pageY(camera, end.yM)];
  const angle = Math.atan2(ty - sy, tx - sx);
  const [nx, ny] = [-Math.sin(angle) * 2.4, Math.cos(angle) * 2.4];
  const line = places?.map((p): XY => [pageX(camera, p.xM), pageY(camera, p.yM)]);
  const leader = best?.leaderPlaces ?? 0;
  return (
    <g aria-hidden="true" opacity={stale ? 0.6 : 1}>
      {step === 'cast' && line && (
        <>
          <path d={linePath(line)} className={css.lineCase} />
          <path d={linePath(line.slice(Math.max(0, leader - 1)))} className={css.flyLine} />
          <path d={linePath(line.slice(0, leader))} className={css.leader} />
          {frame?.tensionN.map((n, i) =>
            n > BITES_N && i < line.length - 1 ? (
              <path key={i} d={linePath([line[i]!, line[i + 1]!])} className={css.bites} />
            ) : null,
          )}
          <circle
            cx={line[line.length - 2]![0]}
            cy={line[line.length - 2]![1]}
            r={2.6}
            className={css.entryDot}
          />
          {frame && <circle cx={line[0]![0]} cy={line[0]![1]} r={4.4} className={css.flyNow} />}
        </>
      )}
      <path d={`M${sx + nx},${sy + ny}L${tx},${ty}L${sx - nx},${sy - ny}Z`} className={css.rod} />
    </g>
  );
}

function Track({ camera }: { camera: Camera }) {
  const drift = usePart((s) => valueOf(s, 'drift')?.band);
  const stale = usePart((s) => isPale(s, 'drift'));
  if (!drift) return null;
  const { best } = drift;
  const xy = (n: number): XY => [pageX(camera, best.x[n]!), pageY(camera, best.y[n]!)];
  return (
    <g aria-hidden="true" opacity={stale ? 0.6 : 1}>
      {runsOf(best).map((run, i) => {
        const points: XY[] = [];
        for (let n = run.from; n <= run.to; n++) points.push(xy(n));
        const d = linePath(points);
        return (
          <g key={i}>
            <path d={d} className={css.trackCase} />
            <path d={d} className={TRACK_CLASS[run.kind]} />
          </g>
        );
      })}
    </g>
  );
}

function LandingHandle({ camera }: { camera: Camera }) {
  const acting = useActions(createPlanActions);
  const landing = usePart((s) => s.landing)!;
  const drag = useDrag(camera, landing, acting.moveLanding);
  return (
    <g
      {...drag}
      className={drawn.handle}
      role="button"
      aria-label={`Landing place of the fly, x ${landing.xM.toFixed(1)} m, y ${landing.yM.toFixed(1)} m. Arrow keys move it.`}
      transform={`translate(${pageX(camera, landing.xM)} ${pageY(camera, landing.yM)})`}
    >
      <circle r={22} className={drawn.handleArea} />
      <circle r={5} className={drawn.landingCase} />
      <circle r={5} data-mark="landing" className={drawn.landing} />
      <path d="M7,-6l4,-4M9,1l6,0M0,-9l0,-6" className={css.splash} />
      <RoundRoom x={pageX(camera, landing.xM)} y={pageY(camera, landing.yM)} r={7} />
    </g>
  );
}

const STAND_WORDS = {
  stand: 'stand here',
  crouch: 'crouch here',
  kneel: 'kneel here',
  crawl: 'lie low here',
};

function StandHandle({ camera }: { camera: Camera }) {
  const acting = useActions(createPlanActions);
  const stand = usePart((s) => s.stand)!;
  const landing = usePart((s) => s.landing)!;
  const posture = usePart((s) => s.posture);
  const step = usePart((s) => s.step);
  const drag = useDrag(camera, stand, acting.moveStand);
  const x = pageX(camera, stand.xM);
  const y = pageY(camera, stand.yM);
  const deg =
    (Math.atan2(pageY(camera, landing.yM) - y, pageX(camera, landing.xM) - x) * 180) / Math.PI;
  const mark = POSTURE_MARK[posture];
  const { width } = useSheet();
  return (
    <g
      {...drag}
      className={drawn.handle}
      role="button"
      aria-label={`Stand, x ${stand.xM.toFixed(1)} m, y ${stand.yM.toFixed(1)} m, ${posture}. Arrow keys move it.`}
      transform={`translate(${x} ${y})`}
    >
      <circle r={22} className={drawn.handleArea} />
      <path
        d="M0,-10A10,10 0 0 0 0,10Z"
        transform={`rotate(${deg})`}
        className={css.stand}
        data-mark="stand"
      />
      <g transform="translate(26 12) scale(1.45)">
        <path d={mark.path} className={drawn.postureCase} />
        <circle cx={mark.head[0]} cy={mark.head[1]} r={2.4} className={drawn.postureHeadCase} />
        <path d={mark.path} className={drawn.posture} />
        <circle cx={mark.head[0]} cy={mark.head[1]} r={2.4} fill="var(--angler)" />
      </g>
      <RoundRoom x={x} y={y} r={10} />
      <RoundRoom x={x + 28} y={y + 6} r={9} />
      <Label
        kind="angler"
        text={STAND_WORDS[posture]}
        at={[x + 14, y + 4]}
        clear={26}
        prefer={x > width / 2 ? 'left' : 'right'}
      />
      {step === 'stalk' && <title>Drag the stand</title>}
    </g>
  );
}
