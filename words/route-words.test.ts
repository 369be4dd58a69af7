import { stopWordsOf } from './route-words';

it('the second lie of a stop goes on in the sentence', () => {
  const names: Record<string, string> = { a: 'Back-eddy', b: 'By the log' };
  const stop = {
    lies: [
      { id: 'a', covers: 5 },
      { id: 'b', covers: 4 },
    ],
  } as never;
  expect(stopWordsOf(stop, (id) => names[id]!)).toBe('Back-eddy 5 casts, then by the log 4.');
});
