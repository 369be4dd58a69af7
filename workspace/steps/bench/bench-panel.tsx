'use client';

import { useState } from 'react';
import {
  afloat,
  airLoadN,
  checkRig,
  dueFor,
  fixedReachM,
  hungMassMg,
  inReach,
  lineKgPerM,
  measureRig,
  nearestM,
  waterLoadN,
  WEED_EVERY,
} from '../../../core/rig/index';
import {
  codesWhere,
  foldTry,
  meaningOf,
  NO_PRIORS,
  openTry,
  priorsOf,
} from '../../../core/log/index';
import { flyUse } from '../../../core/outing/index';
import { formatDepth, formatLength, formatSpeed, type UnitSystem } from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Disclosure } from '../../../ui/disclosure';
import { usePhone } from '../../../ui/use-phone';
import { useSize } from '../../../drawing/use-size';
import {
  dropperWords,
  DUE_WORDS,
  loadWords,
  noteWords,
  workedWords,
} from '../../../words/rig-words';
import { useActions, usePart, useWorkspace } from '../../context';
import { openTryHere } from '../../records/tries-here';
import { isPale, numberOfMark, rigOf, targetOf } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import { createBenchActions } from './bench-actions';
import { FlyBoxList } from './fly-box-list';
import { HoldScale } from './hold-scale';
import { LadderTable } from './ladder-table';
import { LaneSection } from './lane-section';
import { RigEditor } from './rig-editor';
import { RigsThatFit } from './rigs-that-fit';
import panel from '../../../ui/panel.module.css';

/** The rig at the chosen fish: how deep, why, what the bed said, and which rigs fit. */
export function BenchPanel() {
  const phone = usePhone();
  const target = usePart(targetOf);
  if (!target)
    return (
      <>
        <section>
          <h2>Bench</h2>
          <p>Choose a fish or a lie: the rig is then reckoned in the water before it.</p>
        </section>
        <RigsThatFit />
        <Disclosure title="Change the rig">
          <RigEditor />
        </Disclosure>
      </>
    );
  return (
    <>
      <Verdict />
      {phone && <PhoneParts />}
      <RigsThatFit />
      <Disclosure title="Change the rig">
        <RigEditor />
      </Disclosure>
      <Disclosure title="The fly box">
        <FlyBoxList />
      </Disclosure>
      <RigFacts />
    </>
  );
}

/** What a desk has in the middle, a phone has under the answer. */
function PhoneParts() {
  const [ref, size] = useSize<HTMLDivElement>();
  return (
    <div ref={ref}>
      <LadderTable />
      <LaneOf width={size.width} height={260} />
      <HoldScale width={size.width} />
    </div>
  );
}

export function LaneOf({ width, height }: { width: number; height: number }) {
  const told = usePart((s) => valueOf(s, 'bench'));
  const target = usePart(targetOf);
  const units = usePart((s) => s.settings.units);
  if (!told || 'kind' in told.answer || !target || width < 50) return null;
  return (
    <LaneSection
      answer={told.answer}
      leadM={told.leadM}
      fishDepthM={target.fishDepthM}
      fishLengthCm={target.totalLengthCm}
      units={units}
      width={width}
      height={height}
    />
  );
}

function Verdict() {
  const units = usePart((s) => s.settings.units);
  const number = usePart((s) => (s.markId ? numberOfMark(s, s.markId) : 0));
  const told = usePart((s) => valueOf(s, 'bench'));
  const stale = usePart((s) => isPale(s, 'bench'));
  const windMps = usePart((s) => s.settings.windMps);
  const name = number ? `Fish ${number}` : 'The fish in the lie';
  if (!told)
    return (
      <section>
        <h2>{name}</h2>
        <p role="status">Reckoning the rig in this water.</p>
      </section>
    );
  const { answer } = told;
  if ('kind' in answer)
    return (
      <section>
        <h2>{name}</h2>
        <p>It lies on dry land at this level: choose another level or another fish.</p>
      </section>
    );
  const s = answer.sunk;
  return (
    <section className={stale ? panel.stale : ''}>
      <h2>{name}</h2>
      <p className={panel.second}>
        {formatDepth(answer.depthM, units)} deep, {formatSpeed(answer.surfaceMps, units)} at the
        surface.
      </p>
      {s ? (
        <>
          <p className={panel.large}>
            <LargeDepth m={s.depthM} units={units} />
            <span>
              <strong>down at its nose</strong>
              between {formatDepth(s.lowM, units)} and {formatDepth(s.highM, units)}
            </span>
          </p>
          <p>
            <strong>Why.</strong>{' '}
            {s.best.atS !== null
              ? `It has ${s.best.atS.toFixed(1)} s before the fish. `
              : 'It lies on the bed before the fish. '}
            It should be {formatDepth(s.wantedM, units)} down
            {s.reachedM === null
              ? ', and before the line is lifted it is not.'
              : s.reachedM > 0.02
                ? `, and gets there ${formatLength(s.reachedM, units, 2)} past it.`
                : '.'}
            {s.behindM !== null && s.topShare !== null
              ? ` It rides ${formatLength(s.behindM, units, 2)} behind what floats, which goes ${Math.round(100 * Math.min(1, s.topShare))} in 100 of the surface: one that keeps up with the foam is not fishing.`
              : ''}{' '}
            From drift to drift the eddies scatter it {formatDepth(s.scatterM, units)}.
          </p>
          <p>
            It ticks the bed in {Math.round(100 * s.ticks.ticks)} of 100 drifts and hangs in{' '}
            {Math.round(100 * s.ticks.hangs)}.
            {answer.steep ? ' Beyond the drop the fly falls by itself.' : ''}
          </p>
          <BedSaid />
        </>
      ) : (
        <p>Nothing sinks on this rig: it is fished on top.</p>
      )}
      {answer.dropper && <p>{dropperWords(answer.dropper, units)}</p>}
      {told.seen !== null && (
        <p>
          You see your own fly or float there in {Math.round(100 * told.seen)} of 100 looks
          {told.seen < 0.5
            ? ': fish it by the place of the leader, or show more: light before a dark bank, dark in glare, larger farther off.'
            : '.'}
        </p>
      )}
      <Floating hungN={answer.hungN} loadN={s ? Math.max(0, ...s.best.path.loadN) : 0} />
      <Disclosure title="Work the fly instead">
        <ul className={panel.inputs}>
          {answer.worked.map((w) => {
            const [what, more] = workedWords(w, units);
            return (
              <li key={w.kind}>
                <strong>{what}</strong>: {more}
              </li>
            );
          })}
        </ul>
        <p className={panel.second}>
          A held fly planes: to stay down it hangs short from above, or in water under{' '}
          {formatSpeed(0.2, units)}.
        </p>
      </Disclosure>
      <p className={panel.second}>
        Sink was never held against a tank; dressing, attitude and the bed between soundings are
        guesses, and the lane is a mean of the water
        {windMps > 5 ? '; in this wind drifts differ more' : ''}.
      </p>
    </section>
  );
}

/** The figure large, its unit small. */
function LargeDepth({ m, units }: { m: number; units: UnitSystem }) {
  const [figure, ...unit] = formatDepth(m, units).split(' ');
  return (
    <>
      {figure}
      <small>{unit.join(' ')}</small>
    </>
  );
}

/** What a drift can say of the bed. */
const BED = codesWhere((means) => means.bed !== null);

/** What the bed has said, and three presses for what it says now. */
function BedSaid() {
  const bench = useActions(createBenchActions);
  const told = usePart((s) => valueOf(s, 'bench'));
  const units = usePart((s) => s.settings.units);
  const { beat } = useWorkspace();
  const open = usePart((s) => openTryHere(s, beat.id));
  const ofRecord = usePart((s) => priorsOf(s.settings).sink.spread !== NO_PRIORS.sink.spread);
  const answer = told?.answer;
  if (!answer || 'kind' in answer) return null;
  const { belief } = answer;
  const share = Math.round(100 * (belief.multiplier - 1));
  const here = belief.here;
  const drifts = `${belief.drifts} ${belief.drifts === 1 ? 'drift' : 'drifts'}`;
  const from = !ofRecord
    ? drifts
    : belief.drifts === 0
      ? 'your record'
      : `your record and ${drifts} since`;
  const last = open && foldTry(open.fly, open.events).last;
  return (
    <>
      <p>
        <strong>What the bed said.</strong>{' '}
        {belief.drifts === 0 && !ofRecord
          ? 'Nothing yet on this beat: say what the drift did, and the reckoning learns your flies.'
          : `From ${from} your flies sink ${share === 0 ? 'as reckoned' : `${Math.abs(share)} in 100 ${share < 0 ? 'slower' : 'quicker'} than reckoned`}, give or take ${Math.round(100 * belief.lnMSpread)} in 100.`}
        {here && here.drifts > 0
          ? ` The bed here lies ${formatDepth(Math.abs(here.shiftM), units)} ${here.shiftM > 0 ? 'lower' : 'higher'} than drawn, give or take ${formatDepth(here.spreadM, units)}.`
          : ''}
      </p>
      {here && isSure(here) && <KeepBed depthM={answer.depthM} shiftM={here.shiftM} />}
      <div className={panel.row}>
        {BED.map((code) => (
          <Button key={code} onClick={() => bench.felt(code)}>
            {meaningOf(code).word}
          </Button>
        ))}
        {open && last && (
          <Button voice="plain" onClick={() => bench.takeBack(open.id)}>
            Take the last back
          </Button>
        )}
      </div>
    </>
  );
}

/** Drifts of one place from which on its bed may be set by the fly. */
const SURE_DRIFTS = 8;
const isSure = (here: { shiftM: number; spreadM: number; drifts: number }) =>
  here.drifts >= SURE_DRIFTS && Math.abs(here.shiftM) > here.spreadM;

/** The bed as the fly felt it, kept as a sounding once the angler says so. */
function KeepBed({ depthM, shiftM }: { depthM: number; shiftM: number }) {
  const { beat } = useWorkspace();
  const bench = useActions(createBenchActions);
  const level = usePart((s) => s.level);
  const units = usePart((s) => s.settings.units);
  const [said, setSaid] = useState<string | null>(null);
  if (level !== beat.plan.surveyedLevel)
    return (
      <p className={panel.second}>
        Soundings are kept at {beat.plan.surveyedLevel}: choose that level to set the bed by the
        fly.
      </p>
    );
  return (
    <>
      <Button
        onClick={async () => {
          const problem = await bench.keepSounding(depthM, shiftM);
          if (problem) setSaid(problem);
          else window.location.reload();
        }}
      >
        Keep {formatDepth(depthM + shiftM, units)} here as a sounding by the fly
      </Button>
      {said && (
        <p role="alert" className={panel.problem}>
          {said}
        </p>
      )}
    </>
  );
}

/** Whether what floats holds what hangs, and for how long. */
function Floating({ hungN, loadN }: { hungN: number; loadN: number }) {
  const plan = usePart(rigOf);
  const tackle = usePart((s) => s.settings.tackle);
  const covers = usePart((s) => flyNow(s).casts);
  const fish = usePart((s) => flyNow(s).fish);
  const first = plan.parts.find((p) => p.part === 'fly');
  const fly = first && tackle.box.find((f) => f.id === first.flyId);
  const isOnTop = plan.kind === 'dry' || plan.kind === 'two-dries' || plan.kind === 'dry-dropper';
  if (!fly || !isOnTop) return null;
  const a = afloat(fly, plan.kind === 'dry-dropper' ? Math.max(hungN, loadN) : 0, { covers, fish });
  return (
    <p>
      <strong>Afloat.</strong>{' '}
      {a.dryInCovers === null
        ? `The ${fly.name.toLowerCase()} ${fly.hookSize} never holds up what hangs below it: a bushier dry, a foam one, or a lighter nymph.`
        : a.dryInCovers === 0
          ? 'Dry and dress it now: it no longer holds what it must.'
          : a.dryInCovers === Infinity
            ? 'It floats all day.'
            : `Dry it in ${a.dryInCovers} covers.`}
    </p>
  );
}

type Tries = Parameters<Parameters<typeof usePart>[0]>[0]['tries'];
/** What the fly of the try that goes on has done; it was dressed as the try began. */
const flyNow = ({ tries }: { tries: Tries }) => {
  const open = openTry(tries);
  return flyUse(open ? [open] : []);
};

/** What is worth knowing of the rig itself. */
function RigFacts() {
  const plan = usePart(rigOf);
  const tackle = usePart((s) => s.settings.tackle);
  const units = usePart((s) => s.settings.units);
  const tries = usePart((s) => s.tries);
  const { refused, notes } = checkRig(plan, tackle.box);
  const m = measureRig(plan, tackle.box);
  const due = dueFor(flyNow({ tries }), WEED_EVERY);
  const held = plan.line === null ? m.totalM : m.hungM;
  const near = (['back', 'upright'] as const).map((how) => nearestM(plan.rod.lengthM, held, how));
  return (
    <section>
      <h3>{plan.name}</h3>
      <ul className={panel.inputs}>
        {notes.map((n, i) => (
          <li key={i}>{noteWords(n, plan, tackle, units)}</li>
        ))}
        {plan.line && notes.some((n) => n.kind === 'lob') && (
          <li>{loadWords(waterLoadN(plan, tackle.box), airLoadN(lineKgPerM(plan.line)))}</li>
        )}
        {refused.length > 0 && <li>This rig cannot be fished as it is: change it above.</li>}
        {plan.line === null && (
          <li>
            Fishes out to {formatLength(fixedReachM(plan.rod.lengthM, m.totalM, 0.61), units)} from
            the hand.
          </li>
        )}
        {(m.floatAtM !== null || plan.line === null) && (
          <li>
            {inReach(Math.min(...near))
              ? 'A fish comes within reach of arm and net.'
              : `With ${m.floatAtM !== null ? 'the float at the tip' : 'all the line out'} a fish stays ${formatLength(near[0]!, units)} to ${formatLength(near[1]!, units)} off: walk back, hand-line, or beach it.`}
          </li>
        )}
        <li>{(hungMassMg(plan, tackle.box) / 1000).toFixed(2)} g hang on it.</li>
        {due.map((d) => (
          <li key={d}>
            <strong>{DUE_WORDS[d]}</strong>
          </li>
        ))}
      </ul>
      <p className={panel.second}>
        Mind the hook on the back cast: glasses, and nobody behind you.
      </p>
    </section>
  );
}
