'use client';

import { pageX, pageY, type Camera } from '../../../drawing/camera';
import { usePart } from '../../context';
import { valueOf } from '../../state/answer';
import css from './spot.module.css';

/** Shade of banks, rocks, bushes and trees on the water at this hour: hatch is shade only. */
export function ShadeLayer({ camera }: { camera: Camera }) {
  const shade = usePart((s) => valueOf(s, 'shade'));
  if (!shade || shade.length === 0) return null;
  const d = shade
    .map(
      (ring) =>
        `M${ring
          .map(([x, y]) => `${pageX(camera, x).toFixed(1)},${pageY(camera, y).toFixed(1)}`)
          .join('L')}Z`,
    )
    .join('');
  return (
    <g aria-hidden="true">
      <defs>
        <pattern
          id="shade-hatch"
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0,0V7" className={css.shadeLine} />
        </pattern>
      </defs>
      <path d={d} fill="url(#shade-hatch)" fillRule="evenodd" />
    </g>
  );
}
