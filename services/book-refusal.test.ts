import { bookRefusal } from './book-refusal';

/** What an engine says of itself, and what a device is told of it. */
it.each([
  // PostgreSQL's manual, appendix A: cancelled by a limit of time; what is sent again later is taken.
  [{ code: '57014' }, 'held'],
  [{ code: '55P03' }, 'held'],
  [{ code: '25P03' }, 'held'],
  [new Error('Query read timeout'), 'away'],
  [new Error('timeout exceeded when trying to connect'), 'away'],
  [{ code: '57P01' }, 'away'],
  [{ code: '53300' }, 'away'],
  [{ code: 'ETIMEDOUT' }, 'away'],
  [{ code: '23505' }, 'another has it'],
  [{ code: '23503' }, 'no such thing'],
  [{ code: '22P02' }, 'not possible'],
  [{ code: 'SQLITE_FULL' }, 'full'],
  [{ code: 'SQLITE_BUSY' }, 'held'],
  [{ name: 'BookUnopened', cause: { code: 'EACCES' } }, 'away'],
  [new TypeError('x is not a function'), null],
  [null, null],
])('%p is %s', (error, told) => {
  expect(bookRefusal(error)).toBe(told);
});
