'use client';

import { Button } from '@/ui/button';
import css from './start.module.css';

/** What a person sees when a page breaks: nothing entered is lost, and two ways on. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className={css.start}>
      <h1>This page broke</h1>
      <p className={css.lead}>What you entered is kept. Draw it again, or go back to your beats.</p>
      <p>
        <Button voice="solid" onClick={reset}>
          Draw it again
        </Button>{' '}
        {/* A whole new load, not a client step: the state in memory is what broke. */}
        <Button voice="line" onClick={() => window.location.assign('/')}>
          To your beats
        </Button>
      </p>
    </main>
  );
}
