'use client';

import { MICRO_MPS, RETRIEVE_MPS, UNKNOWN, WAKE_MPS } from '../../../core/cast/index';
import { FLY_KINDS } from '../../../core/rig/index';
import { civilHour, formatDepth, formatLength, formatSpeed } from '../../../core/units/index';
import { Button, ButtonAnchor } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { DescriptionRow, Facts } from '../../../ui/facts';
import { Disclosure } from '../../../ui/disclosure';
import { useActions, useCalmPart, usePart, useWorkspace } from '../../context';
import { formatAddress } from '../../state/address';
import { FLY_NAMES, inRods, standWords } from '../../../words/cast-words';
import { layHow } from '../../../words/lay-words';
import { inHundred, postureName } from '../../../words/names';
import { useSide } from '../../use-side';
import { PostureChoice } from '../../parts/posture-choice';
import { AfterTake } from './after-take';
import { ChanceFigures } from './chance-figures';
import { CoverPanel } from './cover-panel';
import { DriftFigures } from './drift-figures';
import { FromHere } from './from-here';
import { LayPanel } from './lay-panel';
import { Playback } from './playback';
import { ShotsPanel } from './shots-panel';
import { driftRigNow, isPale, numberOfMark, rigOf, rodMOf, targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import { createCastActions } from './cast-actions';
import { ringOf } from './riser-of';
import { createPlanActions } from '../../plan-actions';
import panel from '../../../ui/panel.module.css';

/** Where to stand, how to lay the line, how far to lead; and the drift that comes of it. */
export function CastPanel() {
  const target = usePart(targetOf);
  const hasCast = usePart((s) => s.stand !== null && s.landing !== null);
  const stale = usePart((s) => isPale(s, 'drift'));
  if (!hasCast)
    return (
      <section>
        <h2>Cast</h2>
        <p>
          Choose a fish or a lie first: on the plan or in the list. A stand and a landing place are
          then proposed, and you drag them.
        </p>
        {target && <ShotsPanel />}
      </section>
    );
  return (
    <>
      <section className={stale ? panel.stale : ''}>
        <Heading />
        <ChanceFigures />
        <DriftFigures />
        <Lengths />
        <Playback />
        <LayPanel />
      </section>
      <ShotsPanel />
      <FromHere />
      <CoverPanel />
      <AfterTake />
      <Rest />
    </>
  );
}

function Heading() {
  const { beat } = useWorkspace();
  const zone = beat.plan.timeZone;
  const sideOf = useSide();
  const target = useCalmPart(targetOf);
  const markNumber = useCalmPart((s) => (s.markId ? numberOfMark(s, s.markId) : 0));
  const stand = useCalmPart((s) => s.stand)!;
  const lay = useCalmPart((s) => s.lay);
  const units = useCalmPart((s) => s.settings.units);
  const posture = useCalmPart((s) => s.posture);
  const seen = useCalmPart(
    (s) =>
      valueOf(s, 'hours')?.[Math.max(0, Math.round((civilHour(s.atMs, zone) - 4) * 2))]?.exposure ??
      null,
  );
  return (
    <>
      <h2>
        {target ? (markNumber ? `Fish ${markNumber}` : 'The fish in the lie') : 'A cast'}, from{' '}
        {standWords(stand, target, sideOf(stand), units)}
      </h2>
      <p className={panel.second}>
        {postureName(posture)}. {layHow(lay, units)}
        {seen !== null && target ? ` Seen: ${inHundred(seen)}.` : ''}
      </p>
    </>
  );
}

/** Lead, lift point and length of the cast, in the angler's units and in rods. */
function Lengths() {
  const now = useCalmPart((s) => valueOf(s, 'drift')?.now);
  const lead = useCalmPart((s) => valueOf(s, 'castStudy')?.lead ?? null);
  const units = useCalmPart((s) => s.settings.units);
  const rodM = useCalmPart(rodMOf);
  const leaderM = useCalmPart((s) => driftRigNow(s).leaderM);
  const lineOutM = useCalmPart((s) => valueOf(s, 'drift')?.band.best.lineOutM ?? 0);
  const landing = useCalmPart((s) => s.landing)!;
  const ringX = useCalmPart((s) => ringOf(s)?.xM ?? null);
  const ringY = useCalmPart((s) => ringOf(s)?.yM ?? null);
  if (!now) return null;
  // All that is out beyond the rod at its most, what is fed in the drift too, without the leader.
  const stripM = lineOutM - leaderM;
  return (
    <>
      <Facts beside>
        <DescriptionRow name="lead">
          {now.leadM === null ? 'no fish' : formatLength(now.leadM, units)}
        </DescriptionRow>
        {ringX !== null && ringY !== null && (
          <DescriptionRow name="from its ring up to the fly">
            {formatLength(Math.hypot(landing.xM - ringX, landing.yM - ringY), units)}
          </DescriptionRow>
        )}
        <DescriptionRow name="past, then lift">
          {lead ? formatLength(lead.liftPastM, units) : ''}
        </DescriptionRow>
        <DescriptionRow name={`to the fly, ${inRods(now.distanceM, rodM)}`}>
          {formatLength(now.distanceM, units)}
        </DescriptionRow>
      </Facts>
      {stripM > 0.2 && (
        <p className={panel.second}>
          Strip off {formatLength(stripM, units)} of line beyond the rod.
        </p>
      )}
      {!now.chance && lead && now.leadM !== null && Math.abs(now.leadM - lead.leadM) > 0.25 && (
        <p className={panel.second}>
          It wants {formatLength(lead.leadM, units)} of lead: {formatLength(lead.reactionM, units)}{' '}
          to see it coming, {formatLength(lead.splashM, units)} for the splash
          {lead.driftBackM > 0 ? `, ${formatLength(lead.driftBackM, units)} it drops back` : ''}.
        </p>
      )}
    </>
  );
}

/** The rig that is cast, by name, and how deep it gets; the Bench changes it. */
function RigLine() {
  const acting = useActions(createPlanActions);
  const rig = useCalmPart(rigOf);
  const leaderM = useCalmPart((s) => driftRigNow(s).leaderM);
  const units = useCalmPart((s) => s.settings.units);
  const told = useCalmPart((s) => valueOf(s, 'bench'));
  const sunk = told && 'sunk' in told.answer ? told.answer.sunk : null;
  return (
    <>
      <p>
        <strong>{rig.name}</strong>, {formatLength(leaderM, units)} of leader
        {sunk
          ? `: ${formatDepth(sunk.depthM, units)} down at its nose, ${formatDepth(sunk.wantedM, units)} wanted.`
          : '.'}
      </p>
      <div className={panel.row}>
        <Button onClick={() => acting.go('bench')}>The Bench</Button>
      </div>
    </>
  );
}

function Rest() {
  const { beat } = useWorkspace();
  const acting = useActions(createPlanActions);
  const casting = useActions(createCastActions);
  const fly = useCalmPart((s) => s.fly);
  const units = useCalmPart((s) => s.settings.units);
  const card = useCalmPart((s) =>
    formatAddress(beat.id, s, beat.plan.timeZone).replace(/\/[a-z]+\?/, '/card?'),
  );
  return (
    <section>
      <h3>At the stand</h3>
      <PostureChoice />
      <Choice
        label="What is at the end"
        value={fly}
        options={FLY_KINDS.map((f) => [f, FLY_NAMES[f]] as const)}
        onChange={casting.setFly}
      />
      <RigLine />
      <div className={panel.row}>
        <Button voice="solid" onClick={() => acting.go('log')}>
          Log a try
        </Button>
        <ButtonAnchor voice="line" href={card}>
          The card
        </ButtonAnchor>
      </div>
      <p className={panel.second}>
        Drag the stand, the open dot where the fly lands, or the fish. Arrow keys move what is
        focused.
      </p>
      <Disclosure title="What this rests on">
        <p className={panel.second}>
          Line and leader as a chain in the solved surface current, pulled by the sag of what hangs
          from the rod; slack under the rod is taken in at {formatSpeed(RETRIEVE_MPS, units)}. Clean
          is below {formatSpeed(MICRO_MPS, units)} of drag, a wake above{' '}
          {formatSpeed(WAKE_MPS, units)}. The band takes line friction {UNKNOWN.dragRatio[0]} to{' '}
          {UNKNOWN.dragRatio[1]}, slack in the line to 5 % and the current 10 % either way. What
          hangs below is reckoned on the Bench. Flow not calibrated here.
        </p>
      </Disclosure>
    </section>
  );
}
