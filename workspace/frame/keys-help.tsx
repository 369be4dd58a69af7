'use client';

import { formatLength, type UnitSystem } from '../../core/units/index';
import { KEY_STEP_M, KEY_STRIDE_M } from '../../drawing/use-drag';
import { Dialog } from '../../ui/dialog';
import { usePart } from '../context';
import css from './frame.module.css';

/** What the keys do, for the help; the first group is bound here, the rest where it acts. */
const groupsOf = (
  units: UnitSystem,
): readonly (readonly [title: string, keys: readonly (readonly [string, string])[]])[] => [
  [
    'Anywhere',
    [
      ['1 to 7', 'Go to a step: Day, Read, Spot, Stalk, Cast, Log, Learn'],
      ['b', 'Go to the Bench'],
      ['Ctrl Z, Ctrl Shift Z', 'Take back, and bring again'],
      ['?', 'This help'],
    ],
  ],
  [
    'On the plan',
    [
      ['Tab', 'From mark to mark: fish, stand, landing, waypoints'],
      [
        'Arrow keys',
        `Move the mark by ${formatLength(KEY_STEP_M, units)}; with Shift by ${formatLength(KEY_STRIDE_M, units)}`,
      ],
      ['Escape', 'Gives a drag back'],
      ['Enter', 'Takes what has the focus'],
    ],
  ],
  [
    'In figures and rows',
    [
      ['Enter, Escape', 'Keep a figure; give it back'],
      ['Arrow keys', 'Through choices, tabs, hours, a chart'],
      ['Home, End, Page up, Page down', 'First and last hour; an hour on or back'],
    ],
  ],
];

/** What the keys do. */
export function KeysHelp({ onClose }: { onClose: () => void }) {
  const units = usePart((s) => s.settings.units);
  return (
    <Dialog title="Keys" open onClose={onClose}>
      {groupsOf(units).map(([title, keys]) => (
        <section key={title} className={css.keys}>
          <h3>{title}</h3>
          <dl>
            {keys.map(([key, does]) => (
              <div key={key}>
                <dt>{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Dialog>
  );
}
