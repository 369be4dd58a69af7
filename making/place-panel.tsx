'use client';

import type { GeographicAnchor } from '../core/formats/index';
import { Button } from '../ui/parts';
import { PlainField } from './fields';

export interface BeatPlace {
  bearingDeg: number;
  anchor?: GeographicAnchor;
  altitudeM?: number;
  timeZone?: string;
}

/** Where the beat lies: for the sun and the oxygen. None of it is needed to read the water. */
export function PlacePanel({
  place,
  onChange,
}: {
  place: BeatPlace;
  onChange: (place: Partial<BeatPlace>) => void;
}) {
  const anchor = place.anchor ?? { lat: 0, lon: 0 };
  const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <details className="behind">
      <summary>Where it lies (for the sun; not needed for the water)</summary>
      <div className="pair">
        <PlainField
          label="Bearing up-current"
          unit="° from true north"
          value={place.bearingDeg}
          range={{ min: 0, max: 360 }}
          digits={0}
          onKeep={(bearingDeg) => onChange({ bearingDeg })}
        />
        <PlainField
          label="Altitude"
          unit="m"
          value={place.altitudeM ?? 0}
          range={{ min: -400, max: 6000 }}
          digits={0}
          onKeep={(altitudeM) => onChange({ altitudeM })}
        />
        <PlainField
          label="Latitude"
          unit="°, north positive"
          value={place.anchor ? anchor.lat : NaN}
          range={{ min: -89, max: 89 }}
          digits={5}
          onKeep={(lat) =>
            onChange({ anchor: { ...anchor, lat }, timeZone: place.timeZone ?? zone() })
          }
        />
        <PlainField
          label="Longitude"
          unit="°, east positive"
          value={place.anchor ? anchor.lon : NaN}
          range={{ min: -180, max: 180 }}
          digits={5}
          onKeep={(lon) =>
            onChange({ anchor: { ...anchor, lon }, timeZone: place.timeZone ?? zone() })
          }
        />
      </div>
      {place.timeZone && <p>Hours are those of {place.timeZone}.</p>}
      {!place.anchor && (
        <Button onClick={() => onChange({ timeZone: zone() })}>
          Use this device&apos;s time zone
        </Button>
      )}
    </details>
  );
}
