import { mergeChange, type Lost } from '../core/log/index';
import { findTakenChange, rememberChange, writing, type Db } from '../store/index';
import { book } from './book';
import { nowMs } from './clock';
import { done, refused, type Outcome } from './outcome';

/** What a device says of a change beside what is to be. */
export interface Change {
  /** Its name: a change of one name is taken once, however often it arrives. null: it has none. */
  id: string | null;
  /** What the fields that it changes held before, as the device saw them; null: all of it is told anew. */
  was: Record<string, unknown> | null;
}
/** A change that is told whole, by a program that gives it no name. */
export const TOLD_WHOLE: Change = { id: null, was: null };

/** One kind of thing that devices change: how it is had and kept within a transaction. */
export interface Changed<T extends object> {
  /** "the outing", for a person. */
  what: string;
  now: T;
  /** null: it is not in the book. `gone`: it was taken out. */
  current(trx: Db): Promise<{ value: T; gone: boolean } | null>;
  keep(trx: Db, value: T): Promise<void>;
  /** What is still to be said of the value that is kept. */
  check?(value: T): Outcome<null>;
}

/**
 * Keeps a change, laid over what the book holds by now. What another device changed meanwhile stays,
 * and so does what was taken out; who sent the change is told so, in a sentence, once and each time
 * that the same change arrives again. The rest of the change is kept.
 */
export function keepChange<T extends object>(
  { id, was }: Change,
  { what, now, current, keep, check = () => done(null) }: Changed<T>,
): Promise<Outcome<null>> {
  return once(id, async (trx) => {
    const here = was && (await current(trx));
    if (here?.gone)
      return refused(
        'conflict',
        `Meanwhile ${what} was taken out, and stays so. Send this again to bring it back as it is told here, or throw it away.`,
      );
    const { value, lost } = here
      ? mergeChange(here.value, was, now)
      : { value: now, lost: [] as Lost[] };
    const possible = check(value);
    if (!possible.ok) return possible;
    await keep(trx, value);
    return lost.length === 0 ? done(null) : overtaken(what, lost);
  });
}

/** Does something once for each name of a change, and tells what it told the first time. */
export async function once(
  id: string | null,
  work: (trx: Db) => Promise<Outcome<null>>,
): Promise<Outcome<null>> {
  return writing(await book(), async (trx) => {
    const before = id === null ? null : await findTakenChange(trx, id);
    if (before)
      return before.refusal === null ? done(null) : (JSON.parse(before.refusal) as Outcome<null>);
    const outcome = await work(trx);
    // What was refused as impossible changed nothing: mended, it may come again under its name.
    if (id !== null && (outcome.ok || outcome.code === 'conflict'))
      await rememberChange(trx, id, outcome.ok ? null : JSON.stringify(outcome), nowMs());
    return outcome;
  });
}

/** Takes something out, once for each name of a change. What is taken out stays so. */
export const takeOut = ({ id }: Change, take: (trx: Db) => Promise<void>): Promise<Outcome<null>> =>
  once(id, async (trx) => {
    await take(trx);
    return done(null);
  });

const FIELD_WORDS: Record<string, string> = {
  note: 'the note',
  startMs: 'the start',
  endMs: 'the end',
  timeZone: 'the time zone',
  xM: 'the place',
  yM: 'the place',
  fishDepthM: 'the depth',
  totalLengthCm: 'the length',
  headingRad: 'the heading',
  surety: 'how sure it is',
  behaviour: 'what it does',
  waterTempC: 'the water temperature',
  airTempC: 'the air temperature',
  turbidityNtu: 'the clarity',
  box: 'the fly box',
  rigs: 'the rigs',
  ready: 'the ready rods',
};
const LONGEST = 60;

function overtaken(what: string, lost: readonly Lost[]): Outcome<null> {
  const [{ path, book: held, wanted } = { path: [''], book: null, wanted: null }] = lost;
  const field = FIELD_WORDS[path[0]!] ?? `"${path.join(' ')}"`;
  const more = lost.length === 1 ? '' : ` So it was with ${lost.length - 1} more.`;
  return refused(
    'conflict',
    `Another device changed ${field} of ${what} meanwhile: the book has ${told(path[0]!, held)}, and ${told(path[0]!, wanted)} was not put in its place.${more} The rest of this change is kept. Send it again to put yours in its place, or throw it away.`,
    path[0],
  );
}

function told(field: string, value: unknown): string {
  if (value === null || value === undefined) return 'nothing';
  if (typeof value === 'number')
    return /Ms$/.test(field) && Math.abs(value) < 8.64e15
      ? `${new Date(value).toISOString().slice(0, 16).replace('T', ' ')} UTC`
      : String(value);
  if (typeof value === 'string') return `"${value.slice(0, LONGEST)}"`;
  const { name } = value as { name?: unknown };
  if (typeof name === 'string') return `"${name.slice(0, LONGEST)}"`;
  return JSON.stringify(value).slice(0, LONGEST);
}
