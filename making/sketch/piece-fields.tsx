'use client';

import { useEffect, useRef, useState } from 'react';
import { BED_MATERIALS } from '../../core/formats/index';
import {
  isAssumed,
  SKETCH_KINDS,
  toldDepthM,
  type SketchKind,
  type SketchPiece,
} from '../../core/water/index';
import {
  BODY_SHARE,
  formatDepth,
  formatLength,
  type PaceWord,
  type UnitSystem,
} from '../../core/units/index';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { LengthField, PickField, PlainField } from '../fields';
import { assumedText } from './sketch-words';
import css from '../making.module.css';

const DEPTH_WORDS = ['ankle', 'shin', 'knee', 'thigh', 'waist'] as const;
const PACE_WORDS: readonly PaceWord[] = ['still', 'stroll', 'walk', 'brisk', 'rush'];
const BENDS = [
  [-35, 'hard to true left'],
  [-15, 'to true left'],
  [0, 'straight'],
  [15, 'to true right'],
  [35, 'hard to true right'],
] as const;
const FLOAT_M = 3;

/** What is asked of one piece, and nothing else. */
export function PieceFields({
  piece,
  heightM,
  units,
  onChange,
  onKind,
}: {
  piece: SketchPiece;
  heightM: number;
  units: UnitSystem;
  onChange: (change: Partial<SketchPiece>) => void;
  onKind: (kind: SketchKind) => void;
}) {
  return (
    <div className={css.pieceFields}>
      <div className={css.pair}>
        <PickField
          label="Kind"
          value={piece.kind}
          options={SKETCH_KINDS.map((k) => [k, k] as const)}
          onChange={onKind}
        />
        <PickField
          label="Bed"
          value={piece.material}
          options={BED_MATERIALS.map((m) => [m, m.replace('-', ' ')] as const)}
          onChange={(material) => onChange({ material })}
        />
        <LengthField
          label="Length"
          valueM={piece.lengthM}
          range={{ min: 1, max: 120 }}
          units={units}
          onKeep={(lengthM) => onChange({ lengthM })}
        />
        <LengthField
          label="Width"
          valueM={piece.widthM}
          range={{ min: 0.5, max: 40 }}
          units={units}
          onKeep={(widthM) => onChange({ widthM })}
        />
      </div>
      <Deepest piece={piece} heightM={heightM} units={units} onChange={onChange} />
      <Pace piece={piece} heightM={heightM} units={units} onChange={onChange} />
      <div className={css.asked}>
        <span className={css.askedName}>Deep side</span>
        <Choice
          label="Deep side"
          value={piece.deepSide}
          options={[
            ['left', 'true left'],
            ['middle', 'middle'],
            ['right', 'true right'],
          ]}
          onChange={(deepSide) => onChange({ deepSide })}
        />
      </div>
      <div className={css.pair}>
        <PickField
          label="Bends, going up"
          value={String(nearestBend(piece.bendDeg))}
          options={BENDS.map(([deg, word]) => [String(deg), word] as const)}
          onChange={(deg) => onChange({ bendDeg: Number(deg) })}
        />
        <PlainField
          label="Bend"
          unit="°"
          value={piece.bendDeg}
          range={{ min: -90, max: 90 }}
          digits={0}
          onKeep={(bendDeg) => onChange({ bendDeg })}
        />
        {piece.dropM !== undefined && (
          <LengthField
            label="Step at its head"
            valueM={piece.dropM}
            range={{ min: 0.02, max: 5 }}
            units={units}
            depth
            onKeep={(dropM) => onChange({ dropM })}
          />
        )}
      </div>
    </div>
  );
}

const nearestBend = (deg: number) =>
  BENDS.reduce((a, b) => (Math.abs(b[0] - deg) < Math.abs(a[0] - deg) ? b : a))[0];

function Deepest({
  piece,
  heightM,
  units,
  onChange,
}: {
  piece: SketchPiece;
  heightM: number;
  units: UnitSystem;
  onChange: (change: Partial<SketchPiece>) => void;
}) {
  const { deepest } = piece;
  const untold = isAssumed(piece, 'deepest');
  const value = untold ? 'untold' : 'word' in deepest ? deepest.word : 'tape';
  return (
    <div className={css.asked}>
      <span className={css.askedName}>Deepest, on you</span>
      <Choice
        label="Deepest"
        value={value}
        options={[...DEPTH_WORDS.map((w) => [w, w] as const), ['tape', 'by tape'] as const]}
        onChange={(w) =>
          onChange({
            deepest:
              w === 'tape'
                ? { depthM: Number(toldDepthM(deepest, heightM).toFixed(2)) }
                : { word: w },
          })
        }
      />
      {untold ? (
        <Untold piece={piece} field="deepest" heightM={heightM} units={units} />
      ) : 'word' in deepest ? (
        <span className={css.means}>{formatDepth(BODY_SHARE[deepest.word] * heightM, units)}</span>
      ) : (
        <LengthField
          label="Deepest"
          valueM={deepest.depthM}
          range={{ min: 0.05, max: 4 }}
          units={units}
          depth
          onKeep={(depthM) => onChange({ deepest: { depthM } })}
        />
      )}
    </div>
  );
}

/** What fills a field that nobody told yet. */
function Untold({
  piece,
  field,
  heightM,
  units,
}: {
  piece: SketchPiece;
  field: 'deepest' | 'pace';
  heightM: number;
  units: UnitSystem;
}) {
  return (
    <span className={css.means}>
      Not told: as the others carry, {assumedText(piece, field, heightM, units)}.
    </span>
  );
}

function Pace({
  piece,
  heightM,
  units,
  onChange,
}: {
  piece: SketchPiece;
  heightM: number;
  units: UnitSystem;
  onChange: (change: Partial<SketchPiece>) => void;
}) {
  const { pace } = piece;
  const untold = isAssumed(piece, 'pace');
  return (
    <div className={css.asked}>
      <span className={css.askedName}>Pace of the surface</span>
      <Choice
        label="Pace"
        value={untold ? 'untold' : 'word' in pace ? pace.word : 'float'}
        options={[...PACE_WORDS.map((w) => [w, w] as const), ['float', 'by float'] as const]}
        onChange={(w) =>
          onChange({ pace: w === 'float' ? { floatS: 6, overM: FLOAT_M } : { word: w } })
        }
      />
      {untold ? (
        <Untold piece={piece} field="pace" heightM={heightM} units={units} />
      ) : 'word' in pace ? (
        <span className={css.means}>{PACE_MEANS[pace.word](units)}</span>
      ) : (
        <>
          <div className={css.pair}>
            <PlainField
              label="A leaf takes"
              unit="s"
              value={pace.floatS}
              range={{ min: 0.3, max: 600 }}
              onKeep={(floatS) => onChange({ pace: { ...pace, floatS } })}
            />
            <LengthField
              label="over"
              valueM={pace.overM}
              range={{ min: 0.5, max: 30 }}
              units={units}
              onKeep={(overM) => onChange({ pace: { ...pace, overM } })}
            />
          </div>
          <LeafTimer onTimed={(floatS) => onChange({ pace: { ...pace, floatS } })} />
        </>
      )}
    </div>
  );
}

const over = (units: UnitSystem) => formatLength(FLOAT_M, units, 0);
/** Bounds of the words as a leaf over 3 m takes them (common practice). */
const PACE_MEANS: Record<PaceWord, (units: UnitSystem) => string> = {
  still: (u) => `a leaf takes over 30 s for ${over(u)}`,
  stroll: (u) => `a leaf takes 30 to 9 s for ${over(u)}`,
  walk: (u) => `a leaf takes 9 to 4.6 s for ${over(u)}`,
  brisk: (u) => `a leaf takes 4.6 to 3.2 s for ${over(u)}`,
  rush: (u) => `a leaf takes under 3.2 s for ${over(u)}`,
};

/** Tap when the leaf passes the first mark, tap when it passes the second. */
function LeafTimer({ onTimed }: { onTimed: (seconds: number) => void }) {
  const began = useRef<number | null>(null);
  const [shownS, setShownS] = useState<number | null>(null);
  useEffect(() => {
    if (shownS === null) return;
    const timer = window.setInterval(
      () => began.current !== null && setShownS((performance.now() - began.current) / 1000),
      100,
    );
    return () => window.clearInterval(timer);
  }, [shownS]);
  const tap = () => {
    if (began.current === null) {
      began.current = performance.now();
      setShownS(0);
      return;
    }
    const seconds = (performance.now() - began.current) / 1000;
    began.current = null;
    setShownS(null);
    onTimed(Math.max(0.3, Math.round(10 * seconds) / 10));
  };
  return (
    <Button onClick={tap}>
      {shownS === null
        ? 'Time a leaf: tap at the first mark'
        : `${shownS.toFixed(1)} s, tap at the second`}
    </Button>
  );
}
