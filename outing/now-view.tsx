'use client';

import { useState } from 'react';
import { foldTry, openTry, tallyOf, warmingCph } from '../core/log/index';
import { paysToday } from '../core/moves/index';
import type { PackTarget } from '../core/outing/index';
import { clockText, formatTemp } from '../core/units/index';
import { Button } from '../ui/button';
import { part } from './part';
import { stopWords, targetWords } from '../words/outing-words';
import { fishNumber, nextTarget, statesNow, targetsNow } from './next-thing';
import { beginTry } from './begin-try';
import { READING_HOLDS_MS } from './reading-holds';
import type { OutingShared } from './shared';
import { goTo } from './use-bank';
import { routeAsk, standingAt } from './route-now';
import { useRoute } from './use-route';
import { useWater } from './use-water';
import { useTimeAndWater } from './use-time-and-water';
import css from './outing.module.css';

const NextWords = part(() => import('./next-words').then((m) => m.NextWords), 117);
const NowFoot = part(() => import('./now-foot').then((m) => m.NowFoot), 160);
const DayStrip = part(() => import('./day-strip').then((m) => m.DayStrip), 84);
const NowPlan = part(() => import('./now-plan').then((m) => m.NowPlan), 250);

/** The hour, the water, when to stop, and the one next thing. */
export function NowView({
  marking,
  passed,
  onPass,
  ...shared
}: OutingShared & {
  marking: boolean;
  /** Targets that were passed by, by id: also while a try was open in between. */
  passed: ReadonlySet<string>;
  onPass: (id: string) => void;
}) {
  const { view, now, outing, tries, actions } = shared;
  const settings = view.bank?.settings;
  const units = settings?.units ?? 'metric';
  const [beatId, setBeatId] = useState<string | null>(null);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const newest = [...view.packs].sort((a, b) => b.takenMs - a.takenMs)[0] ?? null;
  const held = view.packs.find((p) => p.beatId === beatId) ?? newest;
  const { readings, read, tempC, heat, day, byCurve } = useWater(shared, held?.beatId ?? null);
  const curveC = day?.tempC ?? null;
  const fresh = read !== null && now - read.takenMs < READING_HOLDS_MS;
  const isHot = heat.kind === 'none' || heat.kind === 'stop';
  const warming = warmingCph(readings);
  const stop = stopWords(heat, tempC, warming, units, day);
  const going = openTry(tries);
  const targets = held && settings ? targetsNow(held.pack, view.log, settings, now) : [];
  const pays = paysToday(
    tallyOf(outing, tries, now).taken,
    outing ? (now - outing.startMs) / 3_600_000 : 0,
  );
  const states = statesNow(held?.pack.beatId ?? null, targets, tries, pays, now);
  const { until } = useTimeAndWater();
  const planned = useRoute(
    held?.pack ?? null,
    held?.pack.route && settings && !isHot
      ? routeAsk(held.pack, tries, states, passed, {
          lambda: Math.round(2 * pays) / 2,
          nowMs: now,
          untilMs: until,
          direction: settings.methods.working === 'up-current' ? 'up' : 'down',
        })
      : null,
    view.log,
    outing?.id ?? null,
    settings,
    view.bank?.day,
    now,
  );
  const route = planned?.result ?? null;
  const routed = route?.kind === 'route' && held?.pack.route ? route : null;
  const [here] = routed?.steps ?? [];
  const first = here && targets.find((t) => t.id === here.lies[0]?.id);
  const proposed =
    first && stop && settings
      ? standingAt(first, held!.pack.route!.ground, here, settings)
      : nextTarget(targets, states, passed, now);
  const goingOn = targets.find((t) => going && t.id === going.snapshot.target?.id);
  // Too warm: what goes on is finished, nothing new is proposed, here or on the plan.
  const next =
    goingOn ??
    (isHot ? null : (targets.find((t) => t.id === chosenId && !passed.has(t.id)) ?? proposed));
  const zone = outing?.timeZone ?? held?.pack.timeZone ?? undefined;
  const nameOf = (t: PackTarget | null) => targetWords(t, t && fishNumber(t.markId, view.log));
  const open = (target: PackTarget) => {
    const id = beginTry(actions, { kind: 'target', pack: held!.pack, target }, curveC);
    goTo(`try/${id}`);
  };
  return (
    <main className={css.now}>
      <header className={css.head}>
        <div>
          <p className={css.hour}>{clockText(now, zone)}</p>
          <p>{held?.pack.name ?? 'No beat taken along'}</p>
        </div>
        <a href="#/readings" className={css.reading} data-old={fresh ? undefined : ''}>
          <span className={css.hour}>{tempC === null ? '? °' : formatTemp(tempC, units)}</span>
          <span>
            {byCurve
              ? `by the curve${read ? `, read ${clockText(read.takenMs, outing?.timeZone)}` : ''}`
              : read
                ? `read ${clockText(read.takenMs, outing?.timeZone)}${warming !== null && fresh ? `, ${warming >= 0 ? 'rising' : 'falling'} ${formatRate(warming, units)} an hour` : fresh ? '' : ', read it again'}`
                : tempC === null
                  ? 'read the water'
                  : 'from the book, read it'}
          </span>
        </a>
      </header>
      <p
        className={css.stop}
        data-kind={stop.kind}
        role={stop.kind === 'caution' ? 'alert' : undefined}
      >
        <strong>{stop.strong}</strong> {stop.rest}
      </p>
      {day && <DayStrip day={day} units={units} />}
      {held && (
        <NowPlan
          held={held}
          targets={targets}
          next={next}
          states={states}
          shared={shared}
          marking={marking}
          thread={routed?.steps.map((x) => held.pack.route!.ground.stands[x.stand]!) ?? []}
          onTarget={(t) =>
            isHot && !going
              ? undefined
              : t.id !== next?.id
                ? setChosenId(t.id)
                : going
                  ? goTo(`try/${going.id}`)
                  : open(t)
          }
        />
      )}
      {marking ? (
        <section className={css.words} aria-live="polite">
          <h1>Tap where it lay.</h1>
          <p>
            <Button voice="plain" onClick={() => goTo('now')}>
              Not now
            </Button>
          </p>
        </section>
      ) : (
        <NextWords
          held={held}
          next={next}
          targets={targets}
          name={nameOf(next)}
          units={units}
          isHot={isHot}
          route={route}
          isRouted={routed !== null && next?.id === proposed?.id}
          nameOf={(id) => nameOf(targets.find((t) => t.id === id) ?? null)}
          until={until === null ? null : clockText(until, zone)}
          after={next ? nextTarget(targets, states, new Set([...passed, next.id]), now) : null}
          pattern={planned?.pattern ?? null}
          states={states}
          now={now}
          zone={zone}
          onPass={() => next && onPass(next.id)}
        />
      )}
      {going ? (
        <Button voice="bare" className={css.primary} onClick={() => goTo(`try/${going.id}`)}>
          Go on: cast {foldTry(going.fly, going.events).casts + 1}
        </Button>
      ) : isHot ? null : (
        <Button
          voice="bare"
          className={css.primary}
          onClick={() =>
            next
              ? open(next)
              : goTo(
                  `try/${beginTry(actions, { kind: 'here', beatId: held?.beatId ?? null }, curveC)}`,
                )
          }
        >
          Cast here
          {next && <small>{nameOf(next)}</small>}
        </Button>
      )}
      <div className={css.halves}>
        <Button voice="bare" onClick={() => goTo('mark')} disabled={!held}>
          Fish seen
        </Button>
        <Button voice="bare" onClick={() => goTo('places')}>
          A place
          <small>read, or cast at one</small>
        </Button>
      </div>
      <NowFoot {...shared} beats={view.packs} heldId={held?.beatId ?? null} onBeat={setBeatId} />
    </main>
  );
}

const formatRate = (cph: number, units: 'metric' | 'us') =>
  units === 'us' ? `${Math.abs((cph * 9) / 5).toFixed(1)} °F` : `${Math.abs(cph).toFixed(1)} °C`;
