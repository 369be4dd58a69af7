/**
 * The visual language in one place: every colour by its job, in both themes. Drawing and
 * interface read them as CSS variables (`var(--angler)`); the contrast table is `tokens.test.ts`.
 */
export const LIGHT = {
  paper: '#F4F5EF',
  wet: '#E5E7DD',
  land: '#DCDDCF',
  'land-wet': '#C9C6B4',
  shore: '#3E4A42',
  ink: '#131B18',
  ink2: '#3F4A45',
  ink3: '#59645E',
  rule: '#B4B9AC',
  rule2: '#7F877E',
  angler: '#A6360A',
  fish: '#2420C4',
  caution: '#F2BE00',
  'caution-ink': '#131B18',
  stone: '#FBFAF5',
  'stone-line': '#131B18',
  case: '#FBFAF5',
  tree: '#7C8572',
  leaf: '#98A08D',
  treefill: '#CDD1C0',
  rock: '#8F9388',
  rockline: '#4C544C',
  night: '#C9CDC3',
} as const;

export type Token = keyof typeof LIGHT;

export const DIM: Record<Token, string> = {
  paper: '#14130F',
  wet: '#1D1B15',
  land: '#1B1A15',
  'land-wet': '#24211A',
  shore: '#7B7462',
  ink: '#E8DAC0',
  ink2: '#BBAE95',
  ink3: '#9C9079',
  rule: '#3C382E',
  rule2: '#6E6756',
  angler: '#F0885A',
  fish: '#A9C4FF',
  caution: '#E0BE3C',
  'caution-ink': '#14130F',
  stone: '#2B2820',
  'stone-line': '#D8CBB2',
  case: '#0B0B09',
  tree: '#5C594A',
  leaf: '#4A483C',
  treefill: '#232119',
  rock: '#2E2B24',
  rockline: '#8A8270',
  night: '#0C0B09',
};

export type Theme = 'light' | 'dim';
export const THEMES: Record<Theme, Record<Token, string>> = { light: LIGHT, dim: DIM };

/** Ramp stops in L*, C, h (degrees). Linear in Lab between them. `fullAt` is t = 1. */
export interface Ramp {
  fullAt: number;
  stops: readonly (readonly [lightness: number, chroma: number, hueDeg: number])[];
}

/** Depth: t = depth / 1.2 m. Deep is always darker. */
export const DEPTH_RAMP: Record<Theme, Ramp> = {
  light: {
    fullAt: 1.2,
    stops: [
      [90, 8, 96],
      [83, 8.5, 112],
      [76, 10.5, 135],
      [69, 13, 158],
      [62, 15.5, 178],
      [55, 17, 193],
      [48, 18, 205],
      [41, 18.5, 216],
      [34, 18, 226],
    ],
  },
  dim: {
    fullAt: 1.2,
    stops: [
      [46, 9, 80],
      [42, 8, 95],
      [38, 8, 120],
      [34, 9, 150],
      [30, 10, 172],
      [26, 11, 190],
      [22, 11.5, 205],
      [18, 11.5, 218],
      [14, 11, 228],
    ],
  },
};

/** Pace: t = surface speed / 1.2 m/s. Slack is dark, quick is pale, as white water is. */
export const PACE_RAMP: Record<Theme, Ramp> = {
  light: {
    fullAt: 1.2,
    stops: [
      [30, 17, 315],
      [46, 14, 305],
      [62, 10, 290],
      [78, 6, 250],
      [94, 5, 110],
    ],
  },
  dim: {
    fullAt: 1.2,
    stops: [
      [9, 10, 320],
      [18.5, 9.5, 310],
      [28, 8, 300],
      [37.5, 6, 300],
      [47, 6, 70],
    ],
  },
};

/** `:root` rules for both themes; next-themes sets the class. */
export function tokenCss(): string {
  const rules = (tokens: Record<Token, string>) =>
    Object.entries(tokens)
      .map(([name, value]) => `--${name}:${value}`)
      .join(';');
  return `:root,.light{color-scheme:light;${rules(LIGHT)}}.dark{color-scheme:dark;${rules(DIM)}}`;
}
