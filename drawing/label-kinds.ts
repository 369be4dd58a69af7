/** How each kind of label is written, and how important it is when room is short. */
export interface LabelKind {
  /** Size, px, and the family by its token. */
  size: number;
  weight: number;
  fill: string;
  italic?: true;
  heading?: true;
  /** The chosen fish and what is done now come before what is only there. */
  priority: number;
}

export const LABEL_KINDS = {
  bank: { size: 15, weight: 700, fill: 'var(--ink)', priority: 100 },
  furniture: { size: 14, weight: 400, fill: 'var(--ink)', priority: 95 },
  fishNumber: { size: 15, weight: 700, fill: 'var(--fish)', priority: 90 },
  probe: { size: 14, weight: 700, fill: 'var(--ink)', priority: 88 },
  angler: { size: 14, weight: 700, fill: 'var(--angler)', priority: 85 },
  order: { size: 15, weight: 700, fill: 'var(--fish)', priority: 80 },
  needLetter: { size: 12.5, weight: 700, fill: 'var(--ink)', priority: 78 },
  ringNumber: { size: 13.5, weight: 700, fill: 'var(--fish)', priority: 75 },
  lookout: { size: 13.5, weight: 700, fill: 'var(--angler)', priority: 72 },
  lieChange: { size: 14, weight: 700, fill: 'var(--ink)', priority: 70 },
  leg: { size: 14, weight: 700, fill: 'var(--angler)', priority: 60 },
  worst: { size: 13, weight: 700, fill: 'var(--fish)', priority: 58 },
  smallAngler: { size: 13, weight: 700, fill: 'var(--angler)', priority: 50 },
  rule: { size: 13, weight: 400, fill: 'var(--fish)', italic: true, priority: 48 },
  told: { size: 13, weight: 400, fill: 'var(--ink)', italic: true, priority: 45 },
  piece: { size: 14, weight: 600, fill: 'var(--ink)', heading: true, priority: 40 },
  ring: { size: 14, weight: 700, fill: 'var(--fish)', priority: 35 },
  depth: { size: 13.5, weight: 400, fill: 'var(--ink)', italic: true, priority: 30 },
  figure: { size: 12.5, weight: 400, fill: 'var(--ink)', priority: 20 },
} satisfies Record<string, LabelKind>;

export type LabelKindName = keyof typeof LABEL_KINDS;

/** Height of a line of this kind on the page, px. */
export const lineHeight = (kind: LabelKindName) => Math.round(LABEL_KINDS[kind].size * 1.12);

const widths = new Map<string, number>();
let pen: CanvasRenderingContext2D | null | undefined;

/** Where nothing can be measured, letters count for this share of their size. */
const GUESSED_WIDTH = 0.56;

/** Width of a line of this kind, px. */
export function textWidth(text: string, kind: LabelKindName): number {
  const key = `${kind} ${text}`;
  const known = widths.get(key);
  if (known !== undefined) return known;
  const { size, weight, ...rest }: LabelKind = LABEL_KINDS[kind];
  pen ??= typeof OffscreenCanvas === 'undefined' ? null : contextOf();
  let width = text.length * size * GUESSED_WIDTH;
  if (pen) {
    const family = getComputedStyle(document.documentElement)
      .getPropertyValue(rest.heading ? '--font-heading' : '--font-body')
      .trim();
    pen.font = `${rest.italic ? 'italic ' : ''}${weight} ${size}px ${family || 'sans-serif'}`;
    width = pen.measureText(text).width;
    // Before the fonts are there a width is a guess, and is not kept.
    if (!document.fonts?.check(pen.font)) return width;
  }
  widths.set(key, width);
  return width;
}

const contextOf = () => document.createElement('canvas').getContext('2d');
