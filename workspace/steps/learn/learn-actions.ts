import type { BookRecord } from '../../../core/learn/index';
import type { PriorName } from '../../../core/log/index';
import { fetchLearned, fetchTriesBehind, putBack, refit } from '../../../sync/learn-client';
import type { ActionContext } from '../../action-context';

/** What is asked of the record. */
export function createLearnActions({ store, beat }: ActionContext) {
  let asked = 0;
  const kept = (record: BookRecord) => {
    const { learned, settings } = store.getState();
    store.setState({
      learned: learned && { ...learned, record },
      learnProblem: null,
      // What is reckoned from now on goes by it: every answer that reads the settings is asked anew.
      settings: { ...settings, priors: record.priors },
    });
  };
  const working = async (run: () => ReturnType<typeof refit>) => {
    store.setState({ learnWorking: true });
    const reply = await run();
    store.setState({ learnWorking: false });
    if (reply.ok) kept(reply.value);
    else store.setState({ learnProblem: reply.message });
  };
  return {
    /** Counts the tries of the book anew; the newest question is the one that is shown. */
    async count(
      of = store.getState().learnOf,
      year: number | null = store.getState().learnYear,
    ): Promise<void> {
      const mine = ++asked;
      store.setState({ learnOf: of, learnYear: year });
      const reply = await fetchLearned(of, beat.id, year);
      if (mine !== asked) return;
      if (reply.ok) store.setState({ learned: reply.value, learnProblem: null });
      else store.setState({ learnProblem: reply.message });
    },
    look: (id: string | null) => store.setState({ learnShown: id }),
    /** Works the record out from every try up to now. */
    refit: () => working(refit),
    /** Takes corrections out of the reckoning, or puts them back. */
    takeBack: (names: readonly PriorName[], back: boolean) => working(() => putBack(names, back)),
    triesBehind: fetchTriesBehind,
  };
}
