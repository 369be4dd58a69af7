'use client';

import { useEffect, useState } from 'react';

/** Until when, and how much water is still to come: kept on this phone. */
const KEY = 'time-and-water';
interface Said {
  until: number | null;
  water: number | null;
}
const NOT_SAID: Said = { until: null, water: null };

export function useTimeAndWater() {
  const [said, setSaid] = useState(NOT_SAID);
  useEffect(() => setSaid(read()), []);
  const keep = (change: Partial<Said>) =>
    setSaid((now) => {
      const next = { ...now, ...change };
      try {
        localStorage.setItem(KEY, JSON.stringify(next));
      } catch {
        // This phone keeps nothing: it holds while the page is open.
      }
      return next;
    });
  return {
    ...said,
    setUntil: (until: number | null) => keep({ until }),
    setWater: (water: number | null) => keep({ water }),
  };
}

function read(): Said {
  try {
    const { until, water } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Said>;
    return { until: until ?? null, water: water ?? null };
  } catch {
    return NOT_SAID;
  }
}
