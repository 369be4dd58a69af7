import {
  CHANGED,
  LOSS_CAUSES,
  meaningOf,
  MISS_CAUSES,
  MISSED_SIZES,
  type TryEvent,
  type TryState,
} from '../core/log/index';
import { CHANGED_WORDS, LOSS_WORDS, MISS_WORDS, SIZE_WORDS } from '../words/try-words';

export interface Cell {
  word: string;
  detail: Partial<TryEvent>;
  pressed: boolean;
}

/** What may be said of the last event: why it was missed or lost, how large it was, what was changed. */
export function rowOf(
  state: TryState,
  last: TryEvent | null,
): { label: string; cells: Cell[] } | null {
  if (!last || state === 'hooked') return null;
  const means = meaningOf(last.code);
  if (means.answer === 'missed')
    return {
      label: 'Why it was missed, and how large it was',
      cells: [
        ...MISS_CAUSES.map((missed) => ({
          word: MISS_WORDS[missed],
          detail: { missed },
          pressed: last.missed === missed,
        })),
        ...MISSED_SIZES.map((missedSize) => ({
          word: SIZE_WORDS[missedSize],
          detail: { missedSize },
          pressed: last.missedSize === missedSize,
        })),
      ],
    };
  if (means.ends === 'lost')
    return {
      label: 'Why it was lost',
      cells: LOSS_CAUSES.map((lost) => ({
        word: LOSS_WORDS[lost],
        detail: { lost },
        pressed: last.lost === lost,
      })),
    };
  if (means.move === 'changed')
    return {
      label: 'What was changed',
      cells: CHANGED.map((changed) => ({
        word: CHANGED_WORDS[changed],
        detail: { changed },
        pressed: last.changed === changed,
      })),
    };
  return null;
}
