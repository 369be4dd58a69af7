'use client';

import { useState } from 'react';
import { NO_FISHING_FROM_C } from '@/core/day/index';
import type { Advice, QuickReading } from '@/core/lies/index';
import { formatTemp, type UnitSystem } from '@/core/units/index';
import { LargePebble, Pebble } from '@/drawing/pebble';
import { largestText } from '@/words/lie-words';
import { lieWhy } from '@/words/words';
import { lieName } from '@/words/names';
import { Button } from '@/ui/button';
import css from './read.module.css';

const ADVICE_WORDS: Record<Exclude<Advice, 'leave-warm'>, string> = {
  'wait-cooler': 'Come back in the cool of the morning.',
  'nymph-on-bottom': 'A nymph that ticks the bottom now and then.',
  'dry-along-foam': 'A dry down the foam line.',
  'nymph-and-dry': 'A dry, or a nymph below one.',
  'short-line': 'A short line, held high: quick water drags at once.',
  'by-the-edge': 'Along the edge, not across it.',
  'tight-to-cover': 'Tight to the cover; the first cast two feet short.',
  'dark-and-large': 'Dark and large; the soft edge at your own feet first.',
  'walk-on': 'Walk on: better water pays more.',
  'one-of-many': 'One of many like it: the few fish in such water may be anywhere.',
  'look-first': 'Look for the fish before you cast.',
};

const adviceText = (a: Advice, units: UnitSystem) =>
  a === 'leave-warm'
    ? `The water is ${formatTemp(NO_FISHING_FROM_C, units)} or more: leave them be, whatever rises. Look for cooler water: springs, shade, higher up, the first hours after dawn.`
    : ADVICE_WORDS[a];

const verdict = (rating: number, warm: boolean) =>
  warm
    ? 'Leave it alone'
    : rating >= 40
      ? 'Worth a cast'
      : rating >= 20
        ? 'Worth a look'
        : rating >= 8
          ? 'Only in passing'
          : 'Walk on';

/** The answer, at the foot of the page; opened, its needs, why and what to try. */
export function ReadResult({
  reading,
  units,
  saved,
  onKeep,
}: {
  /** null: the model is not here yet. */
  reading: QuickReading | null;
  units: UnitSystem;
  saved: string | null;
  onKeep: () => void;
}) {
  const [open, setOpen] = useState(false);
  if (!reading)
    return (
      <footer className={css.answer} role="status">
        <p>Rating the place.</p>
      </footer>
    );
  if (!reading.ok)
    return (
      <footer className={css.answer} role="alert">
        {reading.problems.map((p) => (
          <p key={p}>{p}</p>
        ))}
      </footer>
    );
  const why = lieWhy(reading.why, units);
  const { low, high } = reading.band;
  const warm = reading.advice.includes('leave-warm');
  return (
    <footer className={css.answer}>
      {open && (
        <div className={css.answerMore} role="region" aria-label="Why" tabIndex={0}>
          <LargePebble rating={reading.rating} needs={reading.needs} />
          <p>
            {lieName(reading.kind)}. <strong>{why.lead}</strong> {why.rest.join(' ')}
          </p>
          <ul>
            {reading.advice.map((a) => (
              <li key={a}>{adviceText(a, units)}</li>
            ))}
          </ul>
        </div>
      )}
      <Button
        voice="bare"
        className={css.answerFace}
        aria-expanded={open}
        onClick={() => setOpen((o) => !o)}
      >
        <svg width="84" height="72" viewBox="-42 -36 84 72" aria-hidden="true">
          <Pebble rating={reading.rating} needs={reading.needs} r={25} />
        </svg>
        <span>
          <strong className={css.verdict} aria-live="polite">
            {verdict(reading.rating, warm)}
          </strong>
          <span>
            Home {reading.rating} times in 100 ({low} to {high}).{' '}
            {largestText(reading.largest, units)} {why.lead}
          </span>
        </span>
      </Button>
      <div className={css.answerDo}>
        <Button voice="bare" onClick={onKeep}>
          Keep this read
        </Button>
        <Button voice="bare" aria-expanded={open} onClick={() => setOpen((o) => !o)}>
          {open ? 'Less' : 'Why, and what to try'}
        </Button>
      </div>
      <p role="status" className={css.answerSaved}>
        {saved}
      </p>
    </footer>
  );
}
