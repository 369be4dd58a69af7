'use client';

import type { HeldPack, LieState, PackTarget } from '../core/outing/index';
import type { TodaysPattern } from '../core/places/index';
import type { RouteResult } from '../core/route/index';
import { Button } from '../ui/button';
import { layName } from '../words/lay-names';
import { inHundred } from '../words/names';
import { onwardWords, standTitle, stateWords } from '../words/outing-words';
import { homeOf } from './next-thing';
import { part } from './part';
import css from './outing.module.css';

const RouteLine = part(() => import('./route-line').then((m) => m.RouteLine), 120);
const NoRouteLine = part(() => import('./route-line').then((m) => m.NoRouteLine), 24);

/** A place is worked with so many casts, then one goes on (common practice). */
const CASTS = 3;

/** The one next thing, in words; and what rests. */
export function NextWords({
  held,
  next,
  targets,
  name,
  units,
  isHot,
  route,
  isRouted,
  nameOf,
  until,
  after,
  pattern,
  states,
  now,
  zone,
  onPass,
}: {
  held: HeldPack | null;
  next: PackTarget | null;
  targets: readonly PackTarget[];
  name: string;
  units: 'metric' | 'us';
  isHot: boolean;
  route: RouteResult | null;
  /** What is next is the route's own next. */
  isRouted: boolean;
  nameOf: (lieId: string) => string;
  /** The hour until which is fished; null: not said. */
  until: string | null;
  after: PackTarget | null;
  /** Where today's fish lay. */
  pattern: TodaysPattern | null;
  states: ReadonlyMap<string, LieState>;
  now: number;
  zone: string | undefined;
  onPass: () => void;
}) {
  const said = targets.flatMap((t) => {
    const state = states.get(t.id);
    const words = state && stateWords(state, homeOf(t), now, zone);
    return words ? [{ id: t.id, words: `${nameOf(t.id)} ${words}` }] : [];
  });
  if (isHot)
    return (
      <section className={css.words}>
        <h1>Stop for today.</h1>
        <p>No next stand at this temperature. What you see can still be marked.</p>
      </section>
    );
  if (!held)
    return (
      <section className={css.words}>
        <h1>Nothing planned here.</h1>
        <p>
          Read a place, or cast here. <a href="#/take">Take a beat along</a>
        </p>
      </section>
    );
  if (!next)
    return (
      <section className={css.words}>
        <h1>{targets.length > 0 ? 'All of it is worked.' : 'No place worth a cast was found.'}</h1>
        {route && route.kind !== 'route' && <NoRouteLine kind={route.kind} />}
        <Standing said={said} />
        <p>
          <a href="#/take">Take another beat along</a>, or read a place.
        </p>
      </section>
    );
  if (isRouted && route?.kind === 'route' && held?.pack.route)
    return (
      <section className={css.words}>
        <h1>{standTitle(next, units)}</h1>
        <RouteLine
          route={route}
          stands={held.pack.route.ground.stands}
          lay={layName(next.shot!.lay)}
          nameOf={nameOf}
          units={units}
          until={until}
          pattern={pattern}
          onPass={onPass}
        />
        <Standing said={said} />
      </section>
    );
  return (
    <section className={css.words}>
      <h1>{standTitle(next, units)}</h1>
      {route && route.kind !== 'route' && <NoRouteLine kind={route.kind} />}
      <p>
        {name}
        {next.shot
          ? `: ${layName(next.shot.lay).toLowerCase()}, ${inHundred(next.shot.chance.best)} that it gets an honest look. ${CASTS} casts.`
          : next.noShot
            ? ': no cast offers an honest look from anywhere you can reach.'
            : ', marked on the bank: no cast worked out.'}
      </p>
      <p>
        {after && <strong>Then {onwardWords(next, after, units)}. </strong>}
        <Button voice="plain" onClick={onPass}>
          Pass it by
        </Button>
      </p>
      <Standing said={said} />
    </section>
  );
}

/** What rests, and what is vacant, with its hour. */
function Standing({ said }: { said: readonly { id: string; words: string }[] }) {
  if (said.length === 0) return null;
  return (
    <ul className={css.standing} aria-label="What rests, and what is vacant">
      {said.map(({ id, words }) => (
        <li key={id}>{words}</li>
      ))}
    </ul>
  );
}
