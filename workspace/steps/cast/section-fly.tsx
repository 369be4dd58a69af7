'use client';

import { pageX, type Camera } from '../../../drawing/camera';
import { usePart } from '../../context';
import { linePath } from '../../../drawing/shapes';
import { runsOf, TRACK_CLASS } from './track';
import { frameAt } from './film';
import { DRIFT_S } from './questions';
import { targetOf } from '../../state/selectors';
import type { LaneDrawn, SinkPath } from '../../../core/sink/index';
import { freshOf, valueOf } from '../../state/answer';
import css from './cast.module.css';
import drawn from '../../../drawing/marks.module.css';

/** Above the surface the track is drawn this high, so that it hides nothing, px. */
const ABOVE_PX = 7;

/** The fly on the long section: its track on the surface, where it lands and is lifted, and where it is now. */
export function SectionFly({
  camera,
  surfaceAt,
  y,
}: {
  camera: Camera;
  surfaceAt: (xM: number) => number;
  y: (m: number) => number;
}) {
  const step = usePart((s) => s.step);
  const best = usePart((s) => valueOf(s, 'drift')?.band?.best ?? null);
  const atS = usePart((s) => s.filmAtS);
  const target = usePart(targetOf);
  const lead = usePart((s) => valueOf(s, 'castStudy')?.lead ?? null);
  const told = usePart((s) => freshOf(s, 'bench')?.answer ?? null);
  if (step !== 'cast' || !best) return null;
  const at = (xM: number): [number, number] => [pageX(camera, xM), y(surfaceAt(xM)) - ABOVE_PX];
  const [lx, ly] = at(best.x[0]!);
  const liftX = target && lead ? target.xM - lead.liftPastM * Math.cos(target.headingRad) : null;
  const frame = atS === null ? null : frameAt(best, atS);
  const now = frame && at(frame.line[0]!.xM);
  const lane = told && 'lane' in told ? told.lane : null;
  const sunkAt = (path: SinkPath): [number, number][] =>
    path.alongM[0]!.map((along, i) => {
      const xM = onLane(lane!, along);
      return [pageX(camera, xM), y(surfaceAt(xM) - path.depthM[0]![i]!)];
    });
  const sunk = told && 'sunk' in told ? told.sunk : null;
  return (
    <g>
      {sunk && (
        <>
          <path
            d={`${linePath([...sunkAt(sunk.slow), ...sunkAt(sunk.quick).reverse()])}Z`}
            className={css.sinkBand}
          />
          <path d={linePath(sunkAt(sunk.best.path))} className={css.sinkPath} />
        </>
      )}
      {runsOf(best).map((run, i) => {
        const points: [number, number][] = [];
        for (let n = run.from; n <= run.to; n++) points.push(at(best.x[n]!));
        return (
          <g key={i}>
            <path d={linePath(points)} className={css.trackCase} />
            <path d={linePath(points)} className={TRACK_CLASS[run.kind]} />
          </g>
        );
      })}
      <circle cx={lx} cy={ly} r={5} className={drawn.landingCase} />
      <circle cx={lx} cy={ly} r={5} className={drawn.landing} />
      {liftX !== null && (
        <path
          d={`M${at(liftX)[0] - 6},${at(liftX)[1] - 12}L${at(liftX)[0]},${at(liftX)[1] - 3}L${at(liftX)[0] + 6},${at(liftX)[1] - 12}`}
          className={css.lift}
        />
      )}
      {now && (
        <>
          <circle cx={now[0]} cy={now[1]} r={4.4} className={css.flyNow} />
          <text
            x={now[0]}
            y={now[1] - 10}
            textAnchor="middle"
            className={`${drawn.anglerWord} ${drawn.cased} ${css.smallWord}`}
          >
            {Math.min(DRIFT_S, frame.tS).toFixed(1)} s
          </text>
        </>
      )}
    </g>
  );
}

/** x on the plan of a place along the lane, m. */
function onLane({ alongM, xM }: LaneDrawn, along: number): number {
  const f = Math.max(
    0,
    Math.min(alongM.length - 1.001, (along - alongM[0]!) / (alongM[1]! - alongM[0]!)),
  );
  const i = Math.floor(f);
  return xM[i]! + (f - i) * (xM[i + 1]! - xM[i]!);
}
