'use client';

import { useEffect, useRef } from 'react';
import {
  formatDepth,
  formatFishLength,
  formatLength,
  fishLengthUnit,
  lengthUnit,
  parseFishLengthCm,
  parseLengthM,
  convert,
} from '../../core/units/index';
import { rayToFish, POSTURE, POSTURES, windowRadiusM, type Posture } from '../../core/sight/index';
import { Behind, Choice, Do, Fact, FigureField } from '../../ui/parts';
import { usePart, useWorkspace } from '../context';
import { markOf, numberOfMark, type Mark } from '../state';
import { PostureChoice } from './at-the-stand';

export function SpotInspector() {
  const mark = usePart(markOf);
  return mark ? <MarkDetail key={mark.id} mark={mark} /> : <SpotIntro />;
}

function SpotIntro() {
  const { actions } = useWorkspace();
  const placing = usePart((s) => s.placing);
  const count = usePart((s) => s.marks.length);
  const lie = usePart((s) => s.lies?.lies.find((l) => l.id === s.lieId) ?? null);
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
          <Do onClick={() => actions.setPlacing(false)}>Leave it</Do>
        </>
      ) : (
        <div className="row">
          <Do voice="solid" onClick={() => actions.setPlacing(true)}>
            Mark a fish
          </Do>
          {lie && <Do onClick={() => actions.placeMark(lie)}>Mark one in the chosen lie</Do>}
        </div>
      )}
    </section>
  );
}

function MarkDetail({ mark }: { mark: Mark }) {
  const { actions } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const posture = usePart((s) => s.posture);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const ring = usePart((s) => s.ring);
  const number = usePart((s) => numberOfMark(s, mark.id));
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
      <p className="second">
        {mark.surety === 'sure'
          ? 'Seen for sure'
          : mark.surety === 'likely'
            ? 'Likely a fish'
            : 'Maybe a fish'}
        , facing {facing(mark.headingRad)}.
      </p>
      <Choice
        label="How sure"
        value={mark.surety}
        options={[
          ['sure', 'Sure'],
          ['likely', 'Likely'],
          ['maybe', 'Maybe'],
        ]}
        onChange={(surety) => actions.changeMark(mark.id, { surety }, true)}
      />
      <div className="fields">
        <FigureField
          id="fish-depth"
          label="Depth of the fish"
          unit={lengthUnit(units)}
          value={plain(mark.fishDepthM)}
          parse={(t) => parseLengthM(t, units, { what: 'Depth of the fish', min: 0.02, max: 4 })}
          onKeep={(fishDepthM) =>
            actions.changeMark(mark.id, { fishDepthM: Math.round(fishDepthM * 1000) / 1000 }, true)
          }
        />
        <FigureField
          id="fish-length"
          label="Length"
          unit={fishLengthUnit(units)}
          value={formatFishLength(mark.totalLengthCm, units).replace(/[^\d.]/g, '')}
          parse={(t) => parseFishLengthCm(t, units)}
          onKeep={(totalLengthCm) =>
            actions.changeMark(
              mark.id,
              { totalLengthCm: Math.round(totalLengthCm * 10) / 10 },
              true,
            )
          }
        />
      </div>
      <h3>Where it sees you</h3>
      <PostureChoice />
      {reach && (
        <p>
          <strong>
            {postureWord(posture)}, it sees you inside {formatLength(reach.side, units)} from the
            side, {formatLength(reach.ahead, units)} from ahead, {formatLength(reach.behind, units)}{' '}
            from behind.
          </strong>{' '}
          Seen means even odds that it notices a still angler; walking shows you sooner.
        </p>
      )}
      <Behind title="What it sees through">
        <dl className="facts">
          <Fact name="Its window on the surface">
            {formatLength(2 * windowRadiusM(mark.fishDepthM), units)} across
          </Fact>
          {POSTURES.map((p) => {
            const ray = rayToFish({
              distanceM: 8,
              heightM: POSTURE[p].topShare * heightM,
              fishDepthM: mark.fishDepthM,
            });
            return (
              <Fact key={p} name={`${postureWord(p)}, ${formatLength(8, units, 0)} off`}>
                {((ray.aboveEdgeRad * 180) / Math.PI).toFixed(1)}° inside the window&apos;s edge
              </Fact>
            );
          })}
        </dl>
        <p className="second">
          Snell and Fresnel are exact; contrast, motion and the blind arc are our guesses until the
          log refits them.
        </p>
      </Behind>
      <div className="row">
        <Do voice="solid" onClick={() => actions.go('cast')}>
          Plan the cast
        </Do>
        <Do onClick={() => actions.setPlacing(!placing)}>
          {placing ? 'Leave it' : 'Mark another'}
        </Do>
        <Do onClick={() => actions.strikeMark(mark.id)}>Strike it</Do>
      </div>
      <p className="second">
        Nose {formatDepth(mark.fishDepthM, units)} down. Drag it on the plan, or move it with the
        arrow keys.
      </p>
    </section>
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
