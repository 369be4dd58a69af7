'use client';

import { useEffect, useMemo, useState } from 'react';
import type { QuickAnswers, QuickReading } from '@/core/lies/index';

type Rate = (answers: QuickAnswers) => QuickReading;

/**
 * The place as told, rated on this device. The model comes a moment after the page, which can be told
 * things meanwhile; null until then.
 */
export function useQuickReading(told: QuickAnswers): QuickReading | null {
  const [rate, setRate] = useState<Rate | null>(null);
  useEffect(() => {
    let gone = false;
    void import('@/core/lies/index').then((m) => {
      if (!gone) setRate(() => m.quickRead);
    });
    return () => {
      gone = true;
    };
  }, []);
  return useMemo(() => rate && rate(told), [rate, told]);
}
