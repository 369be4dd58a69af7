'use client';

import type { Wishes } from '../../../core/cast/index';
import { Button } from '../../../ui/button';
import { Check } from '../../../ui/check';
import { Disclosure } from '../../../ui/disclosure';
import { useActions, useCalmPart } from '../../context';
import { NOTHING_ASKED } from '../../state/shots-asked';
import { layKindName } from '../../../words/lay-names';
import { createCastActions } from './cast-actions';
import panel from '../../../ui/panel.module.css';

/** What an angler may wish for beside the chance. */
const WISHES: readonly (readonly [keyof Wishes, string])[] = [
  ['nearer', 'Rather nearer'],
  ['dryFeet', 'Rather dry feet'],
  ['shortWay', 'Rather a short way'],
];

/** What the angler pins, leaves out and wishes. */
export function ShotsAsk() {
  const casting = useActions(createCastActions);
  const asked = useCalmPart((s) => s.asked);
  const lay = useCalmPart((s) => s.lay);
  const stand = useCalmPart((s) => s.stand);
  const changed = JSON.stringify(asked) !== JSON.stringify(NOTHING_ASKED);
  return (
    <Disclosure title={changed ? 'Your say: changed' : 'Your say: keep, leave out, wish'}>
      <div className={panel.row}>
        <Button
          aria-pressed={asked.pinStand}
          disabled={!stand}
          onClick={() => casting.askShots({ pinStand: !asked.pinStand })}
        >
          Only from this stand
        </Button>
        <Button
          aria-pressed={asked.pinLay !== null}
          onClick={() => casting.askShots({ pinLay: asked.pinLay === null ? lay.kind : null })}
        >
          Only {layKindName(asked.pinLay ?? lay.kind).toLowerCase()}
        </Button>
        <Button
          aria-pressed={asked.pinLanding}
          onClick={() => casting.askShots({ pinLanding: !asked.pinLanding })}
        >
          Land it where it is now
        </Button>
        <Button
          disabled={!stand}
          onClick={() => casting.askShots({ withoutSpots: [...asked.withoutSpots, stand!] })}
        >
          Not from here
        </Button>
        <Button
          onClick={() =>
            casting.askShots({ withoutLays: [...new Set([...asked.withoutLays, lay.kind])] })
          }
        >
          Not this lay
        </Button>
      </div>
      {asked.withoutSpots.length + asked.withoutLays.length > 0 && (
        <p className={panel.second}>
          Left out: {asked.withoutSpots.length} {asked.withoutSpots.length === 1 ? 'spot' : 'spots'}
          {asked.withoutLays.length > 0
            ? `, and the lays ${asked.withoutLays.map((k) => layKindName(k).toLowerCase()).join(', ')}`
            : ''}
          .
        </p>
      )}
      <div role="group" aria-label="What you would rather">
        {WISHES.map(([wish, word]) => (
          <Check
            key={wish}
            checked={asked.wishes[wish] ?? false}
            onChange={(yes) => casting.askShots({ wishes: { ...asked.wishes, [wish]: yes } })}
          >
            {word}
          </Check>
        ))}
      </div>
      <p className={panel.second}>Wishes order the shots; the chance stays what it is.</p>
      {changed && (
        <div className={panel.row}>
          <Button onClick={() => casting.askShots(NOTHING_ASKED)}>Take it all back</Button>
        </div>
      )}
    </Disclosure>
  );
}
