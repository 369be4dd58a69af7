'use client';

import { formatLength } from '../../../core/units/index';
import type { StalkLeg, StalkWay } from '../../../core/stalk/index';
import type { Place } from '../../../core/grid/index';
import { pageX, pageY, type Camera } from '../../../drawing/camera';
import { useActions, usePart } from '../../context';
import { alongLine, linePath, POSTURE_MARK } from '../../../drawing/shapes';
import { createStalkActions, MOST_VIA } from './stalk-actions';
import { useDrag } from '../../../drawing/use-drag';
import { freshOf } from '../../state/answer';
import { isPale, bestWay, shownWay } from '../../state/selectors';
import { valueOf } from '../../state/answer';
import css from './stalk.module.css';
import drawn from '../../../drawing/marks.module.css';
import { Label, RoundRoom } from '../../../drawing/label-room';

type XY = [number, number];

/** The way to the stand, its waypoints, what was taken out of it, the shadow and the order of fish. */
export function StalkLayer({ camera }: { camera: Camera }) {
  const step = usePart((s) => s.step);
  const stand = usePart((s) => s.stand);
  if (step !== 'stalk' && step !== 'cast') return null;
  return (
    <g>
      {step === 'stalk' && <ShadowOnPlan camera={camera} />}
      {stand && <Ways camera={camera} />}
      {step === 'stalk' && (
        <>
          <OrderOnPlan camera={camera} />
          <RouteOnPlan camera={camera} />
          <TakenOut camera={camera} />
          <Start camera={camera} />
          {stand && <Waypoints camera={camera} />}
          <PointedAt camera={camera} />
        </>
      )}
    </g>
  );
}

/** The route as one thread, its stands numbered. */
function RouteOnPlan({ camera }: { camera: Camera }) {
  const asked = usePart((s) => s.work !== null);
  const route = usePart((s) => valueOf(s, 'route') ?? valueOf(s, 'routeSketch'));
  const stale = usePart((s) => freshOf(s, 'route') === null);
  if (!asked || route?.result.kind !== 'route') return null;
  const stands = route.result.steps.map((step): XY => {
    const stand = route.stands[step.stand]!;
    return [pageX(camera, stand.xM), pageY(camera, stand.yM)];
  });
  return (
    <g aria-hidden="true" opacity={stale ? 0.6 : 1}>
      <path d={`M${stands.map((p) => p.join()).join('L')}`} className={css.thread} />
      {route.result.steps.map((step, i) => {
        const [x, y] = stands[i]!;
        return (
          <g key={i}>
            {step.lies.map((l) => (
              <path
                key={l.id}
                d={`M${x},${y}L${pageX(camera, l.cast.landing.xM)},${pageY(camera, l.cast.landing.yM)}`}
                className={drawn.compared}
              />
            ))}
            <circle cx={x} cy={y} r={10} className={drawn.cover} />
            <text x={x} y={y + 4.4} textAnchor="middle" className={drawn.coverNumber}>
              {i + 1}
            </text>
            <RoundRoom x={x} y={y} r={10} />
          </g>
        );
      })}
    </g>
  );
}

function Ways({ camera }: { camera: Camera }) {
  const stalk = usePart((s) => valueOf(s, 'stalk'));
  const others = usePart((s) => valueOf(s, 'stalkStudy')?.others ?? NO_WAYS);
  const way = usePart(shownWay);
  const stale = usePart((s) => isPale(s, 'stalk'));
  const step = usePart((s) => s.step);
  const units = usePart((s) => s.settings.units);
  const farBank = usePart((s) => valueOf(s, 'farBank'));
  if (!way) return null;
  const rest = step === 'stalk' && stalk?.kind === 'way' ? [stalk, ...others] : [];
  return (
    <g aria-hidden="true" opacity={stale ? 0.6 : step === 'stalk' ? 1 : 0.8}>
      {rest
        .filter((w) => w !== way)
        .map((w, i) => (
          <path key={i} d={wayPath(w, camera)} className={css.otherWay} />
        ))}
      {step === 'stalk' && farBank?.kind === 'crossed' && (
        <path d={wayPath(farBank.crossing, camera)} className={css.otherWay} />
      )}
      {way.legs.map((leg, i) => (
        <Leg
          key={i}
          leg={leg}
          camera={camera}
          label={step === 'stalk' ? formatLength(leg.lengthM, units) : null}
        />
      ))}
      {step === 'stalk' && way.worst.exposure > 0.05 && (
        <g
          transform={`translate(${pageX(camera, way.worst.place.xM)} ${pageY(camera, way.worst.place.yM)})`}
        >
          <path d="M-7,0a8,8 0 0 1 14,0a8,8 0 0 1 -14,0" className={css.worst} />
          <circle r={2.6} fill="var(--fish)" />
          <RoundRoom
            x={pageX(camera, way.worst.place.xM)}
            y={pageY(camera, way.worst.place.yM)}
            r={9}
          />
          <Label
            kind="worst"
            text="worst moment"
            at={[pageX(camera, way.worst.place.xM), pageY(camera, way.worst.place.yM)]}
            clear={11}
            prefer="left"
            pale={stale}
          />
        </g>
      )}
    </g>
  );
}

const NO_WAYS: readonly StalkWay[] = [];

const wayPath = (way: StalkWay, camera: Camera) =>
  linePath(way.moments.map((m): XY => [pageX(camera, m.place.xM), pageY(camera, m.place.yM)]));

/** Legs shorter than this carry no figure, px. */
const LABEL_PX = 44;

function Leg({ leg, camera, label }: { leg: StalkLeg; camera: Camera; label: string | null }) {
  const points = leg.places.map((p): XY => [pageX(camera, p.xM), pageY(camera, p.yM)]);
  const low = leg.posture === 'kneel' || leg.posture === 'crawl';
  const mid = points[Math.floor(points.length / 2)]!;
  const prints = low ? [] : alongLine(points, leg.posture === 'crouch' ? 8 : 12);
  const mark = POSTURE_MARK[leg.posture];
  return (
    <g>
      {low && (
        <>
          <path d={linePath(points)} className={css.crawlCase} />
          <path d={linePath(points)} className={css.crawl} />
          <path d={linePath(points)} className={css.crawlGap} />
        </>
      )}
      {prints.map((p, i) => {
        const side = i % 2 === 0 ? 3.4 : -3.4;
        return (
          <ellipse
            key={i}
            rx={4.2}
            ry={2.1}
            className={leg.wading ? css.printWade : css.print}
            transform={`translate(${p.x - side * Math.sin(p.rad)} ${p.y + side * Math.cos(p.rad)}) rotate(${(p.rad * 180) / Math.PI})`}
          />
        );
      })}
      {label && leg.lengthM * camera.scale > LABEL_PX && (
        <>
          <g transform={`translate(${mid[0] + 10} ${mid[1] - 8})`}>
            <path d={mark.path} className={drawn.postureCase} />
            <path d={mark.path} className={drawn.posture} />
            <circle cx={mark.head[0]} cy={mark.head[1]} r={2.4} fill="var(--angler)" />
          </g>
          <RoundRoom x={mid[0] + 10} y={mid[1] - 14} r={8} />
          <Label
            kind="leg"
            text={`${label}${leg.wading ? ', wading' : ''}`}
            at={[mid[0] + 10, mid[1] - 12]}
            clear={10}
          />
        </>
      )}
    </g>
  );
}

/** Every waypoint, and in the middle of the way one more that is not yet: dragged, it becomes one. */
function Waypoints({ camera }: { camera: Camera }) {
  const via = usePart((s) => s.via);
  const way = usePart(bestWay);
  const spare = way && way.moments.length > 8 && via.length < MOST_VIA ? spareOf(way, via) : null;
  const all = spare ? [...via, spare] : via;
  return (
    <>
      {all.map((place, i) => (
        <Waypoint key={i} index={i} place={place} camera={camera} spare={i >= via.length} />
      ))}
    </>
  );
}

/** Where a new waypoint offers itself: on the way, as far as can be from those there are. */
function spareOf(way: StalkWay, via: readonly Place[]): Place {
  const shares = [0.5, 0.3, 0.7, 0.2, 0.8];
  const at = (share: number) => way.moments[Math.floor(share * (way.moments.length - 1))]!.place;
  const room = (p: Place) => Math.min(99, ...via.map((v) => Math.hypot(v.xM - p.xM, v.yM - p.yM)));
  return shares.map(at).reduce((a, b) => (room(b) > room(a) + 1 ? b : a));
}

function Waypoint({
  index,
  place,
  camera,
  spare,
}: {
  index: number;
  place: Place;
  camera: Camera;
  spare: boolean;
}) {
  const stalking = useActions(createStalkActions);
  const drag = useDrag(camera, place, (at, dragging) => stalking.moveVia(index, at, dragging));
  return (
    <g
      {...drag}
      className={drawn.handle}
      role="button"
      aria-label={
        spare
          ? 'The way: arrow keys put a waypoint here and move it.'
          : `Waypoint ${index + 1}. Arrow keys move it.`
      }
      transform={`translate(${pageX(camera, place.xM)} ${pageY(camera, place.yM)})`}
    >
      <circle r={22} className={drawn.handleArea} />
      <rect
        x={-5}
        y={-5}
        width={10}
        height={10}
        transform="rotate(45)"
        className={spare ? `${css.via} ${css.spare}` : css.via}
        data-mark="waypoint"
      />
      <RoundRoom x={pageX(camera, place.xM)} y={pageY(camera, place.yM)} r={7} />
    </g>
  );
}

function TakenOut({ camera }: { camera: Camera }) {
  const stalking = useActions(createStalkActions);
  const out = usePart((s) => s.out);
  return (
    <>
      {out.map((p, i) => (
        <g
          key={`${p.xM},${p.yM}`}
          role="button"
          tabIndex={0}
          aria-label={`Spot ${i + 1} that was taken out. Enter lets it be again.`}
          className={drawn.handle}
          transform={`translate(${pageX(camera, p.xM)} ${pageY(camera, p.yM)})`}
          onClick={(e) => {
            e.stopPropagation();
            stalking.allowAgain(i);
          }}
          onKeyDown={(e) => {
            if (e.key === 'Enter' || e.key === ' ') stalking.allowAgain(i);
          }}
        >
          <circle r={camera.scale} className={css.takenOut} />
          <path d="M-6,-6L6,6M6,-6L-6,6" className={css.takenOutMark} />
        </g>
      ))}
    </>
  );
}

function Start({ camera }: { camera: Camera }) {
  const from = usePart((s) => s.from);
  if (!from) return null;
  return (
    <g
      aria-hidden="true"
      transform={`translate(${pageX(camera, from.xM)} ${pageY(camera, from.yM)})`}
    >
      <circle r={6} className={css.startCase} />
      <circle r={6} className={css.startHere} />
      <RoundRoom x={pageX(camera, from.xM)} y={pageY(camera, from.yM)} r={7} />
      <Label
        kind="angler"
        text="you are here"
        at={[pageX(camera, from.xM), pageY(camera, from.yM)]}
        clear={9}
      />
    </g>
  );
}

/** The shadow that a still angler throws from the stand. */
function ShadowOnPlan({ camera }: { camera: Camera }) {
  const stand = usePart((s) => s.stand);
  const shadow = usePart((s) => valueOf(s, 'stalkStudy')?.shadow ?? null);
  if (!stand || !shadow || shadow.lengthM === 0) return null;
  const [x, y] = [pageX(camera, stand.xM), pageY(camera, stand.yM)];
  const [tx, ty] = [pageX(camera, shadow.tip.xM), pageY(camera, shadow.tip.yM)];
  return (
    <g aria-hidden="true">
      <path d={`M${x},${y}L${tx},${ty}`} className={css.shadow} strokeWidth={0.45 * camera.scale} />
    </g>
  );
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'];

/** Where each hooked fish is led, once the order has been worked out. */
function OrderOnPlan({ camera }: { camera: Camera }) {
  const order = usePart((s) => freshOf(s, 'order'));
  if (!order) return null;
  const at = (p: Place): XY => [pageX(camera, p.xM), pageY(camera, p.yM)];
  return (
    <g aria-hidden="true">
      {order.sequence.order.map((i, place) => {
        const led = order.sequence.led[i]!;
        const [fx, fy] = at(led.from);
        const [tx, ty] = at(led.to);
        return (
          <g key={i}>
            <path d={`M${fx},${fy}L${tx},${ty}`} className={css.ledCase} />
            <path d={`M${fx},${fy}L${tx},${ty}`} className={css.led} />
            <path d={`M${tx - 6},${ty}h12M${tx},${ty - 6}v12`} className={css.led} />
            <Label kind="order" text={ORDINALS[place]!} at={[fx, fy]} clear={14} prefer="above" />
          </g>
        );
      })}
    </g>
  );
}

function PointedAt({ camera }: { camera: Camera }) {
  const way = usePart(shownWay);
  const at = usePart((s) => s.wayAt);
  const moment = at === null ? null : way?.moments[at];
  if (!moment) return null;
  return (
    <g
      aria-hidden="true"
      transform={`translate(${pageX(camera, moment.place.xM)} ${pageY(camera, moment.place.yM)})`}
    >
      <circle r={9} className={css.pointedCase} />
      <circle r={9} className={css.pointed} />
    </g>
  );
}
