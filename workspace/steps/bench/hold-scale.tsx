'use client';

import {
  fight,
  fishDragN,
  fitTires,
  jointsOf,
  kindSeconds,
  rodPull,
  thrustN,
  tippetHolds,
  TIRES_S,
  weakestJoint,
  type FoughtFish,
} from '../../../core/rig/index';
import { ASSUMED_TEMP_C, standing } from '../../../core/log/index';
import { heatLimitC } from '../../../core/day/index';
import { formatFishLength, formatLength, formatPull, formatSpeed } from '../../../core/units/index';
import { jointPlace } from '../../../words/rig-words';
import type { WorkspaceState } from '../../state/state';
import { rigOf, targetOf, tempOf } from '../../state/selectors';
import { usePart } from '../../context';
import { valueOf } from '../../state/answer';
import panel from '../../../ui/panel.module.css';
import drawn from '../../../drawing/marks.module.css';
import css from './bench.module.css';

/** Everything that a fight hangs on, from what is on the plan. */
function foughtFrom(s: WorkspaceState) {
  const target = targetOf(s);
  const plan = rigOf(s);
  const joint = weakestJoint(jointsOf(plan, s.settings.tackle.box));
  const told = valueOf(s, 'bench')?.answer;
  if (!target || !joint || !told || 'kind' in told) return null;
  const { species, methods, legalLimitC: legalC } = s.settings;
  const waterTempC = tempOf(s);
  const fish = { species, totalLengthCm: target.totalLengthCm, waterTempC };
  const wayM = s.stand
    ? Math.max(1, Math.hypot(s.stand.xM - target.xM, s.stand.yM - target.yM) - 1)
    : 6;
  const section = plan.parts[joint.section];
  const tippet = {
    diameterMm: section?.part === 'section' ? (section.endDiameterMm ?? section.diameterMm) : 0.15,
    lengthM: 3,
  };
  const tiresS = fitTires(foughtFish(s));
  return {
    fish,
    tiresS,
    joint,
    wayM,
    speedMps: told.surfaceMps,
    straight: fight({ fish, rod: plan.rod, speedMps: told.surfaceMps, wayM, tiresS }),
    side: fight({
      fish,
      rod: plan.rod,
      speedMps: told.surfaceMps,
      wayM,
      sideRad: Math.PI / 3,
      tiresS,
    }),
    holds: tippetHolds(joint, plan.rod, fish, tippet),
    kindS: kindSeconds(waterTempC, heatLimitC({ school: methods.heat, species, legalC })),
  };
}

/** Every landed fish of the log whose fight was timed. */
function foughtFish(s: WorkspaceState): FoughtFish[] {
  const { workingN } = rodPull(rigOf(s).rod);
  return s.tries.flatMap((t) => {
    const { target, water, cast } = t.snapshot;
    return standing(t).flatMap(({ event: e, means }) => {
      if (means.ends !== 'landed' || !e.foughtS || !e.lengthCm) return [];
      const species = e.species ?? t.snapshot.rated.species ?? s.settings.species;
      const fish = {
        species,
        totalLengthCm: e.lengthCm,
        waterTempC: water.tempC ?? ASSUMED_TEMP_C,
      };
      const leftN = workingN - fishDragN(e.lengthCm, target?.surfaceSpeedMps ?? 0.5);
      const wayM =
        cast && target ? Math.hypot(cast.stand.xM - target.xM, cast.stand.yM - target.yM) : 6;
      return leftN > 0 ? [{ seconds: e.foughtS, wayM, thrustN: thrustN(fish), leftN }] : [];
    });
  });
}

const HOLD_WORDS = {
  enough: 'It holds, with the rod bent.',
  'only-bent': 'It holds on a bent rod; pointed at the fish, a run breaks it.',
  'too-fine': 'Too fine for this fish and rod: a run breaks it.',
} as const;

/** Will it hold: what the fish pulls and what each joint bears, on one scale; and how long it takes. */
export function HoldScale({ width }: { width: number }) {
  const units = usePart((s) => s.settings.units);
  const plan = usePart(rigOf);
  const tackle = usePart((s) => s.settings.tackle);
  const f = usePart(foughtFrom, same);
  const follow = usePart((s) => valueOf(s, 'followDown'));
  if (!f || width < 60) return null;
  const joints = jointsOf(plan, tackle.box);
  const most = Math.max(...joints.map((j) => j.strengthN), f.holds.jerkN) * 1.05;
  const x = (n: number) => 14 + ((width - 40) * n) / most;
  const { workingN } = rodPull(plan.rod);
  const isStraight = f.straight.seconds !== null;
  const seconds = f.straight.seconds ?? f.side.seconds;
  const isLong = seconds !== null && seconds.best > f.kindS;
  return (
    <section className={css.hold} aria-label="Will it hold?">
      <h3>Will it hold?</h3>
      <p>
        {formatFishLength(f.fish.totalLengthCm, units)} in {formatSpeed(f.speedMps, units)}: the rod
        pulls {formatPull(workingN, units)}, a run {formatPull(f.holds.jerkN, units)}. The rig
        breaks at {formatPull(f.holds.strengthN, units)}, at {jointPlace(f.joint, plan, tackle)}.{' '}
        <strong>{HOLD_WORDS[f.holds.kind]}</strong>
      </p>
      <svg width={width} height={54} aria-hidden="true">
        <path d={`M${x(0)},34H${x(most)}`} className={css.axis} />
        <rect
          x={x(workingN)}
          y={24}
          width={Math.max(3, x(f.holds.jerkN) - x(workingN))}
          height={10}
          fill="var(--rule)"
        />
        <text
          x={x(workingN)}
          y={18}
          className={`${drawn.furniture} ${drawn.small} ${css.fishText}`}
        >
          it pulls
        </text>
        {joints.map((j, i) => (
          <path
            key={i}
            d={`M${x(j.strengthN)},${j === f.joint ? 18 : 26}V38`}
            className={Math.abs(j.strengthN - f.joint.strengthN) < 1e-6 ? css.knotWeak : css.axis}
          />
        ))}
        <text
          x={x(f.joint.strengthN) + 5}
          y={18}
          className={`${drawn.furniture} ${drawn.small} ${drawn.strong}`}
        >
          weakest {formatPull(f.joint.strengthN, units)}
        </text>
        {[0, 0.25, 0.5, 0.75, 1].map((q) => (
          <text
            key={q}
            x={x(q * most)}
            y={50}
            textAnchor="middle"
            className={`${drawn.furniture} ${drawn.small}`}
          >
            {formatPull(q * most, units)}
          </text>
        ))}
      </svg>
      <p>
        {seconds
          ? `${isStraight ? 'To your feet' : 'Straight up it cannot be brought: led across from the side'} in ${Math.round(seconds.low)} to ${Math.round(seconds.high)} s, kind up to ${Math.round(f.kindS)} s in this water.`
          : 'It cannot be brought up here.'}
        {isLong || !seconds
          ? ' Heavier tippet or rod, slack water to land it in, or leave it.'
          : ''}
        {(isLong || !isStraight) && follow
          ? follow.to
            ? ` Follow it down ${formatLength(follow.to.downM, units)} to slack water: ${Math.round(follow.to.seconds)} s on foot, ${follow.to.wadedM > 0.3 ? `${formatLength(follow.to.wadedM, units)} of it wading` : 'no wading'}. Never step deeper after a fish.`
            : ' No slack water below can be reached on foot.'
          : ''}
      </p>
      <p className={panel.second}>
        Fish tire in {Math.round(f.tiresS.low)} to {Math.round(f.tiresS.high)} s,{' '}
        {f.tiresS.low === TIRES_S.low ? 'our guess' : 'by your own log'}; strengths are middling,
        makers differ by a fifth. What your spool says wins: type it at the section.
      </p>
    </section>
  );
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
