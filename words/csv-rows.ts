import Papa from 'papaparse';

/** One line under the heads of its columns (lower case). */
export interface CsvRow {
  line: number;
  cells: Record<string, string>;
}

/** Rows by named column; null with the one sentence that says why the file as a whole cannot be read. */
export function csvRows(
  text: string,
  columns: readonly string[],
): { rows: CsvRow[]; problems: string[] } | { whole: string } {
  const needed = columns.join(', ');
  if (text.trim() === '')
    return { whole: `The file is empty. Its first line must name the columns ${needed}.` };
  const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const header = (parsed.data[0] ?? []).map((h) => h.trim().toLowerCase());
  const missing = columns.filter((c) => !header.includes(c));
  if (missing.length > 0)
    return {
      whole: `The columns are ${header.map((h) => `"${h}"`).join(', ')}; ${missing.join(' and ')} ${missing.length > 1 ? 'are' : 'is'} missing. Needed: ${needed}${columns.includes('depth') ? ', and speed if it was taken' : ''}.`,
    };
  const body = parsed.data.slice(1);
  if (body.length === 0)
    return { whole: 'The file names its columns but holds no line below them.' };
  const rows: CsvRow[] = [];
  const problems: string[] = [];
  body.forEach((cells, i) => {
    const line = i + 2;
    if (cells.length > header.length) {
      const comma = parsed.meta.delimiter === ',';
      problems.push(
        `Line ${line} has ${cells.length} values for ${header.length} columns${comma ? ': a decimal comma in a file that separates with commas? Write 0.45, or separate with semicolons' : ''}.`,
      );
      return;
    }
    rows.push({
      line,
      cells: Object.fromEntries(header.map((h, c) => [h, plain(cells[c] ?? '')])),
    });
  });
  return { rows, problems };
}

/**
 * What a spreadsheet would take for a formula: = + @, a minus that begins no number, and tab or return before
 * them. It is told behind a mark, and so is what begins with such a mark itself, so that each comes back
 * as it was. Where a semicolon separates, a formula may begin behind one too.
 */
const FORMULA = /^(?:'*[=@+\t\r]|'+-|-(?!\d+(?:\.\d+)?(?:e[+-]?\d+)?$))/i;
const BEHIND_SEMICOLON = /;(?='*[=@+\t\r-])/g;
const safe = (cell: unknown) =>
  typeof cell === 'string' ? cell.replace(BEHIND_SEMICOLON, ";'") : cell;

/** Without the marks that keep a spreadsheet from taking a text for a formula. */
const plain = (cell: string) =>
  cell
    .trim()
    .replace(/^'(?='*[=@+\t\r-])/, '')
    .replace(/;'(?='*[=@+\t\r-])/g, ';');

/** A table as CSV (RFC 4180: quotes doubled, lines end with CRLF). */
export const csvText = (
  columns: readonly string[],
  rows: readonly (readonly unknown[])[],
): string =>
  `${Papa.unparse({ fields: [...columns], data: rows.map((r) => r.map(safe)) }, { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;
