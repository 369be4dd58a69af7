'use client';

import { formatSeconds } from '../../../core/units/index';
import type { Shot } from '../../../core/cast/index';
import { Do } from '../../../ui/parts';
import { usePart, useWorkspace } from '../../context';
import { targetOf } from '../../state/state';
import {
  againstWords,
  forWords,
  layName,
  loserWords,
  NO_SHOTS_WORDS,
  standWords,
} from '../../../words/cast-words';
import { capital, inHundred } from '../../../words/words';
import { useSide } from '../../use-side';
import { postureName } from '../stalk/at-the-stand';
import { ShotCompare } from './shot-compare';
import { ShotsAsk } from './shots-ask';

/** Stands that can be reached times every lay: the best handful, and why the obvious loses. */
export function ShotsPanel() {
  const { actions } = useWorkspace();
  const search = usePart((s) => s.search);
  const shots = usePart((s) => s.shots);
  const stale = usePart((s) => s.shotsStale);
  const flowReady = usePart((s) => s.flowState.kind === 'ready');
  const units = usePart((s) => s.settings.units);
  const looking = search.kind === 'looking';
  return (
    <section>
      <h3>Where to cast from</h3>
      {looking ? (
        <div role="status" className="searching">
          <p>Looking at every stand and lay: {Math.round(100 * search.progress)} %.</p>
          <progress value={search.progress} max={1} aria-label="Looking for stands" />
          <Do onClick={() => actions.cancelSearch()}>Stop</Do>
        </div>
      ) : (
        <>
          {search.kind === 'stopped' && !shots && <p>Stopped.</p>}
          {stale && shots && (
            <p role="status">What was asked has changed since: these are the shots from before.</p>
          )}
          {(stale || !shots) && (
            <div className="row">
              <Do
                voice={stale ? 'solid' : 'line'}
                disabled={!flowReady}
                onClick={() => actions.findShots()}
              >
                {shots ? 'Look again' : 'Find shots'}
              </Do>
            </div>
          )}
        </>
      )}
      {shots?.kind === 'no shots' && <p role="status">{NO_SHOTS_WORDS[shots.reason]}</p>}
      {shots?.kind === 'shots' && (
        <div className={stale || looking ? 'stale' : ''}>
          <ol className="shots">
            {shots.shots.map((shot, i) => (
              <ShotRow key={i} shot={shot} index={i} />
            ))}
          </ol>
          <ShotCompare />
          {shots.losers.length > 0 && (
            <>
              <p className="band-title">What loses</p>
              {shots.losers.map((l) => (
                <p key={l.what} className="second">
                  {loserWords(l, units)}
                </p>
              ))}
            </>
          )}
          <p className="second">
            {shots.looked.candidates.toLocaleString('en')} casts from{' '}
            {shots.looked.stands.toLocaleString('en')} stands weighed,{' '}
            {shots.looked.simulated.toLocaleString('en')} simulated
            {shots.looked.unknown > 0 ? `, ${shots.looked.unknown} not known` : ''}.
          </p>
        </div>
      )}
      <ShotsAsk />
    </section>
  );
}

function ShotRow({ shot, index }: { shot: Shot; index: number }) {
  const { actions } = useWorkspace();
  const sideOf = useSide();
  const target = usePart(targetOf);
  const units = usePart((s) => s.settings.units);
  const taken = usePart(
    (s) =>
      s.stand !== null &&
      Math.hypot(s.stand.xM - shot.stand.xM, s.stand.yM - shot.stand.yM) < 0.05 &&
      JSON.stringify(s.lay) === JSON.stringify(shot.lay),
  );
  const compared = usePart((s) => s.shotsCompared.includes(index));
  const good = shot.for.slice(0, 3).map((r) => forWords(r, units));
  const bad = shot.against.slice(0, 2).map((r) => againstWords(r, units));
  return (
    <li>
      <button
        type="button"
        className="shot"
        aria-pressed={taken}
        onClick={() => actions.takeShot(index)}
      >
        <strong>
          {layName(shot.lay)}, {formatSeconds(shot.cleanS.best)}
        </strong>
        <span>
          {capital(standWords(shot.stand, target, sideOf(shot.stand), units))}.{' '}
          {postureName(shot.posture)}, seen {inHundred(shot.facts.exposure)}.
        </span>
      </button>
      <p className="second">
        {capital(good.filter(Boolean).join(', '))}.
        {bad.length > 0 && <em> But {bad.join(', ')}.</em>}
      </p>
      <label className="second">
        <input type="checkbox" checked={compared} onChange={() => actions.compareShot(index)} />{' '}
        compare
      </label>
    </li>
  );
}
