'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Place } from '../../core/grid/index';
import { pageX, pageY, type Camera } from '../../drawing/camera';
import { usePart, useWorkspace } from '../context';
import { traceDepthLines } from '../../drawing/depth-lines';
import { CastLayer } from '../steps/cast/cast-layer';
import { Furniture } from '../../drawing/furniture';
import { LandLayer } from '../../drawing/land-layer';
import { MarksLayer, RingLayer } from '../steps/spot/marks-layer';
import { StalkLayer } from '../steps/stalk/stalk-layer';
import { WaterLines } from '../../drawing/water-layer';
import { SectionView } from '../section/section-view';
import { SectionFly } from '../steps/cast/section-fly';
import css from './card.module.css';
import { LabelRoom } from '../../drawing/label-room';

/** Size of the drawing on the page, px. */
export interface CardSize {
  width: number;
  plan: number;
  section: number;
}
const ON_PAPER: CardSize = { width: 864, plan: 432, section: 188 };
/** A screen narrower than this is a phone, and a phone's margins, px. */
const NARROW_PX = 900;
const MARGINS_PX = 46;

/** On paper and a desk as printed; on a phone as wide as it is, with letters as large. */
export function useCardSize(): CardSize {
  const [size, setSize] = useState(ON_PAPER);
  useEffect(() => {
    const measure = () => {
      const { innerWidth } = window;
      setSize(
        innerWidth > NARROW_PX
          ? ON_PAPER
          : { width: innerWidth - MARGINS_PX, plan: 360, section: 160 },
      );
    };
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, []);
  return size;
}

const ROUND_SHARE = 0.07;
const SCALE = { least: 5, most: 60 } as const;

/** A camera that shows all of the places, and some water round them. */
export function cameraFor(
  places: readonly Place[],
  lengthM: number,
  middleYM: number,
  { width, plan: height }: CardSize,
): Camera {
  const round = 2 * ROUND_SHARE;
  const xs = places.length > 0 ? places.map((p) => p.xM) : [0, lengthM];
  const ys = places.length > 0 ? places.map((p) => p.yM) : [middleYM];
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)];
  const [y0, y1] = [Math.min(...ys, middleYM), Math.max(...ys, middleYM)];
  const scale = Math.min(
    SCALE.most,
    Math.max(
      SCALE.least,
      Math.min(((1 - round) * width) / (x1 - x0 || 1), ((1 - 2 * round) * height) / (y1 - y0 || 1)),
    ),
  );
  return {
    scale,
    leftM: (x0 + x1) / 2 - width / scale / 2,
    topM: (y0 + y1) / 2 + height / scale / 2,
  };
}

/** Greys of the water by depth, from the shore in. Dark is deep, in print as on screen. */
const GREYS = ['#ececec', '#dcdcdc', '#c6c6c6', '#ababab', '#8e8e8e'] as const;

/** Plan and long section in black and white, drawn by the workspace's own layers. Nothing here can be pressed. */
export function CardDrawing({
  camera,
  size,
  label,
  children,
}: {
  camera: Camera;
  size: CardSize;
  label: string;
  /** What is drawn instead of the cast at hand. */
  children?: React.ReactNode;
}) {
  const { beat } = useWorkspace();
  const flow = usePart((s) => s.flow);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const units = usePart((s) => s.settings.units);
  const lines = useMemo(() => flow && traceDepthLines(flow, heightM), [flow, heightM]);
  if (!flow || !lines) return <div className={css.cardDrawing} />;
  const path = (rings: number[][][]) =>
    rings
      .map((r) => `M${r.map(([x, y]) => `${pageX(camera, x!)},${pageY(camera, y!)}`).join('L')}Z`)
      .join('');
  return (
    <figure className={css.cardDrawing}>
      <div inert aria-hidden="true">
        <svg
          data-part="card-plan"
          width={size.width}
          height={size.plan}
          viewBox={`0 0 ${size.width} ${size.plan}`}
        >
          <rect width={size.width} height={size.plan} fill="#fff" />
          <path d={path(lines.shore)} fill={GREYS[0]} fillRule="evenodd" />
          {lines.depths.map((d, i) => (
            <path key={d.word} d={path(d.rings)} fill={GREYS[i + 1]} fillRule="evenodd" />
          ))}
          <LabelRoom camera={camera} width={size.width} height={size.plan}>
            <WaterLines flow={flow} camera={camera} lines={lines} named />
            <LandLayer plan={beat.plan} camera={camera} cellM={flow.cellM} />
            {children ?? (
              <>
                <RingLayer camera={camera} />
                <StalkLayer camera={camera} />
                <CastLayer camera={camera} />
              </>
            )}
            <MarksLayer camera={camera} />
            <Furniture
              camera={camera}
              width={size.width}
              height={size.plan}
              bearingDeg={beat.plan.bearingDeg}
              units={units}
            />
          </LabelRoom>
        </svg>
        <div className={css.cardSection}>
          <SectionView
            camera={camera}
            width={size.width}
            height={size.section}
            plain
            fly={SectionFly}
          />
        </div>
      </div>
      <figcaption className={css.visuallyHidden}>{label}</figcaption>
    </figure>
  );
}
