'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical, Trash2 } from 'lucide-react';
import type { Sketch, SketchPiece, SketchProblem } from '../../core/water/index';
import type { UnitSystem } from '../../core/units/index';
import { changeKind, changePiece, movePiece, removePiece } from './sketch-edits';
import { PieceFields } from './piece-fields';
import { pieceLine } from './sketch-words';
import { Button } from '../../ui/button';
import css from '../making.module.css';
import panel from '../../ui/panel.module.css';

/** The pieces in order up-current, the foot of the beat first. Dragged by the grip, or moved by its keys or the arrows. */
export function PieceList({
  sketch,
  units,
  chosen,
  problems,
  onChoose,
  onChange,
}: {
  sketch: Sketch;
  units: UnitSystem;
  chosen: string | null;
  problems: readonly SketchProblem[];
  onChoose: (id: string | null) => void;
  onChange: (next: Sketch) => void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = sketch.pieces.map((p) => p.id);
  const nameOf = (id: string | number) => {
    const i = ids.indexOf(String(id));
    return `${sketch.pieces[i]?.kind ?? 'piece'}, place ${i + 1} of ${ids.length}`;
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over) onChange(movePiece(sketch, String(active.id), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext
      id="pieces"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => `Picked up ${nameOf(active.id)}.`,
          onDragOver: ({ over }) => (over ? `Over ${nameOf(over.id)}.` : undefined),
          onDragEnd: ({ active, over }) =>
            over ? `Put down ${nameOf(active.id)}.` : 'Given back.',
          onDragCancel: () => 'Given back.',
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol className={css.pieces} aria-label="Pieces, up-current">
          {sketch.pieces.map((piece, i) => (
            <PieceRow
              key={piece.id}
              piece={piece}
              number={i + 1}
              count={ids.length}
              heightM={sketch.anglerHeightM}
              units={units}
              open={piece.id === chosen}
              problems={problems.filter((p) => p.id === piece.id)}
              onOpen={() => onChoose(piece.id === chosen ? null : piece.id)}
              onChange={(change) => onChange(changePiece(sketch, piece.id, change))}
              onKind={(kind) => onChange(changeKind(sketch, piece.id, kind))}
              onMove={(by) => onChange(movePiece(sketch, piece.id, i + by))}
              onRemove={() => onChange(removePiece(sketch, piece.id))}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function PieceRow({
  piece,
  number,
  count,
  heightM,
  units,
  open,
  problems,
  onOpen,
  onChange,
  onKind,
  onMove,
  onRemove,
}: {
  piece: SketchPiece;
  number: number;
  count: number;
  heightM: number;
  units: UnitSystem;
  open: boolean;
  problems: readonly SketchProblem[];
  onOpen: () => void;
  onChange: (change: Partial<SketchPiece>) => void;
  onKind: (kind: SketchPiece['kind']) => void;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: piece.id,
  });
  const name = `piece ${number}, ${piece.kind}`;
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? css.dragging : ''}
      style={{ transform: CSS.Transform.toString(transform), transition }}
    >
      <div className={css.pieceHead}>
        <Button
          voice="bare"
          className={css.grip}
          {...attributes}
          {...listeners}
          aria-label={`Move ${name}`}
        >
          <GripVertical size={18} aria-hidden="true" />
        </Button>
        <Button voice="bare" className={css.pieceName} aria-expanded={open} onClick={onOpen}>
          <strong>
            {number} {piece.kind}
          </strong>
          <span>{pieceLine(piece, heightM, units)}</span>
        </Button>
        <Button
          voice="icon"
          disabled={number === 1}
          aria-label={`${name}: one down-current`}
          onClick={() => onMove(-1)}
        >
          <ArrowUp size={16} aria-hidden="true" />
        </Button>
        <Button
          voice="icon"
          disabled={number === count}
          aria-label={`${name}: one up-current`}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={16} aria-hidden="true" />
        </Button>
        <Button voice="icon" aria-label={`Take ${name} out`} onClick={onRemove}>
          <Trash2 size={16} aria-hidden="true" />
        </Button>
      </div>
      {problems.map((p) => (
        <p key={p.field} className={panel.problem}>
          {p.message}
        </p>
      ))}
      {open && (
        <PieceFields
          piece={piece}
          heightM={heightM}
          units={units}
          onChange={onChange}
          onKind={onKind}
        />
      )}
    </li>
  );
}
