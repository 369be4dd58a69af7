'use client';

import type { SketchThing } from '../../core/water/index';
import type { UnitSystem } from '../../core/units/index';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { LengthField, PlainField, TempField, WordsField } from '../fields';
import { THING_NAMES } from './sketch-words';
import css from '../making.module.css';

const SIZES: Record<string, readonly [label: string, min: number, max: number]> = {
  diameterM: ['Across', 0.1, 6],
  heightM: ['Height', 0.05, 40],
  lengthM: ['Length', 0.5, 60],
  widthM: ['Width', 0.3, 20],
  cutM: ['Cut in by', 0.05, 3],
  reachM: ['Reaches out', 0.1, 6],
  clearanceM: ['Clear of the water', 0, 5],
  offM: ['From the edge', 0, 30],
  crownM: ['Crown', 0.3, 20],
  dropM: ['Drop', 0.02, 5],
  deeperM: ['Deeper than round it', 0.05, 2],
};

/** What is asked of one thing: only what it has. */
export function ThingFields({
  thing,
  units,
  onChange,
  onRemove,
}: {
  thing: SketchThing;
  units: UnitSystem;
  onChange: (change: Partial<SketchThing>) => void;
  onRemove: () => void;
}) {
  const change = (field: string, value: unknown) =>
    onChange({ [field]: value } as Partial<SketchThing>);
  return (
    <fieldset className={css.thingFields}>
      <legend>{THING_NAMES[thing.kind]}</legend>
      <div className={css.pair}>
        {Object.entries(thing).map(([field, value]) => {
          const size = SIZES[field];
          return size ? (
            <LengthField
              key={field}
              label={size[0]}
              valueM={value as number}
              range={{ min: size[1], max: size[2] }}
              units={units}
              onKeep={(m) => change(field, m)}
            />
          ) : null;
        })}
        <PlainField
          label="Up its piece"
          unit="%"
          value={100 * thing.along}
          range={{ min: 0, max: 100 }}
          digits={0}
          onKeep={(v) => change('along', v / 100)}
        />
        {'across' in thing && (
          <PlainField
            label="From true left"
            unit="% of the width"
            value={100 * thing.across}
            range={{ min: 0, max: 100 }}
            digits={0}
            onKeep={(v) => change('across', v / 100)}
          />
        )}
        {'tempC' in thing && (
          <TempField
            label="Its water"
            valueC={thing.tempC}
            range={{ min: 0, max: 30 }}
            units={units}
            onKeep={(tempC) => change('tempC', tempC)}
          />
        )}
        {'reach' in thing && (
          <PlainField
            label="Reaches across"
            unit="% of the width"
            value={100 * thing.reach}
            range={{ min: 5, max: 100 }}
            digits={0}
            onKeep={(v) => change('reach', v / 100)}
          />
        )}
      </div>
      {'side' in thing && (
        <Choice
          label="Bank"
          value={thing.side}
          options={[
            ['left', 'true left bank'],
            ['right', 'true right bank'],
          ]}
          onChange={(side) => change('side', side)}
        />
      )}
      {'density' in thing && (
        <Choice
          label="Weed"
          value={thing.density}
          options={[
            ['sparse', 'sparse'],
            ['thick', 'thick'],
          ]}
          onChange={(density) => change('density', density)}
        />
      )}
      {'note' in thing && (
        <WordsField
          label="Note"
          value={thing.note}
          max={200}
          onKeep={(note) => change('note', note)}
        />
      )}
      <Button onClick={onRemove}>Take it out</Button>
    </fieldset>
  );
}
