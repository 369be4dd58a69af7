'use client';

import { useEffect, useState } from 'react';
import { heatNow } from './heat-now';
import type { OutingShared } from './shared';
import type { WaterDay } from './water-day';

/** The curve is worked out anew so often without a reading, ms. */
const AGAIN_MS = 5 * 60_000;

export interface WaterNow extends ReturnType<typeof heatNow> {
  /** Today's curve; null: not worked out yet, or nothing to work it out from. */
  day: WaterDay | null;
  /** Whether `tempC` is the curve's, not a thermometer's. */
  byCurve: boolean;
}

/** The water now: as read while the reading is fresh, else by the day's curve through the readings. */
export function useWater(
  { view, outing, now }: Pick<OutingShared, 'view' | 'outing' | 'now'>,
  beatId: string | null,
): WaterNow {
  const told = heatNow(view, outing);
  const [day, setDay] = useState<WaterDay | null>(null);
  const { bank, log } = view;
  const asked = [
    bank?.day?.date,
    beatId,
    log.readings.map((r) => `${r.id}${r.waterTempC}${r.takenMs}`).join(),
    bank?.settings.waterTempC,
    Math.floor(now / AGAIN_MS),
  ].join();
  useEffect(() => {
    if (!bank?.day || beatId === null) return setDay(null);
    let gone = false;
    void import('./water-day').then(({ waterDay }) => {
      if (!gone) setDay(waterDay(bank.day, bank.settings, log.readings, beatId, now));
    });
    return () => {
      gone = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  const curve = day?.site.isRead ? day : null;
  return { ...told, day: curve, byCurve: false, ...curve?.instead(told, now) };
}
