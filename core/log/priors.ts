import type { Season } from '../lies/index';
import type { PatternPrior } from './depth-pattern';
import type { NoticeGuesses } from '../sight/index';
import type { Alarm } from '../stalk/index';

/** How readily a fish notices, and takes alarm. */
export type Noticing = NoticeGuesses & Alarm;
/** Of the settings, what is reckoned with together. */
interface Reckoned {
  noticing: Noticing;
  priors: Priors;
}

/** One water's constant in the chance of a fish at home, in its logit, and how well it is known. */
export interface HomePrior {
  offset: number;
  spread: number;
}
/** A bed that was ticked: how much lower it lies than drawn, m. */
export interface BedPrior {
  beatId: string;
  level: string;
  xM: number;
  yM: number;
  shiftM: number;
  spreadM: number;
}

/**
 * What the record has changed of what the models take for granted. Every constant that it says
 * nothing of is as it was guessed (`NO_PRIORS`). A plain value: it goes with the settings to whoever
 * reckons, and its hash into each new snapshot.
 */
export interface Priors {
  /** Tries opened before this are in it, UTC ms. */
  untilMs: number;
  /** P(home): slope over the rating in the logit, and the constant of waters that have none of their own. */
  home: { slope: number; all: HomePrior; waters: Record<string, HomePrior>; live: boolean };
  /** Times the width of the angler that a fish sees. */
  noticing: number;
  /** Times the seconds that its alarm takes. */
  alarm: number;
  /** Times the chance that a good cover is answered. */
  answer: number;
  /** Added to the logit of hooked, given a take. */
  hook: number;
  /** Times the scatter of the landing: to 6 m, from 12 m on, and more in a wind of 5 m/s. */
  scatter: { near: number; far: number; wind: number };
  /** ln of the angler's sink multiplier. */
  sink: { lnM: number; spread: number };
  beds: BedPrior[];
  /** Where fish were found, by season. */
  depth: Partial<Record<Season, PatternPrior>>;
}
/** Of the priors, what a prediction has in it already: a later refit takes it out again. */
export type Applied = Pick<Priors, 'noticing' | 'alarm' | 'answer' | 'hook' | 'scatter'>;
export const PRIOR_NAMES = [
  'home',
  'noticing',
  'alarm',
  'answer',
  'hook',
  'scatter',
  'sink',
  'beds',
  'depth',
] as const;
export type PriorName = (typeof PRIOR_NAMES)[number];

export const NO_PRIORS: Priors = {
  untilMs: 0,
  home: { slope: 1, all: { offset: 0, spread: 1 }, waters: {}, live: true },
  noticing: 1,
  alarm: 1,
  answer: 1,
  hook: 0,
  scatter: { near: 1, far: 1, wind: 1 },
  sink: { lnM: 0, spread: 0.25 },
  beds: [],
  depth: {},
};

/** What predictions hold of them, apart from the water's own constant, which each snapshot names. */
export const appliedOf = ({ noticing, alarm, answer, hook, scatter }: Priors): Applied => ({
  noticing,
  alarm,
  answer,
  hook,
  scatter,
});

/** Those of the settings; settings kept before there were any have none. */
export const priorsOf = (s: Pick<Reckoned, 'priors'>): Priors => s.priors ?? NO_PRIORS;

/** How a fish notices, as set and as the record has changed it. */
export function noticingOf(s: Reckoned): Noticing {
  const { noticing, alarm } = priorsOf(s);
  return noticing === 1 && alarm === 1
    ? s.noticing
    : {
        ...s.noticing,
        widthM: s.noticing.widthM * noticing,
        tauS: s.noticing.tauS * alarm,
      };
}

/** How long a fish's alarm takes, and what footfall weighs. */
export function alarmOf(s: Reckoned): Pick<Noticing, 'tauS' | 'footfall'> {
  const { tauS, footfall } = noticingOf(s);
  return { tauS, footfall };
}
