'use client';

import {
  createContext,
  useContext,
  useId,
  useLayoutEffect,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import type { Camera } from './camera';
import {
  LABEL_KINDS,
  lineHeight,
  textWidth,
  type LabelKind,
  type LabelKindName,
} from './label-kinds';
import drawn from './marks.module.css';
import { placeLabels, spotsRound, type Box, type LabelAsk, type Side } from './place-labels';

interface Wanted extends LabelAsk {
  kind: LabelKindName;
  lines: readonly string[];
  pale: boolean;
}

/** What the marks and labels of one drawing have asked for so far. */
interface Book {
  labels: Map<string, Wanted>;
  marks: Map<string, Box>;
  changed(): void;
}

const BookContext = createContext<Book | null>(null);
const SheetContext = createContext({ width: 0, height: 0, small: false });

/** Narrower paper shows, until zoomed in, only what the step is about, px and px/m. */
const SMALL = { belowPx: 500, belowScale: 40 };

/** The sheet that is drawn on; `small`: only what the step is about has room. */
export const useSheet = () => useContext(SheetContext);

/**
 * Holds a drawing's labels: what is inside says where its marks lie and what labels it would like, and
 * all of them are placed at once by one rule, in the same frame, over everything else.
 */
export function LabelRoom({
  camera,
  width,
  height,
  children,
}: {
  camera: Camera;
  width: number;
  height: number;
  children: ReactNode;
}) {
  const [, setVersion] = useState(0);
  const [book] = useState<Book>(() => ({
    labels: new Map(),
    marks: new Map(),
    changed: () => setVersion((v) => v + 1),
  }));
  const small = width < SMALL.belowPx && camera.scale < SMALL.belowScale;
  const sheet = useMemo(() => ({ width, height, small }), [width, height, small]);
  const asks = [...book.labels.values()];
  const placed = placeLabels(asks, [...book.marks.values()], sheet);
  return (
    <BookContext.Provider value={book}>
      <SheetContext.Provider value={sheet}>{children}</SheetContext.Provider>
      <g aria-hidden="true" style={{ pointerEvents: 'none' }}>
        {asks.map((ask) => {
          const spot = placed.get(ask.id);
          return spot && <Written key={ask.id} ask={ask} {...spot} />;
        })}
      </g>
    </BookContext.Provider>
  );
}

function Written({
  ask,
  x,
  y,
  leader,
}: {
  ask: Wanted;
  x: number;
  y: number;
  leader: readonly [number, number, number, number] | null;
}) {
  const kind: LabelKind = LABEL_KINDS[ask.kind];
  const line = lineHeight(ask.kind);
  return (
    <g opacity={ask.pale ? 0.6 : undefined} data-label={ask.kind}>
      {leader && (
        <>
          <path
            d={`M${leader[0]},${leader[1]}L${leader[2]},${leader[3]}`}
            className={drawn.scaleCase}
          />
          <path
            d={`M${leader[0]},${leader[1]}L${leader[2]},${leader[3]}`}
            stroke={kind.fill}
            strokeWidth={1}
          />
        </>
      )}
      {ask.lines.map((text, i) => (
        <text
          key={i}
          x={x}
          y={y - ask.h / 2 + (i + 0.8) * line}
          textAnchor="middle"
          className={drawn.cased}
          style={{
            fontSize: kind.size,
            fontWeight: kind.weight,
            fontStyle: kind.italic ? 'italic' : undefined,
            fontFamily: kind.heading ? 'var(--font-heading)' : undefined,
            fill: kind.fill,
          }}
        >
          {text}
        </text>
      ))}
    </g>
  );
}

/** Keeps room on the sheet for a mark: no label lies over it. */
export function MarkRoom({ x, y, w, h }: Box) {
  const id = useId();
  const book = useContext(BookContext);
  useLayoutEffect(() => {
    if (!book) return;
    book.marks.set(id, { x, y, w, h });
    book.changed();
    return () => {
      book.marks.delete(id);
      book.changed();
    };
  }, [book, id, x, y, w, h]);
  return null;
}

/** The same for a round mark. */
export const RoundRoom = ({ x, y, r }: { x: number; y: number; r: number }) => (
  <MarkRoom x={x - r} y={y - r} w={2 * r} h={2 * r} />
);

/**
 * A label: words that would like to stand round a mark, or on one of their own spots (page px, their
 * middles). Left out where there is no room; what it says must be found elsewhere too.
 */
export function Label({
  kind,
  text,
  at,
  clear = 6,
  prefer = 'right',
  spots,
  pale = false,
  priority,
}: {
  kind: LabelKindName;
  /** One line, or several. */
  text: string | readonly string[];
  /** The mark it belongs to. */
  at?: readonly [x: number, y: number];
  /** Radius of that mark, px. */
  clear?: number;
  prefer?: Side;
  spots?: readonly (readonly [x: number, y: number])[];
  pale?: boolean;
  priority?: number;
}) {
  const id = useId();
  const book = useContext(BookContext);
  const lines = typeof text === 'string' ? [text] : text;
  const w = Math.max(...lines.map((line) => textWidth(line, kind)));
  const h = lines.length * lineHeight(kind);
  const ask: Wanted = {
    id,
    kind,
    lines,
    pale,
    w,
    h,
    spots: spots ?? (at ? spotsRound(at, { w, h }, clear, prefer) : []),
    priority: priority ?? LABEL_KINDS[kind].priority,
    ...(at && { mark: at, reach: clear + 12 }),
  };
  const key = JSON.stringify(ask);
  useLayoutEffect(() => {
    if (!book) return;
    // The order of asking stays, so that two of the same importance do not change places.
    book.labels.set(id, ask);
    book.changed();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key says all of the ask
  }, [book, id, key]);
  useLayoutEffect(
    () => () => {
      book?.labels.delete(id);
      book?.changed();
    },
    [book, id],
  );
  return null;
}
