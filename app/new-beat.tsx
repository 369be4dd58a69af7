import { ButtonLink } from '@/ui/button-link';
import css from './start.module.css';

const WAYS = [
  ['sketch', 'Sketch it', 'One minute, in words: pieces in order, how deep on you, how fast.'],
  [
    'survey',
    'Survey it',
    'An hour with a tape: banks, sections, soundings; or traced over your own photograph.',
  ],
] as const;

/** The ways in that begin with nothing: two make a beat, one reads a single place. */
export function NewBeat({ stream }: { stream: string }) {
  return (
    <div className={css.ways}>
      {WAYS.map(([way, word, what]) => (
        <div key={way}>
          <ButtonLink
            voice={way === 'sketch' ? 'solid' : 'line'}
            href={`/make/${way}?stream=${encodeURIComponent(stream)}`}
            prefetch={false}
          >
            {word}
          </ButtonLink>
          <p>{what}</p>
        </div>
      ))}
      <div>
        <ButtonLink voice="line" href="/read" prefetch={false}>
          Quick read
        </ButtonLink>
        <p>One place in one minute, no beat: depth on your leg, a leaf timed, what is there.</p>
      </div>
    </div>
  );
}
