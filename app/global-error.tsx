'use client';

import { LIGHT } from '@/ui/tokens';

/** The frame itself broke: no provider, no style sheet, no font can be counted on. */
export default function GlobalError({ reset }: { error: Error; reset: () => void }) {
  const key = {
    minHeight: 44,
    padding: '8px 16px',
    marginRight: 12,
    border: `1.4px solid ${LIGHT.ink}`,
    background: LIGHT.paper,
    color: LIGHT.ink,
    font: '700 16px sans-serif',
  };
  return (
    <html lang="en">
      <body
        style={{
          background: LIGHT.paper,
          color: LIGHT.ink,
          font: '16px/24px sans-serif',
          margin: '44px auto',
          maxWidth: 640,
          padding: '0 20px',
        }}
      >
        <h1>Pebble Lane broke</h1>
        <p>
          What you entered is kept, on this device or in the book. Draw it again, or load it anew.
        </p>
        <button type="button" style={key} onClick={reset}>
          Draw it again
        </button>
        <button type="button" style={key} onClick={() => window.location.assign('/')}>
          To your beats
        </button>
      </body>
    </html>
  );
}
