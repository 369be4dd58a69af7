import type { Refit, RefitPart } from '../core/learn/index';
import type { PriorName } from '../core/log/index';
import { formatDepth, type UnitSystem } from '../core/units/index';
import { capital, inHundred } from './names';

export const REFIT_NAMES: Record<PriorName, string> = {
  home: 'How often a rated place holds a fish',
  noticing: 'How much of you a fish notices',
  alarm: 'How soon it takes alarm',
  answer: 'How often a good cast is answered',
  hook: 'Hooked, once it takes',
  scatter: 'Where your casts fall',
  sink: 'Sink of your nymphs',
  beds: 'Beds that were ticked',
  depth: 'Where fish lay, by season',
};

/** What of the plan each moves. */
export const REFIT_MOVES: Record<PriorName, string> = {
  home: 'Moves ratings, the order of lies and the route.',
  noticing: 'Moves the stalk, and the stand.',
  alarm: 'Moves the stalk, and how long a stand may be held.',
  answer: 'Moves how long to stay, and the route.',
  hook: 'Moves which lay is cast.',
  scatter: 'Moves the stand, and the aim.',
  sink: 'Moves the lead, and the weight of a rig.',
  beds: 'Moves how deep a nymph may go there.',
  depth: 'Moves which place is next, before fish were found today.',
};

const logistic = (x: number) => 1 / (1 + Math.exp(-x));
const logit = (p: number) => Math.log(p / (1 - p));
/** Ratings that a correction of the homes is told by. */
const EXAMPLE = 0.6;

/** One moved figure: what it is of, as it was and as it is, and its interval. */
export interface MovedWords {
  of: string;
  change: string;
  within: string;
}

const times = (ln: number) => Math.exp(ln).toFixed(2);

/** A figure of a refit in the angler's words. */
export function movedWords(
  name: PriorName,
  part: RefitPart,
  units: UnitSystem,
  beats: Readonly<Record<string, string>>,
): MovedWords {
  const { of, best, low, high, guessed } = part;
  switch (name) {
    case 'home': {
      if (of === 'slope')
        return {
          of: 'Good and poor places',
          change:
            best < 1
              ? `differ less: the step from one rating to the next is ${best.toFixed(2)} of what it was`
              : `differ more: the step from one rating to the next is ${best.toFixed(2)} times what it was`,
          within: `${low.toFixed(2)} to ${high.toFixed(2)}`,
        };
      const at = (shift: number) => logistic(logit(EXAMPLE) + shift);
      return {
        of:
          of === 'all'
            ? 'On any water'
            : of === ''
              ? 'At places without a beat'
              : (beats[of] ?? of),
        change: `a place rated 60 holds one ${inHundred(at(best))}`,
        within: `${Math.round(100 * at(low))} to ${inHundred(at(high))}`,
      };
    }
    case 'hook': {
      const at = (shift: number) => logistic(shift);
      return {
        of: '',
        change: `where 50 in 100 were to be hooked, ${inHundred(at(best))} are`,
        within: `${Math.round(100 * at(low))} to ${inHundred(at(high))}`,
      };
    }
    case 'beds': {
      const [beatId = '', level = '', x = '', y = ''] = of.split(' ');
      return {
        of: `${beats[beatId] ?? beatId}, ${level}, at ${x}, ${y}`,
        change: `${formatDepth(Math.abs(best), units)} ${best > 0 ? 'deeper' : 'shallower'} than drawn`,
        within: `give or take ${formatDepth(1.96 * part.spread, units)}`,
      };
    }
    case 'depth':
      return {
        of: capital(of),
        change: `fish lay at ${formatDepth(Math.exp(best), units)}, the places that stayed blank at ${formatDepth(Math.exp(guessed), units)}`,
        within: `${formatDepth(Math.exp(low), units)} to ${formatDepth(Math.exp(high), units)}`,
      };
    default:
      return {
        of: name === 'scatter' ? SCATTER_OF[of]! : '',
        change: `${times(best)} times what was guessed`,
        within: `${times(low)} to ${times(high)}`,
      };
  }
}
const SCATTER_OF: Record<string, string> = {
  near: 'To 6 m',
  far: 'From 12 m on',
  wind: 'In a wind of 5 m/s, more by',
};

const COUNTED: Record<PriorName, string> = {
  home: 'places',
  noticing: 'tries',
  alarm: 'ways',
  answer: 'tries',
  hook: 'takes',
  scatter: 'tries with casts that were told',
  sink: 'tries with a drift that was felt',
  beds: 'tries with a drift that was felt',
  depth: 'places',
};
/** What a refit rests on: "93 places since 24 May 2025". */
export const restsOnWords = (r: Refit) =>
  r.sinceMs === null
    ? `no ${COUNTED[r.name]}`
    : `${r.tries} ${COUNTED[r.name]} since ${new Date(r.sinceMs).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })}`;
