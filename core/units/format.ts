import { convert, type UnitSystem } from './convert';

const fixed = (value: number, digits: number) => {
  const text = value.toFixed(digits);
  return Number(text) === 0 ? text.replace('-', '') : text;
};

/** A distance on the plan: metres to .1, feet to .1. */
export function formatLength(m: number, units: UnitSystem, digits = 1): string {
  return units === 'us' ? `${fixed(convert.mToFt(m), 1)} ft` : `${fixed(m, digits)} m`;
}

/** A depth of water: metres to .01, or feet and whole inches ("2 ft 4"). */
export function formatDepth(m: number, units: UnitSystem): string {
  if (units === 'metric') return `${fixed(m, 2)} m`;
  const inches = Math.round(convert.cmToIn(m * 100));
  const ft = Math.floor(inches / 12);
  return ft === 0 ? `${inches} in` : `${ft} ft ${inches % 12}`;
}

export function formatSpeed(mps: number, units: UnitSystem): string {
  return units === 'us' ? `${fixed(convert.mToFt(mps), 1)} ft/s` : `${fixed(mps, 2)} m/s`;
}

export function formatDischarge(m3s: number, units: UnitSystem): string {
  return units === 'us' ? `${fixed(convert.m3sToCfs(m3s), 0)} cfs` : `${fixed(m3s, 2)} m³/s`;
}

export function formatTemp(c: number, units: UnitSystem): string {
  return units === 'us' ? `${fixed(convert.cToF(c), 0)} °F` : `${fixed(c, 1)} °C`;
}

/** Total length of a fish: whole centimetres, or inches to .5. */
export function formatFishLength(cm: number, units: UnitSystem): string {
  if (units === 'metric') return `${fixed(cm, 0)} cm`;
  const halves = Math.round(convert.cmToIn(cm) * 2) / 2;
  return `${halves} in`;
}

/** A pull: tenths of a kilogram held, or of a pound. */
export function formatPull(newtons: number, units: UnitSystem): string {
  const kg = newtons / 9.81;
  return units === 'us'
    ? `${fixed(convert.kgToLb(kg), 1)} lb`
    : `${fixed(kg, kg < 0.095 ? 2 : 1)} kg`;
}

/** A small length: whole centimetres, or half inches. */
export function formatSmall(m: number, units: UnitSystem): string {
  if (units === 'metric') return `${fixed(100 * m, 0)} cm`;
  return `${Math.round(2 * convert.cmToIn(100 * m)) / 2} in`;
}

/** Seconds as a plain whole number. */
export const formatWholeSeconds = (s: number): string => `${fixed(s, 0)} s`;

export function formatSeconds(s: number): string {
  return `${fixed(s, 1)} s`;
}

/** Minutes for walking: "under 1 min", "6 min". */
export function formatMinutes(minutes: number): string {
  if (minutes < 0.75) return `${Math.max(5, Math.round((minutes * 60) / 5) * 5)} s`;
  return `${fixed(minutes, minutes < 2 ? 1 : 0)} min`;
}

export const lengthUnit = (units: UnitSystem) => (units === 'us' ? 'ft' : 'm');
export const fishLengthUnit = (units: UnitSystem) => (units === 'us' ? 'in' : 'cm');
export const tempUnit = (units: UnitSystem) => (units === 'us' ? '°F' : '°C');
