'use client';

import { useMemo } from 'react';
import { readRises, trueLie } from '../../../core/sight/index';
import { pageDeg, pageX, pageY, type Camera } from '../../../drawing/camera';
import { atHour, clockText } from '../../../core/units/index';
import { useActions, usePart, useWorkspace } from '../../context';
import { declutter } from '../../../drawing/declutter';
import { POSTURE_MARK } from '../../../drawing/shapes';
import { HOURS } from '../../state/hours';
import { lookoutLetter } from '../../../words/words';
import { samePlace } from '../../state/match';
import { useDrag } from '../../../drawing/use-drag';
import { FishShape } from './marks-layer';
import { targetOf } from '../../state/selectors';
import { isStale, valueOf } from '../../state/answer';
import { createMarkActions } from '../../records/mark-actions';
import drawn from '../../../drawing/marks.module.css';
import css from './spot.module.css';
import { Label, RoundRoom } from '../../../drawing/label-room';

/** Where to look from, the angler looking, and the rings that were tapped. */
export function SpotLayer({ camera, ...size }: { camera: Camera; width: number; height: number }) {
  const viewer = usePart((s) => s.viewer);
  return (
    <>
      <Rings camera={camera} />
      <Lookouts camera={camera} {...size} />
      {viewer && <Viewer camera={camera} viewer={viewer} />}
    </>
  );
}

/** Room kept at the edges of the plan, for the mark's word and for what is drawn there, px. */
/** On narrower paper letters stand alone, or they would lie over one another; the list has the hours. */
const WIDE_PX = 500;
const EDGE_PX = { side: 34, top: 24, bottom: 72 };

function Lookouts({ camera, width, height }: { camera: Camera; width: number; height: number }) {
  const { beat } = useWorkspace();
  const marking = useActions(createMarkActions);
  const lookouts = usePart((s) => valueOf(s, 'lookouts'));
  const stale = usePart((s) => isStale(s, 'lookouts'));
  const viewer = usePart((s) => s.viewer);
  const atMs = usePart((s) => s.atMs);
  if (!lookouts) return null;
  // One that lies beyond the paper is kept at its edge, and two that would meet make way for one another:
  // an arrow points to where they are.
  const kept = declutter(
    lookouts.map((l) => ({
      x: Math.min(width - EDGE_PX.side, Math.max(EDGE_PX.side, pageX(camera, l.xM))),
      y: Math.min(height - EDGE_PX.bottom, Math.max(EDGE_PX.top, pageY(camera, l.yM))),
      r: EYE_PX,
    })),
  );
  return (
    <g opacity={stale ? 0.6 : 1}>
      {lookouts.map((l, i) => {
        if (samePlace(viewer, l)) return null;
        const zone = beat.plan.timeZone;
        const [x0, y0] = [pageX(camera, l.xM), pageY(camera, l.yM)];
        const { x, y } = kept[i]!;
        const beyond = Math.hypot(x - x0, y - y0) > MOVED_PX;
        return (
          <g
            key={`${l.xM},${l.yM}`}
            transform={`translate(${x} ${y})`}
            className={drawn.lookout}
            onClick={(e) => {
              e.stopPropagation();
              marking.moveViewer(l);
            }}
          >
            <title>{`Look from ${lookoutLetter(i)}`}</title>
            <circle r={18} fill="transparent" />
            <path d={EYE} className={css.eyeCase} />
            <path d={EYE} className={css.eye} data-mark="place to look from" />
            <circle r={3.4} fill="var(--angler)" />
            {beyond && (
              <path
                d="M16,-5L25,0L16,5Z"
                transform={`rotate(${(Math.atan2(y0 - y, x0 - x) * 180) / Math.PI})`}
                className={css.beyond}
              />
            )}
            <RoundRoom x={x} y={y} r={12} />
            <Label
              kind="lookout"
              text={`${lookoutLetter(i)}${width >= WIDE_PX ? `, ${clockText(atHour(atMs, HOURS[l.bestHour]!, zone), zone)}` : ''}`}
              at={[x, y]}
              clear={13}
              prefer="below"
              pale={stale}
            />
          </g>
        );
      })}
    </g>
  );
}

/** Moved farther than this from its place, an eye points to it, px. */
const MOVED_PX = 6;
/** Room that an eye takes, half its width, px. */
const EYE_PX = 17;

/** An open eye, 26 wide. */
const EYE = 'M-13,0 Q0,-11 13,0 Q0,11 -13,0Z';

/** The angler looking: dragged, and the line of sight to the fish. */
function Viewer({ camera, viewer }: { camera: Camera; viewer: { xM: number; yM: number } }) {
  const marking = useActions(createMarkActions);
  const posture = usePart((s) => s.posture);
  const target = usePart(targetOf);
  const drag = useDrag(camera, viewer, (place, dragging) => marking.moveViewer(place, dragging));
  const x = pageX(camera, viewer.xM);
  const y = pageY(camera, viewer.yM);
  const mark = POSTURE_MARK[posture];
  return (
    <>
      {target && (
        <g aria-hidden="true">
          <path
            d={`M${x},${y}L${pageX(camera, target.xM)},${pageY(camera, target.yM)}`}
            className={css.sightCase}
          />
          <path
            d={`M${x},${y}L${pageX(camera, target.xM)},${pageY(camera, target.yM)}`}
            className={css.sightLine}
          />
        </g>
      )}
      <g
        {...drag}
        transform={`translate(${x} ${y})`}
        className={drawn.handle}
        role="button"
        aria-label="Where you look from. Arrow keys move it."
      >
        <circle className={drawn.handleArea} r="22" />
        <RoundRoom x={x} y={y - 10} r={14} />
        <g transform="scale(1.9)">
          <path d={mark.path} className={drawn.postureCase} />
          <circle cx={mark.head[0]} cy={mark.head[1]} r={3.6} fill="var(--case)" />
          <path d={mark.path} className={drawn.posture} />
          <circle cx={mark.head[0]} cy={mark.head[1]} r={2.4} fill="var(--angler)" />
        </g>
      </g>
    </>
  );
}

function Rings({ camera }: { camera: Camera }) {
  const rises = usePart((s) => s.rises);
  const flow = usePart((s) => s.flow);
  const reading = useMemo(() => readRises(rises), [rises]);
  return (
    <g aria-hidden="true">
      {rises.map((r) => (
        <g key={r.id} transform={`translate(${pageX(camera, r.xM)} ${pageY(camera, r.yM)})`}>
          <circle r={9} className={css.ringTapCase} />
          <circle r={9} className={css.ringTap} data-mark="ring" />
          <circle r={4} className={css.ringTap} />
          <RoundRoom x={pageX(camera, r.xM)} y={pageY(camera, r.yM)} r={9} />
          <Label
            kind="ringNumber"
            text={String(r.seq)}
            at={[pageX(camera, r.xM), pageY(camera, r.yM)]}
            clear={10}
          />
        </g>
      ))}
      {flow &&
        reading.risers.map((fish, i) => {
          const lie = trueLie(flow, fish.place);
          if (!lie) return null;
          const [rx, ry] = [pageX(camera, fish.place.xM), pageY(camera, fish.place.yM)];
          const [x, y] = [pageX(camera, lie.place.xM), pageY(camera, lie.place.yM)];
          const heading = Math.atan2(lie.place.yM - fish.place.yM, lie.place.xM - fish.place.xM);
          return (
            <g key={i}>
              <path d={`M${rx},${ry}L${x},${y}`} className={css.backCase} />
              <path d={`M${rx},${ry}L${x},${y}`} className={css.backLine} />
              <g transform={`translate(${x} ${y})`}>
                <FishShape surety="maybe" length={36} deg={pageDeg(heading)} />
                <RoundRoom x={x - 16 * Math.cos(heading)} y={y + 16 * Math.sin(heading)} r={12} />
                <Label kind="ringNumber" text="lies here" at={[x, y]} clear={10} prefer="above" />
              </g>
              <g
                transform={`translate(${pageX(camera, lie.byRule.xM)} ${pageY(camera, lie.byRule.yM)})`}
              >
                <path d="M-5,-5L5,5M5,-5L-5,5" className={css.ruleCase} />
                <path d="M-5,-5L5,5M5,-5L-5,5" className={css.ruleMark} />
                <Label
                  kind="rule"
                  text="by rule"
                  at={[pageX(camera, lie.byRule.xM), pageY(camera, lie.byRule.yM)]}
                  clear={8}
                />
              </g>
            </g>
          );
        })}
    </g>
  );
}
