'use client';

import { useSize } from '../../../drawing/use-size';
import { usePart } from '../../context';
import { isPale, rigOf, targetOf } from '../../state/selectors';
import { HoldScale } from './hold-scale';
import { LadderTable } from './ladder-table';
import { LaneOf } from './bench-panel';
import { RigDrawing } from './rig-drawing';
import css from './bench.module.css';

const RIG_PX = 288;
const LANE_PX = 330;

/** The Bench on a desk: the rig to scale, how it sinks along the lane, what helps, and whether it holds. */
export function BenchView() {
  const [ref, size] = useSize<HTMLDivElement>();
  const plan = usePart(rigOf);
  const tackle = usePart((s) => s.settings.tackle);
  const units = usePart((s) => s.settings.units);
  const target = usePart(targetOf);
  const stale = usePart((s) => isPale(s, 'bench'));
  const width = Math.max(0, size.width - RIG_PX);
  return (
    <div ref={ref} className={css.bench}>
      <section className={css.rig} aria-label="The rig, to scale">
        <h2>The rig, to scale</h2>
        <RigDrawing
          plan={plan}
          tackle={tackle}
          units={units}
          width={RIG_PX}
          height={Math.max(360, size.height - 40)}
        />
      </section>
      <div className={css.water} data-stale={stale}>
        <h2>Along its lane</h2>
        {target ? (
          <LaneOf width={width} height={LANE_PX} />
        ) : (
          <p className={css.none}>
            Choose a fish or a lie in the list: the rig is reckoned in its lane.
          </p>
        )}
        <div className={css.under}>
          <LadderTable />
          <HoldScale width={width - 24} />
        </div>
      </div>
    </div>
  );
}
