import { parseFigure } from '@/core/units/index';
import { FigureField } from '@/ui/figure-field';
import type { Settings } from '@/core/log/index';
import { Row } from './row';

type Noticing = Settings['noticing'];

/** Each guess with its range, and where it comes from. */
const GUESSES: readonly [
  key: keyof Noticing,
  label: string,
  unit: string,
  min: number,
  max: number,
  why: string,
][] = [
  [
    'tauS',
    'Time to alarm',
    's',
    1,
    60,
    'A fish that surely sees you is still calm after this time about once in three. Our guess, 3 to 12 s; weight it by your own log.',
  ],
  [
    'footfall',
    'Weight of footfall',
    '',
    0,
    5,
    'Sound in water is weak evidence (Hawkins & Johnstone 1978 for what salmonids hear): 0 leaves it out, 1 is our guess.',
  ],
  ['widthM', 'Apparent width of a body', 'm', 0.1, 1.5, 'Shoulders and arms. Our guess.'],
  [
    'contrastSky',
    'Contrast against the sky',
    '',
    0.05,
    1,
    'How a dark figure stands out before bright sky. Our guess.',
  ],
  ['contrastBank', 'Contrast against a bank', '', 0.05, 1, 'Before earth and grass. Our guess.'],
  [
    'contrastPlants',
    'Contrast against plants',
    '',
    0.05,
    1,
    'Before bushes and trees, in dull clothes. Our guess.',
  ],
  [
    'sunOnAngler',
    'What the sun on you adds',
    'times',
    1,
    3,
    "Lit from the fish's side. Our guess.",
  ],
  [
    'motionGain',
    'What moving adds',
    'times',
    0,
    6,
    'Movement of five degrees a second and more, as the fish sees it. Our guess.',
  ],
];

/** How readily a fish notices: guesses that belong to the angler, with their provenance. */
export function NoticingRows({
  now,
  defaults,
  change,
}: {
  now: Noticing;
  defaults: Noticing;
  change: (values: { noticing: Noticing }) => void;
}) {
  return (
    <>
      <h2>How a fish notices you</h2>
      <p>
        Window, refraction and reflection are physics; these figures are guesses of ours, with which
        the sight ring, the stalk and the hours reckon.
      </p>
      {GUESSES.map(([key, label, unit, min, max, why]) => (
        <Row
          key={key}
          why={why}
          changed={now[key] !== defaults[key]}
          back={`Back to ${defaults[key]}`}
          onBack={() => void change({ noticing: { ...now, [key]: defaults[key] } })}
        >
          <FigureField
            id={`noticing-${key}`}
            label={label}
            unit={unit}
            value={String(now[key])}
            parse={(text) => parseFigure(text, { what: label, unit, min, max })}
            onKeep={(value) => void change({ noticing: { ...now, [key]: value } })}
          />
        </Row>
      ))}
    </>
  );
}
