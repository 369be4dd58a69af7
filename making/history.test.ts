import fc from 'fast-check';
import { begin, commit, redo, undo } from './history';

it('undo gives back, redo takes again, a new step forgets what was undone', () => {
  let h = begin('a');
  h = commit(commit(h, 'b'), 'c');
  h = undo(undo(h));
  expect(h.present).toBe('a');
  expect(undo(h)).toBe(h);
  expect(redo(h).present).toBe('b');
  h = commit(h, 'd');
  expect(redo(h)).toBe(h);
  expect(undo(h).present).toBe('a');
});

it('the same state again is no step', () => {
  const h = begin({ x: 1 });
  expect(commit(h, h.present)).toBe(h);
});

it('any run of steps can be taken back to the beginning and on again (property)', () => {
  fc.assert(
    fc.property(fc.array(fc.integer(), { maxLength: 60 }), (values) => {
      const start = begin<number | null>(null);
      let h = values.reduce(
        (at, v) => commit(at, v),
        start as ReturnType<typeof begin<number | null>>,
      );
      const end = h.present;
      while (h.past.length > 0) h = undo(h);
      expect(h.present).toBeNull();
      while (h.future.length > 0) h = redo(h);
      expect(h.present).toBe(end);
    }),
  );
});
