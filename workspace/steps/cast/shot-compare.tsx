'use client';

import { formatLength, formatSeconds, type UnitSystem } from '../../../core/units/index';
import type { Shot } from '../../../core/cast/index';
import { usePart } from '../../context';
import { angleWords, castName } from '../../../words/cast-words';
import { layName } from '../../../words/lay-names';
import { inHundred, postureName } from '../../../words/names';
import { valueOf } from '../../state/answer';
import { PlainTable } from '../../../ui/plain-table';

const ROWS: readonly (readonly [string, (s: Shot, u: UnitSystem) => string])[] = [
  [
    'clean',
    (s) =>
      `${formatSeconds(s.cleanS.best)} (${s.cleanS.low.toFixed(1)} to ${s.cleanS.high.toFixed(1)})`,
  ],
  ['honest look', (s) => inHundred(s.chance.found)],
  ['hooked if it takes', (s) => inHundred(s.chance.hooked)],
  [
    'within reach',
    (s) => `${formatSeconds(s.facts.dwellS)}, needs ${formatSeconds(s.facts.needS)}`,
  ],
  ['seen there', (s) => inHundred(s.facts.exposure)],
  ['calm on the way', (s) => inHundred(s.facts.calm)],
  ['line off it', (s, u) => formatLength(s.facts.liningM, u)],
  ['angle', (s) => angleWords(s.facts.angleRad).split(':')[0]!],
  ['to the fly', (s, u) => formatLength(s.facts.distanceM, u)],
  ['thrown', (s) => castName(s.cast)],
  ['posture', (s) => postureName(s.posture)],
  ['wading', (s) => (s.facts.wade === 0 ? 'none' : s.facts.wade === 1 ? 'easy' : 'with care')],
  ['walk', (s) => `${Math.max(1, Math.round(s.waySeconds / 60))} min`],
];

/** Two shots side by side, figure for figure. */
export function ShotCompare() {
  const shots = usePart((s) => valueOf(s, 'shots'));
  const [a, b] = usePart((s) => s.shotsCompared);
  const units = usePart((s) => s.settings.units);
  if (shots?.kind !== 'shots' || a === undefined || b === undefined) return null;
  const two = [shots.shots[a], shots.shots[b]];
  if (!two[0] || !two[1]) return null;
  return (
    <PlainTable voice="small">
      <caption>Side by side</caption>
      <thead>
        <tr>
          <td />
          {two.map((s, i) => (
            <th key={i} scope="col">
              {(i === 0 ? a : b) + 1}. {layName(s!.lay)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ROWS.map(([name, of]) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            {two.map((s, i) => (
              <td key={i}>{of(s!, units)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}
