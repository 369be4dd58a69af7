import { BED_MATERIALS, type FeatureKind, type Shape } from './beat-plan';

/** What a property may hold; `problem` words what was given and what is possible. */
export interface PropertyRule {
  required: boolean;
  problem(value: unknown): string | null;
}

const shown = (value: unknown) => {
  const text = JSON.stringify(value);
  return text === undefined ? 'nothing' : text.length > 40 ? `${text.slice(0, 40)}...` : text;
};

const number = (min: number, max: number, unit: string, required = true): PropertyRule => ({
  required,
  problem: (v) =>
    typeof v === 'number' && Number.isFinite(v) && v >= min && v <= max
      ? null
      : `is ${shown(v)}; it must be a number from ${min} to ${max} ${unit}`,
});

const word = (allowed: readonly string[], required = true): PropertyRule => ({
  required,
  problem: (v) =>
    typeof v === 'string' && allowed.includes(v)
      ? null
      : `is ${shown(v)}; it must be one of ${allowed.join(', ')}`,
});

const text = (required = true): PropertyRule => ({
  required,
  problem: (v) =>
    typeof v === 'string' && v.length <= 500
      ? null
      : `is ${shown(v)}; it must be words, at most 500 letters`,
});

const stations: PropertyRule = {
  required: true,
  problem: (v) => {
    if (!Array.isArray(v) || v.length < 2)
      return `is ${shown(v)}; it must be a list of at least 2 stations`;
    let last = -Infinity;
    for (const [i, s] of v.entries()) {
      const st = s as Record<string, unknown>;
      const bad =
        number(0, 100, 'm').problem(st?.offsetM) !== null
          ? `offsetM ${number(0, 100, 'm').problem(st?.offsetM)}`
          : number(0, 6, 'm').problem(st?.depthM) !== null
            ? `depthM ${number(0, 6, 'm').problem(st?.depthM)}`
            : st.speedMps !== undefined && number(-5, 5, 'm/s').problem(st.speedMps) !== null
              ? `speedMps ${number(-5, 5, 'm/s').problem(st.speedMps)}`
              : null;
      if (bad) return `station ${i}: ${bad}`;
      if ((st.offsetM as number) <= last)
        return `station ${i}: offsetM is ${shown(st.offsetM)}; offsets must grow`;
      last = st.offsetM as number;
    }
    return null;
  },
};

const measuredAt = word(['surface', 'six-tenths'], false);
const timber = { diameterM: number(0.02, 3, 'm'), clearanceM: number(0, 10, 'm', false) };
const plant = { heightM: number(0.1, 60, 'm'), crownM: number(0.1, 40, 'm', false) };
const noted = { note: text() };

export interface KindRule {
  geometry: readonly Shape['type'][];
  properties: Record<string, PropertyRule>;
}

/** The table of `models-water-lies.md`, with limits a person could have meant. */
export const KIND_RULES: Record<FeatureKind, KindRule> = {
  bank: {
    geometry: ['LineString'],
    properties: {
      side: word(['left', 'right']),
      form: word(['sloping', 'cut', 'undercut']),
      heightM: number(0, 20, 'm', false),
      cutM: number(0, 5, 'm', false),
    },
  },
  sounding: {
    geometry: ['Point'],
    properties: {
      depthM: number(0, 6, 'm'),
      speedMps: number(-5, 5, 'm/s', false),
      at: measuredAt,
      by: word(['fly'], false),
    },
  },
  section: { geometry: ['LineString'], properties: { stations, at: measuredAt } },
  boulder: {
    geometry: ['Point'],
    properties: { diameterM: number(0.1, 12, 'm'), heightM: number(0.05, 8, 'm') },
  },
  log: { geometry: ['LineString', 'Polygon'], properties: timber },
  rootwad: { geometry: ['LineString', 'Polygon'], properties: timber },
  ledge: {
    geometry: ['LineString'],
    properties: { dropM: number(0.01, 5, 'm'), facing: number(-360, 360, 'degrees', false) },
  },
  overhang: { geometry: ['Polygon'], properties: { clearanceM: number(0, 10, 'm') } },
  weed: { geometry: ['Polygon'], properties: { density: word(['sparse', 'thick']) } },
  bed: { geometry: ['Polygon'], properties: { material: word(BED_MATERIALS) } },
  tree: { geometry: ['Point', 'Polygon'], properties: plant },
  bush: { geometry: ['Point', 'Polygon'], properties: plant },
  entry: { geometry: ['Point', 'Polygon'], properties: noted },
  hazard: { geometry: ['Point', 'Polygon'], properties: noted },
  snag: { geometry: ['Point', 'Polygon'], properties: noted },
  spring: {
    geometry: ['Point', 'Polygon'],
    properties: { ...noted, tempC: number(0, 30, 'C', false) },
  },
};

export const headerNumber = number;
export { shown };
