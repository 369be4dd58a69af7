import type { FlowField } from '../../core/water/index';
import type { LevelName } from '../../core/formats/index';

export type FlowState =
  | { kind: 'opening' }
  | { kind: 'solving'; progress: number }
  | { kind: 'ready' }
  | { kind: 'cancelled' }
  | { kind: 'failed'; message: string };

/** What is on the page and no step's own: never saved, never computed from the water. */
export interface SessionState {
  /** What is dragged; while it is, what takes long is not asked. */
  dragging: 'stand' | 'landing' | 'fish' | 'viewer' | 'way' | null;
  /** True on the printed card: everything a card says is asked for. */
  card: boolean;
  notices: string[];
  /** The help for keys is open. */
  keysShown: boolean;
  /** Height of the plan on the page: a level compared below keeps its middle. */
  planHeightPx: number;

  /** The water on screen. */
  flow: FlowField | null;
  flowState: FlowState;
  /** True while `flow` is a first picture or belongs to another level. */
  flowStale: boolean;
  /** The water whose picture is on the plan; null until the first is painted. */
  paintedFlow: FlowField | null;
  /** Counts the waters that were taken: answers from an older one are never fresh. */
  waterSerial: number;
  /** The same water at 10 cm: too large, not yet, on the way, on screen. */
  sharp: 'no' | 'possible' | 'running' | 'done';
  sharpProgress: number;
  /** The level laid beside the one on screen; null: the long section is there. */
  compareLevel: LevelName | null;
  other: FlowField | null;
  otherState: FlowState;
}

export const FRESH_SESSION: SessionState = {
  dragging: null,
  card: false,
  notices: [],
  keysShown: false,
  planHeightPx: 432,
  flow: null,
  flowState: { kind: 'opening' },
  flowStale: false,
  paintedFlow: null,
  waterSerial: 0,
  sharp: 'no',
  sharpProgress: 0,
  compareLevel: null,
  other: null,
  otherState: { kind: 'ready' },
};

/** Whether the water on screen is the one that was asked for, and solved to its end. */
export const waterIsFinal = (s: SessionState) => s.flowState.kind === 'ready' && !s.flowStale;
