'use client';

import { useEffect, useState } from 'react';
import { shapePlaces, type BeatFeature } from '../../core/formats/index';
import type { Place } from '../../core/grid/index';
import type { SurveyDoubt } from '../../core/water/index';
import { formatDepth, type UnitSystem } from '../../core/units/index';
import { pageX, pageY, type Camera } from '../../drawing/camera';
import { linePath } from '../../drawing/shapes';
import { useDrag } from '../../drawing/use-drag';
import { BeatDrawing } from '../beat-drawing';
import { useSheet } from '../use-sheet';
import { FEATURE_NAMES, moveCorner, numberOf, type SurveyDraft } from './survey-draft';
import type { ToolState } from './tools';
import css from '../making.module.css';
import drawn from '../../drawing/marks.module.css';
import { Label, RoundRoom } from '../../drawing/label-room';

/** The survey on the page: what is there can be chosen and dragged, a tool's places are tapped. */
export function SurveyCanvas({
  draft,
  units,
  chosen,
  tool,
  scaling,
  doubt,
  onChoose,
  onTap,
  onMoveCorner,
}: {
  draft: SurveyDraft;
  units: UnitSystem;
  chosen: number | null;
  tool: ToolState | null;
  scaling: Place[] | null;
  doubt: SurveyDoubt | null;
  onChoose: (index: number | null) => void;
  onTap: (place: Place) => void;
  onMoveCorner: (index: number, feature: BeatFeature, dragging: boolean) => void;
}) {
  const { plan, photo } = draft;
  const { box, width, height, camera, svg, placeOf, hasMoved } = useSheet(plan.lengthM);
  const [pointer, setPointer] = useState<Place | null>(null);
  const taking = tool !== null || scaling !== null;
  useEffect(() => {
    if (!tool) setPointer(null);
  }, [tool]);
  const at = (p: Place): [number, number] => [pageX(camera, p.xM), pageY(camera, p.yM)];
  return (
    <div ref={box} className={`${css.makingDrawing} ${css.survey}`}>
      {width > 0 && (
        <BeatDrawing
          plan={plan}
          camera={camera}
          width={width}
          height={height}
          units={units}
          svgRef={svg}
          placing={taking}
          onClick={(e) => {
            if (hasMoved()) return;
            if (taking) onTap(placeOf(e));
            else if (e.target === e.currentTarget) onChoose(null);
          }}
          onPointerMove={(e) => tool && tool.places.length > 0 && setPointer(placeOf(e))}
          label="Plan of the survey, up-current to the right"
          under={
            photo ? (
              <image
                href={`/api/v1/photos/${photo.photoId}`}
                width={photo.widthPx * photo.mPerPx * camera.scale}
                height={photo.heightPx * photo.mPerPx * camera.scale}
                transform={`translate(${at(photo.middle).join(' ')}) rotate(${photo.turnDeg}) translate(${(-photo.widthPx * photo.mPerPx * camera.scale) / 2} ${(-photo.heightPx * photo.mPerPx * camera.scale) / 2})`}
                preserveAspectRatio="none"
              />
            ) : undefined
          }
        >
          {doubt && <DoubtDots doubt={doubt} camera={camera} units={units} />}
          {plan.features.map((f, i) => (
            <FeatureMark
              key={i}
              units={units}
              feature={f}
              number={numberOf(plan, i)}
              camera={camera}
              chosen={i === chosen}
              idle={!taking}
              onChoose={() => onChoose(i)}
            />
          ))}
          {chosen !== null && plan.features[chosen] && (
            <Corners
              feature={plan.features[chosen]}
              camera={camera}
              onMove={(f, dragging) => onMoveCorner(chosen, f, dragging)}
            />
          )}
          {tool && tool.places.length > 0 && (
            <path
              d={linePath([...tool.places, ...(pointer ? [pointer] : [])].map(at))}
              className={css.rubber}
            />
          )}
          {(tool?.places ?? scaling ?? []).map((p, i) => (
            <circle key={i} cx={at(p)[0]} cy={at(p)[1]} r={4} className={css.tapped} />
          ))}
        </BeatDrawing>
      )}
      {plan.features.length === 0 && !photo && (
        <p className={css.empty}>
          Begin with the two banks: take the Bank tool, true left first, from the foot of the beat
          on the left of the page to its head. Then tape a section across.
        </p>
      )}
    </div>
  );
}

/** What LandLayer does not draw: soundings and tapes with their figures; and a place to take hold of anything. */
function FeatureMark({
  units,
  feature,
  number,
  camera,
  chosen,
  idle,
  onChoose,
}: {
  units: UnitSystem;
  feature: BeatFeature;
  number: number;
  camera: Camera;
  chosen: boolean;
  idle: boolean;
  onChoose: () => void;
}) {
  const points = shapePlaces(feature.shape).map((p): [number, number] => [
    pageX(camera, p.xM),
    pageY(camera, p.yM),
  ]);
  const closed = feature.shape.type === 'Polygon';
  const d = `${linePath(points)}${closed ? 'Z' : ''}`;
  const first = points[0]!;
  const hit = idle
    ? { onClick: onChoose, style: { cursor: 'pointer' } }
    : { pointerEvents: 'none' as const };
  return (
    <g className={`${css.featureMark}${chosen ? ` ${css.chosen}` : ''}`} aria-hidden="true">
      {feature.kind === 'section' && <path d={d} className={css.tape} />}
      {feature.kind === 'section' && (
        <Label kind="furniture" text={String(number)} at={first} clear={6} prefer="below" />
      )}
      {feature.kind === 'sounding' && (
        <>
          <circle cx={first[0]} cy={first[1]} r={3} className={css.soundingDot} />
          <RoundRoom x={first[0]} y={first[1]} r={3} />
          <Label
            kind="figure"
            text={`${formatDepth(feature.depthM, units)}${feature.by === 'fly' ? ' by the fly' : ''}`}
            at={first}
            clear={4}
          />
        </>
      )}
      {(feature.kind === 'bed' || feature.kind === 'weed') && (
        <path d={d} className={feature.kind === 'bed' ? css.groundBed : css.groundWeed} />
      )}
      {chosen && <path d={d} className={css.chosenLine} />}
      {feature.shape.type === 'Point' ? (
        <circle cx={first[0]} cy={first[1]} r={10} className={css.hit} {...hit} />
      ) : (
        <path d={d} className={css.hit} {...hit} />
      )}
    </g>
  );
}

/** Corners of the chosen thing: dragged, or moved with the arrow keys; Escape gives a drag back. */
function Corners({
  feature,
  camera,
  onMove,
}: {
  feature: BeatFeature;
  camera: Camera;
  onMove: (feature: BeatFeature, dragging: boolean) => void;
}) {
  return (
    <g>
      {shapePlaces(feature.shape).map((p, i) => (
        <Corner
          key={i}
          place={p}
          camera={camera}
          label={`${FEATURE_NAMES[feature.kind]}, corner ${i + 1}: move with the arrow keys`}
          onMove={(to, dragging) =>
            onMove({ ...feature, shape: moveCorner(feature.shape, i, to) } as BeatFeature, dragging)
          }
        />
      ))}
    </g>
  );
}

function Corner({
  place,
  camera,
  label,
  onMove,
}: {
  place: Place;
  camera: Camera;
  label: string;
  onMove: (to: Place, dragging: boolean) => void;
}) {
  const drag = useDrag(camera, place, (to, dragging) =>
    onMove({ xM: Math.round(100 * to.xM) / 100, yM: Math.round(100 * to.yM) / 100 }, dragging),
  );
  return (
    <circle
      {...drag}
      className={`${drawn.handle} ${drawn.corner}`}
      cx={pageX(camera, place.xM)}
      cy={pageY(camera, place.yM)}
      r={7}
      role="button"
      aria-label={label}
    />
  );
}

/** How far off the depth between soundings may be; the largest is where to sound next. */
function DoubtDots({
  doubt,
  camera,
  units,
}: {
  doubt: SurveyDoubt;
  camera: Camera;
  units: UnitSystem;
}) {
  const most = Math.max(...doubt.places.map((p) => p.spreadM), 0.01);
  return (
    <g aria-hidden="true">
      {doubt.places.map((p, i) => (
        <circle
          key={i}
          cx={pageX(camera, p.xM)}
          cy={pageY(camera, p.yM)}
          r={(7 * p.spreadM) / most}
          className={css.doubt}
        />
      ))}
      {doubt.next && (
        <g transform={`translate(${pageX(camera, doubt.next.xM)} ${pageY(camera, doubt.next.yM)})`}>
          <path d="M0,0V-26M0,-26h34" className={css.doubtFlag} />
          <Label
            kind="probe"
            text={`sound here next: ±${formatDepth(doubt.next.spreadM, units)}`}
            at={[pageX(camera, doubt.next.xM) + 17, pageY(camera, doubt.next.yM) - 26]}
            clear={4}
            prefer="above"
          />
        </g>
      )}
    </g>
  );
}
