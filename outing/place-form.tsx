'use client';

import { useState } from 'react';
import { PLACE } from '../core/places/index';
import { PLACE_WATERS, type KeptRead, type PlaceAt, type ReadPlace } from '../core/log/index';
import { formatLength, lengthUnit, parseLengthM, type UnitSystem } from '../core/units/index';
import { Button } from '../ui/button';
import { FigureField } from '../ui/figure-field';
import { roughPosition, WATER_WORDS } from '../words/place-words';
import { Chips } from './chips';
import css from './outing.module.css';

const COUNTS = [1, 2, 3, 4, 6, 8];
const GPS_MS = 15_000;
const WALK_M = { what: 'From the place before', min: 0, max: 20_000 };

/** A read told as a place: what water, how many such lies, how far on, a photograph. Each press is kept. */
export function PlaceForm({
  read,
  place,
  beforeId,
  units,
  onPlace,
  onPhoto,
}: {
  read: KeptRead;
  place: ReadPlace;
  /** The place before this one; null: this is the first. */
  beforeId: string | null;
  units: UnitSystem;
  onPlace: (place: ReadPlace) => void;
  onPhoto: (file: Blob) => Promise<string | null>;
}) {
  const [said, setSaid] = useState<string | null>(null);
  const set = (change: Partial<ReadPlace>) => onPlace({ ...place, ...change });
  const byPhone = () => {
    setSaid('Asking the phone where it is.');
    if (!navigator.geolocation) {
      setSaid('This phone does not tell where it is. Say paces from the place before.');
      return;
    }
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const at: PlaceAt = {
          by: 'phone',
          lat: coords.latitude,
          lon: coords.longitude,
          accuracyM: Math.round(coords.accuracy),
        };
        const rough = at.accuracyM > PLACE.mostAccuracyM;
        // What was paced is better than a phone that hardly knows.
        if (!rough || place.at === null) set({ at });
        setSaid(
          rough
            ? roughPosition(at.accuracyM, PLACE.mostAccuracyM, units)
            : `Set by the phone, to ${formatLength(at.accuracyM, units, 0)}.`,
        );
      },
      () => setSaid('The phone would not say where it is. Say paces from the place before.'),
      { enableHighAccuracy: true, timeout: GPS_MS, maximumAge: 0 },
    );
  };
  return (
    <section aria-label="This place">
      <Chips
        label="What water it is"
        all={PLACE_WATERS}
        is={place.water}
        words={(w) => WATER_WORDS[w]}
        onPick={(water) => set({ water })}
      />
      <Chips
        label="How many such lies"
        all={COUNTS}
        is={place.count}
        words={(n) => (n === 1 ? 'one lie' : String(n))}
        onPick={(count) => set({ count })}
      />
      <div className={css.laid}>
        {beforeId !== null && (
          <FigureField
            id={`on-${read.id}`}
            label="From the place before"
            unit={lengthUnit(units)}
            value={
              place.at && place.at.by !== 'phone'
                ? formatLength(place.at.metres, units, 0).replace(/ .*/, '')
                : ''
            }
            parse={(text) => parseLengthM(text, units, WALK_M)}
            onKeep={(metres) => {
              set({ at: { by: 'paces', afterId: beforeId, metres } });
              setSaid(`${formatLength(metres, units, 0)} on, kept.`);
            }}
          />
        )}
        <Button aria-pressed={place.at?.by === 'phone'} onClick={byPhone}>
          Where the phone is
        </Button>
        <label className={css.photo}>
          {place.photoId ? 'Photographed. Another: ' : 'Photograph: '}
          <input
            type="file"
            accept="image/*"
            capture="environment"
            onChange={async (e) => {
              const file = e.target.files?.[0];
              if (!file) return;
              const photoId = await onPhoto(file);
              if (photoId) set({ photoId });
              else setSaid('The photograph was not kept on this phone.');
            }}
          />
        </label>
      </div>
      {said && (
        <p role="status" className={css.laid}>
          {said}
        </p>
      )}
    </section>
  );
}
