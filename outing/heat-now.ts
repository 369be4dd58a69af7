import { heatAt, type Heat } from '../core/day/heat';
import { lastReading, ofOuting, type Outing, type Reading } from '../core/log/index';
import type { BankView } from '../sync/bank';

/** The water's temperature as last read today, else as the book has it, and what it means. */
export function heatNow(
  view: BankView,
  outing: Outing | null,
): { readings: Reading[]; read: Reading | null; tempC: number | null; heat: Heat } {
  const settings = view.bank?.settings;
  const readings = outing ? ofOuting(view.log, outing.id).readings : [];
  const read = lastReading(readings, 'waterTempC');
  const tempC = read?.waterTempC ?? settings?.waterTempC ?? null;
  const heat = heatAt(tempC, {
    school: settings?.methods.heat ?? 'kinder',
    species: settings?.species ?? 'brown',
    legalC: settings?.legalLimitC ?? null,
  });
  return { readings, read, tempC, heat };
}

/** The beat whose water one is in: of today's last try, else the one taken along last; null: none. */
export function beatNow(view: BankView, outing: Outing | null): string | null {
  const tries = outing ? ofOuting(view.log, outing.id).tries : [];
  const last = [...tries].sort((a, b) => b.openedMs - a.openedMs).find((t) => t.beatId !== null);
  const packs = [...view.packs].sort((a, b) => b.takenMs - a.takenMs);
  return last?.beatId ?? packs[0]?.beatId ?? null;
}
