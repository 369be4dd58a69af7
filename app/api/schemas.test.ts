import { eventSchema, idSchema, markSchema, settingsSchema, trySchema } from './schemas';

const mark = {
  beatId: 'b1',
  xM: 3,
  yM: 1,
  fishDepthM: 0.4,
  headingRad: 0,
  totalLengthCm: 27,
  surety: 'sure',
};
const messageOf = async (run: Promise<unknown>) =>
  run.then(
    () => 'accepted',
    (e: Error) => e.message,
  );

it.each([
  [{ ...mark, fishDepthM: 9 }, 'Depth of the fish is 9; it must be 0.02 to 4 m.'],
  [
    { ...mark, totalLengthCm: '27' },
    'Length of the fish is "27"; it must be a number from 5 to 102 cm.',
  ],
  [{ ...mark, surety: 'certain' }, 'How sure must be sure, likely or maybe.'],
])('a bad mark gets a sentence with the field and what is possible', async (body, sentence) => {
  expect(await messageOf(markSchema.validate(body, { strict: true }))).toBe(sentence);
});

it('what is good passes, what is not known is refused', async () => {
  expect(await messageOf(markSchema.validate(mark, { strict: true }))).toBe('accepted');
  expect(
    await messageOf(markSchema.validate({ ...mark, colour: 'red' }, { strict: true })),
  ).toContain('unspecified keys: colour');
  expect(await messageOf(idSchema.validate('../etc'))).toContain('1 to 64 letters');
  expect(
    await messageOf(
      eventSchema.validate(
        { seq: 1, code: 'cast', clientMs: 1, zoneOffsetMin: 0 },
        { strict: true },
      ),
    ),
  ).toBe('accepted');
  expect(
    await messageOf(
      eventSchema.validate(
        { seq: 1, code: 'dance', clientMs: 1, zoneOffsetMin: 0 },
        { strict: true },
      ),
    ),
  ).toContain('The event is "dance"');
  expect(await messageOf(settingsSchema.validate({ units: 'furlongs' }, { strict: true }))).toBe(
    'Units must be metric or us.',
  );
  expect(
    await messageOf(
      trySchema.validate(
        {
          beatId: 'b',
          markId: null,
          fly: '',
          openedMs: 1,
          zoneOffsetMin: 0,
          localDate: 'today',
          snapshot: {},
        },
        { strict: true },
      ),
    ),
  ).toContain('2026-06-13');
});
