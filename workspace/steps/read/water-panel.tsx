'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import {
  kernelHere,
  misfits,
  thalweg,
  type CalibrationResult,
  type WaterSummary,
} from '../../../core/water/index';
import {
  depthWord,
  formatDepth,
  formatDischarge,
  formatLength,
  formatSpeed,
  paceWord,
  type UnitSystem,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { later } from '../../../ui/later';
import { Check } from '../../../ui/check';
import { Disclosure } from '../../../ui/disclosure';
import { ProgressBar } from '../../../ui/progress-bar';
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

const ToldLine = later(() => import('./told-line').then((m) => m.ToldLine));

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

/** Measured against solved, place by place; and the fit of roughness and discharge to it. */
export function CalibrationPanel() {
  const { beat, engine } = useWorkspace();
  const reader = useActions(createReadActions);
  const flow = usePart((s) => s.flow);
  const level = usePart((s) => s.level);
  const sharp = usePart((s) => s.sharp);
  const units = usePart((s) => s.settings.units);
  const [progress, setProgress] = useState<number | null>(null);
  const [result, setResult] = useState<CalibrationResult | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { plan } = beat;
  const atSurvey = level === plan.surveyedLevel;
  if (!flow) return null;
  const fit = async () => {
    setProgress(0);
    const fitted = await engine.calibrate(setProgress).catch((e: unknown) => setProblem(String(e)));
    setProgress(null);
    if (fitted) setResult(fitted);
  };
  const keep = async () => {
    if (!result?.ok) return;
    const said = await reader.keepCalibration(result.calibration, result.dischargeM3s);
    setProblem(said);
    if (!said) window.location.reload();
  };
  return (
    <section>
      <p className={panel.second}>
        {plan.calibration
          ? `Calibrated to ${plan.calibration.points} measured places: bed ${plan.calibration.roughness.toFixed(2)} times as rough as the book says; depths off by ${formatDepth(plan.calibration.depthRmsM, units)}, speeds by ${formatSpeed(plan.calibration.speedRmsMps, units)} (root mean square).`
          : 'Uncalibrated: pace is good to about ±10 %, more where the bed is guessed.'}{' '}
        Solved at {formatLength(flow.cellM, units, 1)}
        {kernelHere() !== 'wasm' && ', slowly: this browser has no fast arithmetic'}.
      </p>
      <ToldLine />
      {sharp === 'possible' && (
        <Button onClick={() => engine.sharpen()}>Sharpen to {formatLength(0.1, units, 1)}</Button>
      )}
      {sharp === 'no' && (
        <p className={panel.second}>
          Too large to be sharpened: wakes of rocks under {formatLength(1, units, 0)} are not solved
          here.
        </p>
      )}
      {atSurvey && (
        <Disclosure title="Measured and solved, place by place">
          <MisfitList />
          {progress === null ? (
            <Button onClick={() => void fit()}>Calibrate to the measured speeds</Button>
          ) : (
            <Box role="status">
              Fitting roughness and discharge: {Math.round(100 * progress)} %.
              <ProgressBar share={progress} label="Calibrating" />
            </Box>
          )}
          {result && !result.ok && (
            <p role="alert">
              {result.reason === 'too few speeds'
                ? `Only ${result.speeds} speeds were taken; ${result.needed} are needed. Take them on a section with a float or a meter and put them into the survey.`
                : 'The water did not settle: look at the depths and the fall of the survey first.'}
            </p>
          )}
          {result?.ok && (
            <div role="status">
              <p>
                Fits best at {formatDischarge(result.dischargeM3s, units)} and{' '}
                {result.calibration.roughness.toFixed(2)} times the roughness; speeds then miss by{' '}
                {formatSpeed(result.calibration.speedRmsMps, units)}, before by{' '}
                {formatSpeed(result.beforeSpeedRmsMps, units)}.
                {result.atLimit &&
                  ' That roughness is at the end of what a bed can be: look at the fall first.'}
              </p>
              <Button voice="solid" onClick={() => void keep()}>
                Keep it and solve again
              </Button>
            </div>
          )}
          {problem && (
            <p role="alert" className={panel.problem}>
              {problem}
            </p>
          )}
        </Disclosure>
      )}
    </section>
  );
}

const MOST_ROWS = 40;

function MisfitList() {
  const { beat } = useWorkspace();
  const flow = usePart((s) => s.flow)!;
  const units = usePart((s) => s.settings.units);
  const all = misfits(beat.plan, flow).sort((a, b) => a.xM - b.xM);
  const withSpeed = all.filter((m) => m.takenMps !== null);
  const shown = (withSpeed.length > 0 ? withSpeed : all).slice(0, MOST_ROWS);
  return (
    <PlainTable>
      <thead>
        <tr>
          <th scope="col">x, y</th>
          <th scope="col">taken</th>
          <th scope="col">solved</th>
        </tr>
      </thead>
      <tbody>
        {shown.map((m, i) => (
          <tr key={i}>
            <th scope="row">
              {m.xM.toFixed(1)}, {m.yM.toFixed(1)}
            </th>
            <td>
              {formatDepth(m.takenDepthM, units)}
              {m.takenMps !== null && `, ${formatSpeed(m.takenMps, units)}`}
            </td>
            <td>
              {formatDepth(m.solvedDepthM, units)}
              {m.solvedMps !== null && `, ${formatSpeed(m.solvedMps, units)}`}
            </td>
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}
