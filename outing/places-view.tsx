'use client';

import { openTry, type KeptRead, type ReadPlace } from '../core/log/index';
import type { PlacePlan } from '../core/outing/index';
import { clockText, formatDepth, formatLength, type UnitSystem } from '../core/units/index';
import { Button, ButtonAnchor } from '../ui/button';
import { Disclosure } from '../ui/disclosure';
import {
  aheadWords,
  alongWords,
  patternWords,
  timeIsUp,
  verdictTitle,
  verdictWhy,
  WATER_WORDS,
} from '../words/place-words';
import { Chips } from './chips';
import { beatNow } from './heat-now';
import { useWater } from './use-water';
import { PlaceForm } from './place-form';
import { placesToday } from './places-today';
import { keptWords, type OutingShared } from './shared';
import { beginTry } from './begin-try';
import { goTo } from './use-bank';
import { useTimeAndWater } from './use-time-and-water';
import css from './outing.module.css';

const WATER_LEFT_M = [500, 1000, 2000, 4000];
const HOURS_LEFT = [1, 2, 4];
const HOUR_MS = 3_600_000;

/** Water that nobody drew, place after place: what this one is worth, how many casts, or on. */
export function PlacesView(shared: OutingShared) {
  const { view, actions, outing, tries, now } = shared;
  const units = view.bank?.settings.units ?? 'metric';
  const zone = outing?.timeZone;
  const { tempC, heat, day } = useWater(shared, beatNow(view, outing));
  const curveC = day?.tempC ?? null;
  const isHot = heat.kind === 'none' || heat.kind === 'stop';
  const { until, water, setUntil, setWater } = useTimeAndWater();
  const { reads, newest, stream, plan } = placesToday(shared, tempC, water, until);
  const tell = (read: KeptRead, place: ReadPlace) => void actions.tellRead({ ...read, place });
  const cast = (read: KeptRead) =>
    goTo(
      `try/${beginTry(actions, { kind: 'place', readId: read.id, beatId: read.beatId }, curveC)}`,
    );
  const going = openTry(tries);
  const here = plan.places.find((p) => p.read.id === newest?.id)?.read ?? null;
  const before = plan.places.filter((p) => p.read.id !== newest?.id).at(-1)?.read.id ?? null;
  return (
    <main className={css.page}>
      <header className={css.tryHead}>
        <h1>Places</h1>
        <a href="#/now">To the outing</a>
      </header>
      {isHot ? (
        <p className={css.caution} role="alert">
          Stop for today: the water is past your limit. Places can still be read.
        </p>
      ) : until !== null && until <= now ? (
        <p className={css.caution} role="alert">
          {timeIsUp(until, zone)}
        </p>
      ) : (
        <Verdict plan={plan} units={units} />
      )}
      <div className={css.halves}>
        {going ? (
          <Button voice="bare" onClick={() => goTo(`try/${going.id}`)}>
            Go on with the try
          </Button>
        ) : (
          <Button
            voice="bare"
            className={css.primary}
            disabled={isHot}
            onClick={() =>
              newest
                ? cast(newest)
                : goTo(`try/${beginTry(actions, { kind: 'here', beatId: null }, curveC)}`)
            }
          >
            Cast here
            <small>{newest ? 'at this place' : 'unread'}</small>
          </Button>
        )}
        <ButtonAnchor voice="bare" href="/read">
          Next place
          <small>read it</small>
        </ButtonAnchor>
      </div>
      {newest && here && (
        <PlaceForm
          read={newest}
          place={here.place}
          beforeId={before}
          units={units}
          onPlace={(place) => tell(newest, place)}
          onPhoto={async (file) => {
            const { id, kept } = await actions.photograph(file);
            return kept ? id : null;
          }}
        />
      )}
      <div className={css.laid}>
        <Disclosure title="Time and water left">
          <Chips
            label="Fish until"
            all={withIt(
              [
                null,
                ...HOURS_LEFT.map((h) => Math.ceil((now + h * HOUR_MS) / QUARTER_MS) * QUARTER_MS),
              ],
              until,
            )}
            is={until}
            words={(ms) => (ms === null ? 'not said' : clockText(ms, zone))}
            onPick={setUntil}
          />
          <Chips
            label="Water still to come"
            all={withIt([null, ...WATER_LEFT_M], water)}
            is={water}
            words={(m) => (m === null ? 'not known' : formatLength(m, units, 0))}
            onPick={setWater}
          />
          <p>With both, the pace of the day is known: how many casts a place gets, or none.</p>
        </Disclosure>
      </div>
      <h2 className={css.cellsName}>{stream ? `Along ${stream}` : 'So far'}</h2>
      {reads.length === 0 && <p>No place was read yet: half a minute each.</p>}
      <ol className={css.list}>
        {[...plan.places].reverse().map((p) => (
          <li key={p.read.id}>
            <strong>{Math.round(p.read.result.rating)}</strong> {WATER_WORDS[p.read.place.water]},{' '}
            {formatDepth(p.read.answers.depthM, units)}, {p.read.place.count}{' '}
            {p.read.place.count === 1 ? 'lie' : 'lies'}, {p.left} left; {alongWords(p.along, units)}
            {p.read.note && `. ${p.read.note}`}
          </li>
        ))}
        {reads
          .filter((r) => !plan.places.some((p) => p.read.id === r.id))
          .slice(0, SHOWN)
          .map((r) => (
            <li key={r.id}>
              <strong>{Math.round(r.result.rating)}</strong>, {formatDepth(r.answers.depthM, units)}{' '}
              deep{r.note ? `, ${r.note}` : ''}, {clockText(r.takenMs, zone)}
              <Button disabled={isHot} onClick={() => cast(r)}>
                Cast at it
              </Button>
            </li>
          ))}
      </ol>
      <p className={css.keptLine} role="status">
        {keptWords(shared)}
      </p>
    </main>
  );
}
const SHOWN = 20;
const QUARTER_MS = HOUR_MS / 4;

function Verdict({ plan, units }: { plan: PlacePlan; units: UnitSystem }) {
  const pattern = patternWords(plan, units);
  const ahead = aheadWords(plan, units);
  return (
    <section className={css.words} aria-live="polite" aria-label="This place is worth">
      {plan.here ? (
        <>
          <h2>{verdictTitle(plan.here)}</h2>
          <p>{verdictWhy(plan.here, plan)}</p>
        </>
      ) : (
        <h2>Read a place: half a minute.</h2>
      )}
      {pattern && <p>{pattern}</p>}
      {ahead && <p>{ahead}</p>}
    </section>
  );
}

/** What was said before stays among what can be said. */
const withIt = (all: (number | null)[], is: number | null) =>
  all.includes(is) ? all : [...all, is];
