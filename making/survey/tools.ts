import type { BeatFeature, FeatureKind, Shape } from '../../core/formats/index';
import { BED_MATERIALS } from '../../core/formats/index';
import type { Place } from '../../core/grid/index';
import { shapeOf } from './survey-draft';

/** What a tool asks for: only what the thing needs, with its unit. */
export type Ask =
  | {
      field: string;
      kind: 'length' | 'depth';
      label: string;
      min: number;
      max: number;
      optional?: boolean;
    }
  | { field: string; kind: 'speed'; label: string; optional?: boolean }
  | {
      field: string;
      kind: 'plain';
      label: string;
      unit: string;
      min: number;
      max: number;
      optional?: boolean;
    }
  | { field: string; kind: 'word'; label: string; words: readonly string[] }
  | { field: string; kind: 'text'; label: string };

export interface Tool {
  kind: FeatureKind;
  word: string;
  shape: Shape['type'];
  /** A line with just two ends: placed by two taps. */
  twoEnds?: boolean;
  asks: readonly Ask[];
  usual: Record<string, unknown>;
}

const note: Ask = { field: 'note', kind: 'text', label: 'Note' };
const plantAsks: readonly Ask[] = [
  { field: 'heightM', kind: 'length', label: 'Height', min: 0.1, max: 60 },
  { field: 'crownM', kind: 'length', label: 'Crown', min: 0.1, max: 40 },
];

/** In the order in which a survey is made. */
export const TOOLS: readonly Tool[] = [
  {
    kind: 'bank',
    word: 'Bank',
    shape: 'LineString',
    asks: [
      { field: 'side', kind: 'word', label: 'True', words: ['left', 'right'] },
      { field: 'form', kind: 'word', label: 'Form', words: ['sloping', 'cut', 'undercut'] },
      { field: 'heightM', kind: 'length', label: 'Height', min: 0, max: 20, optional: true },
      { field: 'cutM', kind: 'length', label: 'Cut in by', min: 0, max: 5, optional: true },
    ],
    usual: { side: 'left', form: 'sloping', heightM: 0.6 },
  },
  {
    kind: 'section',
    word: 'Section',
    shape: 'LineString',
    twoEnds: true,
    asks: [{ field: 'at', kind: 'word', label: 'Speeds at', words: ['six-tenths', 'surface'] }],
    usual: {
      at: 'six-tenths',
      stations: [
        { offsetM: 0, depthM: 0 },
        { offsetM: 1, depthM: 0.3 },
      ],
    },
  },
  {
    kind: 'sounding',
    word: 'Sounding',
    shape: 'Point',
    asks: [
      { field: 'depthM', kind: 'depth', label: 'Depth', min: 0, max: 6 },
      { field: 'speedMps', kind: 'speed', label: 'Speed', optional: true },
      { field: 'at', kind: 'word', label: 'Speed at', words: ['six-tenths', 'surface'] },
    ],
    usual: { depthM: 0.4, at: 'six-tenths' },
  },
  {
    kind: 'boulder',
    word: 'Rock',
    shape: 'Point',
    asks: [
      { field: 'diameterM', kind: 'length', label: 'Across', min: 0.1, max: 12 },
      { field: 'heightM', kind: 'length', label: 'Height above the bed', min: 0.05, max: 8 },
    ],
    usual: { diameterM: 1.2, heightM: 0.8 },
  },
  {
    kind: 'log',
    word: 'Log',
    shape: 'LineString',
    twoEnds: true,
    asks: [
      { field: 'diameterM', kind: 'length', label: 'Thickness', min: 0.02, max: 3 },
      {
        field: 'clearanceM',
        kind: 'length',
        label: 'Clear of the bed',
        min: 0,
        max: 10,
        optional: true,
      },
    ],
    usual: { diameterM: 0.35, clearanceM: 0 },
  },
  {
    kind: 'rootwad',
    word: 'Rootwad',
    shape: 'Polygon',
    asks: [{ field: 'diameterM', kind: 'length', label: 'Across', min: 0.02, max: 3 }],
    usual: { diameterM: 1 },
  },
  {
    kind: 'ledge',
    word: 'Step',
    shape: 'LineString',
    asks: [
      { field: 'dropM', kind: 'depth', label: 'Drop', min: 0.01, max: 5 },
      {
        field: 'facing',
        kind: 'plain',
        label: 'Faces',
        unit: '°, 180 is down-current',
        min: -360,
        max: 360,
      },
    ],
    usual: { dropM: 0.15, facing: 180 },
  },
  {
    kind: 'overhang',
    word: 'Boughs',
    shape: 'Polygon',
    asks: [{ field: 'clearanceM', kind: 'length', label: 'Clear of the water', min: 0, max: 10 }],
    usual: { clearanceM: 0.6 },
  },
  {
    kind: 'weed',
    word: 'Weed',
    shape: 'Polygon',
    asks: [{ field: 'density', kind: 'word', label: 'Weed', words: ['sparse', 'thick'] }],
    usual: { density: 'sparse' },
  },
  {
    kind: 'bed',
    word: 'Bed',
    shape: 'Polygon',
    asks: [{ field: 'material', kind: 'word', label: 'Made of', words: BED_MATERIALS }],
    usual: { material: 'gravel' },
  },
  { kind: 'tree', word: 'Tree', shape: 'Point', asks: plantAsks, usual: { heightM: 8, crownM: 4 } },
  {
    kind: 'bush',
    word: 'Bush',
    shape: 'Point',
    asks: plantAsks,
    usual: { heightM: 1.4, crownM: 2 },
  },
  { kind: 'entry', word: 'Entry', shape: 'Point', asks: [note], usual: { note: 'Way in' } },
  { kind: 'hazard', word: 'Hazard', shape: 'Point', asks: [note], usual: { note: 'Keep off' } },
  { kind: 'snag', word: 'Snag', shape: 'Point', asks: [note], usual: { note: 'Branch ends' } },
  {
    kind: 'spring',
    word: 'Spring',
    shape: 'Point',
    asks: [
      note,
      {
        field: 'tempC',
        kind: 'plain',
        label: 'Water',
        unit: '°C',
        min: 0,
        max: 30,
        optional: true,
      },
    ],
    usual: { note: 'Spring' },
  },
];

export const toolOf = (kind: FeatureKind): Tool => TOOLS.find((t) => t.kind === kind)!;

/**
 * A tool at work: places taken so far. It ends by itself when the shape is whole (a point, two
 * ends), else when told to; Escape gives all of it back, Backspace the last place.
 *
 *   idle --tap--> placing --tap--> placing ... --done--> a feature
 *                    |  \--backspace--> one place fewer
 *                    \--escape--> idle
 */
export interface ToolState {
  tool: Tool;
  properties: Record<string, unknown>;
  places: Place[];
}

export const takeTool = (tool: Tool): ToolState => ({
  tool,
  properties: { ...tool.usual },
  places: [],
});

export type Tapped =
  { kind: 'more'; state: ToolState } | { kind: 'whole'; feature: BeatFeature; state: ToolState };

export function tap(state: ToolState, place: Place): Tapped {
  const places = [...state.places, place];
  const whole =
    state.tool.shape === 'Point' || (state.tool.twoEnds === true && places.length === 2);
  if (!whole) return { kind: 'more', state: { ...state, places } };
  return { kind: 'whole', feature: featureOf(state, places), state: { ...state, places: [] } };
}

export const backOne = (state: ToolState): ToolState => ({
  ...state,
  places: state.places.slice(0, -1),
});

/** Ends a line or an area; null while it has too few corners. */
export function finish(state: ToolState): { feature: BeatFeature; state: ToolState } | null {
  const least = state.tool.shape === 'Polygon' ? 3 : 2;
  if (state.tool.shape === 'Point' || state.places.length < least) return null;
  return { feature: featureOf(state, state.places), state: { ...state, places: [] } };
}

function featureOf(state: ToolState, places: Place[]): BeatFeature {
  const { kind, shape } = state.tool;
  const rounded = places.map((p) => ({ xM: round(p.xM), yM: round(p.yM) }));
  const properties: Record<string, unknown> = { ...state.properties };
  if (kind === 'section') {
    // The far end of the tape is a station of depth 0, so that the line is whole from the start.
    const [a, b] = rounded as [Place, Place];
    const lengthM = round(Math.hypot(b.xM - a.xM, b.yM - a.yM));
    properties.stations = [
      { offsetM: 0, depthM: 0 },
      { offsetM: round(lengthM / 2), depthM: 0.4 },
      { offsetM: lengthM, depthM: 0 },
    ];
  }
  return { kind, ...properties, shape: shapeOf(shape, rounded) } as unknown as BeatFeature;
}

const round = (m: number) => Math.round(100 * m) / 100;

/** "3, -1.5; 4.2, -1" as places; a sentence when it cannot be read. */
export function placesFromText(text: string): Place[] | string {
  const parts = text
    .split(/[;\n]/)
    .map((p) => p.trim())
    .filter((p) => p !== '');
  if (parts.length === 0)
    return 'No place was given. Write x, y in metres, as in "3, -1.5; 4.2, -1".';
  const places: Place[] = [];
  for (const [i, part] of parts.entries()) {
    const numbers = part.split(/[,\s]+/).map(Number);
    if (numbers.length !== 2 || numbers.some((n) => !Number.isFinite(n)))
      return `Place ${i + 1} is "${part}"; it must be two numbers, x and y in metres, as in "3, -1.5".`;
    places.push({ xM: numbers[0]!, yM: numbers[1]! });
  }
  return places;
}
