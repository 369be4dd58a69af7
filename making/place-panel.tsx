'use client';

import { halfPlace, type GeographicAnchor } from '../core/formats/index';
import { Button } from '../ui/button';
import { Disclosure } from '../ui/disclosure';
import { PlainField } from './fields';
import css from './making.module.css';
import panel from '../ui/panel.module.css';

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
  // One of the two may be typed first: until the other is, the beat is not kept, and says why.
  const anchor = place.anchor ?? { lat: NaN, lon: NaN };
  const half = halfPlace(place.anchor);
  const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <Disclosure title="Where it lies (for the sun; not needed for the water)">
      <div className={css.pair}>
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
          value={anchor.lat ?? NaN}
          range={{ min: -89, max: 89 }}
          digits={5}
          onKeep={(lat) =>
            onChange({ anchor: { ...anchor, lat }, timeZone: place.timeZone ?? zone() })
          }
        />
        <PlainField
          label="Longitude"
          unit="°, east positive"
          value={anchor.lon ?? NaN}
          range={{ min: -180, max: 180 }}
          digits={5}
          onKeep={(lon) =>
            onChange({ anchor: { ...anchor, lon }, timeZone: place.timeZone ?? zone() })
          }
        />
      </div>
      {half && (
        <p role="alert" className={panel.problem}>
          {half}
        </p>
      )}
      {place.timeZone && <p>Hours are those of {place.timeZone}.</p>}
      {!place.anchor && (
        <Button onClick={() => onChange({ timeZone: zone() })}>
          Use this device&apos;s time zone
        </Button>
      )}
    </Disclosure>
  );
}
