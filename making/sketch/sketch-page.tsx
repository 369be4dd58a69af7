'use client';

import { useEffect, useMemo, useState } from 'react';
import { withFelt, writeBeat, type FeltSounding } from '../../core/formats/index';
import {
  beatFromSketch,
  SKETCH_KINDS,
  fillAssumed,
  sketchProblems,
  type Sketch,
  type SketchThing,
} from '../../core/water/index';
import { type UnitSystem } from '../../core/units/index';
import { clientId } from '../../sync/client-id';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { LengthField } from '../fields';
import { LevelsPanel } from '../levels-panel';
import { MakingTop } from '../making-top';
import { PlacePanel } from '../place-panel';
import { useDraft, type DraftInput } from '../use-draft';
import { useUndoKeys } from '../../ui/use-undo-keys';
import { useKeep } from '../use-keep';
import { PieceList } from './piece-list';
import { addPiece, addThing, changeThing, removeThing } from './sketch-edits';
import { feltWords, THING_NAMES } from './sketch-words';
import { SketchDrawing } from './sketch-drawing';
import { SketchResult } from './sketch-result';
import { ThingFields } from './thing-fields';
import css from '../making.module.css';

const THINGS = Object.keys(THING_NAMES) as SketchThing['kind'][];

/** The one-minute way in: pieces told in order, the beat they make drawn beside, the discharge solved for. */
export function SketchPage({
  draft: input,
  felt,
  units,
}: {
  draft: DraftInput<Sketch>;
  /** Depths that a fly felt in this beat before it was told anew. */
  felt: readonly FeltSounding[];
  units: UnitSystem;
}) {
  const draft = useDraft(input);
  const sketch = draft.body;
  /** What nobody told follows every change. */
  const edit = (next: Sketch | ((s: Sketch) => Sketch)) =>
    draft.change((s) => fillAssumed(next instanceof Function ? next(s) : next));
  useUndoKeys(draft.undo, draft.redo);
  const [chosen, setChosen] = useState<string | null>(null);
  const [thingId, setThingId] = useState<string | null>(null);
  const [dropping, setDropping] = useState<SketchThing['kind'] | null>(null);
  const problems = useMemo(() => sketchProblems(sketch), [sketch]);
  const [built, lost] = useMemo(() => {
    const told = beatFromSketch(sketch);
    if (!told.ok) return [told, 0] as const;
    const carried = withFelt(told.plan, felt);
    return [{ ...told, plan: carried.plan }, carried.lost] as const;
  }, [sketch, felt]);
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
    edit((s) => addThing(s, id, dropping!, at));
    setThingId(id);
    setDropping(null);
  };
  const { keep, keepWords, refusal } = useKeep(input, draft, () =>
    built.ok
      ? { file: writeBeat(built.plan), madeFrom: { kind: 'sketch', sketch } }
      : { missing: built.problems.map((p) => p.message).join('\n') },
  );
  return (
    <main className={css.making}>
      <MakingTop
        what="Sketch"
        draft={draft}
        units={units}
        name={sketch.name}
        onName={(name) => edit((s) => ({ ...s, name }))}
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
        onMove={(next, dragging) => (dragging ? draft.draw(next) : edit(next))}
      />
      <SketchResult
        sketch={sketch}
        built={built}
        carried={felt.length > 0 ? feltWords(felt.length - lost, lost) : null}
        units={units}
        onChoose={setChosen}
      />
      <section className={css.makingSide} aria-label="Pieces and what stands in them">
        <h2>Pieces, from the foot up</h2>
        <div className={css.addRow} role="group" aria-label="Add the next piece up-current">
          <span>Next piece up:</span>
          {SKETCH_KINDS.map((kind) => (
            <Button
              voice="bare"
              key={kind}
              className={css.word}
              onClick={() => {
                const id = clientId();
                edit((s) => addPiece(s, id, kind));
                setChosen(id);
              }}
            >
              {kind}
            </Button>
          ))}
        </div>
        <PieceList
          sketch={sketch}
          units={units}
          chosen={chosen}
          problems={problems}
          onChoose={setChosen}
          onChange={edit}
        />
        <h2>Drop on it</h2>
        <div className={css.addRow} role="group" aria-label="Drop on the sketch">
          {THINGS.map((kind) => (
            <Button
              voice="bare"
              key={kind}
              className={`${css.word}${dropping === kind ? ` ${css.chosen}` : ''}`}
              aria-pressed={dropping === kind}
              disabled={sketch.pieces.length === 0}
              onClick={() => setDropping(dropping === kind ? null : kind)}
            >
              {THING_NAMES[kind]}
            </Button>
          ))}
        </div>
        {dropping && (
          <p className={css.means}>
            Tap the drawing where it stands, or{' '}
            <Button
              voice="plain"
              onClick={() =>
                drop({
                  pieceId: (chosenPiece ?? sketch.pieces[0]!).id,
                  along: 0.5,
                  across: 0.4,
                })
              }
            >
              put it in the middle of the chosen piece
            </Button>
            . Escape gives it back.
          </p>
        )}
        {sketch.things.length > 0 && (
          <ul className={css.things} aria-label="Dropped on it">
            {sketch.things.map((t) => (
              <li key={t.id}>
                <Button
                  voice="bare"
                  className={css.word}
                  aria-pressed={t.id === thingId}
                  onClick={() => setThingId(t.id === thingId ? null : t.id)}
                >
                  {THING_NAMES[t.kind]} in piece{' '}
                  {sketch.pieces.findIndex((p) => p.id === t.pieceId) + 1}
                </Button>
              </li>
            ))}
          </ul>
        )}
        {thing && (
          <ThingFields
            thing={thing}
            units={units}
            onChange={(change) => edit((s) => changeThing(s, thing.id, change))}
            onRemove={() => {
              setThingId(null);
              edit((s) => removeThing(s, thing.id));
            }}
          />
        )}
        <h2>You and the water</h2>
        <LengthField
          label="Your height, for depth in body words"
          valueM={sketch.anglerHeightM}
          range={{ min: 1, max: 2.3 }}
          units={units}
          onKeep={(anglerHeightM) => edit((s) => ({ ...s, anglerHeightM }))}
        />
        <span className={css.askedName}>Level it was seen at</span>
        <Choice
          label="Level it was seen at"
          value={sketch.surveyedLevel}
          options={[
            ['Thin', 'Thin'],
            ['Fair', 'Fair'],
            ['Full', 'Full'],
            ['Spate', 'Spate'],
          ]}
          onChange={(surveyedLevel) => edit((s) => ({ ...s, surveyedLevel }))}
        />
        <LevelsPanel
          levels={sketch.levels ?? []}
          surveyed={
            built.ok ? built.plan.levels.find((l) => l.name === sketch.surveyedLevel)! : null
          }
          plan={built.ok ? built.plan : null}
          units={units}
          onChange={(levels) => edit((s) => ({ ...s, levels }))}
        />
        <PlacePanel place={sketch} onChange={(place) => edit((s) => ({ ...s, ...place }))} />
      </section>
    </main>
  );
}
