'use client';

import { codesWhere, meaningOf, type EventCode, type Try } from '../core/log/index';
import { Button } from '../ui/button';
import css from './outing.module.css';

/** What the drift said of the bed: the Bench learns how the angler's flies sink. */
const BED = codesWhere((means) => means.bed !== null);

/** Whether anything on the rig of a try goes down. */
export const sinks = ({ snapshot }: Try): boolean => (snapshot.cast?.rig.fly ?? 'dry') !== 'dry';

export function BedCells({
  last,
  press,
}: {
  last: EventCode | null;
  press: (code: EventCode) => void;
}) {
  return (
    <div className={css.cells} role="group" aria-label="What the bed said">
      {BED.map((code) => (
        <Button voice="bare" key={code} aria-pressed={last === code} onClick={() => press(code)}>
          {meaningOf(code).word.toLowerCase()}
        </Button>
      ))}
    </div>
  );
}
