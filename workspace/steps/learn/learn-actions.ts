import { fetchLearned, type LearnScope } from '../../../sync/learn-client';
import type { ActionContext } from '../../action-context';

/** What is asked of the record. */
export function createLearnActions({ store, beat }: ActionContext) {
  let asked = 0;
  return {
    /** Counts the tries of the book anew; the newest question is the one that is shown. */
    async count(of: LearnScope = store.getState().learnOf): Promise<void> {
      const mine = ++asked;
      store.setState({ learnOf: of });
      const reply = await fetchLearned(of, beat.id);
      if (mine !== asked) return;
      if (reply.ok) store.setState({ learned: reply.value, learnProblem: null });
      else store.setState({ learnProblem: reply.message });
    },
    look: (id: string | null) => store.setState({ learnShown: id }),
  };
}
