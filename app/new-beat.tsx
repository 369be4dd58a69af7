'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { clientId } from '@/sync/client-id';

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
  const router = useRouter();
  return (
    <div className="ways">
      {WAYS.map(([way, word, what]) => (
        <div key={way}>
          <button
            type="button"
            className="do solid"
            onClick={() =>
              router.push(`/make/${way}/${clientId()}?stream=${encodeURIComponent(stream)}`)
            }
          >
            {word}
          </button>
          <p>{what}</p>
        </div>
      ))}
      <div>
        <Link href="/read" className="do line" prefetch={false}>
          Quick read
        </Link>
        <p>One place in one minute, no beat: depth on your leg, a leaf timed, what is there.</p>
      </div>
    </div>
  );
}
