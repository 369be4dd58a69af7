'use client';

import { useEffect, useRef, useState } from 'react';
import {
  clockText,
  convert,
  fishLengthUnit,
  formatDepth,
  formatFishLength,
  formatLength,
  lengthUnit,
  parseFishLengthCm,
  parseLengthM,
} from '../../../core/units/index';
import {
  rayToFish,
  POSTURE,
  POSTURES,
  windowRadiusM,
  type Posture,
} from '../../../core/sight/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { DescriptionRow, Facts } from '../../../ui/facts';
import { Disclosure } from '../../../ui/disclosure';
import { FigureField } from '../../../ui/figure-field';
import { TextArea } from '../../../ui/input';
import { useActions, useCalmPart, usePart, useWorkspace } from '../../context';
import { wrapAngle } from '../../../core/grid/index';
import { BEHAVIOUR_WORDS } from '../../../words/words';
import { LookoutPanel } from './lookout-panel';
import { RisesPanel } from './rises-panel';
import { WindowPanel } from './window-panel';
import { BEHAVIOURS, type Mark } from '../../../core/log/index';
import { markOf, numberOfMark } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import { createMarkActions } from '../../records/mark-actions';
import { createPlanActions } from '../../plan-actions';
import panel from '../../../ui/panel.module.css';
import css from './spot.module.css';
import { FileDrop } from '../../../ui/file-drop';
import { FormText, useSchemaForm } from '../../../ui/schema-form';
import { figureText } from '../../../words/form-schemas';
import { object } from 'yup';

export function SpotPanel() {
  const mark = usePart(markOf);
  return (
    <>
      {mark ? <MarkDetail key={mark.id} mark={mark} /> : <SpotIntro />}
      <LookoutPanel />
      <RisesPanel />
    </>
  );
}

function SpotIntro() {
  const marking = useActions(createMarkActions);
  const placing = usePart((s) => s.placing);
  const count = usePart((s) => s.marks.length);
  const lie = usePart((s) => valueOf(s, 'lies')?.lies.find((l) => l.id === s.lieId) ?? null);
  return (
    <section>
      <h2>See the fish first</h2>
      <p>
        {count === 0
          ? 'No fish marked on this beat yet.'
          : 'Choose a fish on the plan or in the list, or mark another.'}
      </p>
      {placing ? (
        <>
          <p role="status">
            <strong>Touch the water where its nose is.</strong>
          </p>
          <Button onClick={() => marking.setPlacing(false)}>Leave it</Button>
        </>
      ) : (
        <div className={panel.row}>
          <Button voice="solid" onClick={() => marking.setPlacing(true)}>
            Mark a fish
          </Button>
          {lie && (
            <Button onClick={() => marking.placeMark(lie)}>Mark one in the chosen lie</Button>
          )}
        </div>
      )}
      <ByBearing />
    </section>
  );
}

function MarkDetail({ mark }: { mark: Mark }) {
  const { beat } = useWorkspace();
  const acting = useActions(createPlanActions);
  const marking = useActions(createMarkActions);
  const units = usePart((s) => s.settings.units);
  const posture = usePart((s) => s.posture);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const ring = usePart((s) => valueOf(s, 'ring'));
  const number = usePart((s) => numberOfMark(s, mark.id));
  const zone = beat.plan.timeZone;
  const turn = (deg: number) =>
    marking.changeMark(
      mark.id,
      { headingRad: wrapAngle(mark.headingRad - (deg * Math.PI) / 180) },
      true,
    );
  const placing = usePart((s) => s.placing);
  const heading = useRef<HTMLHeadingElement>(null);
  // Marked by keyboard, the button that did it is gone: go on from here.
  useEffect(() => {
    if (document.activeElement === document.body) heading.current?.focus({ preventScroll: true });
  }, []);
  const reach = ring && ring.length > 0 ? sightReach(ring, mark.headingRad) : null;
  const plain = (m: number) => (units === 'us' ? convert.mToFt(m).toFixed(1) : m.toFixed(2));
  return (
    <section>
      <h2 ref={heading} tabIndex={-1}>
        Fish {number}
      </h2>
      <p className={panel.second}>
        {mark.surety === 'sure'
          ? 'Seen for sure'
          : mark.surety === 'likely'
            ? 'Likely a fish'
            : 'Maybe a fish'}
        , facing {facing(mark.headingRad)}.
        {mark.seenMs > 0 && ` Last seen ${clockText(mark.seenMs, zone)}.`}
      </p>
      <Choice
        label="What it does"
        value={mark.behaviour}
        options={BEHAVIOURS.map((b) => [b, BEHAVIOUR_WORDS[b]] as const)}
        onChange={(behaviour) => marking.seenAgain(mark.id, { behaviour })}
      />
      {mark.behaviour === 'rising' && (
        <Button onClick={() => marking.ringToLie(mark.id)}>
          This is its ring: put it where it lies
        </Button>
      )}
      <Choice
        label="How sure"
        value={mark.surety}
        options={[
          ['sure', 'Sure'],
          ['likely', 'Likely'],
          ['maybe', 'Maybe'],
        ]}
        onChange={(surety) => marking.changeMark(mark.id, { surety }, true)}
      />
      <div className={panel.fields}>
        <FigureField
          id="fish-depth"
          label="Depth of the fish"
          unit={lengthUnit(units)}
          value={plain(mark.fishDepthM)}
          parse={(t) => parseLengthM(t, units, { what: 'Depth of the fish', min: 0.02, max: 4 })}
          onKeep={(fishDepthM) =>
            marking.changeMark(mark.id, { fishDepthM: Math.round(fishDepthM * 1000) / 1000 }, true)
          }
        />
        <FigureField
          id="fish-length"
          label="Length"
          unit={fishLengthUnit(units)}
          value={formatFishLength(mark.totalLengthCm, units).replace(/[^\d.]/g, '')}
          parse={(t) => parseFishLengthCm(t, units)}
          onKeep={(totalLengthCm) =>
            marking.changeMark(
              mark.id,
              { totalLengthCm: Math.round(totalLengthCm * 10) / 10 },
              true,
            )
          }
        />
      </div>
      <div className={panel.row}>
        <Button onClick={() => marking.seenAgain(mark.id)}>Seen again</Button>
        <Button onClick={() => turn(-15)}>Turn it left</Button>
        <Button onClick={() => turn(15)}>Turn it right</Button>
      </div>
      <MarkMemory mark={mark} />
      <h3>Where it sees you</h3>
      {reach && (
        <p>
          <strong>
            If you {posture}, it sees you inside {formatLength(reach.side, units)} from the side,{' '}
            {formatLength(reach.ahead, units)} from ahead, {formatLength(reach.behind, units)} from
            behind.
          </strong>{' '}
          Seen means even odds that it notices a still angler; walking shows you sooner.
        </p>
      )}
      <Disclosure title="What it sees">
        <WindowPanel />
        <Facts>
          <DescriptionRow name="Its window on the surface">
            {formatLength(2 * windowRadiusM(mark.fishDepthM), units)} across
          </DescriptionRow>
          {POSTURES.map((p) => {
            const ray = rayToFish({
              distanceM: 8,
              heightM: POSTURE[p].topShare * heightM,
              fishDepthM: mark.fishDepthM,
            });
            return (
              <DescriptionRow key={p} name={`${postureWord(p)}, ${formatLength(8, units, 0)} off`}>
                {((ray.aboveEdgeRad * 180) / Math.PI).toFixed(1)}° inside the window&apos;s edge
              </DescriptionRow>
            );
          })}
        </Facts>
        <p className={panel.second}>
          Snell and Fresnel are exact; contrast, motion and the blind arc are our guesses until the
          log refits them.
        </p>
      </Disclosure>
      <div className={panel.row}>
        <Button voice="solid" onClick={() => acting.go('cast')}>
          Plan the cast
        </Button>
        <Button onClick={() => marking.setPlacing(!placing)}>
          {placing ? 'Leave it' : 'Mark another'}
        </Button>
        <Button onClick={() => marking.removeMark(mark.id)}>Take the mark out</Button>
      </div>
      <p className={panel.second}>
        Nose {formatDepth(mark.fishDepthM, units)} down. Drag it on the plan, or move it with the
        arrow keys.
      </p>
    </section>
  );
}

/** Note, photograph, and where it had been before. */
function MarkMemory({ mark }: { mark: Mark }) {
  const { beat } = useWorkspace();
  const marking = useActions(createMarkActions);
  const units = usePart((s) => s.settings.units);
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <Disclosure
      title={mark.history.length > 0 ? 'Note, photograph, seen before' : 'Note, photograph'}
    >
      <label className={css.markNote}>
        Note
        <TextArea
          defaultValue={mark.note}
          maxLength={500}
          rows={2}
          onBlur={(e) =>
            e.target.value !== mark.note &&
            marking.changeMark(mark.id, { note: e.target.value }, true)
          }
        />
      </label>
      {mark.photoId && (
        // The picture comes from this machine, already made small.
        // eslint-disable-next-line @next/next/no-img-element
        <img className={css.markPhoto} src={`/api/v1/photos/${mark.photoId}`} alt="The fish" />
      )}
      <FileDrop
        label={mark.photoId ? 'Another photograph' : 'Photograph'}
        accept="image/*"
        onFile={async (file) => setProblem(await marking.keepPhoto(mark.id, file))}
      />
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
      {mark.history.length > 0 && (
        <ul className={panel.changes} aria-label="Seen before">
          {mark.history.map((h, i) => (
            <li key={i}>
              <span>
                {h.seenMs > 0 ? clockText(h.seenMs, beat.plan.timeZone) : 'Before'},{' '}
                {BEHAVIOUR_WORDS[h.behaviour].toLowerCase()}, {h.surety}
              </span>{' '}
              <strong>
                {formatLength(Math.hypot(h.xM - mark.xM, h.yM - mark.yM), units)} away
              </strong>
            </li>
          ))}
        </ul>
      )}
    </Disclosure>
  );
}

const BEARING = { what: 'Bearing', unit: '°', min: 0, max: 360 };
const PACES = { what: 'Paces', unit: 'paces', min: 0.5, max: 100 };
const bearingSchema = object({ bearing: figureText(BEARING), paces: figureText(PACES) });
/** Of a text that the schema has let through. */
const figureIn = (text: string) => Number(text.replace(',', '.'));

/** A step is this share of a body's height (common practice). */
const STEP_PER_HEIGHT = 0.43;

/** A fish told by its bearing and paces from where the angler looks. */
function ByBearing() {
  const { beat } = useWorkspace();
  const marking = useActions(createMarkActions);
  const viewer = useCalmPart((s) => s.viewer ?? s.stand);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const form = useSchemaForm(bearingSchema, { bearing: '', paces: '' });
  const mark = (told: { bearing: string; paces: string }) => {
    const rad = ((beat.plan.bearingDeg - figureIn(told.bearing)) * Math.PI) / 180;
    const m = figureIn(told.paces) * STEP_PER_HEIGHT * heightM;
    marking.placeMark({
      xM: viewer!.xM + m * Math.cos(rad),
      yM: viewer!.yM + m * Math.sin(rad),
    });
  };
  return (
    <Disclosure title="Mark it by bearing and paces">
      {!viewer && <p>Choose a place to look from first: bearing and paces are taken from there.</p>}
      {viewer && (
        <form className={panel.fields} onSubmit={(e) => void form.handleSubmit(mark)(e)}>
          <FormText
            form={form}
            name="bearing"
            label="Bearing, ° from true north"
            inputMode="decimal"
          />
          <FormText form={form} name="paces" label="Paces" inputMode="decimal" />
          <Button type="submit">Mark it there</Button>
        </form>
      )}
    </Disclosure>
  );
}

const postureWord = (p: Posture) =>
  ({ stand: 'Standing', crouch: 'Crouched', kneel: 'Kneeling', crawl: 'Crawling' })[p];

function facing(rad: number): string {
  const cos = Math.cos(rad);
  if (cos > 0.7) return 'up the valley';
  if (cos < -0.7) return 'down the valley: the water turns back there';
  return Math.sin(rad) > 0 ? 'the true right bank' : 'the true left bank';
}

/** Ring distances ahead of, beside and behind the fish. */
function sightReach(ring: { bearingRad: number; radiusM: number }[], headingRad: number) {
  const at = (offRad: number) => {
    const n = ring.length;
    const i = Math.round((((headingRad + offRad) / (2 * Math.PI)) % 1) * n + n) % n;
    return ring[i]!.radiusM;
  };
  return { ahead: at(0), side: Math.max(at(Math.PI / 2), at(-Math.PI / 2)), behind: at(Math.PI) };
}
