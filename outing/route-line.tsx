'use client';

import type { TodaysPattern } from '../core/places/index';
import type { NoRoute, RouteResult, RouteStand } from '../core/route/index';
import { formatMinutes, type UnitSystem } from '../core/units/index';
import { Button } from '../ui/button';
import { patternWords } from '../words/place-words';
import { noRouteWords, onwardFrom, stopWordsOf } from '../words/route-words';
import css from './outing.module.css';

/** The stop of a route where one is: its lies in order, how far on the next is, and what the whole brings. */
export function RouteLine({
  route,
  stands,
  lay,
  nameOf,
  units,
  until,
  pattern,
  onPass,
}: {
  route: Extract<RouteResult, { kind: 'route' }>;
  stands: readonly RouteStand[];
  lay: string;
  nameOf: (lieId: string) => string;
  units: UnitSystem;
  /** The hour until which is fished; null: not said. */
  until: string | null;
  pattern: TodaysPattern | null;
  onPass: () => void;
}) {
  const { looks } = route;
  return (
    <>
      <p>
        {stopWordsOf(route.steps[0]!, nameOf)} {lay}.
      </p>
      <p>
        <strong>{onwardFrom(route, stands, units)} </strong>
        <Button voice="plain" onClick={onPass}>
          Pass it by
        </Button>
      </p>
      <p className={css.said}>
        The route: {route.steps.length} {route.steps.length === 1 ? 'stand' : 'stands'},{' '}
        {formatMinutes(route.minutes)}, {looks.best.toFixed(1)} honest looks ({looks.low.toFixed(0)}{' '}
        to {looks.high.toFixed(0)}), {route.leftOut.length} lies left out.{' '}
        <a href="#/places">{until === null ? 'Set an end.' : `Until ${until}.`}</a>
      </p>
      {pattern && <p className={css.said}>{patternWords({ pattern }, units)}</p>}
    </>
  );
}

export const NoRouteLine = ({ kind }: { kind: NoRoute['kind'] }) => <p>{noRouteWords(kind)}</p>;
