'use client';

import { Keyboard } from 'lucide-react';
import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { formatLength, type UnitSystem } from '../../core/units/index';
import { KEY_STEP_M, KEY_STRIDE_M } from '../../drawing/use-drag';
import { useActions, usePart, useWorkspace } from '../context';
import { createPlanActions } from '../plan-actions';
import { STEPS } from '../state/address';
import css from './frame.module.css';
import { STEP_ROWS } from './steps';

/** What the keys do, for the help; the first group is bound here, the rest where it acts. */
const groupsOf = (
  units: UnitSystem,
): readonly (readonly [title: string, keys: readonly (readonly [string, string])[]])[] => [
  [
    'Anywhere',
    [
      ['1 to 7', 'Go to a step: Day, Read, Spot, Stalk, Cast, Log, Learn'],
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

/** Typed into something, a key is a letter. */
const typing = (event: KeyboardEvent) =>
  (event.target as HTMLElement).closest('input:not([type=radio]), textarea, select') !== null;

/** The keys of the whole page, and their help behind "?". */
export function Shortcuts() {
  const acting = useActions(createPlanActions);
  const { store } = useWorkspace();
  const open = usePart((s) => s.keysShown);
  const units = usePart((s) => s.settings.units);
  useEffect(() => {
    const steps = Object.fromEntries(
      STEPS.map((step, i) => [
        String(i + 1),
        (event: KeyboardEvent) => {
          if (typing(event) || STEP_ROWS[step].panel === null) return;
          event.preventDefault();
          acting.go(step);
        },
      ]),
    );
    const help = (event: KeyboardEvent) => {
      if (!typing(event)) store.setState({ keysShown: true });
    };
    return tinykeys(window, { ...steps, 'Shift+?': help, '?': help });
  }, [acting, store]);
  return (
    <Dialog title="Keys" open={open} onClose={() => store.setState({ keysShown: false })}>
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

/** Opens the help by a press. */
export function ShortcutsKey() {
  const { store } = useWorkspace();
  return (
    <Button voice="icon" aria-label="Keys" onClick={() => store.setState({ keysShown: true })}>
      <Keyboard size={18} aria-hidden="true" />
    </Button>
  );
}
