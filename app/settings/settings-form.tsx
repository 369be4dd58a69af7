'use client';

import { useState } from 'react';
import {
  convert,
  formatLength,
  formatTemp,
  parseFigure,
  parseLengthM,
  parseTempC,
  tempUnit,
} from '@/core/units/index';
import { SETTING_RANGE, type Settings } from '@/core/log/index';
import { Choice } from '@/ui/choice';
import { FigureField } from '@/ui/figure-field';
import { TextArea } from '@/ui/input';
import { useChangeSettings } from '@/sync/queries';
import { NoticingRows } from './noticing-rows';
import { Row } from './row';
import { METHOD_ROWS } from './settings-table';
import panel from '../../ui/panel.module.css';
import css from '../start.module.css';
import { RadioCards } from '@/ui/radio-cards';

/** Every setting with its default and the reason for it; kept at once. */
export function SettingsForm({ kept, defaults }: { kept: Settings; defaults: Settings }) {
  const [now, setNow] = useState(kept);
  const changing = useChangeSettings();
  const problem = changing.error?.message ?? null;
  const saved = changing.isSuccess ? 'Kept.' : '';
  const change = (values: Partial<Settings>) => {
    setNow((s) => ({ ...s, ...values }));
    changing.mutate({ change: values, before: now });
  };
  const { units } = now;
  const us = units === 'us';
  const weightUnit = us ? 'lb' : 'kg';
  const weight = (kg: number) => Math.round(us ? convert.kgToLb(kg) : kg);
  const length = (
    key: 'anglerHeightM' | 'maxWadeM' | 'rodM' | 'landsWithinHalfMetreToM' | 'comfortableM',
    label: string,
    why: string,
  ) => {
    const [min, max] = SETTING_RANGE[key];
    return (
      <Row
        why={why}
        changed={now[key] !== defaults[key]}
        back={`Back to ${formatLength(defaults[key], units, 2)}`}
        onBack={() => void change({ [key]: defaults[key] })}
      >
        <FigureField
          id={key}
          label={label}
          unit={units === 'us' ? 'ft' : 'm'}
          value={formatLength(now[key], units, 2).replace(/ (m|ft)$/, '')}
          parse={(text) => parseLengthM(text, units, { what: label, min, max })}
          onKeep={(m) => void change({ [key]: m })}
        />
      </Row>
    );
  };
  return (
    <div>
      <p role="status">{saved}</p>
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
      <h2>Units</h2>
      <Row
        why="Metric is what surveys and gauges mostly speak; typed feet and inches are understood either way."
        changed={units !== defaults.units}
        back="Back to metric"
        onBack={() => void change({ units: defaults.units })}
      >
        <Choice
          label="Units"
          value={units}
          options={[
            ['metric', 'metric'],
            ['us', 'feet, °F'],
          ]}
          onChange={(u) => void change({ units: u })}
        />
      </Row>
      <h2>Your body</h2>
      {length(
        'anglerHeightM',
        'Height',
        'Depth in body words, how far you are seen, and how deep you may wade follow from it. 1.75 m is a middling adult.',
      )}
      <Row
        why="With the height, how much moving water you can stand against. 78 kg is a middling adult."
        changed={now.anglerMassKg !== defaults.anglerMassKg}
        back={`Back to ${weight(defaults.anglerMassKg)} ${weightUnit}`}
        onBack={() => void change({ anglerMassKg: defaults.anglerMassKg })}
      >
        <FigureField
          id="anglerMassKg"
          label="Weight"
          unit={weightUnit}
          value={String(weight(now.anglerMassKg))}
          parse={(text) =>
            parseFigure(text, {
              what: 'Weight',
              unit: weightUnit,
              min: weight(SETTING_RANGE.anglerMassKg[0]),
              max: weight(SETTING_RANGE.anglerMassKg[1]),
            })
          }
          onKeep={(w) => void change({ anglerMassKg: us ? w / convert.kgToLb(1) : w })}
        />
      </Row>
      <h2>Your limits</h2>
      {length(
        'maxWadeM',
        'Deepest you wade',
        'Never deeper, whatever else allows it. 0.7 m is mid-thigh: above it most people float sooner than they think.',
      )}
      <h2>Your tackle</h2>
      {length(
        'rodM',
        'Rod',
        'How far the tip reaches over the water. 2.4 m is usual on small streams.',
      )}
      <Row
        why="Which shoulder the back cast passes. Most people's."
        changed={now.rodHand !== defaults.rodHand}
        back="Back to right"
        onBack={() => void change({ rodHand: defaults.rodHand })}
      >
        <Choice
          label="Rod hand"
          value={now.rodHand}
          options={[
            ['right', 'right hand'],
            ['left', 'left hand'],
          ]}
          onChange={(rodHand) => void change({ rodHand })}
        />
      </Row>
      {length(
        'landsWithinHalfMetreToM',
        'You land within half a metre up to',
        'Beyond it no stand is looked for but a little. 12 m is a practised hand on a calm day; kneeling, wind and a lay that is hard to throw take some of it off.',
      )}
      {length(
        'comfortableM',
        'Your comfortable cast',
        'Up to here a longer cast is no worse than a shorter one. Later learned from Practice and your log; 8 m until then.',
      )}
      <h2>Solving the water</h2>
      <Row
        why="Small rocks have honest wakes only at 10 cm; it takes a minute or two in the background."
        changed={now.sharpen !== defaults.sharpen}
        back="Back to by itself"
        onBack={() => void change({ sharpen: defaults.sharpen })}
      >
        <Choice
          label="Sharpen small beats to 10 cm"
          value={now.sharpen}
          options={[
            ['by-itself', 'by itself'],
            ['when-asked', 'when asked'],
          ]}
          onChange={(sharpen) => void change({ sharpen })}
        />
      </Row>
      <Row
        why="A phone is spared the work and its battery; a laptop does it itself."
        changed={now.solveOn !== defaults.solveOn}
        back="Back to where it suits"
        onBack={() => void change({ solveOn: defaults.solveOn })}
      >
        <Choice
          label="Where water is solved"
          value={now.solveOn}
          options={[
            ['best', 'where it suits'],
            ['device', 'on this device'],
            ['server', 'on the machine that serves it'],
          ]}
          onChange={(solveOn) => void change({ solveOn })}
        />
      </Row>
      <NoticingRows now={now.noticing} defaults={defaults.noticing} change={change} />
      <h2>Keeping fish</h2>
      <Row
        why="How many you may take home in a day where your local rules allow it; the log counts against it. 0: all go back. Local rules decide, not this figure."
        changed={now.keepLimit !== defaults.keepLimit}
        back="Back to all back"
        onBack={() => void change({ keepLimit: defaults.keepLimit })}
      >
        <FigureField
          id="keepLimit"
          label="Fish you may keep in a day"
          unit=""
          value={String(now.keepLimit)}
          parse={(text) => {
            const [min, max, unit] = SETTING_RANGE.keepLimit;
            const read = parseFigure(text, { what: 'Fish you may keep', min, max, unit });
            return read.ok ? { ok: true, value: Math.round(read.value) } : read;
          }}
          onKeep={(keepLimit) => void change({ keepLimit })}
        />
      </Row>
      <h2>Your local notes</h2>
      <Row
        why="Rules, closures, seasons and warnings of your waters, in your words. They stand beside the cautions of every way; the program knows none of them by itself."
        changed={now.localNotes !== ''}
        back="Clear them"
        onBack={() => void change({ localNotes: '' })}
      >
        <label className={panel.stack}>
          Your local notes
          <TextArea
            className={css.notesField}
            rows={4}
            maxLength={2000}
            defaultValue={now.localNotes}
            key={now.localNotes}
            onBlur={(e) => {
              if (e.target.value !== now.localNotes) void change({ localNotes: e.target.value });
            }}
          />
        </label>
      </Row>
      <h2>Methods</h2>
      <p>Where good anglers differ. Each choice acts at once in the steps it speaks of.</p>
      {METHOD_ROWS.map((row) => (
        <Row
          key={row.key}
          why={row.why}
          changed={now.methods[row.key] !== defaults.methods[row.key]}
          back="Back to the default"
          onBack={() =>
            void change({ methods: { ...now.methods, [row.key]: defaults.methods[row.key] } })
          }
        >
          <RadioCards
            label={row.question}
            value={now.methods[row.key]}
            options={row.schools.map(([value, word, suits]) => [
              value as string,
              word,
              `${suits}${value === defaults.methods[row.key] ? ' (default)' : ''}`,
            ])}
            onChange={(value) =>
              change({ methods: { ...now.methods, [row.key]: value } as Settings['methods'] })
            }
          />
        </Row>
      ))}
      {now.methods.heat === 'legal' && (
        <Row
          why="What your own water's rules say; never above what no advice is given from."
          changed={now.legalLimitC !== null}
          back="None entered: the kinder limit"
          onBack={() => void change({ legalLimitC: null })}
        >
          <FigureField
            id="legalLimitC"
            label="Legal limit of your water"
            unit={tempUnit(units)}
            value={
              now.legalLimitC === null
                ? ''
                : formatTemp(now.legalLimitC, units).replace(/ \S+$/, '')
            }
            parse={(text) => parseTempC(text, units)}
            onKeep={(c) => void change({ legalLimitC: Math.round(100 * c) / 100 })}
          />
        </Row>
      )}
    </div>
  );
}
