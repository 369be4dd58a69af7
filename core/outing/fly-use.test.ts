import { eventOf, tryOf } from '../log/fixtures/tries';
import type { EventCode } from '../log/index';
import { flyUse } from './index';

/** What a fly has done since it was tied. */
const use = (...codes: EventCode[]) =>
  flyUse([tryOf({ events: codes.map((c, i) => eventOf(i + 1, c)) })]);

it('covers, fish and snags add up; another fly begins anew; weed taken off is a look at it', () => {
  expect(use('cast', 'look', 'hook', 'snag', 'hung')).toEqual({
    casts: 3,
    fish: 1,
    snags: 2,
    castsSinceLook: 3,
  });
  expect(use('cast', 'cast', 'change', 'cast')).toEqual({
    casts: 1,
    fish: 0,
    snags: 0,
    castsSinceLook: 1,
  });
  expect(use('cast', 'fly-lost')).toEqual({ casts: 0, fish: 0, snags: 0, castsSinceLook: 0 });
  expect(use('cast', 'cast', 'weed', 'cast')).toMatchObject({ casts: 3, castsSinceLook: 1 });
});

it('goes on from try to try, and leaves out what was taken back', () => {
  const a = tryOf({
    events: [eventOf(1, 'cast'), eventOf(2, 'hook'), eventOf(3, 'undo', { undoes: 'e2' })],
  });
  const b = tryOf({ id: 'u', events: [eventOf(1, 'cast')] });
  expect(flyUse([a, b])).toEqual({ casts: 2, fish: 0, snags: 0, castsSinceLook: 2 });
  expect(flyUse([])).toEqual({ casts: 0, fish: 0, snags: 0, castsSinceLook: 0 });
});
