import type { Reason } from '../core/units/index';
import {
  floatSecondsOver3m,
  formatDepth,
  formatLength,
  formatSpeed,
  paceWord,
  type UnitSystem,
} from '../core/units/index';
import type { LieKind, Needs } from '../core/lies/index';
import type { StalkLeg, StalkResult } from '../core/stalk/index';
import type { DriftResult } from '../core/cast/index';

/** How answers are said: plain and short, an angler's words. Data comes as reasons; only this file words them. */

const KIND_NAMES: Record<LieKind, string> = {
  cushion: 'Cushion ahead of a rock',
  pocket: 'Pocket behind a rock',
  seam: 'Seam',
  'tongue-edge': 'Edge of the tongue',
  undercut: 'Undercut bank',
  overhang: 'Under the boughs',
  log: 'By the log',
  'ledge-foot': 'Foot of the step',
  'slab-v': 'Slab and gravel V',
  depression: 'Hollow in the bed',
  plunge: 'Plunge',
  'tail-lip': 'Lip of the tail',
  'foam-line': 'Foam line',
  eddy: 'Back-eddy',
  margin: 'Margin',
  'spring-mouth': 'Spring mouth',
  'weed-lane': 'Lane in the weed',
  run: 'Run',
};
export const lieName = (kind: LieKind) => KIND_NAMES[kind];

export const needText = (need: number) => need.toFixed(2).replace(/^0/, '');

const NEED_NAMES: Record<keyof Needs, string> = {
  shelter: 'Shelter',
  food: 'Food',
  ease: 'Ease',
  air: 'Air',
};

const find = (why: readonly Reason[], what: string) => why.find((r) => r.what === what);

/** Two or three sentences on a lie. */
export function lieWhy(
  why: readonly Reason[],
  units: UnitSystem,
): { lead: string; rest: string[] } {
  const worst = find(why, 'holds-back');
  const nose = find(why, 'nose-pace')!;
  const best = find(why, 'best-pace-in-reach')!;
  const bolt = find(why, 'bolt-hole')!;
  const name = worst?.about ? NEED_NAMES[worst.about as keyof Needs] : 'Nothing';
  const rest: string[] = [];
  if (worst?.about === 'ease')
    rest.push(`${formatSpeed(nose.value, units)} at the nose: it pays to hold there.`);
  else
    rest.push(
      `${formatSpeed(nose.value, units)} at the nose, ${formatSpeed(best.value, units)} within its reach.`,
    );
  rest.push(
    bolt.value < 0.05
      ? 'Cover where it lies.'
      : `Cover to bolt to, ${formatLength(bolt.value, units)} off.`,
  );
  if (find(why, 'boulder-too-small')) {
    rest.push(
      `The rock beside it is too small to solve at ${formatLength(find(why, 'boulder-too-small')!.value, units)}: no pocket is rated there.`,
    );
  }
  return { lead: `${name} holds it back.`, rest };
}

/** "stroll (a leaf takes 12 s over 3 m)". */
export function paceText(surfaceMps: number, units: UnitSystem): string {
  const seconds = floatSecondsOver3m(surfaceMps);
  const distance = formatLength(3, units);
  return seconds > 60
    ? paceWord(surfaceMps)
    : `${paceWord(surfaceMps)}, a leaf takes ${seconds.toFixed(seconds < 10 ? 1 : 0)} s over ${distance}`;
}

export const PASS_WORDS: Record<NonNullable<DriftResult['passesFish']>, string> = {
  clean: 'Passes it clean',
  micro: 'Passes it with a little drag',
  wake: 'Passes it dragging',
  misses: 'Does not pass it',
};

/** Why the drift ends when it does. */
export function driftWhy(best: DriftResult, units: UnitSystem): string {
  if (best.status === 'unknown')
    return 'Not known: the fly lands on dry ground, or the line could not be followed.';
  if (!best.reason) return 'No drag while it was followed.';
  const at = best.firstMicroS === null ? '' : ` at ${best.firstMicroS.toFixed(1)} s`;
  const speed = formatSpeed(best.reason.value, units);
  if (best.reason.what === 'tongue-between')
    return `The water between you runs ${speed} and draws the line tight${at}.`;
  if (best.reason.what === 'slack-between')
    return `Slow water between you, ${speed}, holds the line while the fly runs on: tight${at}.`;
  return `The line comes to its end${at}: the fly has run as far as it lets it.`;
}

const POSTURE_WORDS = {
  stand: 'walking upright',
  crouch: 'crouched',
  kneel: 'on your knees',
  crawl: 'crawling',
} as const;

export function legText(leg: StalkLeg, units: UnitSystem): string {
  const where = leg.wading ? 'Wade' : 'Go';
  return `${where} ${formatLength(leg.lengthM, units)} ${POSTURE_WORDS[leg.posture]}.`;
}

export const inHundred = (share: number) => `${Math.round(100 * share)} in 100`;

const NO_WAY: Record<Extract<StalkResult, { kind: 'no way' }>['reason'], string> = {
  'start-blocked': 'No way: the entry itself is blocked.',
  'stand-blocked':
    'No way: a rock, a bush or the edge of what was surveyed is there. Move the stand.',
  'stand-too-deep':
    'No way: the water at the stand is too deep or too quick to wade. Move it to the bank.',
  'cut-off': 'No way found: deep or quick water lies between. Stand on the side of the entry.',
};
export const noWayText = (r: Extract<StalkResult, { kind: 'no way' }>) => NO_WAY[r.reason];

export const depthText = (m: number, units: UnitSystem) => formatDepth(m, units);
