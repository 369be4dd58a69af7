'use client';

import { formatSeconds } from '../../../core/units/index';
import type { Shot } from '../../../core/cast/index';
import { Button } from '../../../ui/button';
import { Check } from '../../../ui/check';
import { ProgressBar } from '../../../ui/progress-bar';
import { useActions, usePart } from '../../context';
import {
  againstWords,
  forWords,
  loserWords,
  NO_SHOTS_WORDS,
  standWords,
} from '../../../words/cast-words';
import { layName } from '../../../words/lay-names';
import { noLookText } from '../../../words/chance-words';
import { capital, inHundred, postureName } from '../../../words/names';
import { useSide } from '../../use-side';
import { ShotCompare } from './shot-compare';
import { ShotsAsk } from './shots-ask';
import { targetOf } from '../../state/selectors';
import { isStale, valueOf } from '../../state/answer';
import { createCastActions } from './cast-actions';
import css from './cast.module.css';
import panel from '../../../ui/panel.module.css';

/** Stands that can be reached times every lay: the best pickDiverse, and why the obvious loses. */
export function ShotsPanel() {
  const casting = useActions(createCastActions);
  const search = usePart((s) => s.search);
  const shots = usePart((s) => valueOf(s, 'shots'));
  const stale = usePart((s) => isStale(s, 'shots'));
  const flowReady = usePart((s) => s.flowState.kind === 'ready');
  const units = usePart((s) => s.settings.units);
  const looking = search.kind === 'looking';
  return (
    <section>
      <h3>Where to cast from</h3>
      {looking ? (
        <div role="status" className={css.searching}>
          <p>Looking at every stand and lay: {Math.round(100 * search.progress)} %.</p>
          <ProgressBar share={search.progress} label="Looking for stands" />
          <Button onClick={() => casting.cancelSearch()}>Stop</Button>
        </div>
      ) : (
        <>
          {search.kind === 'stopped' && !shots && <p>Stopped.</p>}
          {stale && shots && (
            <p role="status">What was asked has changed since: these are the shots from before.</p>
          )}
          {(stale || !shots) && (
            <div className={panel.row}>
              <Button
                voice={stale ? 'solid' : 'line'}
                disabled={!flowReady}
                onClick={() => casting.findShots()}
              >
                {shots ? 'Look again' : 'Find shots'}
              </Button>
            </div>
          )}
        </>
      )}
      {shots?.kind === 'no shots' && (
        <div role="status">
          {shots.reason === 'no-look' ? (
            noLookText(shots, units).map((line) => <p key={line}>{line}</p>)
          ) : (
            <p>{NO_SHOTS_WORDS[shots.reason]}</p>
          )}
        </div>
      )}
      {shots?.kind === 'shots' && (
        <div className={stale || looking ? panel.stale : ''}>
          <ol className={css.shots}>
            {shots.shots.map((shot, i) => (
              <ShotRow key={i} shot={shot} index={i} />
            ))}
          </ol>
          <ShotCompare />
          {shots.alternatives.length > 0 && (
            <>
              <p className={panel.bandTitle}>What loses</p>
              {shots.alternatives.map((l) => (
                <p key={l.what} className={panel.second}>
                  {loserWords(l, units)}
                </p>
              ))}
            </>
          )}
          <p className={panel.second}>
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
  const casting = useActions(createCastActions);
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
      <Button
        voice="bare"
        className={css.shot}
        aria-pressed={taken}
        onClick={() => casting.applyShot(index)}
      >
        <strong>
          {Math.round(100 * shot.chance.found)} in 100: {layName(shot.lay)}
        </strong>
        <span>
          {capital(standWords(shot.stand, target, sideOf(shot.stand), units))}.{' '}
          {postureName(shot.posture)}. Clean {formatSeconds(shot.cleanS.best)}; hooked{' '}
          {inHundred(shot.chance.hooked)} if it takes.
        </span>
      </Button>
      <p className={panel.second}>
        {good.length > 0 && `${capital(good.filter(Boolean).join(', '))}.`}
        {bad.length > 0 && <em> But {bad.join(', ')}.</em>}{' '}
        {shot.facts.strikeLow && 'Strike low and to the side: boughs hang over it.'}
      </p>
      <Check
        className={panel.second}
        checked={compared}
        onChange={() => casting.compareShot(index)}
      >
        compare
      </Check>
    </li>
  );
}
