'use client';

import { useState } from 'react';
import {
  RIG_LIMITS,
  STUFFS,
  type Part,
  type RigRefusal,
  type Section,
  type Stuff,
} from '../../../core/rig/index';
import {
  convert,
  formatLength,
  lengthUnit,
  parseFigure,
  parseLengthM,
  type UnitSystem,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { FigureField } from '../../../ui/figure-field';
import { Select } from '../../../ui/select';
import { flyWords, partWords, refusalWords } from '../../../words/rig-words';
import { useActions, usePart } from '../../context';
import { rigOf } from '../../state/selectors';
import { createBenchActions } from './bench-actions';
import panel from '../../../ui/panel.module.css';
import css from './bench.module.css';

const plain = (m: number, units: UnitSystem) => formatLength(m, units, 2).replace(/ (m|ft)$/, '');

/** The rig as a list from the line down; each part is changed in place, and what cannot be is said there. */
export function RigEditor() {
  const plan = usePart(rigOf);
  const tackle = usePart((s) => s.settings.tackle);
  const units = usePart((s) => s.settings.units);
  const bench = useActions(createBenchActions);
  const [problem, setProblem] = useState<{ index: number; words: string } | null>(null);
  const told = (index: number, refused: RigRefusal | null) =>
    setProblem(refused && { index, words: refusalWords(refused, units) });
  const keep = (index: number, part: Part) => told(index, bench.changePart(index, part));
  const isOwn = tackle.rigs.some((r) => r.id === plan.id);
  return (
    <div>
      <ol className={css.parts}>
        {plan.parts.map((part, index) => {
          const [name, more] = partWords(part, tackle, units);
          return (
            <li key={`${plan.id} ${index}`}>
              <p>
                <strong>{name}</strong> {more}
              </p>
              {part.part === 'section' && (
                <SectionFields
                  part={part}
                  index={index}
                  units={units}
                  onKeep={(p) => keep(index, p)}
                />
              )}
              {part.part === 'float' && (
                <FigureField
                  id={`float-${index}`}
                  label="Float to the lowest fly"
                  unit={lengthUnit(units)}
                  value={plain(part.hungM, units)}
                  parse={(t) =>
                    parseLengthM(t, units, { what: 'Float to the lowest fly', min: 0, max: 20 })
                  }
                  onKeep={(hungM) => keep(index, { ...part, hungM })}
                />
              )}
              {part.part === 'shot' && (
                <Button
                  onClick={() =>
                    told(
                      index,
                      bench.change({ ...plan, parts: plan.parts.filter((p) => p !== part) }),
                    )
                  }
                >
                  Take it off
                </Button>
              )}
              {part.part === 'fly' && (
                <label className={panel.stack}>
                  Fly
                  <Select
                    value={part.flyId}
                    onChange={(e) => keep(index, { ...part, flyId: e.target.value })}
                  >
                    {tackle.box.map((f) => (
                      <option key={f.id} value={f.id}>
                        {flyWords(f)} ({f.left} left)
                      </option>
                    ))}
                  </Select>
                </label>
              )}
              {problem?.index === index && (
                <p role="alert" className={panel.problem}>
                  {problem.words}
                </p>
              )}
            </li>
          );
        })}
      </ol>
      {isOwn && (
        <Button voice="plain" onClick={() => bench.throwAway(plan.id)}>
          Throw this rig away
        </Button>
      )}
      <p className={panel.second}>
        {isOwn ? 'Your own rig.' : 'A change makes a rig of your own of it; the usual one stays.'}
      </p>
    </div>
  );
}

function SectionFields({
  part,
  index,
  units,
  onKeep,
}: {
  part: Section;
  index: number;
  units: UnitSystem;
  onKeep: (part: Section) => void;
}) {
  const { mm } = RIG_LIMITS;
  const millimetres = (what: string) => (t: string) =>
    parseFigure(t, { what, unit: 'mm', min: mm.min, max: mm.max });
  const pullUnit = units === 'us' ? 'lb' : 'kg';
  const pull = (n: number) => (units === 'us' ? convert.kgToLb(n / 9.81) : n / 9.81);
  return (
    <div className={panel.fields}>
      <FigureField
        id={`length-${index}`}
        label="Length"
        unit={lengthUnit(units)}
        value={plain(part.lengthM, units)}
        parse={(t) =>
          parseLengthM(t, units, { what: 'Length', min: 0, max: RIG_LIMITS.lengthM.max })
        }
        onKeep={(lengthM) => onKeep({ ...part, lengthM })}
      />
      <FigureField
        id={`thick-${index}`}
        label="Thick"
        unit="mm"
        value={part.diameterMm.toFixed(2)}
        parse={millimetres('Thickness')}
        onKeep={(diameterMm) => onKeep({ ...part, diameterMm })}
      />
      {part.endDiameterMm !== undefined && (
        <FigureField
          id={`thin-${index}`}
          label="Thin end"
          unit="mm"
          value={part.endDiameterMm.toFixed(2)}
          parse={millimetres('The thin end')}
          onKeep={(endDiameterMm) => onKeep({ ...part, endDiameterMm })}
        />
      )}
      <FigureField
        id={`strength-${index}`}
        label="Spool says"
        unit={pullUnit}
        value={part.strengthN === undefined ? '' : pull(part.strengthN).toFixed(1)}
        parse={(t) => parseFigure(t, { what: 'Strength', unit: pullUnit, min: 0.1, max: 40 })}
        onKeep={(v) =>
          onKeep({ ...part, strengthN: (units === 'us' ? v / convert.kgToLb(1) : v) * 9.81 })
        }
      />
      <label className={panel.stack}>
        Material
        <Select
          value={part.stuff}
          onChange={(e) => onKeep({ ...part, stuff: e.target.value as Stuff })}
        >
          {STUFFS.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </Select>
      </label>
    </div>
  );
}
