'use client';

import { thalweg, type WaterSummary } from '../../../core/water/index';
import {
  depthWord,
  formatDepth,
  formatDischarge,
  formatSpeed,
  paceWord,
  type UnitSystem,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Check } from '../../../ui/check';
import { Select } from '../../../ui/select';
import { useActions, usePart, useWorkspace } from '../../context';
import { paceText } from '../../../words/words';
import { type Overlay, OVERLAYS } from '../../state/slices';
import { valueOf } from '../../state/answer';
import { createReadActions } from './read-actions';
import drawn from '../../../drawing/marks.module.css';
import css from './read.module.css';
import panel from '../../../ui/panel.module.css';
import { PlainTable } from '../../../ui/plain-table';

const OVERLAY_WORDS: Record<Overlay, string> = {
  pieces: 'Pieces',
  seams: 'Seams',
  foam: 'Foam lines',
  leaves: 'Ways of leaves',
  measured: 'Measured places',
};

/** What is drawn over the water, one switch each. */
export function OverSwitches() {
  const reader = useActions(createReadActions);
  const over = usePart((s) => s.over);
  return (
    <div className={css.switches} role="group" aria-label="Over the water">
      {OVERLAYS.map((o) => (
        <Check key={o} checked={over[o]} onChange={(shown) => reader.showOver(o, shown)}>
          {OVERLAY_WORDS[o]}
        </Check>
      ))}
    </div>
  );
}

/** What the water is under the pointer, or under the probe that the arrow keys move. */
export function ProbePanel() {
  const reader = useActions(createReadActions);
  const placed = usePart((s) => s.probeAt !== null);
  const probe = usePart((s) => s.probe);
  const flow = usePart((s) => s.flow);
  const units = usePart((s) => s.settings.units);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const putDown = () => {
    const line = thalweg(flow!);
    reader.probeAt(line[line.length >> 1]!);
    requestAnimationFrame(() => document.querySelector<SVGElement>(`.${drawn.probe}`)?.focus());
  };
  return (
    <p className={css.probeWords} role="status">
      {probe ? (
        <>
          <strong>
            {formatDepth(probe.depthM, units)}, {depthWord(probe.depthM, heightM)} deep
            {probe.piece && `, ${probe.piece}`}
          </strong>
          . {capital(paceText(probe.surfaceSpeedMps, units))}
          {probe.turnedBack && ', turned back up the valley'}. Froude {probe.froude.toFixed(2)}.
        </>
      ) : (
        <>
          {placed ? 'Dry ground. ' : 'Point at the water for its depth and pace. '}
          {flow && (
            <Button voice="plain" onClick={putDown}>
              Probe with the arrow keys
            </Button>
          )}
        </>
      )}
    </p>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** How the level is known, whether the flow is calibrated, and what to compare it with. */
export function LevelPanel() {
  const { beat } = useWorkspace();
  const reader = useActions(createReadActions);
  const level = usePart((s) => s.level);
  const compare = usePart((s) => s.compareLevel);
  const reading = usePart((s) => valueOf(s, 'reading'));
  const other = usePart((s) => valueOf(s, 'otherReading'));
  const units = usePart((s) => s.settings.units);
  const known = beat.plan.levels.find((l) => l.name === level)!;
  return (
    <section>
      <p className={panel.second}>
        {level}: {formatDischarge(known.dischargeM3s, units)}, {known.how}.
      </p>
      <div>
        <label htmlFor="compare">Beside it, what changes at</label>
        <Select
          id="compare"
          value={compare ?? ''}
          onChange={(e) => reader.compareWith((e.target.value || null) as typeof compare)}
        >
          <option value="">nothing</option>
          {beat.plan.levels
            .filter((l) => l.name !== level)
            .map((l) => (
              <option key={l.name} value={l.name}>
                {l.name}, {formatDischarge(l.dischargeM3s, units)}
              </option>
            ))}
        </Select>
      </div>
      {compare && reading && other && (
        <Changes
          here={reading.summary}
          there={other.summary}
          names={[level, compare]}
          units={units}
        />
      )}
    </section>
  );
}

function Changes({
  here,
  there,
  names,
  units,
}: {
  here: WaterSummary;
  there: WaterSummary;
  names: [string, string];
  units: UnitSystem;
}) {
  const area = (m2: number) =>
    units === 'us' ? `${Math.round(m2 * 10.7639)} ft²` : `${m2.toFixed(0)} m²`;
  const rows: [string, string, string][] = [
    ['Wet', area(here.wettedM2), area(there.wettedM2)],
    ['Mean depth', formatDepth(here.meanDepthM, units), formatDepth(there.meanDepthM, units)],
    ['Deepest', formatDepth(here.deepestM, units), formatDepth(there.deepestM, units)],
    [
      'Mean pace',
      `${formatSpeed(here.meanPaceMps, units)}, ${paceWord(here.meanPaceMps)}`,
      `${formatSpeed(there.meanPaceMps, units)}, ${paceWord(there.meanPaceMps)}`,
    ],
    ['Turned back', area(here.turnedBackM2), area(there.turnedBackM2)],
    ...Object.entries(here.pieceM2)
      .filter(([kind, m2]) => m2 + there.pieceM2[kind as keyof typeof there.pieceM2] > 2)
      .map(([kind, m2]): [string, string, string] => [
        kind,
        area(m2),
        area(there.pieceM2[kind as keyof typeof there.pieceM2]),
      ]),
  ];
  return (
    <PlainTable>
      <thead>
        <tr>
          <th scope="col">What changes</th>
          <th scope="col">{names[0]}</th>
          <th scope="col">{names[1]}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([what, a, b]) => (
          <tr key={what}>
            <th scope="row">{what}</th>
            <td>{a}</td>
            <td>{b}</td>
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}
