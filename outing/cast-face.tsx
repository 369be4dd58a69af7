'use client';

import type { ReactNode } from 'react';
import { FELL_AT, type TryEvent } from '../core/log/index';
import type { FlyKind } from '../core/rig/index';
import { Button } from '../ui/button';
import { FELL_WORDS, FLIES_OF } from '../words/try-words';
import css from './outing.module.css';

/** What else is said of the last cast: where it fell, as the angler faces it, how it ran, and which fly it was to. */
export function CastFace({
  last,
  fly,
  say,
  children,
}: {
  last: TryEvent | null;
  fly: FlyKind;
  say: (detail: Partial<TryEvent>) => void;
  children: ReactNode;
}) {
  return (
    <>
      <div className={css.faceRow}>
        <div className={css.face} role="group" aria-label="Where the cast fell">
          {FELL_AT.map((f) => (
            <Button
              voice="bare"
              key={f}
              data-at={f}
              aria-pressed={last?.fellAt === f}
              disabled={last === null}
              onClick={() => say({ fellAt: f })}
            >
              {FELL_WORDS[f]}
            </Button>
          ))}
        </div>
        <div className={css.flies} role="group" aria-label="To which fly">
          {[...FLIES_OF[fly], 'not seen which'].map((f) => (
            <Button
              voice="bare"
              key={f}
              disabled={last === null}
              aria-pressed={last?.fly === f}
              onClick={() => say({ fly: f })}
            >
              {f === 'not seen which' ? f : `to ${f}`}
            </Button>
          ))}
          {children}
        </div>
      </div>
      <div className={css.cells} role="group" aria-label="How it ran">
        {([false, true] as const).map((dragged) => (
          <Button
            voice="bare"
            key={String(dragged)}
            disabled={last === null}
            aria-pressed={last?.dragged === dragged}
            onClick={() => say({ dragged })}
          >
            {dragged ? 'dragged' : 'ran clean'}
          </Button>
        ))}
      </div>
    </>
  );
}
