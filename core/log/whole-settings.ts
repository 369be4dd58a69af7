import { DEFAULT_SETTINGS, SETTING_RANGE, type Settings } from './settings';

/** Settings as kept, whole: what was never set is the default. */
export function wholeSettings(told: Partial<Settings>): Settings {
  const kept = Object.fromEntries(
    Object.entries(told).filter(([key, value]) => unsoundSetting(key, value) === null),
  ) as Partial<Settings>;
  return {
    ...DEFAULT_SETTINGS,
    ...kept,
    methods: { ...DEFAULT_SETTINGS.methods, ...knownMethods(kept.methods) },
    noticing: { ...DEFAULT_SETTINGS.noticing, ...kept.noticing },
    tackle: { ...DEFAULT_SETTINGS.tackle, ...kept.tackle },
  };
}

/** Schools that there are: one that was given up, and is in an older book, says nothing. */
const knownMethods = (told: Partial<Settings['methods']> = {}): Partial<Settings['methods']> =>
  Object.fromEntries(Object.entries(told).filter(([name]) => name in DEFAULT_SETTINGS.methods));

/** Settings that may be null: not known, or not set. */
const MAY_BE_NULL: readonly string[] = ['waterTempC', 'waterTempAt', 'legalLimitC'];

/** Why what was kept of a setting cannot be one; null: it can. A setting that is unsound is as if it had not been set. */
export function unsoundSetting(key: string, value: unknown): string | null {
  if (!(key in DEFAULT_SETTINGS)) return null;
  if (value === null && MAY_BE_NULL.includes(key)) return null;
  const usual = DEFAULT_SETTINGS[key as keyof Settings];
  const kindOf = (v: unknown) => (Array.isArray(v) ? 'list' : v === null ? 'null' : typeof v);
  const wanted = key === 'waterTempAt' ? 'object' : usual === null ? 'number' : kindOf(usual);
  if (kindOf(value) !== wanted) return `${key} is a ${kindOf(value)}; it must be a ${wanted}`;
  if (typeof value === 'number') {
    const range = SETTING_RANGE[key as keyof typeof SETTING_RANGE] as
      readonly [number, number, string] | undefined;
    if (range && !(value >= range[0] && value <= range[1]))
      return `${key} is ${value}; it must be ${range[0]} to ${range[1]} ${range[2]}`;
    return null;
  }
  if (wanted !== 'object' || usual === null || key === 'waterTempAt') return null;
  for (const [part, of] of Object.entries(value as object)) {
    const known = (usual as unknown as Record<string, unknown>)[part];
    if (known !== undefined && kindOf(known) !== 'null' && kindOf(of) !== kindOf(known))
      return `${key}.${part} is a ${kindOf(of)}; it must be a ${kindOf(known)}`;
  }
  return null;
}
