'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { kernelHere, misfits, type CalibrationResult } from '../../../core/water/index';
import { formatDepth, formatDischarge, formatLength, formatSpeed } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { later } from '../../../ui/later';
import { Disclosure } from '../../../ui/disclosure';
import { PlainTable } from '../../../ui/plain-table';
import { ProgressBar } from '../../../ui/progress-bar';
import { useActions, usePart, useWorkspace } from '../../context';
import { createReadActions } from './read-actions';
import panel from '../../../ui/panel.module.css';

const ToldLine = later(() => import('./told-line').then((m) => m.ToldLine));

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
        {kernelHere() !== 'wasm' && ', slowly: this browser knows no quicker way'}.
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
