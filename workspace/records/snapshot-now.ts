import { constantsMark, priorsOf, type TrySnapshot } from '../../core/log/index';
import { lieAt, snapshotOf, targetFacts } from '../../core/planning/index';
import { probeFlow } from '../../core/water/index';
import { freshOf, valueOf } from '../state/answer';
import type { BeatInput } from '../state/document';
import {
  driftRigNow,
  flyOf,
  homeFitOf,
  lieOf,
  markOf,
  rigOf,
  targetOf,
  tempOf,
  tempSourceOf,
} from '../state/selectors';
import type { WorkspaceState } from '../state/state';

/** What the plan says now, for the record. Only what is fresh is said to have been predicted. */
export function snapshotNow(beat: BeatInput, s: WorkspaceState): TrySnapshot {
  const { plan } = beat;
  const { settings } = s;
  const target = targetOf(s);
  // A fish that was marked is in a lie too.
  const lie = lieOf(s) ?? (target && lieAt(valueOf(s, 'lies')?.lies ?? [], target));
  const water = s.flow && target ? probeFlow(s.flow, null, target.xM, target.yM) : null;
  const drift = freshOf(s, 'drift');
  const way = freshOf(s, 'stalk');
  const calm =
    way?.kind === 'way' ? way.calm.find((c) => c.fishId === target?.id)?.best : undefined;
  const told = freshOf(s, 'bench')?.answer;
  return snapshotOf({
    beat: {
      planHash: beat.planHash,
      level: s.level,
      dischargeM3s: plan.levels.find((l) => l.name === s.level)?.dischargeM3s ?? null,
    },
    atMs: s.atMs,
    timeZone: plan.timeZone,
    water: { tempC: tempOf(s), source: tempSourceOf(s) },
    settings,
    homeOffset: homeFitOf(s).offset,
    fishLengthCm: target?.totalLengthCm ?? settings.fishLengthCm,
    target: target && targetFacts(target, lie, markOf(s), water),
    cast: s.stand && {
      stand: s.stand,
      posture: s.posture,
      landing: s.landing,
      lay: s.lay,
      mend: s.mend,
      leadM: drift?.now.leadM ?? null,
      castKind: drift?.now.by ?? null,
      rig: { id: rigOf(s).id, fly: flyOf(s), leaderM: driftRigNow(s).leaderM },
    },
    predicted: {
      chance: drift?.now.chance ?? null,
      cleanS: drift?.band.cleanS ?? null,
      calm: calm ?? null,
      exposure: drift?.now.exposure ?? null,
      ticks: told && 'sunk' in told ? told.sunk?.ticks.ticks : undefined,
    },
    constants: constantsMark(priorsOf(settings)),
  });
}
