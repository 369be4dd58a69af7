'use client';

import { Button } from '../../../ui/button';
import { formatLength } from '../../../core/units/index';
import { useActions, usePart } from '../../context';
import { orderText } from '../../../words/stalk-words';
import { capital } from '../../../words/names';
import { useFishNames } from '../../use-fish-names';
import { valueOf } from '../../state/answer';
import { createStalkActions } from './stalk-actions';
import panel from '../../../ui/panel.module.css';

/** Which fish first, so that the others stay: the order, a stand for each, and why. */
export function OrderPanel() {
  const stalking = useActions(createStalkActions);
  const order = usePart((s) => valueOf(s, 'order'));
  const asked = usePart((s) => s.orderAsked);
  const failed = usePart((s) => s.answers.order.state === 'failed');
  const fresh = usePart((s) => s.answers.order.state === 'fresh');
  const count = usePart((s) => s.marks.filter((m) => m.behaviour !== 'gone').length);
  const units = usePart((s) => s.settings.units);
  const nameOf = useFishNames();
  if (count < 2)
    return (
      <section>
        <h3>Which fish first</h3>
        <p className={panel.second}>Mark two fish or more, and their order is worked out here.</p>
      </section>
    );
  return (
    <section>
      <h3>Which fish first</h3>
      {!asked && <Button onClick={stalking.askOrder}>Work out the order</Button>}
      {asked && !fresh && !failed && (
        <p className={panel.working} role="status">
          Weighing every order.
        </p>
      )}
      {failed && <p role="alert">The order could not be worked out.</p>}
      {asked && order && fresh && (
        <>
          <p>
            <strong>
              {order.sequence.expected.toFixed(1)} honest looks of {order.fishIds.length} fish
            </strong>{' '}
            {order.sequence.expected - order.sequence.plain.shots < 0.05
              ? 'in this order, which is the plain one: near to far.'
              : `in this order; near to far would give ${order.sequence.plain.shots.toFixed(1)}.`}
          </p>
          <ol className={panel.legs}>
            {order.sequence.order.map((i) => {
              const led = order.sequence.led[i]!;
              return (
                <li key={i}>
                  <Button voice="plain" onClick={() => stalking.applyOrder(i)}>
                    {capital(nameOf(order.fishIds[i]!))}
                  </Button>
                  <span className={panel.second}>
                    : lead it {formatLength(apart(led.from, led.to), units)}, {ledWords(led)}.
                  </span>
                </li>
              );
            })}
          </ol>
          {order.sequence.why.slice(0, 3).map((r, i) => (
            <p key={i} className={panel.second}>
              {orderText(r, nameOf)}
            </p>
          ))}
        </>
      )}
    </section>
  );
}

type Led = { from: { xM: number; yM: number }; to: { xM: number; yM: number } };
const apart = (a: Led['from'], b: Led['to']) => Math.hypot(a.xM - b.xM, a.yM - b.yM);
const ledWords = ({ from, to }: Led) =>
  `${to.xM < from.xM ? 'down' : 'up'}-current, to where the cross is drawn`;
