'use client';

import { pageX, pageY, type Camera } from '../camera';
import { usePart, useWorkspace } from '../context';
import { smoothPath, pebbleRadius } from '../drawing/shapes';
import { lieOf, markOf } from '../state';
import { lieName } from '../words';
import { Pebble } from './pebble';

/** Below this scale only the best lies and the chosen one wear grains. */
const GRAINS_FROM_PX_PER_M = 30;
const BEST_WITH_GRAINS = 12;
/** A pebble on a mark is pushed off by this, px. */
const PUSH_PX = 46;

export function LiesLayer({ camera }: { camera: Camera }) {
  const { actions } = useWorkspace();
  const lies = usePart((s) => s.lies);
  const stale = usePart((s) => s.liesStale);
  const chosen = usePart(lieOf);
  const mark = usePart(markOf);
  const step = usePart((s) => s.step);
  const marks = usePart((s) => s.marks);
  if (!lies) return null;
  const quiet = step !== 'read';
  return (
    <g opacity={stale ? 0.6 : 1}>
      {chosen && step === 'read' && (
        <Lane places={chosen.lane.map((p) => [pageX(camera, p.xM), pageY(camera, p.yM)])} />
      )}
      {[...lies.lies].reverse().map((lie) => {
        const rank = lies.lies.indexOf(lie);
        const isChosen = lie.id === chosen?.id && !mark;
        const plain =
          !isChosen && (quiet || (camera.scale < GRAINS_FROM_PX_PER_M && rank >= BEST_WITH_GRAINS));
        const x = pageX(camera, lie.xM);
        const y = pageY(camera, lie.yM);
        const near = marks.find(
          (m) => Math.hypot(m.xM - lie.xM, m.yM - lie.yM) * camera.scale < 30,
        );
        const py = near ? y - PUSH_PX : y;
        const r = quiet
          ? 9
          : plain
            ? 9
            : Math.min(pebbleRadius(lie.rating), Math.max(9, camera.scale * 0.58));
        return (
          <g key={lie.id}>
            {near && <path d={`M${x},${y}L${x},${py}`} className="tie" />}
            <g
              transform={`translate(${x} ${py})`}
              className="lie"
              onClick={(e) => {
                e.stopPropagation();
                actions.chooseLie(lie);
              }}
            >
              <title>{`${lieName(lie.kind)}, rating ${lie.rating}`}</title>
              <circle r={Math.max(14, r * 1.3)} fill="transparent" />
              <Pebble
                rating={lie.rating}
                needs={lie.needs}
                r={r}
                chosen={isChosen}
                quiet={quiet && !isChosen}
                plain={plain}
                letters={isChosen}
              />
            </g>
          </g>
        );
      })}
    </g>
  );
}

/** The drift that feeds the chosen lie: arrowheads run with the current, toward the fish. */
function Lane({ places }: { places: [number, number][] }) {
  if (places.length < 3) return null;
  const d = smoothPath(
    places.filter((_, i) => i % 3 === 0),
    false,
  );
  const heads = places.filter((_, i) => i > 4 && i % 10 === 0);
  return (
    <g aria-hidden="true">
      <path d={d} className="lane-case" />
      <path d={d} className="lane" />
      {heads.map(([x, y], n) => {
        const i = places.findIndex(([a, b]) => a === x && b === y);
        const [ax, ay] = places[i - 2]!;
        const deg = (Math.atan2(ay - y, ax - x) * 180) / Math.PI;
        return (
          <path
            key={n}
            d="M0,0 L-9,-4.6 L-6.6,0 L-9,4.6Z"
            transform={`translate(${x} ${y}) rotate(${deg})`}
            fill="var(--ink)"
          />
        );
      })}
    </g>
  );
}
