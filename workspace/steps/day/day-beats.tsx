'use client';

import { REGIMES, type DayPlan } from '../../../core/day/index';
import { HOME, NO_BEAT_FACTS, NO_STREAM_FACTS, STAY_OUT } from '../../../core/log/index';
import { dateFacts, wayMinutes, type BookSite, type DayBook } from '../../../core/outing/index';
import { parseFigure } from '../../../core/units/index';
import { Check } from '../../../ui/check';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { FigureField } from '../../../ui/figure-field';
import { TextInput } from '../../../ui/input';
import { useFigure } from '../../../ui/use-figure';
import { hourText, REGIME_WORDS, STAY_OUT_WORDS } from '../../../words/day-words';
import { useActions, usePart } from '../../context';
import { chosenSites } from './chosen-sites';
import { createDayActions } from './day-actions';
import panel from '../../../ui/panel.module.css';
import css from './day-panel.module.css';

const KNOWN = { told: '', map: ', by the map', guessed: ', guessed' };

/** Which beats the day may use, their rules, how their stream is fed, and how far they are apart. */
export function DayBeats({ book, plan }: { book: DayBook; plan: DayPlan }) {
  const day = useActions(createDayActions);
  const siteId = usePart((s) => s.daySiteId);
  const told = dateFacts(book);
  const chosen = chosenSites(book, siteId);
  const streams = new Map(book.sites.map((s) => [s.streamId, s.streamName]));
  const choose = (id: string, on: boolean) =>
    day.tellDate({ sites: on ? [...chosen, id] : chosen.filter((x) => x !== id), byHand: null });
  return (
    <Disclosure title={`Beats and ways: ${chosen.length} of ${book.sites.length}`}>
      <p className={panel.second}>How long to stay out</p>
      <Choice
        label="How long to stay out"
        value={told.stayOut}
        options={STAY_OUT.map((s) => [s, STAY_OUT_WORDS[s]])}
        onChange={(stayOut) => day.tellDate({ stayOut })}
      />
      {[...streams].map(([id, name]) => (
        <section key={id} aria-label={name}>
          <h4 className={css.stream}>{name}</h4>
          <Choice
            label={`How ${name} is fed`}
            value={(book.facts.streams[id] ?? NO_STREAM_FACTS).regime}
            options={REGIMES.map((r) => [r, REGIME_WORDS[r]])}
            onChange={(regime) => day.tellStream(id, { regime })}
          />
          {book.sites
            .filter((s) => s.streamId === id)
            .map((s) => (
              <SiteRules
                key={s.id}
                book={book}
                site={s}
                isChosen={chosen.includes(s.id)}
                onChoose={(on) => choose(s.id, on)}
              />
            ))}
        </section>
      ))}
      <WaysTold book={book} plan={plan} chosen={chosen} />
    </Disclosure>
  );
}

function SiteRules({
  book,
  site,
  isChosen,
  onChoose,
}: {
  book: DayBook;
  site: BookSite;
  isChosen: boolean;
  onChoose: (on: boolean) => void;
}) {
  const day = useActions(createDayActions);
  const told = book.facts.beats[site.id] ?? NO_BEAT_FACTS;
  const hours = useFigure<readonly [number | null, number | null]>(
    told.opensMin === null && told.shutsMin === null
      ? ''
      : `${hourText((told.opensMin ?? 0) / 60)} to ${hourText((told.shutsMin ?? 1440) / 60)}`,
    (text) => parseHours(text),
    ([opensMin, shutsMin]) => day.tellBeat(site.id, { opensMin, shutsMin }),
  );
  const note = useFigure<string>(
    told.note,
    (text) =>
      text.length > 500
        ? { ok: false, message: 'The note is longer than 500 letters.' }
        : { ok: true, value: text.trim() },
    (text) => day.tellBeat(site.id, { note: text }),
  );
  return (
    <div className={css.rules}>
      <Check checked={isChosen} onChange={onChoose}>
        {site.name}
        {told.closed ? ', closed' : ''}
      </Check>
      {isChosen && (
        <Disclosure title={`Rules and shade of ${site.name}`}>
          <Check checked={told.closed} onChange={(closed) => day.tellBeat(site.id, { closed })}>
            Closed, by local rules
          </Check>
          <label className={css.words}>
            Open, by local rules
            <TextInput
              voice="words"
              placeholder="6:00 to 14:00"
              aria-label={`${site.name} is open, by local rules`}
              {...hours.input}
            />
          </label>
          <span role="alert" className={panel.problem}>
            {hours.problem}
          </span>
          <label className={css.words}>
            Note
            <TextInput voice="words" aria-label={`Note on ${site.name}`} {...note.input} />
          </label>
          <span role="alert" className={panel.problem}>
            {note.problem}
          </span>
          <p className={panel.second}>
            Shade at midday: {Math.round(10 * (told.shade ?? site.shadeByHour[12]!))} in 10
            {told.shade === null ? ', by what is drawn' : ''}
          </p>
          <Choice
            label={`Shade of ${site.name}`}
            value={told.shade === null ? 'drawn' : String(told.shade)}
            options={[
              ['drawn', 'as drawn'],
              ['0.1', 'open'],
              ['0.4', 'half'],
              ['0.8', 'shut in'],
            ]}
            onChange={(v) => day.tellBeat(site.id, { shade: v === 'drawn' ? null : Number(v) })}
          />
        </Disclosure>
      )}
    </div>
  );
}

const HOURS = /^\s*(\d{1,2})(?::(\d{2}))?\s*(?:to|-|–)\s*(\d{1,2})(?::(\d{2}))?\s*$/;

/** "6:00 to 14:00"; nothing: open all day. */
export function parseHours(
  text: string,
): { ok: true; value: readonly [number | null, number | null] } | { ok: false; message: string } {
  if (text.trim() === '') return { ok: true, value: [null, null] };
  const m = HOURS.exec(text);
  const minutes = m && [
    60 * Number(m[1]) + Number(m[2] ?? 0),
    60 * Number(m[3]) + Number(m[4] ?? 0),
  ];
  if (!minutes || minutes.some((x) => x > 1440) || minutes[0]! >= minutes[1]!)
    return {
      ok: false,
      message: `The hours are "${text}"; they must be like 6:00 to 14:00, the first before the second.`,
    };
  return { ok: true, value: [minutes[0]!, minutes[1]!] };
}

/** Ways of the plan: from home, between stays, and home again. */
function WaysTold({
  book,
  plan,
  chosen,
}: {
  book: DayBook;
  plan: DayPlan;
  chosen: readonly string[];
}) {
  const day = useActions(createDayActions);
  const order = plan.stays.length > 0 ? plan.stays.map((s) => s.siteId) : chosen.slice(0, 1);
  const stops = [HOME, ...order, HOME];
  const ways = stops.slice(1).map((to, i) => [stops[i]!, to] as const);
  const once = ways.filter(
    ([a, b], i) => ways.findIndex(([c, d]) => (a === c && b === d) || (a === d && b === c)) === i,
  );
  const nameOf = (id: string) =>
    id === HOME ? 'home' : (book.sites.find((s) => s.id === id)?.name ?? id);
  return (
    <section aria-label="Ways">
      <h4 className={css.stream}>Ways, door to water</h4>
      <div className={panel.fields}>
        {once.map(([a, b]) => {
          const way = wayMinutes(book, a, b);
          return (
            <FigureField
              key={`${a} ${b}`}
              id={`way-${a}-${b}`}
              label={`${nameOf(a)} to ${nameOf(b)}`}
              unit={`min${KNOWN[way.known]}`}
              value={String(way.minutes)}
              parse={(text) =>
                parseFigure(text, { what: 'The way', unit: 'min', min: 0, max: 600 })
              }
              onKeep={(minutes) => day.tellWay(a, b, Math.round(minutes))}
            />
          );
        })}
      </div>
    </section>
  );
}
