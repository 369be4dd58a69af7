'use client';

import { TERM_WEIGHTS, type Term } from '../../../core/cast/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { useActions, usePart } from '../../context';
import { NOTHING_ASKED } from '../../state/shots-asked';
import { layKindName, TERM_NAMES } from '../../../words/cast-words';
import { createCastActions } from './cast-actions';
import panel from '../../../ui/panel.module.css';
import css from './cast.module.css';

/** Terms that the angler may weigh; the rest keep their weight. */
const WEIGHED: readonly Term[] = [
  'clean',
  'unseen',
  'way',
  'lining',
  'distance',
  'wading',
  'landing',
];
type Say = 'none' | 'usual' | 'much';
const SAYS: readonly (readonly [Say, string])[] = [
  ['none', 'leave out'],
  ['usual', 'as usual'],
  ['much', 'matters most'],
];
const MUCH = 3;

/** What the angler pins, leaves out and weighs. */
export function ShotsAsk() {
  const casting = useActions(createCastActions);
  const asked = usePart((s) => s.asked);
  const lay = usePart((s) => s.lay);
  const stand = usePart((s) => s.stand);
  const changed = JSON.stringify(asked) !== JSON.stringify(NOTHING_ASKED);
  const sayOf = (t: Term): Say => {
    const w = asked.weights[t];
    return w === undefined ? 'usual' : w === 0 ? 'none' : 'much';
  };
  const weigh = (t: Term, say: Say) => {
    const { [t]: _gone, ...rest } = asked.weights;
    const weights =
      say === 'usual' ? rest : { ...rest, [t]: say === 'none' ? 0 : MUCH * TERM_WEIGHTS[t] };
    casting.askShots({ weights });
  };
  return (
    <Disclosure title={changed ? 'Your say: changed' : 'Your say: keep, leave out, weigh'}>
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
      {WEIGHED.map((t) => (
        <div key={t} className={css.weigh}>
          <span>{TERM_NAMES[t]}</span>
          <Choice
            label={TERM_NAMES[t]}
            value={sayOf(t)}
            options={SAYS}
            onChange={(v) => weigh(t, v)}
          />
        </div>
      ))}
      {changed && (
        <div className={panel.row}>
          <Button onClick={() => casting.askShots(NOTHING_ASKED)}>Take it all back</Button>
        </div>
      )}
    </Disclosure>
  );
}
