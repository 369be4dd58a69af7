import { array, boolean, number, object, string, type Schema } from 'yup';
import { CHECKS, HATCHES, REGIMES } from '@/core/day/index';
import { LEVEL_NAMES } from '@/core/formats/index';
import { FACT_KINDS, PRIOR_NAMES, STAY_OUT, type FactKind } from '@/core/log/index';
import { isTimeZone } from '@/core/units/index';

const oneOf = <T extends string>(what: string, words: readonly T[]) =>
  string().oneOf(
    [...words],
    ({ value }) => `${what} is "${value}"; it must be one of ${words.join(', ')}.`,
  );
const between = (what: string, min: number, max: number, unit: string) => {
  const possible = `${what} must be ${min} to ${max} ${unit}.`.replace(' .', '.');
  return number().typeError(possible).min(min, possible).max(max, possible);
};
const flag = (what: string) => boolean().required(`${what} is missing; it must be true or false.`);
const minuteOfDay = (what: string) =>
  between(what, 0, 1440, 'minutes after midnight').nullable().defined();
const dateText = string().matches(
  /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/,
  ({ value }) => `The date is "${value}"; it must be like 2026-06-13.`,
);
const id = string().matches(
  /^[A-Za-z0-9-]{1,130}$/,
  'The id must be 1 to 130 letters, digits or dashes.',
);

export const factKindSchema = oneOf('What is told of', FACT_KINDS).required();
export const FACT_ID: Record<FactKind, Schema<string | undefined>> = {
  streams: id.required(),
  beats: id.required(),
  ways: id.required(),
  dates: dateText.required(),
};

export const dayQuerySchema = object({
  date: dateText,
  zone: string().test(
    'zone',
    ({ value }) => `The time zone is "${value}"; it must be a name like Europe/Paris or UTC.`,
    (value) => value === undefined || isTimeZone(value),
  ),
});

const hour = (what: string) => between(what, 0, 24, 'hours').nullable().defined();

export const FACT_SCHEMAS: Record<FactKind, Schema> = {
  streams: object({ regime: oneOf('How the stream is fed', REGIMES).required() }).noUnknown(),
  beats: object({
    shade: between('Shade', 0, 1, 'of the water').nullable().defined(),
    closed: flag('Closed'),
    opensMin: minuteOfDay('Opens'),
    shutsMin: minuteOfDay('Shuts'),
    note: string().max(500, 'The note is longer than 500 letters.').defined(),
  })
    .test(
      'hours',
      'It shuts before it opens.',
      ({ opensMin, shutsMin }) =>
        typeof opensMin !== 'number' || typeof shutsMin !== 'number' || opensMin < shutsMin,
    )
    .noUnknown(),
  ways: object({
    minutes: between('The way', 0, 600, 'min').required(
      'The way is missing; it must be 0 to 600 min.',
    ),
  }).noUnknown(),
  dates: object({
    airLowC: between('Coldest air', -40, 45, '°C').nullable().defined(),
    airHighC: between('Warmest air', -40, 50, '°C').nullable().defined(),
    airAtM: between('Height of the air', -400, 5000, 'm').nullable().defined(),
    cloud: between('Cloud', 0, 1, 'of the sky').required('Cloud is missing.'),
    windMps: between('Wind', 0, 40, 'm/s').required('Wind is missing.'),
    thunder: object({
      fromMin: between('Thunder from', 0, 1440, 'minutes after midnight').required(),
      toMin: between('Thunder to', 0, 1440, 'minutes after midnight').required(),
    })
      .noUnknown()
      .nullable()
      .default(null)
      .test('hours', 'Thunder ends before it begins.', (t) => t == null || t.fromMin < t.toMin),
    fireBan: flag('Fire ban'),
    rising: flag('Rising water'),
    level: oneOf('The level', LEVEL_NAMES).nullable().defined(),
    sites: array(id.required()).max(40, 'At most 40 beats are planned over.').nullable().defined(),
    stayOut: oneOf('How long to stay out', STAY_OUT).required(),
    byHand: array(
      object({
        siteId: id.required(),
        arriveH: hour('Arrival'),
        leaveH: hour('Leaving'),
      }).noUnknown(),
    )
      .nullable()
      .defined(),
    seen: array(
      object({
        kind: oneOf('The hatch', HATCHES).required(),
        h: between('Its hour', 0, 24, 'hours').required(),
      }).noUnknown(),
    ).required(),
    checked: array(oneOf('What was checked', CHECKS).required()).required(),
    weather: oneOf('Where the weather is from', ['typed', 'simulated']).nullable().defined(),
  })
    .test(
      'air',
      'The coldest air is warmer than the warmest.',
      ({ airLowC, airHighC }) =>
        typeof airLowC !== 'number' || typeof airHighC !== 'number' || airLowC <= airHighC,
    )
    .noUnknown(),
};

export const learnQuerySchema = <T extends string>(of: readonly T[]) =>
  object({
    of: oneOf('Whose tries', of).required(),
    beat: id.required('The beat is missing.'),
    year: between('The year', 1900, 2200, 'years').integer(),
  });

/** Which corrections, and whether they are taken back. */
export const takeBackSchema = object({
  names: array(oneOf('What is taken back', PRIOR_NAMES).required()).min(1).required(),
  back: boolean().required('Whether it is taken back is missing.'),
}).noUnknown();
export const priorQuerySchema = object({
  prior: oneOf('The correction', PRIOR_NAMES).required(),
});
