import { type TryEvent } from '../log/index';
import { eventOf, tryOf } from '../log/fixtures/tries';
import { TWENTY } from './fixtures/twenty';
import { createRandom } from '../grid/index';
import {
  beliefAfter,
  moveQuestionOf,
  nextMove,
  priorBelief,
  schoolMoves,
  type Happening,
  type MoveQuestion,
  type Situation,
} from './index';

const riser = TWENTY[3]!.question;
const blind = TWENTY[10]!.question;
const sum = (b: readonly number[]) => b.reduce((x, y) => x + y, 0);

describe('the twenty situations (route.md, section 3)', () => {
  it.each(TWENTY.map((c) => [c.n, c.name, c] as const))('%i %s', (n, _, c) => {
    const { there, willing, moves } = nextMove(c.question);
    expect(Math.abs(there - c.there)).toBeLessThan(0.031);
    expect(Math.abs(willing - c.willing)).toBeLessThan(0.016);
    const first = moves[0]!;
    const named = moves.find((m) => m.move.kind === c.says[0]![0])!;
    // Where three are as good as one another the page prints one of them first.
    if (n === 10) expect(first.pays - named.pays).toBeLessThan(0.01);
    else expect(first.move.kind).toBe(c.says[0]![0]);
    // Its figures are those of another program: the same order, and near.
    for (const [kind, pays] of c.says)
      expect(Math.abs(moves.find((m) => m.move.kind === kind)!.pays - pays)).toBeLessThan(0.045);
  });
});

it('beliefs sum to 1 whatever happens', () => {
  const random = createRandom(5);
  const all: Happening[] = ['nothing', 'looked', 'turned', 'missed', 'down', 'rise', 'drift'];
  const more: Happening[] = ['depth', 'fly', 'rig', 'beat', 'seen', 'not seen', { restMin: 4 }];
  const some = [...all, ...more];
  for (let n = 0; n < 200; n++) {
    const happened = Array.from({ length: 12 }, () => some[Math.floor(random() * some.length)]!);
    const { belief } = beliefAfter(riser.situation, happened);
    expect(sum(belief)).toBeCloseTo(1, 9);
    expect(Math.min(...belief)).toBeGreaterThanOrEqual(0);
  }
});

it('what elsewhere pays more never turns leaving into staying', () => {
  for (const { question } of TWENTY) {
    let left = false;
    for (const lambda of [0.5, 1, 2, 4, 8, 16]) {
      const leaves = nextMove({ ...question, lambda }).moves[0]!.move.kind === 'leave';
      expect(left && !leaves).toBe(false);
      left = leaves;
    }
  }
});

it('a fish disturbed on the way is likelier to be down; a change that cannot be made is not offered', () => {
  const alarmed = nextMove({ ...blind, situation: { ...blind.situation, calm: 0.3 } });
  expect(alarmed.willing).toBeLessThan(nextMove(blind).willing);
  const kinds = nextMove({ ...blind, cannot: ['rig', 'depth'] }).moves.map((m) => m.move.kind);
  expect(kinds).not.toContain('rig');
  expect(kinds).not.toContain('depth');
  expect(kinds).toContain('leave');
});

it('a chance outside 0 to 1 is refused by name', () => {
  const right = { ...blind.situation.right, depth: 1.2 };
  expect(() => nextMove({ ...blind, situation: { ...blind.situation, right } })).toThrow(
    'next move: depth is 1.2, not 0 to 1',
  );
});

it('schools say what they say', () => {
  const at = (happened: Happening[], q: MoveQuestion = blind) => schoolMoves({ ...q, happened });
  expect(at(['nothing'])['three and on'].kind).toBe('again');
  expect(at(['nothing', 'nothing', 'nothing'])['three and on'].kind).toBe('leave');
  expect(at(['nothing', 'nothing', 'nothing'])['depth first'].kind).toBe('depth');
  expect(at(['nothing', 'nothing', 'nothing', 'depth', 'nothing'])['depth first'].kind).toBe(
    'again',
  );
  expect(at(['turned'])['fly first'].kind).toBe('fly');
  expect(at(['nothing', 'looked'])['rest first']).toEqual({ kind: 'rest', minutes: 5 });
  expect(at(['rise'], riser).stay.kind).toBe('beat');
});

describe('a try as a question', () => {
  const context = {
    lambda: 3,
    nowMs: 40_000,
    seenMinutesAgo: null,
    othersInReach: false,
    seenOnLooking: 0.5,
  };
  const ask = (events: TryEvent[]) => moveQuestionOf(tryOf({ events }), context);

  it('never while a fish is on, nor when it is over', () => {
    expect(ask([eventOf(1, 'hook')])).toBeNull();
    expect(ask([eventOf(1, 'hook'), eventOf(2, 'landing')])).toBeNull();
    expect(ask([eventOf(1, 'hook'), eventOf(2, 'loss')])).not.toBeNull();
  });
  it('what was taken back leaves no trace, and the order in which devices send does not matter', () => {
    const plain = ask([eventOf(1, 'cast'), eventOf(2, 'cast')]);
    const undone = [
      eventOf(1, 'cast'),
      eventOf(2, 'cast'),
      eventOf(3, 'look'),
      eventOf(4, 'undo', { undoes: 'e3' }),
    ];
    expect(ask(undone)).toEqual(plain);
    expect(ask([...undone].reverse())).toEqual(plain);
  });
  it('a long pause is a rest; a change says what was changed; the bottom says that it is down', () => {
    const q = moveQuestionOf(
      tryOf({
        events: [
          eventOf(1, 'cast'),
          eventOf(40, 'change', { changed: 'depth' }),
          eventOf(41, 'bottom'),
        ],
      }),
      { ...context, nowMs: 420_000 },
    )!;
    expect(q.happened).toEqual(['nothing', { restMin: 6.5 }, 'depth', 'nothing']);
    expect(q.situation.right.depth).toBeCloseTo(0.9, 12);
  });
});

it('the prior is what was told: a lie by its rating, a fish by how lately it was seen', () => {
  const s: Situation = { ...riser.situation, home: 0.36 };
  expect(1 - priorBelief(s)[0]!).toBeCloseTo(0.36, 12);
  const seen = priorBelief({ ...riser.situation, minutesSinceSeen: 20 });
  expect(1 - seen[0]!).toBeCloseTo(0.97 * Math.exp(-0.24), 12);
});
