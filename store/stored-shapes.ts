import Ajv2020, { type ErrorObject, type ValidateFunction } from 'ajv/dist/2020';
import { CAST_KINDS, LAY_KINDS } from '../core/cast/index';
import { REGIMES } from '../core/day/index';
import { SPECIES } from '../core/fish/index';
import { LEVEL_NAMES } from '../core/formats/index';
import { LIE_KINDS, METHODS } from '../core/lies/index';
import { BEHAVIOURS, PLACE_WATERS, STAY_OUT, WIND_FROM } from '../core/log/index';
import { FLY_KINDS } from '../core/rig/index';
import { POSTURES, SKIES } from '../core/sight/index';

/**
 * What the book keeps as JSON text, by what it is: held against these shapes before it is kept,
 * whether it comes by a request or in a backup, and again when it is read.
 */
type Json = Record<string, unknown>;

const FAR = 1e9;
const number: Json = { type: 'number', minimum: -FAR, maximum: FAR };
/** A figure that may be without end, which JSON tells as null. */
const endless: Json = { type: ['number', 'null'] };
const share: Json = { type: 'number', minimum: 0, maximum: 1 };
const text = (most = 200): Json => ({ type: 'string', maxLength: most });
const flag: Json = { type: 'boolean' };
const oneOf = (words: readonly unknown[]): Json => ({ enum: [...words] });
const orNull = (schema: Json): Json => ({ anyOf: [{ type: 'null' }, schema] });
/** All of these; what else is told is left as it is. */
const whole = (properties: Json, optional: Json = {}): Json => ({
  type: 'object',
  properties: { ...properties, ...optional },
  required: Object.keys(properties),
});
const list = (items: Json, most: number): Json => ({ type: 'array', items, maxItems: most });

/**
 * The shapes. Of what is kept now every part must be there (`strict`); what was kept by an earlier version
 * may lack what came later, and only what is there must be right.
 */
function shapes(strict: boolean) {
  const object = (properties: Json, optional: Json = {}): Json => ({
    ...whole(properties, optional),
    ...(!strict && { required: [] }),
  });
  const place = whole({ xM: number, yM: number });
  const needs = object({ shelter: share, food: share, ease: share, air: share });
  const toward = oneOf(['up-current', 'down-current']);
  const lay: Json = {
    type: 'object',
    properties: {
      kind: oneOf(LAY_KINDS),
      toward,
      amountM: number,
      share: number,
      extraM: number,
      gain: number,
    },
    required: ['kind'],
  };
  const parts: Json = { type: 'object', additionalProperties: number, maxProperties: 40 };

  const snapshot = object({
    version: { const: 1 },
    planHash: orNull(text()),
    constantsHash: orNull(text()),
    level: orNull(oneOf(LEVEL_NAMES)),
    dischargeM3s: orNull(number),
    hour: orNull(text(40)),
    water: object({
      tempC: orNull(number),
      tempSource: orNull(oneOf(['read', 'curve', 'tried-on', 'assumed'])),
      turbidityNtu: orNull(number),
    }),
    weather: object({
      sky: orNull(oneOf(SKIES)),
      windMps: orNull(number),
      windFrom: orNull(oneOf(WIND_FROM)),
    }),
    rated: object(
      {
        species: orNull(oneOf(SPECIES)),
        totalLengthCm: orNull(number),
        method: orNull(oneOf(METHODS)),
      },
      { homeOffset: orNull(number), homeSlope: orNull(number) },
    ),
    target: orNull(
      object({
        id: orNull(text()),
        kind: orNull(oneOf(LIE_KINDS)),
        xM: number,
        yM: number,
        rating: orNull(number),
        needs: orNull(needs),
        depthM: orNull(number),
        surfaceSpeedMps: orNull(number),
        meanSpeedMps: orNull(number),
        behaviour: orNull(oneOf(BEHAVIOURS)),
      }),
    ),
    cast: orNull(
      object({
        stand: place,
        posture: oneOf(POSTURES),
        landing: orNull(place),
        lay,
        mend: orNull({ type: 'object' }),
        leadM: orNull(number),
        castKind: orNull(oneOf(CAST_KINDS)),
        rig: object({
          id: orNull(text()),
          fly: orNull(oneOf(FLY_KINDS)),
          leaderM: orNull(number),
        }),
      }),
    ),
    predicted: object(
      {
        cleanS: orNull(object({ low: number, best: number, high: number })),
        calm: orNull(share),
        exposure: orNull(share),
        chance: orNull(object({ value: share, parts })),
      },
      { ticks: orNull(share), answers: orNull(share) },
    ),
  });

  const answers = object(
    {
      depthM: number,
      surfacePaceMps: number,
      edge: text(40),
      cover: text(40),
      coverDistanceM: number,
      bottom: text(40),
      foam: flag,
      colour: text(40),
      shaded: flag,
    },
    {
      tooWarm: flag,
      deeper: orNull(object({ depthM: number, offM: number })),
      species: oneOf(SPECIES),
    },
  );
  const result = object({
    ok: { const: true },
    rating: { type: 'number', minimum: 0, maximum: 100 },
    needs,
    kind: oneOf(LIE_KINDS),
    band: object({ low: number, high: number }),
    profitJph: number,
    largest: { type: 'object' },
    why: list(object({ what: text(), value: endless, unit: text(20), source: text() }), 60),
    advice: list(text(40), 20),
  });
  const readPlace = orNull(
    object({
      streamName: text(),
      water: oneOf(PLACE_WATERS),
      count: number,
      at: orNull(
        object(
          { by: oneOf(['phone', 'paces', 'tape']) },
          { lat: number, lon: number, accuracyM: number, afterId: text(), metres: number },
        ),
      ),
      photoId: orNull(text()),
    }),
  );

  const plan = whole(
    {
      version: { const: 1 },
      name: text(),
      lengthM: number,
      slope: number,
      bearingDeg: number,
      levels: list(whole({ name: oneOf(LEVEL_NAMES), dischargeM3s: number }), 8),
      surveyedLevel: oneOf(LEVEL_NAMES),
      features: list(whole({ kind: text(40), shape: { type: 'object' } }), 20_000),
    },
    { timeZone: text(), altitudeM: number, anchor: { type: 'object' } },
  );
  /** Of a draft, which need not be whole. */
  const sketch = object({
    name: text(),
    pieces: list(object({ id: text(), kind: text(40) }), 400),
    things: list(object({ id: text() }), 2000),
  });
  const survey = object({
    plan: object({
      name: text(),
      features: list({ type: 'object' }, 20_000),
      levels: list({ type: 'object' }, 8),
    }),
    photo: orNull({ type: 'object' }),
  });
  const madeFrom = {
    anyOf: [
      object({ kind: { const: 'sketch' }, sketch: { type: 'object' } }),
      object({ kind: { const: 'survey' }, photo: orNull({ type: 'object' }) }),
    ],
  };

  const minutes = orNull(number);
  return {
    snapshot,
    answers,
    result,
    place: readPlace,
    plan,
    sketch,
    survey,
    'made from': madeFrom,
    'event detail': {
      type: 'object',
      additionalProperties: { type: ['string', 'number', 'boolean', 'null'] },
    },
    'stream facts': object({ regime: oneOf(REGIMES) }),
    'beat facts': object({
      shade: orNull(share),
      closed: flag,
      opensMin: minutes,
      shutsMin: minutes,
      note: text(500),
    }),
    'way facts': object({ minutes: number }),
    'date facts': object({
      airLowC: orNull(number),
      airHighC: orNull(number),
      airAtM: orNull(number),
      cloud: share,
      windMps: number,
      thunder: orNull(object({ fromMin: number, toMin: number })),
      fireBan: flag,
      rising: flag,
      level: orNull(oneOf(LEVEL_NAMES)),
      sites: orNull(list(text(), 40)),
      stayOut: oneOf(STAY_OUT),
      byHand: orNull(
        list(object({ siteId: text(), arriveH: orNull(number), leaveH: orNull(number) }), 60),
      ),
      seen: list(object({ kind: text(40), h: number }), 60),
      checked: list(text(60), 60),
      weather: orNull(oneOf(['typed', 'simulated'])),
    }),
  } satisfies Record<string, Json>;
}
export type StoredShape = keyof ReturnType<typeof shapes>;

const STRICT = shapes(true);
const LENIENT = shapes(false);

const ajv = new Ajv2020({ strict: false, allErrors: false });
const compiled = new Map<object, ValidateFunction>();
function check(shape: StoredShape, { strict }: { strict: boolean }): ValidateFunction {
  const schema: Json = (strict ? STRICT : LENIENT)[shape];
  const known = compiled.get(schema) ?? ajv.compile(schema);
  compiled.set(schema, known);
  return known;
}

/**
 * Why a value is not of its shape, with the part that is not; null: it is. `strict` is for what is kept
 * now; what was kept before may lack what came later.
 */
export function problemIn(
  shape: StoredShape,
  value: unknown,
  how: { strict: boolean } = { strict: false },
): { part: string; why: string } | null {
  const is = check(shape, how);
  if (is(value)) return null;
  const error = deepest(is.errors ?? []);
  return {
    part: error?.instancePath.slice(1).replaceAll('/', '.') ?? '',
    why: error ? inWords(error) : 'it is not possible',
  };
}

/** Of the alternatives that failed, the one that went furthest is what was meant. */
const deepest = (errors: readonly ErrorObject[]): ErrorObject | undefined =>
  [...errors]
    .filter((e) => e.keyword !== 'anyOf')
    .sort((a, b) => b.instancePath.length - a.instancePath.length)[0];

function inWords({ keyword, params, message }: ErrorObject): string {
  if (keyword === 'enum')
    return `must be one of ${(params.allowedValues as unknown[]).map(String).join(', ')}`;
  return message ?? keyword;
}
