import { KINDER_LIMIT_C } from '@/core/day/index';
import { formatTemp } from '@/core/units/index';
import type { Settings } from '@/core/log/index';

type Methods = Settings['methods'];

/** Each method: the schools, whom each suits, and why the default is the default. Common practice. */
export interface MethodRow {
  key: keyof Methods;
  question: string;
  schools: readonly (readonly [value: string, word: string, suits: string])[];
  why: string;
}

export const METHOD_ROWS: readonly MethodRow[] = [
  {
    key: 'holding',
    question: 'Where fish hold',
    schools: [
      ['energy-budget', 'energy budget', 'gain minus cost, computed'],
      ['feed-lane', 'feed lane first', 'poor, fast streams: the edge of the main thread'],
      ['soft-water', 'soft water first', 'pockets, margins, hollows; cold or high water'],
      ['cover-first', 'cover first', 'large, shy fish: undercut, wood, depth'],
      ['thin-seams', 'large fish in thin seams', 'low light: they come out of cover to feed'],
    ],
    why: 'It yields the others as special cases.',
  },
  {
    key: 'castFrom',
    question: 'From where to cast',
    schools: [
      ['any-angle', 'any side with an angle', 'most water'],
      ['below', 'from below', 'rough water, fish facing up'],
      ['above', 'from above, feeding down', 'flat, clear water'],
      [
        'straight-above',
        'straight above, the fly before the line',
        'a fish that is lined from every side',
      ],
    ],
    why: 'All but the last avoid dead below and dead above; an angle is what counts.',
  },
  {
    key: 'stay',
    question: 'How long to stay',
    schools: [
      ['computed', 'computed', 'leave when the next place pays more'],
      ['three-casts', 'three good casts and on', 'pocket water, many fish'],
      ['its-rhythm', 'at its rhythm', 'a fish that feeds and is seen'],
    ],
    why: 'It is shown beside the other two, so nothing is lost.',
  },
  {
    key: 'landing',
    question: 'How the fly lands',
    schools: [
      ['soft', 'softly, or it frightens', 'most fish, still water'],
      ['hard-draws', 'with a plop, which draws', 'fish that wait for what falls off the bank'],
    ],
    why: 'A hard landing frightens more fish than it calls.',
  },
  {
    key: 'worth',
    question: 'Which of several fish first',
    schools: [
      ['even', 'most looks in all', 'every fish counts alike'],
      ['largest', 'the largest first', 'one fish is the day'],
    ],
    why: 'It wastes none; the other may spoil the rest for one.',
  },
  {
    key: 'working',
    question: 'Which way to work the water',
    schools: [
      ['up-current', 'up-current', 'fish that face up, clear water'],
      ['down-current', 'down-current', 'stained or quick water, a swung fly'],
    ],
    why: 'Fish face up-current: one comes from behind them.',
  },
  {
    key: 'wading',
    question: 'Wading',
    schools: [
      ['never-unless', 'never unless there is no other way', 'safety, and fish near the edge'],
      ['for-the-angle', 'wade for the angle', 'wide, shallow, firm beds'],
    ],
    why: 'Most fish that are trodden on lie where one would wade; and water kills.',
  },
  {
    key: 'dropper',
    question: 'Dropper',
    schools: [
      ['cut-when-up', 'cut it off once they look up', 'rises have begun'],
      ['keep', 'keep it', 'fish at all depths'],
    ],
    why: 'After takes on top a second fly only tangles.',
  },
  {
    key: 'hiding',
    question: 'Hiding',
    schools: [
      ['creep', 'creep, keep low, stay out', 'clear water'],
      ['screen', 'use stained or broken water as a screen', 'colour or noise in the water'],
      [
        'own-mud',
        'stir up mud above it and come in behind',
        'soft beds; wait until it clears to cast',
      ],
    ],
    why: 'It works in every water.',
  },
  {
    key: 'wind',
    question: 'Wind',
    schools: [
      ['tilt', 'tilt the cast: high behind, low in front', 'a head wind'],
      ['heavier-line', 'heavier line', 'wind all day'],
      ['change-sides', 'change sides', 'a wind across the rod hand'],
    ],
    why: 'It needs nothing that is not in the hand.',
  },
  {
    key: 'heat',
    question: 'Heat',
    schools: [
      [
        'kinder',
        `stop at the kinder limit, ${formatTemp(KINDER_LIMIT_C, 'metric')}, ${formatTemp(KINDER_LIMIT_C, 'us')}`,
        'all trout',
      ],
      ['species', 'on with care to the limit of the species', 'brown and rainbow trout'],
      ['legal', 'stop at the legal limit', 'only where you entered one'],
    ],
    why: 'A fish played in warm water may die out of sight. Local closures decide in any case.',
  },
];
