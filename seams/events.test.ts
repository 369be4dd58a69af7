import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { tryFact } from '../core/learn/index';
import {
  EMPTY_SNAPSHOT,
  EVENT_CODES,
  foldTry,
  homeTrials,
  lookOfTry,
  tallyOf,
  type EventCode,
  type Try,
  type TryEvent,
} from '../core/log/index';
import { eventOf, tryOf } from '../core/log/fixtures/tries';
import { moveQuestionOf, restAfter, sidesOf } from '../core/moves/index';
import { doneAt, feltDrifts, flyUse, lieState } from '../core/outing/index';
import { DEFAULT_TACKLE, usualRig } from '../core/rig/index';
import { summaryOf } from '../store/try-summary';
import { changeName } from '../words/queue-words';

/**
 * Every event by every reader. The rows are written by hand: what an angler means by the press. A reader
 * that hears something else of it fails here, by the name of the press.
 */
interface Meaning {
  /** One cover more; a fish was there; the fish had the fly. */
  cover: boolean;
  fish: boolean;
  took: boolean;
  /** How the lie stands afterwards. */
  lie: 'being worked' | 'vacant' | 'resting' | 'covered' | 'let be';
  /** What the next move hears; '' for nothing, null where the try is over. */
  heard: string | null;
  felt?: 'clear' | 'ticked' | 'hung';
}
const WORKED = { fish: false, took: false, lie: 'being worked' as const };
const MEANINGS: Record<Exclude<EventCode, 'more' | 'undo'>, Meaning> = {
  cast: { ...WORKED, cover: true, heard: 'nothing' },
  look: { ...WORKED, cover: true, fish: true, heard: 'looked' },
  refusal: { ...WORKED, cover: true, fish: true, heard: 'turned' },
  miss: { ...WORKED, cover: true, fish: true, took: true, heard: 'missed' },
  hook: { ...WORKED, cover: true, fish: true, took: true, heard: null },
  landing: { cover: false, fish: true, took: false, lie: 'vacant', heard: null },
  loss: { cover: false, fish: true, took: false, lie: 'vacant', heard: 'down' },
  foul: { cover: false, fish: true, took: false, lie: 'vacant', heard: null },
  spook: { cover: false, fish: true, took: false, lie: 'resting', heard: 'down' },
  change: { ...WORKED, cover: false, heard: 'fly' },
  rest: { ...WORKED, cover: false, heard: '' },
  snag: { ...WORKED, cover: false, heard: '' },
  'fly-lost': { ...WORKED, cover: false, heard: '' },
  weed: { ...WORKED, cover: false, heard: '' },
  bottom: { ...WORKED, cover: true, heard: 'nothing', felt: 'ticked' },
  clear: { ...WORKED, cover: true, heard: 'nothing', felt: 'clear' },
  hung: { ...WORKED, cover: false, heard: '', felt: 'hung' },
  'other-species': { ...WORKED, cover: true, heard: 'nothing' },
  'let-be': { cover: false, fish: true, took: false, lie: 'let be', heard: null },
  leave: { cover: false, fish: false, took: false, lie: 'covered', heard: null },
  rise: { ...WORKED, cover: true, fish: true, heard: 'rise' },
  seen: { ...WORKED, cover: false, fish: true, heard: 'seen' },
  unseen: { ...WORKED, cover: false, heard: 'not seen' },
};
const ROWS = Object.entries(MEANINGS) as [keyof typeof MEANINGS, Meaning][];

const target = {
  id: 'l1',
  kind: null,
  xM: 3,
  yM: 4,
  rating: 60,
  needs: null,
  depthM: 0.5,
  surfaceSpeedMps: 0.6,
  meanSpeedMps: 0.5,
  behaviour: null,
};
const rig = usualRig('sunk');
/** At a lie of a beat, with everything known of it. */
const worked = (events: TryEvent[]): Try =>
  tryOf({
    events,
    snapshot: {
      ...EMPTY_SNAPSHOT,
      level: 'Fair',
      rated: { ...EMPTY_SNAPSHOT.rated, homeOffset: 0 },
      target,
      cast: {
        stand: { xM: 0, yM: 0 },
        posture: 'stand',
        landing: null,
        lay: { kind: 'straight', amount: 0 } as never,
        mend: null,
        leadM: 1,
        castKind: null,
        rig: { id: rig.id, fly: 'sunk', leaderM: 3 },
      },
    },
  });
const NOW = 30_000;
const first = (code: EventCode, more: Partial<TryEvent> = {}) => worked([eventOf(1, code, more)]);

describe.each(ROWS)('%s', (code, means) => {
  const t = first(code);
  it('counts as a cover, or does not: log, summary, tally, sides, places, Learn, fly', () => {
    const casts = means.cover ? 1 : 0;
    expect(foldTry(t.fly, t.events).casts).toBe(casts);
    expect(summaryOf(t.fly, t.snapshot, t.events).casts).toBe(casts);
    expect(tallyOf(null, [t], NOW).casts).toBe(casts);
    expect(sidesOf([t], 'fly').reduce((sum, s) => sum + s.drifts, 0)).toBe(casts);
    expect(doneAt([t]).blanks).toEqual(means.cover && !means.took ? [1] : []);
    expect(tryFact(t)?.casts ?? 0).toBe(casts);
    expect(flyUse([t]).casts).toBe(casts);
  });
  it('shows a fish, or does not: chance at home, pattern of the day, Learn', () => {
    const known = means.cover || means.fish;
    expect(homeTrials([t]).map((h) => h.fish)).toEqual(known ? [means.fish] : []);
    expect(lookOfTry(t)?.found ?? null).toBe(known ? means.fish : null);
    expect(tryFact(t)?.shown ?? null).toBe(known ? means.fish : null);
  });
  it('is a take, or is not: tally, sides, places, Learn', () => {
    const takes = means.took ? 1 : 0;
    expect(tallyOf(null, [t], NOW).touched).toBe(takes);
    expect(sidesOf([t], 'fly').reduce((sum, s) => sum + s.takes, 0)).toBe(takes);
    expect(doneAt([t]).takes).toBe(takes);
    // A fish that was landed or came off had taken, also where nobody pressed that.
    if (code !== 'landing' && code !== 'loss') expect(tryFact(t)?.took ?? false).toBe(means.took);
  });
  it('leaves the lie as it does', () => {
    const state = lieState({
      tries: [t],
      home: 0.6,
      cover: { a: 0.4, coverS: 12, takeS: 55 },
      lambda: 3,
      detourMin: 2,
      nowMs: NOW,
    });
    expect(state?.kind).toBe(means.lie);
    // How long it wants to be left is told once: where the lie rests, the rest is one.
    if (means.lie === 'resting') expect(restAfter(code, 3).kind).not.toBe('none');
    if (means.lie === 'covered') expect(restAfter(code, 3).kind).toBe('none');
  });
  it('is heard by the next move', () => {
    const question = moveQuestionOf(t, {
      lambda: 3,
      nowMs: NOW,
      seenMinutesAgo: null,
      othersInReach: false,
      seenOnLooking: 0.5,
    });
    expect(question?.happened ?? null).toEqual(
      means.heard === null ? null : means.heard === '' ? [] : [means.heard],
    );
  });
  it('says something of the bed, or nothing: sinking, Learn, the next move', () => {
    const felt = feltDrifts([t], DEFAULT_TACKLE, 'Fair').map((d) => d.felt);
    expect(felt).toEqual(means.felt ? [means.felt] : []);
    const { touched = 0, clear = 0 } = tryFact(t)?.felt ?? {};
    if (means.cover)
      expect([touched, clear]).toEqual([
        means.felt === 'ticked' ? 1 : 0,
        means.felt === 'clear' ? 1 : 0,
      ]);
  });
  it('has a name where it waits to be sent', () => {
    expect(changeName({ kind: 'press', method: 'PUT', body: { code } } as never)).not.toMatch(
      /Something/,
    );
  });
});

it('no event is left out', () => {
  expect([...Object.keys(MEANINGS), 'more', 'undo'].sort()).toEqual([...EVENT_CODES].sort());
});

it('a take that turns out to be foul-hooked is no take, to anybody', () => {
  const t = worked([eventOf(1, 'cast'), eventOf(2, 'hook'), eventOf(3, 'foul')]);
  expect(tallyOf(null, [t], NOW)).toMatchObject({ taken: 0, touched: 0, casts: 2 });
  expect(sidesOf([t], 'fly')[0]).toMatchObject({ drifts: 2, takes: 0 });
  expect(doneAt([t])).toMatchObject({ takes: 0 });
  expect(tryFact(t)).toMatchObject({ took: false, hooked: false, looked: false, shown: true });
  expect(homeTrials([t])[0]!.fish).toBe(true);
});

it('five times "never touched" are five covers to the next move too, and the fly is not down', () => {
  const t = worked(Array.from({ length: 5 }, (_, i) => eventOf(i + 1, 'clear')));
  const context = {
    lambda: 3,
    nowMs: 60_000,
    seenMinutesAgo: null,
    othersInReach: false,
    seenOnLooking: 0.5,
  };
  const question = moveQuestionOf(t, context)!;
  expect(question.happened).toEqual(Array(5).fill('nothing'));
  const ticked = worked([...t.events, eventOf(6, 'bottom')]);
  expect(question.situation.right.depth).toBeLessThan(
    moveQuestionOf(ticked, context)!.situation.right.depth,
  );
});

/** Where codes may stand by name: the table, how a try is folded, what a press draws, and who makes events up. */
const MAY_NAME_CODES = [
  'core/log/event-table.ts',
  'core/log/events.ts',
  'outing/event-shape.tsx',
  'demo/',
  'docs/',
];

it('nobody asks by code what an event means', () => {
  const root = join(__dirname, '..');
  const files = execFileSync('git', ['ls-files', '*.ts', '*.tsx'], { cwd: root, encoding: 'utf8' })
    .split('\n')
    .filter((f) => f && !/\.(test|spec)\.tsx?$|fixtures\//.test(f))
    .filter((f) => !MAY_NAME_CODES.some((m) => f.startsWith(m)));
  const codes = EVENT_CODES.filter((c) => c !== 'undo' && c !== 'more');
  const asks = new RegExp(`\\bcode [!=]== '(${codes.join('|')})'`);
  const lists = new RegExp(`\\[\\s*(?:'(?:${codes.join('|')})',?\\s*){3,}\\]`);
  const found = files.filter((f) => {
    const text = readFileSync(join(root, f), 'utf8');
    return asks.test(text) || lists.test(text);
  });
  expect(files.length).toBeGreaterThan(500);
  expect(found).toEqual([]);
});
