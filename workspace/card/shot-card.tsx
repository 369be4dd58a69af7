'use client';

import { channelMiddleYM } from '../../core/water/index';
import { useMemo } from 'react';
import { formatLength, formatMinutes, formatSeconds } from '../../core/units/index';
import { usePart, useWorkspace } from '../context';
import {
  angleWords,
  castName,
  FLY_NAMES,
  inRods,
  mendName,
  roomWords,
  snagName,
  standWords,
  structureName,
  towardWords,
} from '../../words/cast-words';
import { layName } from '../../words/lay-names';
import { layHow } from '../../words/lay-words';
import { heldBackText, hookText, lookText, stayText } from '../../words/chance-words';
import { inHundred, postureName } from '../../words/names';
import { cautionText } from '../../words/stalk-words';
import { useSide } from '../use-side';
import { CardDrawing, cameraFor, useCardSize } from './card-drawing';
import { CardFoot, CardHead, CardKey, CardRows, CardStop } from './card-head';
import { driftRigNow, numberOfMark, rigOf, rodMOf, shownWay, targetOf } from '../state/selectors';
import { valueOf } from '../state/answer';
import css from './card.module.css';

/** One shot on one page: where, how, how long, and what to mind. */
export function ShotCard() {
  const { beat } = useWorkspace();
  const stand = usePart((s) => s.stand);
  const landing = usePart((s) => s.landing);
  const target = usePart(targetOf);
  const away = usePart((s) => valueOf(s, 'castStudy')?.leadAway?.to ?? null);
  const middle = useMemo(() => channelMiddleYM(beat.plan), [beat.plan]);
  const size = useCardSize();
  const camera = useMemo(
    () =>
      cameraFor(
        [stand, landing, target, away].filter((p) => p !== null),
        beat.plan.lengthM,
        middle,
        size,
      ),
    [stand, landing, target, away, beat.plan.lengthM, middle, size],
  );
  if (!stand || !landing)
    return (
      <>
        <CardHead />
        <p>No cast is chosen. Open Cast, choose a fish or a lie, and come back.</p>
      </>
    );
  return (
    <>
      <CardHead />
      <div className={css.cardBody}>
        <CardDrawing camera={camera} size={size} label="Plan and long section of this shot." />
        <div>
          <CardStop />
          <TheShot />
          <Mind />
          <CardKey />
        </div>
      </div>
      <CardRows />
      <CardFoot />
    </>
  );
}

function TheShot() {
  const s = usePart((state) => state);
  const sideOf = useSide();
  const { units } = s.settings;
  const rodM = rodMOf(s);
  const target = targetOf(s);
  const drift = valueOf(s, 'drift')?.band;
  const now = valueOf(s, 'drift')?.now;
  const study = valueOf(s, 'castStudy');
  const way = shownWay(s);
  const rig = driftRigNow(s);
  const m = (metres: number) => formatLength(metres, units);
  if (!drift || !now || !study || !s.stand) return <p role="status">Working the shot out.</p>;
  const { best, cleanS } = drift;
  const number = s.markId ? numberOfMark(s, s.markId) : 0;
  const lines: [string, string][] = [
    ...(way
      ? [['Stalk', `${m(way.lengthM)}, ${formatMinutes(way.seconds / 60)}.`] as [string, string]]
      : []),
    [
      'Stand',
      `${postureName(s.posture)}, ${standWords(s.stand, target, sideOf(s.stand), units)}${now.angleRad === null ? '' : `, ${angleWords(now.angleRad)}`}.`,
    ],
    [
      'Lay',
      `${layHow(s.lay, units)}${now.by ? ` Thrown ${castName(now.by)}.` : ' No room for it here.'}${s.mend ? ` Mend ${mendName(s.mend, units)}.` : ''}`,
    ],
    ['To the fly', `${m(now.distanceM)}, ${inRods(now.distanceM, rodM)}.`],
    ...(now.leadM !== null && study.lead
      ? [
          [
            'Lead',
            `${m(now.leadM)} (${inRods(now.leadM, rodM)}); lift ${m(study.lead.liftPastM)} past it.`,
          ] as [string, string],
        ]
      : []),
    ...(now.chance
      ? [
          ['Look', `${lookText(now.chance)} ${heldBackText(now.chance, now.dwell)}`] as [
            string,
            string,
          ],
          ...(s.markId
            ? []
            : [
                ['Home', `${inHundred(now.chance.parts.home)}: no fish was seen.`] as [
                  string,
                  string,
                ],
              ]),
          ['Hook', hookText(now.chance)] as [string, string],
        ]
      : []),
    [
      'Clean',
      best.status === 'ok'
        ? `${formatSeconds(cleanS.best)}, between ${formatSeconds(cleanS.low)} and ${formatSeconds(cleanS.high)}${best.passesAtS !== null ? `; passes it at ${formatSeconds(best.passesAtS)}` : ''}.`
        : 'not known.',
    ],
    [
      'Cover',
      `${study.structure ? `By ${structureName(study.structure)}: ` : ''}short ${m(study.covers[0]!.distanceM)}, then +${m(study.covers[1]!.moreM!)}, then +${m(study.covers[2]!.moreM!)}. ${stayText(s.settings.methods.stay, now.chance)}`,
    ],
    ['Behind', roomWords(now.room, units)],
    ...(now.strikeRad !== null
      ? [['Strike', `${towardWords(now.strikeRad)}.`] as [string, string]]
      : []),
    ...(study.leadAway
      ? [
          [
            'Then',
            `side pressure ${towardWords(study.leadAway.pressureRad)}, to the cross${study.leadAway.danger ? `; off ${snagName(study.leadAway.danger.kind)}` : ''}.`,
          ] as [string, string],
        ]
      : []),
    [
      'Rig',
      `${rigOf(s).name}, ${FLY_NAMES[s.fly].toLowerCase()}; leader ${m(rig.leaderM)} with ${m(rig.tippetM)} of tippet.`,
    ],
  ];
  return (
    <section>
      <h2>
        {target ? (number ? `Fish ${number}` : 'The fish in the lie') : 'A cast'}: {layName(s.lay)}
      </h2>
      <dl className={css.cardLines}>
        {lines.map(([name, words]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** Cautions of the way and the place, in the words of Stalk. */
function Mind() {
  const cautions = usePart((s) => valueOf(s, 'stalkStudy')?.cautions[s.stalkShown] ?? null);
  const units = usePart((s) => s.settings.units);
  return (
    <section>
      <h2>Mind</h2>
      {cautions?.map((c, i) => (
        <p key={i}>{cautionText(c, units)}</p>
      ))}
      <p>Hooks fly: glasses on. No casting under lightning or a wind that breaks timber.</p>
    </section>
  );
}
