'use client';

import { useEffect, useRef, useState } from 'react';
import {
  foldTry,
  isOver,
  mayCast,
  meaningOf,
  pressedAt,
  standing,
  type EventCode,
  type FellAt,
  type StandingEvent,
  type Try,
  type TryEvent,
} from '../core/log/index';
import { restAfter } from '../core/moves/index';
import { clockText, formatTemp } from '../core/units/index';
import { bankClockMs } from '../sync/page-bank';
import { Button, ButtonAnchor } from '../ui/button';
import { part } from './part';
import { layHow } from '../words/lay-words';
import { targetWords } from '../words/outing-words';
import { detailWords, handlingWords, minutesSeconds, restWords } from '../words/try-words';
import { EventShape } from './event-shape';
import { beatNow } from './heat-now';
import { useWater } from './use-water';
import { moveContext } from './move-context';
import { fishNumber } from './next-thing';
import { keptWords, type OutingShared } from './shared';
import { rowOf } from './try-rows';
import { goTo, placeInOuting } from './use-bank';
import { BedCells, sinks } from './bed-cells';
import { usePays } from './use-pays';
import css from './outing.module.css';

const CastFace = part(() => import('./cast-face').then((m) => m.CastFace), 128);
const Landed = part(() => import('./landed').then((m) => m.Landed));
const NextMove = part(() => import('./next-move').then((m) => m.NextMove), 180);

const PAD = pressedAt('first');
const HOOKED = pressedAt('fish on');
const ELSE = pressedAt('else');
const PAD_KEYS = '123456';
const FELL_KEYS: Record<string, FellAt> = {
  ArrowUp: 'long',
  ArrowDown: 'short',
  ArrowLeft: 'left',
  ArrowRight: 'right',
  '0': 'on',
};

/** One fish: one press an event, what more is said of it in the row beneath; three presses from the pocket. */
export function TryView({ attempt, ...shared }: OutingShared & { attempt: Try }) {
  const { view, now, outing, actions } = shared;
  const fold = foldTry(attempt.fly, attempt.events);
  const events = standing(attempt);
  const last = events.at(-1)?.event ?? null;
  const lastCast = events.findLast(({ means }) => means.isLaid)?.event ?? null;
  const [elseOpen, setElseOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const settings = view.bank?.settings;
  const units = settings?.units ?? 'metric';
  const pad = fold.state === 'hooked' ? HOOKED : PAD;
  const isDone = isOver(fold.state) && !mayCast(fold.state);

  const press = async (code: EventCode, detail: Partial<TryEvent> = {}) => {
    setProblem(null);
    setElseOpen(false);
    const fight = meaningOf(code).press === 'fish on' ? foughtSeconds(events, now) : {};
    const kept = await actions.press(attempt.id, code, { ...fight, ...detail });
    if (!kept) setProblem('Not kept on this phone. It stays while the page is open.');
  };
  const say = (detail: Partial<TryEvent>, of: TryEvent | null) => {
    if (of) void actions.press(attempt.id, 'more', { of: of.id, ...detail });
  };
  useTryKeys({
    onPad: (n) => pad[n] && !isDone && void press(pad[n]),
    onFell: (fellAt) => say({ fellAt }, lastCast),
    onBack: () => actions.takeBack(attempt.id),
    onLeave: () => void leave(),
  });
  const leave = async () => {
    if (!isOver(fold.state)) await press('leave');
    // Who went elsewhere while it was kept stays there.
    if (placeInOuting() !== `try/${attempt.id}`) return;
    goTo(attempt.readId ? 'places' : 'now');
  };
  const title = targetWords(attempt.snapshot.target, fishNumber(attempt.markId, view.log));
  const { tempC, heat } = useWater(shared, attempt.beatId ?? beatNow(view, outing));
  const row = rowOf(fold.state, last);
  const pays = usePays(attempt, shared, tempC);
  return (
    <main className={css.try}>
      <header className={css.tryHead}>
        <h1>
          {title}
          {isDone ? '' : fold.state === 'hooked' ? ', fish on' : `, cast ${fold.casts + 1}`}
        </h1>
        <span>
          {tempC === null ? '' : `${formatTemp(tempC, units)}, `}
          {clockText(now, outing?.timeZone)}
        </span>
      </header>
      {fold.state === 'hooked' ? (
        <section className={css.rest} role="alert">
          <p className={css.clock}>{minutesSeconds(foughtSeconds(events, now).foughtS ?? 0)}</p>
          <p>{handlingWords(heat)}</p>
        </section>
      ) : (
        <Rest last={last} pays={pays} />
      )}
      <section className={css.sofar}>
        <p>
          <strong>{minutesSeconds(Math.max(0, (now - attempt.openedMs) / 1000))}</strong> on it,{' '}
          <strong>{fold.casts}</strong> {fold.casts === 1 ? 'cast' : 'casts'}
          {last && (
            <span className={css.said}>
              , {clockText(last.clientMs, outing?.timeZone)}{' '}
              {meaningOf(last.code).word.toLowerCase()}
              {detailWords(last, units) && `, ${detailWords(last, units)}`}
            </span>
          )}
        </p>
        {attempt.snapshot.cast && fold.casts === 0 && (
          <p>{layHow(attempt.snapshot.cast.lay, units)}</p>
        )}
      </section>
      {fold.state !== 'hooked' && !isDone && (
        <NextMove
          attempt={attempt}
          context={moveContext(attempt, shared, pays)}
          zone={outing?.timeZone}
          brief={row !== null || elseOpen}
        />
      )}
      {isDone ? (
        <Ended attempt={attempt} last={last} say={say} shared={shared} />
      ) : (
        <>
          <div
            className={css.pad}
            role="group"
            aria-label="What it did"
            data-hooked={fold.state === 'hooked' ? '' : undefined}
          >
            {pad.map((code) => (
              <Button
                voice="bare"
                key={code}
                aria-pressed={last?.code === code}
                onClick={() => void press(code)}
              >
                <EventShape code={code} />
                {meaningOf(code).word}
              </Button>
            ))}
          </div>
          {!row && !elseOpen && fold.state !== 'hooked' && sinks(attempt) && (
            <BedCells last={last?.code ?? null} press={(code) => void press(code)} />
          )}
          {row && last && !elseOpen && (
            <div className={css.cells} role="group" aria-label={row.label}>
              {row.cells.map(({ word, detail, pressed }) => (
                <Button
                  voice="bare"
                  key={word}
                  aria-pressed={pressed}
                  onClick={() => say(detail, last)}
                >
                  {word}
                </Button>
              ))}
            </div>
          )}
          {elseOpen && (
            <div className={css.cells} role="group" aria-label="What else">
              <ButtonAnchor voice="bare" href={`#/taking/${attempt.id}`}>
                What are they taking?
              </ButtonAnchor>
              {ELSE.map((code) => (
                <Button voice="bare" key={code} onClick={() => void press(code)}>
                  {meaningOf(code).word}
                </Button>
              ))}
            </div>
          )}
          {fold.state !== 'hooked' && (
            <CastFace
              last={lastCast}
              fly={attempt.snapshot.cast?.rig.fly ?? 'dry'}
              say={(detail) => say(detail, lastCast)}
            >
              <Button voice="bare" aria-expanded={elseOpen} onClick={() => setElseOpen(!elseOpen)}>
                Something else
              </Button>
            </CastFace>
          )}
        </>
      )}
      {problem && (
        <p className={css.caution} role="alert">
          {problem}
        </p>
      )}
      <p className={css.keptLine} role="status">
        {keptWords(shared)}
      </p>
      <div className={css.tryFoot}>
        <Button voice="bare" onClick={() => void leave()}>
          {isDone ? 'On' : 'Leave'}
        </Button>
        <Button
          voice="bare"
          disabled={fold.last === null}
          onClick={() => actions.takeBack(attempt.id)}
        >
          Take it back
          <small>
            {fold.last === null
              ? 'nothing yet'
              : fold.last.code === 'more'
                ? detailWords(fold.last, units)
                : meaningOf(fold.last.code).word.toLowerCase()}
          </small>
        </Button>
      </div>
    </main>
  );
}

/** Seconds since it took, where it did. */
function foughtSeconds(events: readonly StandingEvent[], now: number): { foughtS?: number } {
  const hook = events.findLast(({ means }) => means.ends === 'hooked')?.event;
  if (!hook) return {};
  // A clock that was set back in between says nothing.
  const s = Math.round((now - hook.clientMs) / 1000);
  return s >= 0 && s <= 3600 ? { foughtS: s } : {};
}

/** Seconds since an event: by the clock once, by the phone's own run from then on. */
function useSecondsSince(event: TryEvent | null): number {
  const [seconds, setSeconds] = useState(0);
  const id = event?.id;
  const clientMs = event?.clientMs ?? 0;
  useEffect(() => {
    const beganMs = performance.now();
    const passedMs = Math.min(3_600_000, Math.max(0, bankClockMs() - clientMs));
    const tick = () => setSeconds((passedMs + performance.now() - beganMs) / 1000);
    tick();
    const timer = setInterval(tick, 500);
    return () => clearInterval(timer);
  }, [id, clientMs]);
  return seconds;
}

/** How long to leave it in peace: counted down by the phone's own run, not by its clock. */
function Rest({ last, pays }: { last: TryEvent | null; pays: number }) {
  const rest = last ? restAfter(last.code, pays) : { kind: 'none' as const };
  const passedS = useSecondsSince(last);
  if (!last || rest.kind === 'none') return null;
  const words = restWords(rest, meaningOf(last.code));
  if (rest.kind !== 'beside' && rest.kind !== 'come back')
    return (
      <section className={css.rest}>
        <p>{words}</p>
      </section>
    );
  const leftS = Math.max(0, 60 * rest.minutes - passedS);
  return (
    <section className={css.rest}>
      <p className={css.clock}>{leftS === 0 ? 'Now.' : minutesSeconds(leftS)}</p>
      <p>
        {leftS === 0 ? 'It has settled, as far as a clock can tell.' : words}
        <span role="status" className={css.heard}>
          {leftS === 0 ? 'Rest is over.' : leftS < 61 && leftS > 55 ? 'One minute more.' : ''}
        </span>
      </p>
    </section>
  );
}

function Ended({
  attempt,
  last,
  say,
  shared,
}: {
  attempt: Try;
  last: TryEvent | null;
  say: (detail: Partial<TryEvent>, of: TryEvent | null) => void;
  shared: OutingShared;
}) {
  if (last && meaningOf(last.code).ends === 'landed')
    return <Landed attempt={attempt} landing={last} onSay={(d) => say(d, last)} shared={shared} />;
  return (
    <section className={css.ended}>
      <p>{last ? meaningOf(last.code).word : 'Over'}. This try is over.</p>
    </section>
  );
}

/** The pad, the face and the way back by keys. */
function useTryKeys(on: {
  onPad: (n: number) => void;
  onFell: (at: FellAt) => void;
  onBack: () => void;
  onLeave: () => void;
}): void {
  const now = useRef(on);
  now.current = on;
  useEffect(() => {
    const heard = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || event.metaKey || event.ctrlKey)
        return;
      const n = PAD_KEYS.indexOf(event.key);
      if (n >= 0) now.current.onPad(n);
      else if (FELL_KEYS[event.key]) now.current.onFell(FELL_KEYS[event.key]!);
      else if (event.key === 'Backspace') now.current.onBack();
      else if (event.key === 'Escape') now.current.onLeave();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', heard);
    return () => window.removeEventListener('keydown', heard);
  }, []);
}
