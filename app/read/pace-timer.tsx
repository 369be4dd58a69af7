'use client';

import { useEffect, useRef, useState } from 'react';
import { formatLength, formatSpeed, type UnitSystem } from '@/core/units/index';
import { Button } from '@/ui/button';
import css from './read.module.css';

/** How far the leaf is watched, m: ten feet is the same step. */
const FLOAT_M = 3;
/** A tap and a tap within this are one double tap, not a leaf, s. */
const TOO_SOON_S = 0.8;

/** Tap when a leaf starts, tap when it has gone three metres: the pace of the surface. */
export function PaceTimer({
  units,
  onPace,
}: {
  units: UnitSystem;
  onPace: (surfaceMps: number) => void;
}) {
  const [since, setSince] = useState<number | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [seconds, setSeconds] = useState(0);
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  useEffect(() => () => clearInterval(timer.current ?? undefined), []);
  const distance = formatLength(FLOAT_M, units);
  const tap = () => {
    const now = performance.now();
    if (since === null) {
      setSaid(null);
      setSince(now);
      setSeconds(0);
      timer.current = setInterval(() => setSeconds((performance.now() - now) / 1000), 100);
      return;
    }
    clearInterval(timer.current ?? undefined);
    setSince(null);
    const took = (now - since) / 1000;
    if (took < TOO_SOON_S) {
      setSaid(
        `${took.toFixed(1)} s is too soon for ${distance}. Tap at the start, then at the end.`,
      );
      return;
    }
    const pace = FLOAT_M / took;
    setSaid(`${took.toFixed(1)} s over ${distance}: ${formatSpeed(pace, units)}.`);
    onPace(pace);
  };
  return (
    <div className={css.timer}>
      <Button voice="bare" onClick={tap} aria-pressed={since !== null}>
        {since === null
          ? `Time a leaf over ${distance}`
          : `${seconds.toFixed(1)} s. Tap at ${distance}`}
      </Button>
      <p role="status">{said}</p>
    </div>
  );
}
