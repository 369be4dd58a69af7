'use client';

import { pageX, pageY, type Camera } from '../../../drawing/camera';
import { useActions, usePart } from '../../context';
import { layName } from '../../../words/lay-names';
import { isStale, valueOf } from '../../state/answer';
import { createCastActions } from './cast-actions';
import drawn from '../../../drawing/marks.module.css';
import css from './cast.module.css';
import { Label, RoundRoom } from '../../../drawing/label-room';

/** Stands of the shots that were found, numbered as in the list; the one taken has its own mark. */
export function ShotsOnPlan({ camera }: { camera: Camera }) {
  const casting = useActions(createCastActions);
  const shots = usePart((s) => valueOf(s, 'shots'));
  const stale = usePart((s) => isStale(s, 'shots'));
  const stand = usePart((s) => s.stand)!;
  const compared = usePart((s) => s.shotsCompared);
  if (shots?.kind !== 'shots') return null;
  return (
    <g opacity={stale ? 0.5 : 1}>
      {shots.shots.map((shot, i) => {
        const here = Math.hypot(shot.stand.xM - stand.xM, shot.stand.yM - stand.yM) < 0.3;
        if (here) return null;
        const [x, y] = [pageX(camera, shot.stand.xM), pageY(camera, shot.stand.yM)];
        const [lx, ly] = [pageX(camera, shot.landing.xM), pageY(camera, shot.landing.yM)];
        const deg = (Math.atan2(ly - y, lx - x) * 180) / Math.PI;
        return (
          <g key={i}>
            {compared.includes(i) && (
              <path d={`M${x},${y}L${lx},${ly}`} className={drawn.compared} />
            )}
            <g
              role="button"
              tabIndex={0}
              className={drawn.handle}
              aria-label={`Shot ${i + 1}, ${layName(shot.lay)}. Take it.`}
              transform={`translate(${x} ${y})`}
              onClick={(e) => {
                e.stopPropagation();
                casting.applyShot(i);
              }}
              onKeyDown={(e) => {
                if (e.key === 'Enter' || e.key === ' ') {
                  e.preventDefault();
                  casting.applyShot(i);
                }
              }}
            >
              <circle r={22} className={drawn.handleArea} />
              <path
                d="M0,-10A10,10 0 0 0 0,10Z"
                transform={`rotate(${deg})`}
                className={css.shotStand}
                data-mark="shot"
              />
              <RoundRoom x={x} y={y} r={10} />
              <Label kind="angler" text={String(i + 1)} at={[x, y]} clear={11} />
            </g>
          </g>
        );
      })}
    </g>
  );
}
