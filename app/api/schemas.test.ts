import {
  beatChangeSchema,
  beatSchema,
  copySchema,
  draftSchema,
  eventSchema,
  idSchema,
  markSchema,
  readSchema,
  settingsSchema,
  solveSchema,
  streamSchema,
  trySchema,
} from './schemas';

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

it.each([
  [{ name: '  ' }, 'The name is empty; it must be 1 to 120 letters.'],
  [{ name: 'x'.repeat(121) }, 'The name is longer than 120 letters.'],
  [{ streamName: 'x'.repeat(81) }, 'The stream is longer than 80 letters.'],
  [{ putAway: true }, 'accepted'],
  [{ deleted: false }, 'accepted'],
])('a change of a beat %# is taken or answered in a sentence', async (body, sentence) => {
  expect(await messageOf(beatChangeSchema.validate(body))).toBe(sentence);
});

it('a beat, a draft, a copy, a stream and a solve each name what is missing', async () => {
  const strict = { strict: true };
  expect(await messageOf(beatSchema.validate({ stream: '', file: {} }, strict))).toBe(
    'The stream needs a name.',
  );
  expect(await messageOf(beatSchema.validate({ stream: 'Rill' }, strict))).toBe(
    'The beat file is missing.',
  );
  expect(
    await messageOf(draftSchema.validate({ kind: 'map', streamName: '', body: {} }, strict)),
  ).toBe('A draft is a sketch or a survey.');
  expect(await messageOf(draftSchema.validate({ kind: 'sketch', streamName: '' }, strict))).toBe(
    'The draft is empty.',
  );
  expect(
    await messageOf(draftSchema.validate({ kind: 'sketch', streamName: '', body: {} }, strict)),
  ).toBe('accepted');
  expect(await messageOf(copySchema.validate({ newId: 'a b' }, strict))).toMatch(/^The id must be/);
  expect(await messageOf(streamSchema.validate({}, strict))).toBe('The stream needs a name.');
  expect(await messageOf(solveSchema.validate({ beatId: 'b1' }, strict))).toBe(
    'The level is missing.',
  );
});

it('a setting that cannot be is answered with what can', async () => {
  const strict = { strict: true };
  expect(await messageOf(settingsSchema.validate({ rodM: 9 }, strict))).toBe(
    'Your rod must be 1 to 5 m.',
  );
  expect(await messageOf(settingsSchema.validate({ solveOn: 'moon' }, strict))).toBe(
    'Where water is solved is "moon"; it must be one of best, device, server.',
  );
  expect(
    await messageOf(settingsSchema.validate({ methods: { holding: 'luck' } }, strict)),
  ).toMatch(/^(Where fish hold is "luck"|methods\.)/);
  expect(await messageOf(settingsSchema.validate({ sharpen: 'when-asked' }, strict))).toBe(
    'accepted',
  );
});

describe('a place', () => {
  const told = {
    beatId: null,
    xM: null,
    yM: null,
    takenMs: 1,
    zoneOffsetMin: 0,
    answers: {},
    result: {},
    note: '',
  };
  const place = { streamName: 'Kest Beck', water: 'run', count: 2, at: null, photoId: null };
  const problem = (more: object) =>
    messageOf(readSchema.validate({ ...told, place: { ...place, ...more } }));
  it('is set by phone or by paces, each with what belongs to it; a read needs none', async () => {
    expect((await readSchema.validate(told)).place).toBeNull();
    expect(await problem({})).toBe('accepted');
    expect(await problem({ at: { by: 'paces', afterId: 'p1', metres: 40 } })).toBe('accepted');
    const rough = { by: 'phone', lat: 45, lon: 7, accuracyM: 200 };
    expect(await problem({ at: rough })).toBe('accepted');
  });
  it('what cannot be is named with what is possible', async () => {
    expect(await problem({ count: 0 })).toBe('How many such lies is 0; it must be 1 to 30 lies.');
    expect(await problem({ water: 'sea' })).toMatch(
      /^The water is "sea"; it must be one of pocket/,
    );
    expect(await problem({ at: { by: 'phone', lat: 91, lon: 7, accuracyM: 5 } })).toBe(
      'Latitude is 91; it must be -90 to 90 °.',
    );
    expect(await problem({ at: { by: 'paces', afterId: 'p1', metres: -4 } })).toBe(
      'Metres from the place before is -4; it must be 0 to 20000 m.',
    );
  });
});
