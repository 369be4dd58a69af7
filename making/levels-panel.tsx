'use client';

import { useState } from 'react';
import {
  featuresOf,
  LEVEL_NAMES,
  type BeatPlan,
  type Level,
  type LevelName,
} from '../core/formats/index';
import {
  dischargeByFloat,
  dischargeFromStage,
  dischargeMidSection,
  HYDRAULIC_GEOMETRY,
  type SectionDischarge,
} from '../core/water/index';
import { formatDischarge, type UnitSystem } from '../core/units/index';
import { Button } from '../ui/button';
import { Disclosure } from '../ui/disclosure';
import { DischargeField, LengthField, PickField, PlainField } from './fields';
import css from './making.module.css';

type Way = 'typed' | 'section' | 'float' | 'stage';
const WAYS = [
  ['typed', 'from a gauge, typed'],
  ['section', 'from a taped section with speeds'],
  ['float', 'by a float over a section'],
  ['stage', 'from the surveyed level, by width or depth'],
] as const;

/** Discharge of each level and how it is known. Levels that nobody knows are guessed, and marked so. */
export function LevelsPanel({
  levels,
  surveyed,
  plan,
  units,
  onChange,
}: {
  levels: readonly Level[];
  /** Discharge of the surveyed level; null while it cannot be told. */
  surveyed: Level | null;
  plan: BeatPlan | null;
  units: UnitSystem;
  onChange: (levels: Level[]) => void;
}) {
  const [open, setOpen] = useState<LevelName | null>(null);
  const known = (name: LevelName) =>
    name === surveyed?.name ? surveyed : levels.find((l) => l.name === name);
  const keep = (level: Level) =>
    onChange([...levels.filter((l) => l.name !== level.name), level].sort(byName));
  return (
    <div>
      <Disclosure title="Levels and how they are known">
        <ul>
          {LEVEL_NAMES.map((name) => {
            const level = known(name);
            return (
              <li key={name}>
                <strong>{name}</strong>{' '}
                {level
                  ? `${formatDischarge(level.dischargeM3s, units)}, ${level.how}`
                  : 'guessed from the surveyed level'}{' '}
                <Button
                  voice="plain"
                  aria-expanded={open === name}
                  onClick={() => setOpen(open === name ? null : name)}
                >
                  {open === name ? 'Close' : `Say ${name}`}
                </Button>
                {open === name && (
                  <SayLevel
                    key={name}
                    name={name}
                    level={level}
                    surveyed={surveyed}
                    plan={plan}
                    units={units}
                    onKeep={(l) => {
                      keep(l);
                      setOpen(null);
                    }}
                  />
                )}
              </li>
            );
          })}
        </ul>
      </Disclosure>
    </div>
  );
}

const byName = (a: Level, b: Level) => LEVEL_NAMES.indexOf(a.name) - LEVEL_NAMES.indexOf(b.name);

function SayLevel({
  name,
  level,
  surveyed,
  plan,
  units,
  onKeep,
}: {
  name: LevelName;
  level: Level | undefined;
  surveyed: Level | null;
  plan: BeatPlan | null;
  units: UnitSystem;
  onKeep: (level: Level) => void;
}) {
  const [way, setWay] = useState<Way>('typed');
  const [m3s, setM3s] = useState(level?.dischargeM3s ?? surveyed?.dischargeM3s ?? 1);
  const [distanceM, setDistanceM] = useState(5);
  const [seconds, setSeconds] = useState(8);
  const [measure, setMeasure] = useState<'width' | 'depth'>('depth');
  const [then, setThen] = useState(0.4);
  const [now, setNow] = useState(0.3);
  const sections = plan ? sectionsOf(plan) : [];
  const [at, setAt] = useState(0);
  const section = sections[Math.min(at, sections.length - 1)];
  const answer = workOut();

  function workOut(): { m3s: number; how: string; warning?: string } | string {
    if (way === 'typed') return { m3s, how: 'typed from a gauge' };
    if (way === 'stage') {
      if (!surveyed || surveyed.name === name)
        return 'The surveyed level itself cannot be worked out from itself.';
      return {
        m3s: dischargeFromStage(surveyed.dischargeM3s, measure, then, now),
        how: `hydraulic geometry, ${measure} ${then} to ${now} m (exponent ${HYDRAULIC_GEOMETRY[measure]})`,
      };
    }
    if (!section) return 'No section has been taped yet: draw one with the Section tool first.';
    if (way === 'float')
      return {
        m3s: dischargeByFloat({ distanceM, seconds, areaM2: section.q.areaM2 }),
        how: `float ${distanceM} m in ${seconds} s over the section at x ${section.xM.toFixed(0)}, coefficient 0.85`,
      };
    if (!section.hasSpeeds) return 'That section has no speeds. Choose another, or use a float.';
    return {
      m3s: section.q.dischargeM3s,
      how: `mid-section method at x ${section.xM.toFixed(0)}, largest panel ${Math.round(100 * section.q.largestShare)} %`,
      ...(section.q.quality !== 'good' && { warning: panelWarning(section.q) }),
    };
  }

  return (
    <div className={css.sayLevel}>
      <PickField label="Known" value={way} options={WAYS} onChange={setWay} />
      {way === 'typed' && (
        <DischargeField
          label={`Discharge at ${name}`}
          valueM3s={m3s}
          units={units}
          onKeep={setM3s}
        />
      )}
      {(way === 'section' || way === 'float') && sections.length > 0 && (
        <PickField
          label="Section"
          value={String(at)}
          options={sections.map((s, i) => [String(i), `at x ${s.xM.toFixed(1)} m`] as const)}
          onChange={(v) => setAt(Number(v))}
        />
      )}
      {way === 'float' && (
        <div className={css.pair}>
          <LengthField
            label="A leaf goes"
            valueM={distanceM}
            range={{ min: 0.5, max: 50 }}
            units={units}
            onKeep={setDistanceM}
          />
          <PlainField
            label="in"
            unit="s"
            value={seconds}
            range={{ min: 0.5, max: 600 }}
            onKeep={setSeconds}
          />
        </div>
      )}
      {way === 'stage' && (
        <>
          <PickField
            label="Read at one place"
            value={measure}
            options={[
              ['depth', 'mean depth'],
              ['width', 'width'],
            ]}
            onChange={setMeasure}
          />
          <div className={css.pair}>
            <LengthField
              label="When surveyed"
              valueM={then}
              range={{ min: 0.02, max: 60 }}
              units={units}
              onKeep={setThen}
            />
            <LengthField
              label={`At ${name}`}
              valueM={now}
              range={{ min: 0.02, max: 60 }}
              units={units}
              onKeep={setNow}
            />
          </div>
        </>
      )}
      <p role="status">
        {typeof answer === 'string' ? answer : `${formatDischarge(answer.m3s, units)}.`}{' '}
        {typeof answer !== 'string' && answer.warning}
      </p>
      {typeof answer !== 'string' && (
        <Button
          voice="solid"
          onClick={() =>
            onKeep({ name, dischargeM3s: Number(answer.m3s.toPrecision(4)), how: answer.how })
          }
        >
          Take it for {name}
        </Button>
      )}
    </div>
  );
}

/** ISO 748: at most 5 % of the discharge in a panel, 10 % at the worst. */
export const panelWarning = (q: SectionDischarge) =>
  `One panel carries ${Math.round(100 * q.largestShare)} % of it; 5 % is good and 10 % the most (ISO 748). Take more verticals where it runs deep and quick.`;

function sectionsOf(plan: BeatPlan) {
  return featuresOf(plan, 'section')
    .filter((s) => s.stations.length >= 3)
    .map((s) => ({
      xM: s.shape.type === 'LineString' ? s.shape.line[0]!.xM : 0,
      hasSpeeds: s.stations.filter((t) => t.speedMps !== undefined).length >= 2,
      q: dischargeMidSection(s.stations.map((t) => ({ ...t, speedMps: t.speedMps ?? 0 }))),
    }));
}
