'use client';

import { useEffect, useMemo, useState } from 'react';
import { readBeat, writeBeat, type BeatPlan } from '../../core/formats/index';
import {
  beatFromSketch,
  fitSketch,
  SKETCH_KINDS,
  sketchProblems,
  type Sketch,
  type SketchBeat,
  type SketchThing,
} from '../../core/water/index';
import { formatDischarge, type UnitSystem } from '../../core/units/index';
import { pageX, pageY, type Camera } from '../../plan/camera';
import { clientId } from '../../plan/client-id';
import { useDrag } from '../../plan/use-drag';
import { Choice } from '../../ui/parts';
import { BeatDrawing } from '../beat-drawing';
import { LengthField } from '../fields';
import { LevelsPanel } from '../levels-panel';
import { MakingTop } from '../making-top';
import { PlacePanel } from '../place-panel';
import { useDraft, useUndoKeys, type DraftInput } from '../use-draft';
import { useKeep } from '../use-keep';
import { useSheet } from '../use-sheet';
import { PieceList } from './piece-list';
import {
  addPiece,
  addThing,
  changeThing,
  onStream,
  placeOfThing,
  removeThing,
} from './sketch-edits';
import { contradictionText, THING_NAMES } from './sketch-words';
import { ThingFields } from './thing-fields';

const THINGS = Object.keys(THING_NAMES) as SketchThing['kind'][];

/** The one-minute way in: pieces told in order, the beat they make drawn beside, the discharge solved for. */
export function SketchPage({
  draft: input,
  units,
}: {
  draft: DraftInput<Sketch>;
  units: UnitSystem;
}) {
  const draft = useDraft(input);
  const sketch = draft.body;
  useUndoKeys(draft.undo, draft.redo);
  const [chosen, setChosen] = useState<string | null>(null);
  const [thingId, setThingId] = useState<string | null>(null);
  const [dropping, setDropping] = useState<SketchThing['kind'] | null>(null);
  const problems = useMemo(() => sketchProblems(sketch), [sketch]);
  const built = useMemo(() => beatFromSketch(sketch), [sketch]);
  // What was chosen may have been taken back since.
  const chosenPiece = sketch.pieces.find((p) => p.id === chosen);
  const thing = sketch.things.find((t) => t.id === thingId) ?? null;

  useEffect(() => {
    if (!dropping) return;
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && setDropping(null);
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [dropping]);

  const drop = (at: { pieceId: string; along: number; across: number }) => {
    const id = clientId();
    draft.change((s) => addThing(s, id, dropping!, at));
    setThingId(id);
    setDropping(null);
  };
  const { keep, keepWords, refusal } = useKeep(input, draft, () =>
    built.ok
      ? { file: writeBeat(built.plan), madeFrom: { kind: 'sketch', sketch } }
      : { missing: built.problems.map((p) => p.message).join('\n') },
  );
  return (
    <main className="making">
      <MakingTop
        what="Sketch"
        draft={draft}
        units={units}
        name={sketch.name}
        onName={(name) => draft.change((s) => ({ ...s, name }))}
        onKeep={keep}
        keepWords={keepWords}
      />
      {refusal}
      <SketchDrawing
        sketch={sketch}
        built={built}
        units={units}
        thingId={thingId}
        dropping={dropping}
        onDrop={drop}
        onThing={setThingId}
        onMove={(next, dragging) => (dragging ? draft.draw(next) : draft.change(next))}
      />
      <SketchResult sketch={sketch} built={built} units={units} onChoose={setChosen} />
      <section className="making-side" aria-label="Pieces and what stands in them">
        <h2>Pieces, from the foot up</h2>
        <PieceList
          sketch={sketch}
          units={units}
          chosen={chosen}
          problems={problems}
          onChoose={setChosen}
          onChange={draft.change}
        />
        <div className="add-row" role="group" aria-label="Add the next piece up-current">
          <span>Next piece up:</span>
          {SKETCH_KINDS.map((kind) => (
            <button
              key={kind}
              type="button"
              className="word"
              onClick={() => {
                const id = clientId();
                draft.change((s) => addPiece(s, id, kind));
                setChosen(id);
              }}
            >
              {kind}
            </button>
          ))}
        </div>
        <h2>Drop on it</h2>
        <div className="add-row" role="group" aria-label="Drop on the sketch">
          {THINGS.map((kind) => (
            <button
              key={kind}
              type="button"
              className={`word${dropping === kind ? ' chosen' : ''}`}
              aria-pressed={dropping === kind}
              disabled={sketch.pieces.length === 0}
              onClick={() => setDropping(dropping === kind ? null : kind)}
            >
              {THING_NAMES[kind]}
            </button>
          ))}
        </div>
        {dropping && (
          <p className="means">
            Tap the drawing where it stands, or{' '}
            <button
              type="button"
              className="plain"
              onClick={() =>
                drop({
                  pieceId: (chosenPiece ?? sketch.pieces[0]!).id,
                  along: 0.5,
                  across: 0.4,
                })
              }
            >
              put it in the middle of the chosen piece
            </button>
            . Escape gives it back.
          </p>
        )}
        {sketch.things.length > 0 && (
          <ul className="things" aria-label="Dropped on it">
            {sketch.things.map((t) => (
              <li key={t.id}>
                <button
                  type="button"
                  className="word"
                  aria-pressed={t.id === thingId}
                  onClick={() => setThingId(t.id === thingId ? null : t.id)}
                >
                  {THING_NAMES[t.kind]} in piece{' '}
                  {sketch.pieces.findIndex((p) => p.id === t.pieceId) + 1}
                </button>
              </li>
            ))}
          </ul>
        )}
        {thing && (
          <ThingFields
            thing={thing}
            units={units}
            onChange={(change) => draft.change((s) => changeThing(s, thing.id, change))}
            onRemove={() => {
              setThingId(null);
              draft.change((s) => removeThing(s, thing.id));
            }}
          />
        )}
        <h2>You and the water</h2>
        <LengthField
          label="Your height, for depth in body words"
          valueM={sketch.anglerHeightM}
          range={{ min: 1, max: 2.3 }}
          units={units}
          onKeep={(anglerHeightM) => draft.change((s) => ({ ...s, anglerHeightM }))}
        />
        <span className="asked-name">Level it was seen at</span>
        <Choice
          label="Level it was seen at"
          value={sketch.surveyedLevel}
          options={[
            ['Thin', 'Thin'],
            ['Fair', 'Fair'],
            ['Full', 'Full'],
            ['Spate', 'Spate'],
          ]}
          onChange={(surveyedLevel) => draft.change((s) => ({ ...s, surveyedLevel }))}
        />
        <LevelsPanel
          levels={sketch.levels ?? []}
          surveyed={
            built.ok ? built.plan.levels.find((l) => l.name === sketch.surveyedLevel)! : null
          }
          plan={built.ok ? built.plan : null}
          units={units}
          onChange={(levels) => draft.change((s) => ({ ...s, levels }))}
        />
        <PlacePanel
          place={sketch}
          onChange={(place) => draft.change((s) => ({ ...s, ...place }))}
        />
      </section>
    </main>
  );
}

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

function SketchDrawing({
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
    <div ref={box} className="making-drawing">
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
      {sketch.pieces.length === 0 && (
        <p className="empty">
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
        <text
          key={e.id}
          x={pageX(camera, (e.share / total) * span)}
          y={86 + (i % 2) * 18}
          textAnchor="middle"
          className="piece-label cased"
        >
          {i + 1} {e.lengthM * camera.scale > NAME_PX && e.kind}
        </text>
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
      className={`handle thing-handle${chosen ? ' chosen' : ''}`}
      cx={pageX(camera, place.xM)}
      cy={pageY(camera, place.yM)}
      r={11}
      role="button"
      aria-label={`${THING_NAMES[thing.kind]}: move with the arrow keys`}
      onFocus={() => onThing(thing.id)}
    />
  );
}

/** The discharge that fits all pieces, and the piece that contradicts it. */
function SketchResult({
  sketch,
  built,
  units,
  onChoose,
}: {
  sketch: Sketch;
  built: SketchBeat;
  units: UnitSystem;
  onChoose: (id: string) => void;
}) {
  if (!built.ok) {
    return (
      <section className="making-result" aria-label="What is missing">
        <div role="status">
          <ul className="problems">
            {built.problems.map((p) => (
              <li key={p.message}>{p.message}</li>
            ))}
          </ul>
        </div>
      </section>
    );
  }
  const fit = fitSketch(sketch);
  const notes = readBeat(writeBeat(built.plan));
  return (
    <section className="making-result" aria-label="What it adds up to">
      <div role="status">
        <strong className="large">{formatDischarge(fit.dischargeM3s, units)}</strong>
        <span>
          is the discharge that fits these pieces best, between {formatDischarge(fit.lowM3s, units)}{' '}
          and {formatDischarge(fit.highM3s, units)}. The beat falls{' '}
          {(100 * built.plan.slope).toFixed(1)} m in 100 m for it.
        </span>
      </div>
      {fit.contradictions.map((c) => {
        const text = contradictionText(sketch, c, units);
        return (
          <p key={c.pieceId} className="contradiction">
            <strong>{text.lead}</strong> {text.needs} It was left out of the fit.{' '}
            <button type="button" className="plain" onClick={() => onChoose(c.pieceId)}>
              Open it
            </button>
          </p>
        );
      })}
      {[...built.notes, ...(notes.ok ? notes.notes : [])].map((note) => (
        <p key={note}>{note}</p>
      ))}
    </section>
  );
}
