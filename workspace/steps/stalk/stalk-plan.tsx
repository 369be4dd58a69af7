'use client';

import { formatLength, formatMinutes } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { useActions, usePart, useWorkspace } from '../../context';
import { noWayText } from '../../../words/stalk-words';
import { useFishNames } from '../../use-fish-names';
import { valueOf } from '../../state/answer';
import { createStalkActions } from './stalk-actions';
import panel from '../../../ui/panel.module.css';

/** What the angler says of the way: where it starts, what it passes, what it leaves out, which bank. */
export function StalkPlanPanel() {
  const { beat } = useWorkspace();
  const stalking = useActions(createStalkActions);
  const tool = usePart((s) => s.stalkTool);
  const from = usePart((s) => s.from);
  const via = usePart((s) => s.via.length);
  const out = usePart((s) => s.out.length);
  const noEntry = !beat.plan.features.some((f) => f.kind === 'entry');
  return (
    <section>
      <h3>Your say</h3>
      <p className={panel.second}>
        {from
          ? 'It starts where you said you are.'
          : noEntry
            ? 'No entry is marked on this beat: it starts at the foot of the true left bank.'
            : 'It starts at the entry that serves it best.'}{' '}
        Drag the small square on the way to lead it elsewhere.
      </p>
      <div className={panel.row}>
        <Button
          aria-pressed={tool === 'from'}
          onClick={() => stalking.setStalkTool(tool === 'from' ? null : 'from')}
        >
          I am here
        </Button>
        {from && <Button onClick={() => stalking.startFrom(null)}>From the entry</Button>}
        <Button
          aria-pressed={tool === 'forbid'}
          onClick={() => stalking.setStalkTool(tool === 'forbid' ? null : 'forbid')}
        >
          Not there
        </Button>
        {via > 0 && <Button onClick={stalking.dropVia}>Drop the waypoints</Button>}
      </div>
      {tool && (
        <p role="status">
          <strong>
            {tool === 'forbid'
              ? 'Touch each spot the way must not pass.'
              : 'Touch the place where you are.'}
          </strong>{' '}
          <Button voice="plain" onClick={() => stalking.setStalkTool(null)}>
            Done
          </Button>
        </p>
      )}
      {out > 0 && (
        <p className={panel.second}>
          {out} {out === 1 ? 'spot is' : 'spots are'} taken out: touch one to let it be again.
        </p>
      )}
      <FarBankPanel />
    </section>
  );
}

function FarBankPanel() {
  const stalking = useActions(createStalkActions);
  const asked = usePart((s) => s.farBankAsked);
  const answer = usePart((s) => valueOf(s, 'farBank'));
  const units = usePart((s) => s.settings.units);
  const nameOf = useFishNames();
  return (
    <>
      <div className={panel.row}>
        <Button aria-pressed={asked} onClick={() => stalking.askFarBank(!asked)}>
          Come from the other bank
        </Button>
      </div>
      {asked && !answer && (
        <p className={panel.working} role="status">
          Looking for a crossing.
        </p>
      )}
      {asked && answer?.kind === 'no safe crossing' && (
        <p>
          <strong>No safe crossing on this beat by your limits.</strong> Come from that side by
          another way, or stay on this one.
        </p>
      )}
      {asked && answer?.kind === 'crossed' && (
        <p>
          Cross with {formatLength(answer.crossing.wadedM, units)} of wading, to{' '}
          {formatLength(answer.crossing.deepestM, units)} deep, in{' '}
          {formatMinutes(answer.crossing.seconds / 60)}; no promise that it is safe. From there:{' '}
          {answer.onward.kind === 'way'
            ? `${formatMinutes(answer.onward.seconds / 60)}, ${formatLength(answer.onward.lengthM, units)}${answer.onward.wadedM > 0 ? `, ${formatLength(answer.onward.wadedM, units)} of it wading` : ', no wading'}.`
            : noWayText(answer.onward, nameOf)}
        </p>
      )}
    </>
  );
}
