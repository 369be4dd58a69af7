import { chanceForRecord } from '../../core/outing/index';
import { priorsOf, type TrySnapshot } from '../../core/log/index';
import { answersIn } from '../../core/moves/index';
import { civilHour, toCivil } from '../../core/units/index';
import { probeFlow } from '../../core/water/index';
import { freshOf } from '../state/answer';
import type { BeatInput } from '../state/document';
import {
  driftRigNow,
  rigOf,
  homeFitOf,
  lieOf,
  markOf,
  targetOf,
  tempOf,
  tempSourceOf,
} from '../state/selectors';
import type { WorkspaceState } from '../state/state';

/** What the plan says now, for the record. Only what is fresh is said to have been predicted. */
export function snapshotNow(
  beat: BeatInput,
  s: WorkspaceState,
): Omit<TrySnapshot, 'version' | 'constantsHash'> {
  const { plan } = beat;
  const { settings } = s;
  const level = plan.levels.find((l) => l.name === s.level);
  const target = targetOf(s);
  const lie = lieOf(s);
  const water = s.flow && target ? probeFlow(s.flow, null, target.xM, target.yM) : null;
  const drift = freshOf(s, 'drift');
  const stalk = freshOf(s, 'stalk');
  const hour = civilHour(s.atMs, plan.timeZone);
  const exposure = freshOf(s, 'hours')?.reduce((a, b) =>
    Math.abs(b.hour - hour) < Math.abs(a.hour - hour) ? b : a,
  );
  const rig = driftRigNow(s);
  const priors = priorsOf(settings);
  const told = freshOf(s, 'bench')?.answer;
  const ticks = told && 'sunk' in told ? told.sunk?.ticks.ticks : undefined;
  return {
    planHash: beat.planHash,
    level: s.level,
    dischargeM3s: level?.dischargeM3s ?? null,
    hour: toCivil(s.atMs, plan.timeZone),
    water: {
      tempC: tempOf(s),
      tempSource: tempSourceOf(s),
      turbidityNtu: settings.turbidityNtu,
    },
    weather: { sky: settings.sky, windMps: settings.windMps, windFrom: settings.windFrom },
    rated: {
      species: settings.species,
      totalLengthCm: target?.totalLengthCm ?? settings.fishLengthCm,
      method: settings.methods.holding,
      homeOffset: homeFitOf(s).offset,
      homeSlope: priors.home.slope,
    },
    target: target && {
      id: target.id,
      kind: lie?.kind ?? null,
      xM: target.xM,
      yM: target.yM,
      rating: lie?.rating ?? null,
      needs: lie?.needs ?? null,
      depthM: water?.depthM ?? null,
      surfaceSpeedMps: water?.surfaceSpeedMps ?? null,
      meanSpeedMps: water?.meanSpeedMps ?? null,
      behaviour: markOf(s)?.behaviour ?? null,
    },
    cast: s.stand && {
      stand: s.stand,
      posture: s.posture,
      landing: s.landing,
      lay: s.lay,
      mend: s.mend,
      leadM: drift?.now.leadM ?? null,
      castKind: drift?.now.by ?? null,
      rig: { id: rigOf(s).id, fly: s.fly, leaderM: rig.leaderM },
    },
    predicted: {
      cleanS: drift?.band.cleanS ?? null,
      calm:
        (stalk?.kind === 'way' && stalk.calm.find((c) => c.fishId === target?.id)?.best) || null,
      exposure: exposure?.exposure ?? null,
      chance: drift?.now.chance ? chanceForRecord(drift.now.chance) : null,
      ...(ticks !== undefined && { ticks }),
      answers: answersIn(water?.meanSpeedMps ?? null, tempOf(s), priors.answer),
    },
  };
}
