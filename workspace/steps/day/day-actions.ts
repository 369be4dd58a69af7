import {
  msOfHour,
  simulatedInstruments,
  simulatedWeather,
  type HandStay,
  type HatchKind,
} from '../../../core/day/index';
import {
  NO_BEAT_FACTS,
  NO_DATE_FACTS,
  NO_STREAM_FACTS,
  readingSaying,
  wayId,
  type BeatFacts,
  type DateFacts,
  type DayFacts,
  type FactKind,
  type Reading,
  type StreamFacts,
} from '../../../core/log/index';
import { TYPED_READING, type DayBook } from '../../../core/outing/index';
import { atHour, zoneOffsetMin } from '../../../core/units/index';
import { changes } from '../../../sync/client';
import { fetchDayBook, takeBeatAlong } from '../../../sync/day-client';
import { clientId } from '../../../sync/client-id';
import { createPlanActions } from '../../plan-actions';
import type { ActionContext } from '../../action-context';
import { outingAt } from '../../records/outing-now';
import { valueOf } from '../../state/answer';

const HOUR_MS = 3_600_000;
/** Between two looks at a beat that is worked out, ms. */
const LOOK_MS = 700;

/** What is told of a day; each shows at once, is kept, and the day is planned anew from it. */
export function createDayActions(context: ActionContext) {
  const { store, beat, queue } = context;
  const plan = createPlanActions(context);
  const book = (): DayBook | null => store.getState().dayBook;

  /** Puts what was told of one thing in place of what was told before. */
  function tell<K extends FactKind>(kind: K, id: string, fact: DayFacts[K][string]): void {
    const now = book();
    if (!now) return;
    const facts = { ...now.facts, [kind]: { ...now.facts[kind], [id]: fact } };
    store.setState({ dayBook: { ...now, facts } });
    void queue.post(
      changes.putFact(kind, id, fact, now.facts[kind][id] as typeof fact | undefined),
    );
  }
  const dateTold = () => {
    const now = book();
    return (now && now.facts.dates[now.date]) ?? NO_DATE_FACTS;
  };
  const tellDate = (change: Partial<DateFacts>) => {
    const now = book();
    if (now) tell('dates', now.date, { ...dateTold(), ...change });
  };

  /** Keeps readings of the water with the outing of their day; they move the curves at once. */
  function keepReadings(
    siteId: string,
    told: readonly (Pick<Reading, 'takenMs' | 'waterTempC'> & Partial<Reading>)[],
  ): void {
    const now = book();
    if (!now) return;
    const begun = new Set<string>();
    const kept = told.map((t): Reading => {
      const outing = outingAt(context, t.takenMs);
      if (!begun.has(outing.id)) void queue.post(changes.putOuting(outing));
      begun.add(outing.id);
      return readingSaying({
        id: clientId(),
        outingId: outing.id,
        beatId: siteId,
        zoneOffsetMin: zoneOffsetMin(t.takenMs, outing.timeZone),
        ...t,
      });
    });
    for (const reading of kept) void queue.post(changes.putReading(reading));
    const temps = kept.flatMap((r) =>
      r.waterTempC === null ? [] : [{ id: r.id, siteId, atMs: r.takenMs, tempC: r.waterTempC }],
    );
    store.setState({ dayBook: { ...now, readings: [...now.readings, ...temps] } });
  }

  /** The stays as they stand, to be moved by hand. */
  const staysNow = (): HandStay[] => {
    const plan = valueOf(store.getState(), 'day');
    const pinned = dateTold().byHand ?? [];
    return (plan?.stays ?? []).map(
      (s) =>
        pinned.find((p) => p.siteId === s.siteId) ?? {
          siteId: s.siteId,
          arriveH: null,
          leaveH: null,
        },
    );
  };

  return {
    tellDate,
    tellBeat: (id: string, change: Partial<BeatFacts>) =>
      tell('beats', id, { ...(book()?.facts.beats[id] ?? NO_BEAT_FACTS), ...change }),
    tellStream: (id: string, change: Partial<StreamFacts>) =>
      tell('streams', id, { ...(book()?.facts.streams[id] ?? NO_STREAM_FACTS), ...change }),
    tellWay: (a: string, b: string, minutes: number) => tell('ways', wayId(a, b), { minutes }),
    show: (siteId: string | null) => store.setState({ dayShown: siteId }),

    /** One reading, typed: at an hour of the date on screen. */
    read: (siteId: string, waterTempC: number, h: number) => {
      const now = book();
      if (now) keepReadings(siteId, [{ takenMs: msOfHour(h, now.noonMs), waterTempC }]);
    },
    takeLines: (
      siteId: string,
      lines: readonly { takenMs: number; waterTempC: number | null; levelM: number | null }[],
    ) =>
      keepReadings(
        siteId,
        lines.map((l) => ({ ...l, source: 'logger' as const })),
      ),
    /** The stand-in for a logger, up to now: invented, and kept as such. How many lines were new. */
    takeSimulated(siteId: string): number {
      const now = book();
      if (!now) return 0;
      const midnight = atHour(now.noonMs, 0, now.timeZone ?? undefined);
      const known = new Set(now.readings.filter((r) => r.siteId === siteId).map((r) => r.atMs));
      const until = Math.min(now.nowMs, midnight + 24 * HOUR_MS);
      const fresh = simulatedInstruments(midnight, until).filter((l) => !known.has(l.takenMs));
      keepReadings(
        siteId,
        fresh.map((l) => ({ ...l, source: 'gauge' as const, note: 'simulated' })),
      );
      return fresh.length;
    },
    dropReading(id: string): void {
      const now = book();
      if (!now) return;
      if (id === TYPED_READING) {
        const nothing = { waterTempC: null, waterTempAt: null };
        plan.changeSettings(nothing);
        return;
      }
      store.setState({ dayBook: { ...now, readings: now.readings.filter((r) => r.id !== id) } });
      void queue.post(changes.dropReading(id));
    },
    /** The stand-in for a forecast: invented, and said so where shown. */
    takeSimulatedWeather(seasonC: number): void {
      const now = book();
      if (!now) return;
      const { thunder, ...weather } = simulatedWeather(now.noonMs - 12 * HOUR_MS, seasonC);
      tellDate({
        ...weather,
        airAtM: null,
        thunder: thunder && { fromMin: 60 * thunder.fromH, toMin: 60 * thunder.toH },
        weather: 'simulated',
      });
    },
    /** Seen on the water at the hour on screen; pressed again it is taken back. */
    seeHatch(kind: HatchKind, h: number): void {
      const { seen } = dateTold();
      const without = seen.filter((x) => x.kind !== kind);
      tellDate({ seen: without.length < seen.length ? without : [...seen, { kind, h }] });
    },
    /** A stay moved: those that were not keep the hours that are best in this order. */
    moveStay(siteId: string, change: Partial<Pick<HandStay, 'arriveH' | 'leaveH'>>): void {
      tellDate({
        byHand: staysNow().map((s) => (s.siteId === siteId ? { ...s, ...change } : s)),
      });
    },
    /** The order as these sites stand, hours as are best. */
    setOrder: (siteIds: readonly string[]) =>
      tellDate({ byHand: siteIds.map((siteId) => ({ siteId, arriveH: null, leaveH: null })) }),
    asIsBest: () => tellDate({ byHand: null }),
    /** The colour that a level proposes, as the water's. */
    takeColour(turbidityNtu: number): void {
      plan.changeSettings({ turbidityNtu });
    },

    /** Works out the routes of beats that have none yet, one after another; their looks replace the guess. */
    async workOut(siteIds: readonly string[]): Promise<void> {
      for (const id of siteIds) {
        const name = book()?.sites.find((s) => s.id === id)?.name ?? id;
        store.setState({ dayWorking: { name, share: 0 } });
        for (;;) {
          const reply = await takeBeatAlong(id);
          if (!store.getState().dayWorking) return;
          if (!reply.ok) {
            store.setState((s) => ({
              dayWorking: null,
              notices: [...s.notices, `${name} could not be worked out: ${reply.message}`],
            }));
            return;
          }
          if (reply.value.state === 'done') break;
          store.setState({ dayWorking: { name, share: reply.value.progress } });
          await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
        }
      }
      store.setState({ dayWorking: null });
      await refresh();
    },
    stopWorking: () => store.setState({ dayWorking: null }),
  };

  /** The book's day anew, for what the server alone knows. */
  async function refresh(): Promise<void> {
    const now = book();
    if (!now) return;
    const reply = await fetchDayBook(now.date, beat.plan.timeZone);
    if (reply.ok) store.setState({ dayBook: reply.value });
  }
}
