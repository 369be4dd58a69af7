import type { SequenceReason } from '../core/cast/index';
import type { Posture } from '../core/sight/index';
import type { Along, Caution, NoWay, StalkChange, StalkLeg } from '../core/stalk/index';
import {
  atClockText,
  formatDepth,
  formatLength,
  formatSpeed,
  formatTemp,
  type UnitSystem,
} from '../core/units/index';
import { capital, inHundred } from './names';

const POSTURE_WORDS: Record<Posture, string> = {
  stand: 'walking upright',
  crouch: 'crouched',
  kneel: 'on your knees',
  crawl: 'crawling',
};
export const POSTURE_DONE: Record<Posture, string> = {
  stand: 'stand',
  crouch: 'crouch',
  kneel: 'go on your knees',
  crawl: 'go flat',
};

const PAST: Record<'bush' | 'tree' | 'boulder' | 'log' | 'ledge', string> = {
  bush: 'past the bush',
  tree: 'past the tree',
  boulder: 'past the rock',
  log: 'past the log',
  ledge: 'past the step',
};
const TOWARD: Record<StalkLeg['toward'], string> = {
  up: 'up-current',
  down: 'down-current',
  water: 'toward the water',
  away: 'away from the water',
};

function alongText(along: Along): string {
  if (along.kind === 'water') return 'through the water';
  if (along.kind === 'bank') return `along the true ${along.side} bank`;
  if (along.kind === 'land') return `over the true ${along.side} land`;
  return PAST[along.kind];
}

/** "Past the bush, up-current, crouched, 6 m." */
export function legText(leg: StalkLeg, units: UnitSystem): string {
  const where = leg.wading ? 'Wade' : alongText(leg.along);
  const text = `${where}, ${TOWARD[leg.toward]}, ${POSTURE_WORDS[leg.posture]}, ${formatLength(leg.lengthM, units)}.`;
  return capital(text);
}

/** Why a leg ends: what the next posture hides from. */
export function endText(leg: StalkLeg, next: Posture, nameOf: (id: string) => string): string {
  if (!leg.lowerFor) return '';
  return `Stop, and ${POSTURE_DONE[next]}: from there ${nameOf(leg.lowerFor.fishId)} would notice you ${inHundred(leg.lowerFor.exposure)}.`;
}

export function noWayText(r: NoWay, nameOf: (id: string) => string): string {
  switch (r.reason) {
    case 'no-start':
      return 'No way: the beat has no entry. Say where you stand now.';
    case 'start-blocked':
      return 'No way: where it starts is a rock, a bush, a marked hazard, deep water or a spot that was taken out. Start elsewhere.';
    case 'stand-blocked':
      return 'No way: a rock, a bush, a marked hazard or the edge of what was surveyed is at the stand. Move it.';
    case 'stand-too-deep':
      return 'No way: the water at the stand is too deep or too quick to wade. Move it to the bank.';
    case 'off-the-land':
      return 'No way: that is beyond the land of this beat. Move the stand, or where you start.';
    case 'via-blocked':
      return `No way: waypoint ${r.about} lies on a rock, a bush, a hazard or deep water. Move it.`;
    case 'fish-on-land':
      return `No way: ${nameOf(r.about ?? '')} is marked on dry land at this level. Move it into the water.`;
    case 'forbidden':
      return 'No way: the spots that were taken out shut the stand off. Let one of them be.';
    case 'cut-off':
      return 'No safe crossing: deep or quick water lies between by your limits. Stand on the side you start from.';
  }
}

export function cautionText(c: Caution, units: UnitSystem): string {
  switch (c.kind) {
    case 'wading':
      return `Wading ${formatLength(c.metres, units)}, to ${formatDepth(c.deepestM, units)}. No computation makes a crossing safe: test each step, face up-current, and turn back when in doubt.`;
    case 'slick-bed':
      return `The bed there is ${c.bed}: slick. Studs and a staff; short steps.`;
    case 'cold-water':
      return `Water of ${formatTemp(c.waterTempC, units)} takes the breath and the strength of the legs within minutes. Do not go in alone.`;
    case 'loose-wood':
      return 'Wood lies by the way: it rolls and snags. Never step between it and the current.';
    case 'falling-timber':
      return `Wind of ${formatSpeed(c.windMps, units)} under trees: limbs come down. Keep away, or wait.`;
    case 'lightning':
      return 'At the first thunder lay the rod down, leave the water and the tall trees.';
    case 'spawning-beds':
      return 'Redds may lie in this gravel now: keep off clean, pale patches. Local dates decide.';
    case 'marked':
      return `Marked near the way: ${c.note}.`;
  }
}

export function changeText(c: StalkChange, nameOf: string): string {
  const then = `${nameOf} still calm ${inHundred(c.calm)} on arrival, and sees you at the stand ${inHundred(c.atStand)}.`;
  if (c.what.kind === 'wait') return `Wait until ${atClockText(c.what.hour)}: ${then}`;
  return `At the stand, ${POSTURE_DONE[c.what.posture]}: ${then}`;
}

export function orderText(r: SequenceReason, nameOf: (id: string) => string): string {
  const cost = `, which would alarm ${nameOf(r.first)} ${inHundred(r.alarmed)}.`;
  const first = `${nameOf(r.first)} before ${nameOf(r.before)}: `;
  const then =
    r.because === 'flight'
      ? `${nameOf(r.before)}, put down, bolts past it`
      : r.because === 'fight'
        ? `${nameOf(r.before)}, hooked, is led past it`
        : `the way to ${nameOf(r.before)} is in its sight`;
  const text = first + then + cost;
  return capital(text);
}
