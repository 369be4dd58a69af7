import { byIdentity, spec, type AnySpec } from '../../engine/run-answers';
import type { WorkspaceState } from '../../state/state';

/** What Day asks: the whole day, of which every step takes the temperature of its hour. */
export const dayAnswers = (): AnySpec[] => [
  spec({
    name: 'day',
    water: 'none',
    question(s: WorkspaceState) {
      if (!s.dayBook) return null;
      const { methods, species, legalLimitC, waterTempC, waterTempAt } = s.settings;
      return {
        book: byIdentity(s.dayBook),
        settings: { methods, species, legalLimitC, waterTempC, waterTempAt },
        siteId: s.daySiteId,
      };
    },
    ask: (workers, { book, settings, siteId }) => workers.day.plan(book.thing, settings, siteId),
  }),
];
