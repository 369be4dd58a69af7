'use client';

import { Do } from '../../../ui/parts';
import { formatLength } from '../../../core/units/index';
import { usePart, useWorkspace } from '../../context';
import { targetsInOrder } from '../../engine/questions';
import { orderText } from '../../../words/stalk-words';
import { capital } from '../../../words/words';
import { useFishNames } from '../../use-fish-names';

/** Which fish first, so that the others stay: the order, a stand for each, and why. */
export function OrderPanel() {
  const { actions } = useWorkspace();
  const order = usePart((s) => s.order);
  const count = usePart((s) => s.marks.filter((m) => m.behaviour !== 'gone').length);
  const now = usePart((s) => JSON.stringify(targetsInOrder(s)));
  const units = usePart((s) => s.settings.units);
  const nameOf = useFishNames();
  if (count < 2)
    return (
      <section>
        <h3>Which fish first</h3>
        <p className="second">Mark two fish or more, and their order is worked out here.</p>
      </section>
    );
  const done = order !== null && order !== 'working';
  const stale = done && order.of !== now;
  return (
    <section>
      <h3>Which fish first</h3>
      {(order === null || stale) && (
        <Do onClick={actions.askOrder}>
          {stale ? 'Work the order out again' : 'Work out the order'}
        </Do>
      )}
      {order === 'working' && (
        <p className="working" role="status">
          Weighing every order.
        </p>
      )}
      {done && !stale && (
        <>
          <p>
            <strong>
              {order.sequence.shots.toFixed(1)} honest shots of {order.fishIds.length}
            </strong>{' '}
            {order.sequence.shots - order.sequence.plain.shots < 0.05
              ? 'in this order, which is the plain one: near to far.'
              : `in this order; near to far would give ${order.sequence.plain.shots.toFixed(1)}.`}
          </p>
          <ol className="legs">
            {order.sequence.order.map((i) => {
              const led = order.sequence.led[i]!;
              return (
                <li key={i}>
                  <button type="button" className="plain" onClick={() => actions.takeFromOrder(i)}>
                    {capital(nameOf(order.fishIds[i]!))}
                  </button>
                  <span className="second">
                    : lead it {formatLength(apart(led.from, led.to), units)}, {ledWords(led)}.
                  </span>
                </li>
              );
            })}
          </ol>
          {order.sequence.why.slice(0, 3).map((r, i) => (
            <p key={i} className="second">
              {orderText(r, nameOf)}
            </p>
          ))}
          <Do onClick={actions.askOrder}>Work it out again</Do>
        </>
      )}
    </section>
  );
}

type Led = { from: { xM: number; yM: number }; to: { xM: number; yM: number } };
const apart = (a: Led['from'], b: Led['to']) => Math.hypot(a.xM - b.xM, a.yM - b.yM);
const ledWords = ({ from, to }: Led) =>
  `${to.xM < from.xM ? 'down' : 'up'}-current, to where the cross is drawn`;
