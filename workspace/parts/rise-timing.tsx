'use client';

import {
  overFishS,
  riseChances,
  timedCast,
  trueLie,
  windowRadiusM,
  type Riser,
} from '../../core/sight/index';
import { sampleFlow } from '../../core/water/index';
import { inHundred } from '../../words/names';
import { usePart } from '../context';
import { PlainTable } from '../../ui/plain-table';

/** How often covers meet a rise, by how many a minute, and what timing one makes of it. */
export function RiseTiming({ riser }: { riser: Riser }) {
  const flow = usePart((s) => s.flow);
  if (!flow) return null;
  const lie = trueLie(flow, riser.place);
  const sample = sampleFlow(flow, riser.place.xM, riser.place.yM, { depthM: 0, u: 0, v: 0 });
  // On dry ground no fly drifts: no chance is reckoned.
  const overS = lie && overFishS(lie.surfaceMps, windowRadiusM(0.5 * sample.depthM));
  const chances = overS === null ? [] : riseChances(overS);
  const timed = overS === null ? null : timedCast(riser, overS);
  return (
    <>
      {chances.length > 0 && (
        <PlainTable>
          <caption>The next rise finds your fly there</caption>
          <tbody>
            <tr>
              {chances.map((c) => (
                <th key={c.coversPerMin} scope="col">
                  {c.coversPerMin} a min
                </th>
              ))}
              {timed && <th scope="col">one, timed</th>}
            </tr>
            <tr>
              {chances.map((c) => (
                <td key={c.coversPerMin}>{inHundred(c.unwatched)}</td>
              ))}
              {timed && <td>{inHundred(timed.chance)}</td>}
            </tr>
          </tbody>
        </PlainTable>
      )}
      {timed && (
        <p>
          {timed.wait
            ? `Wait for one more rise: a timed cast then meets it ${inHundred(timed.afterOneMore)}.`
            : 'No need to watch another: its rhythm is known well enough.'}
        </p>
      )}
    </>
  );
}
