import { object } from 'yup';
import { figureText, fishLengthText, someWords } from './form-schemas';

const problemOf = async (schema: ReturnType<typeof figureText>, text: string) =>
  object({ it: schema })
    .validate({ it: text })
    .then(
      () => null,
      (e: Error) => e.message,
    );

it('a figure is typed with a comma or a point; else the sentence names it and what is possible', async () => {
  const paces = figureText({ what: 'Paces', unit: 'paces', min: 0.5, max: 100 });
  expect(await problemOf(paces, '7,5')).toBeNull();
  expect(await problemOf(paces, '7.5')).toBeNull();
  expect(await problemOf(paces, '700')).toMatch(/Paces.*700.*0\.5.*100/);
  expect(await problemOf(paces, 'some')).toMatch(/Paces.*some/);
});

it('a fish has a length in the units on screen', async () => {
  expect(await problemOf(fishLengthText('metric'), '31')).toBeNull();
  expect(await problemOf(fishLengthText('us'), '12.5')).toBeNull();
  expect(await problemOf(fishLengthText('metric'), '500')).toMatch(/500/);
});

it('words must be there, and not too many', async () => {
  const name = someWords('Name', 5, 'Give it one.');
  expect(await problemOf(name, 'Kest')).toBeNull();
  expect(await problemOf(name, '  ')).toBe('Name "" is empty. Give it one.');
  expect(await problemOf(name, 'Kestrel')).toBe('Name is longer than 5 letters.');
});
