'use client';

import type { BeatPlan } from '../../core/formats/index';
import { useMemo } from 'react';
import { type Sketch, type SketchBeat, type SketchThing } from '../../core/water/index';
import { type UnitSystem } from '../../core/units/index';
import { pageX, pageY, type Camera } from '../../drawing/camera';
import { useDrag } from '../../drawing/use-drag';
import { BeatDrawing } from '../beat-drawing';
import { useSheet } from '../use-sheet';
import { changeThing, onStream, placeOfThing } from './sketch-edits';
import { THING_NAMES } from './sketch-words';
import css from '../making.module.css';
import drawn from '../../drawing/marks.module.css';
import { Label } from '../../drawing/label-room';

const EMPTY: BeatPlan = {
  version: 1,
  name: '',
  lengthM: 20,
  slope: 0.01,
  bearingDeg: 0,
  levels: [],
  surveyedLevel: 'Fair',
  features: [],
};

export function SketchDrawing({
  sketch,
  built,
  units,
  thingId,
  dropping,
  onDrop,
  onThing,
  onMove,
}: {
  sketch: Sketch;
  built: SketchBeat;
  units: UnitSystem;
  thingId: string | null;
  dropping: SketchThing['kind'] | null;
  onDrop: (at: { pieceId: string; along: number; across: number }) => void;
  onThing: (id: string) => void;
  onMove: (next: Sketch, dragging: boolean) => void;
}) {
  const plan = built.ok ? built.plan : EMPTY;
  const { box, width, height, camera, svg, placeOf, hasMoved } = useSheet(plan.lengthM);
  const onClick = (event: React.MouseEvent<SVGSVGElement>) => {
    if (!dropping || hasMoved()) return;
    const at = onStream(sketch, placeOf(event));
    if (at) onDrop(at);
  };
  return (
    <div ref={box} className={css.makingDrawing}>
      {width > 0 && (
        <BeatDrawing
          plan={plan}
          camera={camera}
          width={width}
          height={height}
          units={units}
          svgRef={svg}
          onClick={onClick}
          placing={dropping !== null}
          label={`Drawing of the sketch, ${sketch.pieces.length} pieces, up-current to the right`}
        >
          <PieceNames sketch={sketch} built={built} camera={camera} />
          {built.ok &&
            sketch.things.map((t) => (
              <ThingHandle
                key={t.id}
                thing={t}
                sketch={sketch}
                camera={camera}
                chosen={t.id === thingId}
                onThing={onThing}
                onMove={onMove}
              />
            ))}
        </BeatDrawing>
      )}
      {dropping && (
        <p className={css.dropHint} aria-hidden="true">
          Tap where the {THING_NAMES[dropping].toLowerCase()} stands.
        </p>
      )}
      {sketch.pieces.length === 0 && (
        <p className={css.empty}>
          Begin at the foot of the beat: add the lowest piece of water, then the one above it. A
          rough word for depth and pace is enough.
        </p>
      )}
    </div>
  );
}

/** A piece shorter than this on the page has its number only, px. */
const NAME_PX = 56;

function PieceNames({
  sketch,
  built,
  camera,
}: {
  sketch: Sketch;
  built: SketchBeat;
  camera: Camera;
}) {
  const ends = useMemo(() => {
    if (!built.ok) return [];
    let s = 0;
    return sketch.pieces.map((p) => {
      const at = s + p.lengthM / 2;
      s += p.lengthM;
      return { id: p.id, kind: p.kind, share: at, lengthM: p.lengthM };
    });
  }, [sketch.pieces, built.ok]);
  const total = sketch.pieces.reduce((sum, p) => sum + p.lengthM, 0);
  const span = built.ok ? built.plan.lengthM : 1;
  return (
    <g aria-hidden="true">
      {ends.map((e, i) => (
        <Label
          key={e.id}
          kind="piece"
          text={`${i + 1}${e.lengthM * camera.scale > NAME_PX ? ` ${e.kind}` : ''}`}
          spots={[80, 98, 116].map((y) => [pageX(camera, (e.share / total) * span), y] as const)}
        />
      ))}
    </g>
  );
}

function ThingHandle({
  thing,
  sketch,
  camera,
  chosen,
  onThing,
  onMove,
}: {
  thing: SketchThing;
  sketch: Sketch;
  camera: Camera;
  chosen: boolean;
  onThing: (id: string) => void;
  onMove: (next: Sketch, dragging: boolean) => void;
}) {
  const place = placeOfThing(sketch, thing);
  const handle = useDrag(camera, place ?? { xM: 0, yM: 0 }, (to, dragging) => {
    const at = onStream(sketch, to);
    if (!at) return;
    const { pieceId, along } = at;
    const across = Math.min(1, Math.max(0, at.across));
    const side = at.across < 0.5 ? 'left' : 'right';
    const change = {
      pieceId,
      along,
      ...('across' in thing && { across }),
      ...('side' in thing && { side }),
      ...('reach' in thing && { reach: Math.max(0.05, side === 'left' ? across : 1 - across) }),
    } as Partial<SketchThing>;
    onMove(changeThing(sketch, thing.id, change), dragging);
  });
  if (!place) return null;
  return (
    <circle
      {...handle}
      className={`${drawn.handle} ${css.thingHandle}${chosen ? ` ${css.chosen}` : ''}`}
      cx={pageX(camera, place.xM)}
      cy={pageY(camera, place.yM)}
      r={11}
      role="button"
      aria-label={`${THING_NAMES[thing.kind]}: move with the arrow keys`}
      onFocus={() => onThing(thing.id)}
    />
  );
}
