import { fromCivil } from '../core/units/index';
import type { InstrumentLine } from '../core/day/index';
import { csvRows } from './csv-rows';

const RANGE = { water_c: [0, 30, '°C'], level_m: [-5, 10, 'm'] } as const;

/**
 * Lines of a logger or a gauge: `time` (2026-06-13T09:40, local, or an instant with its zone) and
 * `water_c`, `level_m` or both. Every line that is left has its sentence.
 */
export function loggerFromCsv(
  text: string,
  timeZone: string | undefined,
): { lines: InstrumentLine[]; problems: string[] } {
  const read = csvRows(text, ['time']);
  if ('whole' in read) return { lines: [], problems: [read.whole] };
  const out = { lines: [] as InstrumentLine[], problems: read.problems };
  for (const { line, cells } of read.rows) {
    const takenMs = instantOf(cells.time ?? '', timeZone);
    if (takenMs === null) {
      out.problems.push(
        `Line ${line}: time is "${cells.time ?? ''}"; it must be like 2026-06-13T09:40, local, or with its zone.`,
      );
      continue;
    }
    const figures = (['water_c', 'level_m'] as const).map((column) => {
      const cell = cells[column] ?? '';
      if (cell === '') return null;
      const value = Number(cell.replace(',', '.'));
      const [min, max, unit] = RANGE[column];
      return Number.isFinite(value) && value >= min && value <= max
        ? value
        : `Line ${line}: ${column} is "${cell}"; it must be a number from ${min} to ${max} ${unit}.`;
    });
    const wrong = figures.find((f) => typeof f === 'string');
    const [waterTempC, levelM] = figures as (number | null)[];
    if (wrong !== undefined) out.problems.push(String(wrong));
    else if (waterTempC == null && levelM == null)
      out.problems.push(`Line ${line}: neither water_c nor level_m is given.`);
    else out.lines.push({ takenMs, waterTempC: waterTempC ?? null, levelM: levelM ?? null });
  }
  return out;
}

/** An instant with its zone, or a civil time of the beat. */
function instantOf(text: string, timeZone: string | undefined): number | null {
  const plain = /^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2})(?::\d{2})?$/.exec(text);
  if (plain) return fromCivil(`${plain[1]}T${plain[2]}`, timeZone);
  if (!/(Z|[+-]\d{2}:?\d{2})$/.test(text)) return null;
  const ms = Date.parse(text);
  return Number.isNaN(ms) ? null : ms;
}
