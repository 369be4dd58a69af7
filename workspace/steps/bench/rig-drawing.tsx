'use client';

import {
  jointsOf,
  measureRig,
  weakestJoint,
  type RigPlan,
  type Tackle,
} from '../../../core/rig/index';
import { formatLength, formatPull, type UnitSystem } from '../../../core/units/index';
import { KNOT_SHORT, partWords } from '../../../words/rig-words';
import drawn from '../../../drawing/marks.module.css';
import css from './bench.module.css';

const TOP_PX = 34;
const FOOT_PX = 30;
const LINE_X = 116;
/** A label keeps this far from the one above it, px. */
const LABEL_PX = 33;
const JOINT_PX = 30;

/** The rig from the line down to its last fly, lengths to one scale and thicknesses to another. */
export function RigDrawing({
  plan,
  tackle,
  units,
  width,
  height,
}: {
  plan: RigPlan;
  tackle: Tackle;
  units: UnitSystem;
  width: number;
  height: number;
}) {
  const m = measureRig(plan, tackle.box);
  const joints = jointsOf(plan, tackle.box);
  const weakest = weakestJoint(joints);
  const most = Math.max(0.3, m.totalM);
  const perM = (height - TOP_PX - FOOT_PX) / most;
  const perMm = Math.min(13, 7 / Math.max(0.2, plan.line?.diameterMm ?? 0.5)) * 1.4;
  const y = (atM: number) => TOP_PX + atM * perM;
  const labels = spaced(
    m.placed.map((p) => ({
      key: p.index,
      at: y(p.part.part === 'section' ? p.atM + p.part.lengthM / 2 : p.atM),
      words: partWords(p.part, tackle, units, 'short'),
      strong: p.part.part !== 'section',
    })),
    LABEL_PX,
    height - FOOT_PX - 20,
  );
  const jointLabels = spaced(
    joints.map((j, i) => ({ key: i, at: y(j.atM) - 2, words: j, strong: j === weakest })),
    JOINT_PX,
    height - FOOT_PX - 20,
  );
  const step = most > 4 ? 1 : 0.5;
  const ticks = Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
  const ratio = (perMm * 1000) / perM;
  return (
    <svg width={width} height={height} role="img" aria-label={spoken(plan, tackle, units)}>
      <g aria-hidden="true">
        {ticks.map((t) => (
          <g key={t} transform={`translate(6 ${y(t)})`}>
            <path d="M0,0H8" className={css.axis} />
            <text x={11} y={4} className={`${drawn.furniture} ${drawn.small}`}>
              {t === 0 ? '0' : formatLength(t, units, 1)}
            </text>
          </g>
        ))}
        <path d={`M6,${y(0)}V${y(most)}`} className={css.axis} />
        {plan.line && (
          <rect x={LINE_X - 7} y={6} width={14} height={TOP_PX - 10} className={css.flyLine} />
        )}
        {m.sections.map(({ part: s, atM, index }) => {
          const [a, b] = [s.diameterMm * perMm, (s.endDiameterMm ?? s.diameterMm) * perMm];
          const [from, to] = [y(atM), y(atM + s.lengthM)];
          return (
            <path
              key={index}
              d={`M${LINE_X - a / 2},${from}L${LINE_X + a / 2},${from}L${LINE_X + b / 2},${to}L${LINE_X - b / 2},${to}Z`}
              className={s.use === 'sighter' ? css.sighter : css.rigLine}
            />
          );
        })}
        {joints.map((j, i) => (
          <path
            key={i}
            d={`M${LINE_X - 7},${y(j.atM) - 3}H${LINE_X + 7}M${LINE_X - 7},${y(j.atM)}H${LINE_X + 7}M${LINE_X - 7},${y(j.atM) + 3}H${LINE_X + 7}`}
            className={j === weakest ? css.knotWeak : css.knot}
          />
        ))}
        {m.placed.map(({ part, atM, index }) =>
          part.part === 'ring' ? (
            <circle key={index} cx={LINE_X} cy={y(atM)} r={4} className={css.ring} />
          ) : part.part === 'shot' ? (
            <circle key={index} cx={LINE_X} cy={y(atM)} r={4.5} className={css.shot} />
          ) : part.part === 'float' ? (
            <path
              key={index}
              d={`M${LINE_X},${y(atM) - 13}C${LINE_X + 10},${y(atM) - 6} ${LINE_X + 10},${y(atM) + 6} ${LINE_X},${y(atM) + 13}C${LINE_X - 10},${y(atM) + 6} ${LINE_X - 10},${y(atM) - 6} ${LINE_X},${y(atM) - 13}Z`}
              className={css.float}
            />
          ) : part.part === 'fly' ? (
            <g
              key={index}
              transform={`translate(${LINE_X - (typeof part.on === 'object' ? 14 : 0)} ${y(atM) + (typeof part.on === 'object' ? 14 : 0)})`}
            >
              {typeof part.on === 'object' && <path d="M14,-14L0,0" className={css.tag} />}
              <circle r={4} className={css.bead} />
              <path d="M0,2C3,12 3,14 0,16C-4,19 -8,16 -6,12" className={css.hook} />
            </g>
          ) : null,
        )}
        {labels.map(({ key, at, words: [name, more], strong }) => (
          <g key={key} transform={`translate(${LINE_X + 18} ${at})`}>
            <text className={`${drawn.furniture} ${strong ? drawn.strong : ''} ${drawn.small}`}>
              {name}
            </text>
            <text y={14} className={`${drawn.furniture} ${drawn.small} ${css.quiet}`}>
              {more}
            </text>
          </g>
        ))}
        {jointLabels.map(({ key, at, words: j, strong }) => (
          <g key={key} transform={`translate(${LINE_X - 14} ${at})`}>
            <text
              textAnchor="end"
              className={`${drawn.furniture} ${drawn.small} ${strong ? drawn.strong : ''}`}
            >
              {strong ? 'weakest' : KNOT_SHORT[j.knot]}
            </text>
            <text
              y={14}
              textAnchor="end"
              className={`${drawn.furniture} ${drawn.small} ${strong ? drawn.strong : css.quiet}`}
            >
              {formatPull(j.strengthN, units)}
            </text>
          </g>
        ))}
        <text x={6} y={height - 8} className={`${drawn.furniture} ${drawn.small} ${css.quiet}`}>
          {formatLength(m.totalM, units, 2)}. Thickness {Math.round(ratio)} times over.
        </text>
      </g>
    </svg>
  );
}

/** Labels in order, none over another and none beyond the foot. */
function spaced<T extends { at: number }>(labels: readonly T[], apart: number, foot: number): T[] {
  const out = [...labels].sort((a, b) => a.at - b.at).map((l) => ({ ...l }));
  for (let i = 1; i < out.length; i++) out[i]!.at = Math.max(out[i]!.at, out[i - 1]!.at + apart);
  for (let i = out.length - 1; i >= 0; i--)
    out[i]!.at = Math.min(out[i]!.at, i === out.length - 1 ? foot : out[i + 1]!.at - apart);
  return out;
}

function spoken(plan: RigPlan, tackle: Tackle, units: UnitSystem): string {
  const parts = plan.parts.map((p) => partWords(p, tackle, units).filter(Boolean).join(', '));
  return `${plan.name}, from the line down: ${parts.join('; ')}.`;
}
