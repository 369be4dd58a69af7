import { learnQuerySchema, priorQuerySchema, takeBackSchema } from './day-schemas';
import { beatFileSchema } from './schemas';

const messageOf = async (run: Promise<unknown>) =>
  run.then(
    () => 'accepted',
    (e: Error) => e.message,
  );

it.each([
  [{ names: ['luck'], back: true }, /^What is taken back is "luck"; it must be one of home, /],
  [{ names: [], back: true }, /at least 1/],
  [{ names: ['hook'] }, 'Whether it is taken back is missing.'],
  [{ names: ['hook', 'home'], back: false }, 'accepted'],
])('what is taken back: %j', async (body, sentence) => {
  expect(await messageOf(takeBackSchema.validate(body, { strict: true }))).toMatch(sentence);
});

it.each([
  [{ of: 'moon', beat: 'b' }, /^Whose tries is "moon"; it must be one of beat, book\.$/],
  [{ of: 'book', beat: 'b', year: '20x6' }, 'The year must be 1900 to 2200 years.'],
  [{ of: 'book' }, 'The beat is missing.'],
  [{ of: 'book', beat: 'b', year: '2026' }, 'accepted'],
])('whose tries: %j', async (query, sentence) => {
  const schema = learnQuerySchema(['beat', 'book'] as const);
  expect(await messageOf(schema.validate(query))).toMatch(sentence);
});

it('which correction, and in what a beat leaves', async () => {
  expect(await messageOf(priorQuerySchema.validate({ prior: 'tea' }))).toMatch(
    /^The correction is "tea"; it must be one of /,
  );
  expect(await messageOf(beatFileSchema.validate({ frame: 'utm' }))).toBe(
    'The frame is "utm"; it must be one of lonlat, plan.',
  );
  expect(await messageOf(beatFileSchema.validate({}))).toBe('accepted');
});
