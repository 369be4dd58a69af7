import type { LeftOutBecause, NoRoute, PlannedStop, RouteResult } from '../core/route/index';
import { formatLength, formatMinutes, type UnitSystem } from '../core/units/index';

/** A route, said. */

export const DIRECTION_WORDS = { up: 'Up', down: 'Down', free: 'As it pays' } as const;

const NO_ROUTE: Record<NoRoute['kind'], string> = {
  'no entry': 'No way in is drawn for this beat: draw an entry, and a route can begin there.',
  'no lies': 'No lie is worth a cast at this level.',
  'no stand': 'No stand that you can reach offers a cast at any lie.',
  'no time': 'No time is left: set another hour, or go back the way you came.',
  'all covered': 'Every lie is covered or passed by. Another beat, or wait for what rests.',
  'nothing pays': 'No lie pays a cast as it is: elsewhere pays more.',
};
export const noRouteWords = (kind: NoRoute['kind']): string => NO_ROUTE[kind];

export const LEFT_OUT_WORDS: Record<LeftOutBecause, string> = {
  'no stand': 'no stand offers a cast',
  covered: 'covered already',
  'too poor': 'too poor for a cast',
  seen: 'sees you from everywhere',
  'out of time': 'no time for it',
  'pays less': 'pays less than going on',
};

const times = (n: number) => `${n} ${n === 1 ? 'cast' : 'casts'}`;

/** "Pocket 5 casts, then undercut 4." */
export function stopWordsOf(stop: PlannedStop, nameOf: (lieId: string) => string): string {
  const said = stop.lies.map((l, i) => {
    const name = nameOf(l.id);
    return i === 0
      ? `${name} ${times(l.covers)}`
      : `${name.charAt(0).toLowerCase()}${name.slice(1)} ${l.covers}`;
  });
  return `${said.join(', then ')}.`;
}

/** "6 min, then 12 m up-current." The last stop has no then. */
export function onwardFrom(
  result: Extract<RouteResult, { kind: 'route' }>,
  stands: readonly { xM: number; yM: number }[],
  units: UnitSystem,
): string {
  const [here, next] = result.steps;
  if (!here) return '';
  const minutes = formatMinutes(here.seconds / 60);
  if (!next) return `${minutes}, and it is worked.`;
  const [a, b] = [stands[here.stand]!, stands[next.stand]!];
  const metres = Math.hypot(b.xM - a.xM, b.yM - a.yM);
  const where =
    metres < 1
      ? 'another posture from there'
      : `${formatLength(metres, units, 0)} ${b.xM > a.xM ? 'up' : 'down'}`;
  return `${minutes}, then ${where}${next.wadedM > 0.5 ? `, ${formatLength(next.wadedM, units, 0)} of it wading` : ''}.`;
}

/** What the other directions would bring; that up is practice and no finding. */
export function besideWords({
  net,
  beside,
}: Pick<Extract<RouteResult, { kind: 'route' }>, 'net' | 'beside'>): string {
  const said = beside.map((b) => {
    const more = b.net - net;
    const by =
      Math.abs(more) < 0.05
        ? 'as much'
        : `${Math.abs(more).toFixed(1)} takes ${more > 0 ? 'more' : 'less'}`;
    return `${DIRECTION_WORDS[b.direction].toLowerCase()}: ${by}`;
  });
  return `By the model, ${said.join('; ')}. Working up is common practice: on an open stream the model does not prefer it by itself.`;
}
