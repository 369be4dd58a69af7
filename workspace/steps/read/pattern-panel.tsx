'use client';

import { formatDepth, formatSpeed, type UnitSystem } from '../../../core/units/index';
import type { DepthPattern, Spread } from '../../../core/log/index';
import { usePart } from '../../context';
import { useDepthPattern } from './depth-pattern';

/** Where fish are being found today, from what was tried and what drew blank. */
export function PatternPanel() {
  const pattern = useDepthPattern();
  const units = usePart((s) => s.settings.units);
  if (!pattern) return null;
  return (
    <section>
      <h3>Where they are today</h3>
      <PatternWords pattern={pattern} units={units} />
    </section>
  );
}

function PatternWords({ pattern, units }: { pattern: DepthPattern; units: UnitSystem }) {
  const counted = `${pattern.found} found, ${pattern.blank} drawn blank`;
  if (pattern.kind === 'too few')
    return (
      <p>
        {counted}. No pattern yet: it takes {pattern.needs} fish found.
      </p>
    );
  const band = (s: Spread, text: (v: number) => string) =>
    `${text(s.best)} (between ${text(s.low)} and ${text(s.high)})`;
  return (
    <p>
      {counted}. Depth {band(pattern.depthM, (v) => formatDepth(v, units))}; pace{' '}
      {band(pattern.meanSpeedMps, (v) => formatSpeed(v, units))}, the mean of the water. Lies in the
      list that fit say so.
    </p>
  );
}
