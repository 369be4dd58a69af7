import { convert, M_PER_FT, type UnitSystem } from './convert';

export type Parsed = { ok: true; value: number } | { ok: false; message: string };

const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/;
const toNumber = (text: string) => Number(text.replace(',', '.'));

type Range = { what: string; min: number; max: number };

/**
 * Reads a length typed by a person: "0,7", "2 ft 4", "2'4\"", "28 in", "70 cm", "0.7 m".
 * A bare number is in the unit of `units`. Value in metres; `range` in metres.
 */
export function parseLengthM(text: string, units: UnitSystem, range: Range): Parsed {
  const s = text.trim().toLowerCase();
  const feetInches = /^(\d+)\s*(?:ft|')\s*(\d+(?:[.,]\d+)?)\s*(?:in|")?$/.exec(s);
  if (feetInches) {
    const inches = Number(feetInches[1]) * 12 + toNumber(feetInches[2]!);
    return within((inches / 12) * M_PER_FT, text, range, units);
  }
  const single = /^([+-]?\d+(?:[.,]\d+)?)\s*(m|cm|mm|ft|'|in|")?$/.exec(s);
  if (!single) return { ok: false, message: unreadable(text, range, units) };
  const n = toNumber(single[1]!);
  const unit = single[2] ?? (units === 'us' ? 'ft' : 'm');
  const factor: Record<string, number> = {
    m: 1,
    cm: 0.01,
    mm: 0.001,
    ft: M_PER_FT,
    "'": M_PER_FT,
    in: M_PER_FT / 12,
    '"': M_PER_FT / 12,
  };
  return within(n * factor[unit]!, text, range, units);
}

/** A fish's total length, bare number in cm or inches by `units`; value in cm. */
export function parseFishLengthCm(
  text: string,
  units: UnitSystem,
  { min = 5, max = 102 }: { min?: number; max?: number } = {},
): Parsed {
  const s = text.trim().toLowerCase();
  const m = /^([+-]?\d+(?:[.,]\d+)?)\s*(cm|in|")?$/.exec(s);
  const inches = (cm: number) => Math.round(cm / convert.inToCm(1));
  const range =
    units === 'us'
      ? `${inches(min)} to ${inches(max)} in`
      : `${min} to ${Math.floor(max / 10) * 10 || max} cm`;
  if (!m) return { ok: false, message: `Length "${text}" is not a number. Give ${range}.` };
  const inInches = m[2] ? m[2] !== 'cm' : units === 'us';
  const cm = inInches ? convert.inToCm(toNumber(m[1]!)) : toNumber(m[1]!);
  if (cm < min || cm > max) {
    return { ok: false, message: `Length "${text}" is outside what a trout can be: ${range}.` };
  }
  return { ok: true, value: cm };
}

/** Water temperature; value in C, 0 to 30. */
export function parseTempC(text: string, units: UnitSystem): Parsed {
  const s = text.trim().replace(/\s*°?\s*[cCfF]$/, '');
  const range = units === 'us' ? '32 to 86 °F' : '0 to 30 °C';
  if (!NUMBER.test(s)) {
    return { ok: false, message: `Water temperature "${text}" is not a number. Give ${range}.` };
  }
  const fahrenheit = /f$/i.test(text.trim()) || (units === 'us' && !/c$/i.test(text.trim()));
  const c = fahrenheit ? convert.fToC(toNumber(s)) : toNumber(s);
  if (c < 0 || c > 30) {
    // A figure of the other unit is asked back, not taken.
    const asF = convert.fToC(toNumber(s));
    const meant =
      !fahrenheit && asF >= 0 && asF <= 30
        ? ` Was ${s} °F meant, which is ${asF.toFixed(1)} °C?`
        : '';
    return {
      ok: false,
      message: `Water temperature "${text}" is not possible here: ${range}.${meant}`,
    };
  }
  return { ok: true, value: c };
}

/** A bare figure: "12", "0,7"; `range` in the unit that is named. */
export function parseFigure(text: string, range: Range & { unit: string }): Parsed {
  const s = text.trim();
  const bounds = `${range.min} to ${range.max} ${range.unit}`.trim();
  if (!NUMBER.test(s))
    return { ok: false, message: `${range.what} "${text}" is not a number. Give ${bounds}.` };
  const value = toNumber(s);
  if (value < range.min || value > range.max)
    return { ok: false, message: `${range.what} "${text}" is out of range: ${bounds}.` };
  return { ok: true, value };
}

function within(m: number, text: string, range: Range, units: UnitSystem): Parsed {
  if (m < range.min || m > range.max) {
    return {
      ok: false,
      message: `${range.what} "${text}" is out of range: ${rangeText(range, units)}.`,
    };
  }
  return { ok: true, value: m };
}

function unreadable(text: string, range: Range, units: UnitSystem): string {
  const example = units === 'us' ? '"2 ft 4"' : '"0,7"';
  return `${range.what} "${text}" is not a length. Give ${rangeText(range, units)}, as in ${example}.`;
}

function rangeText(range: Range, units: UnitSystem): string {
  if (units === 'metric') return `${range.min} to ${range.max} m`;
  const ft = (m: number) => convert.mToFt(m).toFixed(1);
  return `${ft(range.min)} to ${ft(range.max)} ft`;
}
