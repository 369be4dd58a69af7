'use client';

import { useState } from 'react';
import type { Place } from '../../core/grid/index';
import type { UnitSystem } from '../../core/units/index';
import { api } from '../../sync/api';
import { clientId } from '../../sync/client-id';
import { Button } from '../../ui/button';
import { Disclosure } from '../../ui/disclosure';
import { LengthField, PlainField } from '../fields';
import type { PhotoUnderlay } from './survey-draft';
import panel from '../../ui/panel.module.css';
import { FileDrop } from '../../ui/file-drop';

/** A photograph is laid out this long until it is scaled, m. */
const FIRST_LENGTH_M = 40;

/** The user's own photograph under the plan, scaled by two known points. Kept in the book, re-encoded. */
export function PhotoPanel({
  photo,
  lengthM,
  units,
  scaling,
  onScale,
  onChange,
}: {
  photo: PhotoUnderlay | null;
  lengthM: number;
  units: UnitSystem;
  /** The two points tapped so far; null when not scaling. */
  scaling: Place[] | null;
  onScale: (points: Place[] | null) => void;
  onChange: (photo: PhotoUnderlay | null) => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [distanceM, setDistanceM] = useState(5);
  const choose = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setProblem(null);
    const id = clientId();
    const reply = await api.savePhoto(id, file);
    setBusy(false);
    if (!reply.ok) {
      setProblem(reply.message);
      return;
    }
    const { width, height } = reply.value;
    onChange({
      photoId: id,
      widthPx: width,
      heightPx: height,
      mPerPx: Math.max(FIRST_LENGTH_M, lengthM) / width,
      turnDeg: 0,
      middle: { xM: lengthM / 2, yM: 0 },
    });
  };
  return (
    <Disclosure title="Trace over a photograph" open={photo !== null || scaling !== null}>
      {!photo && (
        <FileDrop
          label="Your own photograph, from above or from a bridge; it stays in this book"
          accept="image/*"
          disabled={busy}
          onFile={(file) => void choose(file)}
        />
      )}
      {busy && (
        <p role="status">Taking the photograph in: made smaller, and rid of place and camera.</p>
      )}
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
      {photo && !scaling && (
        <>
          <PlainField
            label="Turned"
            unit="°, until the flow runs from right to left"
            value={photo.turnDeg}
            range={{ min: -180, max: 180 }}
            digits={0}
            onKeep={(turnDeg) => onChange({ ...photo, turnDeg })}
          />
          <p className={panel.row}>
            <Button onClick={() => onScale([])}>Scale it by two known points</Button>
            <Button onClick={() => onChange(null)}>Take it away</Button>
          </p>
        </>
      )}
      {photo && scaling && (
        <div role="status">
          {scaling.length < 2 ? (
            <p>
              Tap the {scaling.length === 0 ? 'first' : 'second'} of two points you measured
              between.
            </p>
          ) : (
            <>
              <LengthField
                label="Between the two points"
                valueM={distanceM}
                range={{ min: 0.2, max: 150 }}
                units={units}
                onKeep={setDistanceM}
              />
              <Button
                voice="solid"
                onClick={() => {
                  onChange(scalePhoto(photo, scaling[0]!, scaling[1]!, distanceM));
                  onScale(null);
                }}
              >
                Scale it
              </Button>
            </>
          )}
          <Button onClick={() => onScale(null)}>Give it back</Button>
        </div>
      )}
    </Disclosure>
  );
}

/** The first point stays where it is; the second comes to lie the measured distance from it. */
export function scalePhoto(
  photo: PhotoUnderlay,
  a: Place,
  b: Place,
  distanceM: number,
): PhotoUnderlay {
  const drawn = Math.hypot(b.xM - a.xM, b.yM - a.yM);
  if (drawn < 1e-6) return photo;
  const k = distanceM / drawn;
  return {
    ...photo,
    mPerPx: photo.mPerPx * k,
    middle: {
      xM: a.xM + k * (photo.middle.xM - a.xM),
      yM: a.yM + k * (photo.middle.yM - a.yM),
    },
  };
}
