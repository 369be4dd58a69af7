'use client';

import { useEffect, useMemo, useRef } from 'react';
import { cellIndex, type Place } from '../core/grid/index';
import { profileRatio, sampleFlow, thalweg, type FlowField } from '../core/water/index';
import { windowRadiusM } from '../core/sight/index';
import { BODY_SHARE, type UnitSystem } from '../core/units/index';
import { labToRgb, rampColour, rampLab } from '../ui/colour';
import { PACE_RAMP, type Theme } from '../ui/tokens';
import { pageX, type Camera } from './camera';
import { usePart } from './context';
import { FISH_SIDE, fishLengthPx, linePath } from './drawing/shapes';
import { lieOf, markOf, targetOf } from './state';
import { useThemeName } from './use-theme-name';
import { Pebble } from './layers/pebble';

const PACE_WORDS = ['still', 'stroll', 'walk', 'brisk', 'rush'] as const;
const PACE_AT = [0.05, 0.22, 0.5, 0.8, 1.1];
const SKY_PX = 34;
const GROUND_PX = 34;

interface Cut {
  x: number[];
  surface: number[];
  bed: number[];
  mean: number[];
  d84: number[];
  fallM: number;
  deepestM: number;
  lineYM(xM: number): number;
}

/** The long section under the plan, on the same x: surface, bed, pace, fish at their depth. */
export function SectionView({
  camera,
  width,
  height,
}: {
  camera: Camera;
  width: number;
  height: number;
}) {
  const flow = usePart((s) => s.flow);
  const stale = usePart((s) => s.flowStale);
  const target = usePart(targetOf);
  const theme = useThemeName();
  const along: Place | null = target;
  const cut = useMemo(() => (flow ? cutAlong(flow, along) : null), [flow, along]);
  if (!cut || !flow || width === 0) return <div className="section" />;
  const vertical = (height - SKY_PX - GROUND_PX) / Math.max(0.3, cut.deepestM);
  const shownVertical = Math.min(vertical, 6 * camera.scale);
  const y = (heightM: number) => SKY_PX - heightM * shownVertical;
  return (
    <div className="section" style={{ opacity: stale ? 0.75 : 1 }}>
      <SectionCanvas cut={cut} camera={camera} width={width} height={height} y={y} theme={theme} />
      <svg width={width} height={height} role="img" aria-label={sectionLabel(cut, target !== null)}>
        <SectionLines cut={cut} camera={camera} y={y} height={height} />
        <SectionPieces cut={cut} camera={camera} width={width} height={height} />
        <SectionMarks cut={cut} camera={camera} y={y} width={width} />
        <SectionKey
          width={width}
          height={height}
          theme={theme}
          ratio={shownVertical / camera.scale}
          fallM={cut.fallM}
          along={target !== null}
        />
      </svg>
    </div>
  );
}

const sectionLabel = (cut: Cut, lane: boolean) =>
  `Long section along ${lane ? 'the lane of the chosen fish' : 'the deepest line'}: deepest ${cut.deepestM.toFixed(2)} m, the surface falls ${cut.fallM.toFixed(2)} m.`;

/** Along the thalweg, drawn through the target near it. Heights relative to the line through the surface at both ends. */
function cutAlong(flow: FlowField, target: Place | null): Cut {
  const line = thalweg(flow);
  const pull = (p: Place): Place => {
    if (!target) return p;
    const w = Math.exp(-(((p.xM - target.xM) / 2.5) ** 2));
    return { xM: p.xM, yM: p.yM + w * (target.yM - yAt(line, target.xM)) };
  };
  const places = line.map((p) => offRock(flow, pull(p)));
  const sample = { depthM: 0, u: 0, v: 0 };
  const cut: Cut = {
    x: [],
    surface: [],
    bed: [],
    mean: [],
    d84: [],
    fallM: 0,
    deepestM: 0.1,
    lineYM: (x) => yAt(places, x),
  };
  const heights: { surface: number; bed: number }[] = [];
  let lastSurface = 0;
  for (const p of places) {
    sampleFlow(flow, p.xM, p.yM, sample);
    const k =
      Math.round((p.yM - flow.y0M) / flow.cellM) * flow.nx +
      Math.round((p.xM - flow.x0M) / flow.cellM);
    const bed = flow.bedM[k]!;
    const surface = Number.isNaN(flow.surfaceM[k]!) ? lastSurface : flow.surfaceM[k]!;
    lastSurface = surface;
    heights.push({ surface, bed });
    cut.x.push(p.xM);
    cut.mean.push(Math.hypot(sample.u, sample.v));
    cut.d84.push(flow.d84M[k]!);
  }
  const first = heights[0]!.surface;
  const last = heights[heights.length - 1]!.surface;
  cut.fallM = last - first;
  heights.forEach((h, i) => {
    const base = first + ((last - first) * i) / (heights.length - 1);
    cut.surface.push(h.surface - base);
    cut.bed.push(h.bed - base);
    cut.deepestM = Math.max(cut.deepestM, base - h.bed);
  });
  return cut;
}

/** The nearest open water in the same column: a section through a rock says nothing of the water. */
function offRock(flow: FlowField, p: Place): Place {
  const i = Math.round((p.xM - flow.x0M) / flow.cellM);
  const j = Math.round((p.yM - flow.y0M) / flow.cellM);
  for (let off = 0; off < flow.ny; off++) {
    for (const side of [off, -off]) {
      const k = (j + side) * flow.nx + i;
      if (j + side < 0 || j + side >= flow.ny) continue;
      if (flow.solid[k] === 0 && flow.depthM[k]! > 0.03)
        return { xM: p.xM, yM: flow.y0M + (j + side) * flow.cellM };
    }
  }
  return p;
}

function yAt(line: Place[], xM: number): number {
  const step = line.length > 1 ? line[1]!.xM - line[0]!.xM : 1;
  const i = Math.min(line.length - 1, Math.max(0, Math.round((xM - line[0]!.xM) / step)));
  return line[i]!.yM;
}

function SectionCanvas({
  cut,
  camera,
  width,
  height,
  y,
  theme,
}: {
  cut: Cut;
  camera: Camera;
  width: number;
  height: number;
  y: (m: number) => number;
  theme: Theme;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const target = canvas.current;
    if (!target) return;
    target.width = width;
    target.height = height;
    const pen = target.getContext('2d')!;
    const image = pen.createImageData(width, height);
    const colours = rampBytes(theme);
    const step = cut.x[1]! - cut.x[0]!;
    for (let px = 0; px < width; px++) {
      const at = (camera.leftM + px / camera.scale - cut.x[0]!) / step;
      if (at < 0 || at > cut.x.length - 1) continue;
      const i = Math.min(cut.x.length - 2, Math.floor(at));
      const f = at - i;
      const mix = (a: number[]) => a[i]! + f * (a[i + 1]! - a[i]!);
      const [surface, bed, mean, d84] = [
        mix(cut.surface),
        mix(cut.bed),
        mix(cut.mean),
        mix(cut.d84),
      ];
      const depth = surface - bed;
      if (depth <= 0.005) continue;
      const [top, bottom] = [Math.round(y(surface)), Math.min(height - 1, Math.round(y(bed)))];
      for (let py = Math.max(0, top); py <= bottom; py++) {
        const z = depth * (1 - (py - top) / Math.max(1, bottom - top));
        const speed = mean * profileRatio(z, depth, d84);
        const c = 3 * Math.round(128 * Math.min(1, speed / PACE_RAMP[theme].fullAt));
        const n = 4 * (py * width + px);
        image.data[n] = colours[c]!;
        image.data[n + 1] = colours[c + 1]!;
        image.data[n + 2] = colours[c + 2]!;
        image.data[n + 3] = 255;
      }
    }
    pen.putImageData(image, 0, 0);
  });
  return <canvas ref={canvas} className="water" aria-hidden="true" style={{ width, height }} />;
}

function rampBytes(theme: Theme): Uint8ClampedArray {
  const lab = rampLab(PACE_RAMP[theme], 129);
  const out = new Uint8ClampedArray(3 * 129);
  for (let n = 0; n < 129; n++)
    out.set(labToRgb(lab[3 * n]!, lab[3 * n + 1]!, lab[3 * n + 2]!), 3 * n);
  return out;
}

function SectionLines({
  cut,
  camera,
  y,
  height,
}: {
  cut: Cut;
  camera: Camera;
  y: (m: number) => number;
  height: number;
}) {
  const line = (values: number[]) =>
    values.map((v, i): [number, number] => [pageX(camera, cut.x[i]!), y(v)]);
  const bed = line(cut.bed);
  const right = bed[bed.length - 1]![0];
  const left = bed[0]![0];
  return (
    <g aria-hidden="true">
      <path d={`${linePath(bed)}L${right},${height}L${left},${height}Z`} fill="var(--land)" />
      {bed
        .filter((_, i) => i % 2 === 0)
        .map(([x, py], i) => (
          <ellipse
            key={i}
            cx={x}
            cy={py + 2}
            rx={3 + ((i * 7) % 3)}
            ry={2.2 + ((i * 5) % 2)}
            fill="var(--land)"
            stroke="var(--rockline)"
            strokeWidth={0.9}
          />
        ))}
      <path d={linePath(line(cut.surface))} className="surface" />
    </g>
  );
}

/** A name narrower than this has no room on the section, px. */
const NAME_PX = 46;

/** The pieces along the cut, under the bed. */
function SectionPieces({
  cut,
  camera,
  width,
  height,
}: {
  cut: Cut;
  camera: Camera;
  width: number;
  height: number;
}) {
  const flow = usePart((s) => s.flow);
  const reading = usePart((s) => s.reading);
  const runs = useMemo(() => {
    const out: { kind: string; from: number; to: number }[] = [];
    if (!flow || !reading || reading.pieces.ofCell.length !== flow.depthM.length) return out;
    for (const xM of cut.x) {
      const k = cellIndex(flow, xM, cut.lineYM(xM));
      const piece = k < 0 ? -1 : reading.pieces.ofCell[k]!;
      const kind = piece < 0 ? '' : reading.pieces.pieces[piece]!.kind;
      const last = out[out.length - 1];
      if (last && last.kind === kind) last.to = xM;
      else out.push({ kind, from: xM, to: xM });
    }
    return out;
  }, [cut, flow, reading]);
  const keyFrom = width > 500 ? width - 290 : width;
  return (
    <g aria-hidden="true">
      {runs.map((r) => {
        const [a, b] = [pageX(camera, r.from), pageX(camera, r.to)];
        const middle = (a + b) / 2;
        if (r.kind === '' || b < 0 || a > keyFrom) return null;
        return (
          <g key={r.from}>
            <path
              d={`M${a},${height - 20}v8M${b},${height - 20}v8M${a},${height - 16}H${b}`}
              className="piece-span"
            />
            {b - a > NAME_PX && middle < keyFrom - 20 && (
              <text x={middle} y={height - 4} textAnchor="middle" className="furniture cased">
                {r.kind}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function SectionMarks({
  cut,
  camera,
  y,
  width,
}: {
  cut: Cut;
  camera: Camera;
  y: (m: number) => number;
  width: number;
}) {
  const marks = usePart((s) => s.marks);
  const chosen = usePart(markOf);
  const lie = usePart(lieOf);
  const heightM = usePart((s) => s.settings.anglerHeightM);
  const surfaceAt = (xM: number) => {
    const i = Math.min(
      cut.x.length - 1,
      Math.max(0, Math.round((xM - cut.x[0]!) / (cut.x[1]! - cut.x[0]!))),
    );
    return { surface: cut.surface[i]!, bed: cut.bed[i]! };
  };
  const staffX = Math.min(width - 60, pageX(camera, 2));
  const staff = surfaceAt(camera.leftM + staffX / camera.scale);
  return (
    <g aria-hidden="true">
      <g transform={`translate(${staffX} 0)`}>
        <path
          d={`M0,${y(staff.surface + 0.1)}V${y(staff.bed)}`}
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
        {(['shin', 'knee', 'thigh'] as const)
          .filter((w) => BODY_SHARE[w] * heightM < staff.surface - staff.bed + 0.02)
          .map((w) => {
            const py = y(staff.surface - BODY_SHARE[w] * heightM);
            return (
              <g key={w}>
                <path d={`M-5,${py}H5`} stroke="var(--ink)" strokeWidth={1.5} />
                <text x={9} y={py + 4} className="furniture cased">
                  {w}
                </text>
              </g>
            );
          })}
      </g>
      {lie && !chosen && (
        <g transform={`translate(${pageX(camera, lie.xM)} ${y(surfaceAt(lie.xM).bed) - 14})`}>
          <Pebble rating={lie.rating} needs={lie.needs} r={15} chosen />
        </g>
      )}
      {marks.map((mark) => {
        const off = Math.abs(mark.yM - cut.lineYM(mark.xM));
        const x = pageX(camera, mark.xM);
        const { surface } = surfaceAt(mark.xM);
        const py = y(surface - mark.fishDepthM);
        const scale = fishLengthPx(mark.totalLengthCm) / 100;
        const isChosen = mark.id === chosen?.id;
        const half = windowRadiusM(mark.fishDepthM) * camera.scale;
        return (
          <g key={mark.id} opacity={off > 0.5 ? 0.45 : 1}>
            {isChosen && (
              <path
                d={`M${x},${py}L${x - half},${y(surface)}M${x},${py}L${x + half},${y(surface)}M${x - half},${y(surface)}H${x + half}`}
                className="window"
              />
            )}
            <g
              transform={`translate(${x} ${py}) scale(${(Math.cos(mark.headingRad) < 0 ? -1 : 1) * scale} ${scale})`}
            >
              <path
                d={FISH_SIDE}
                fill={mark.surety === 'sure' ? 'var(--fish)' : 'var(--case)'}
                stroke={mark.surety === 'sure' ? 'var(--case)' : 'var(--fish)'}
                strokeWidth={3.4}
                paintOrder="stroke"
              />
            </g>
            <text
              x={x - 100 * scale - 10}
              y={py + 5}
              textAnchor="end"
              className="fish-number cased"
            >
              {marks.indexOf(mark) + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}

function SectionKey({
  width,
  height,
  theme,
  ratio,
  fallM,
  along,
}: {
  width: number;
  height: number;
  theme: Theme;
  ratio: number;
  fallM: number;
  along: boolean;
}) {
  const units = usePart((s) => s.settings.units);
  const cell = width < 500 ? 34 : 44;
  const x = width - PACE_WORDS.length * cell - 12;
  return (
    <g aria-hidden="true">
      <text x={12} y={20} className="section-title cased">
        {along ? 'Along its lane' : 'Along the deepest line'}
      </text>
      {width > 500 && (
        <text x={200} y={20} className="furniture cased">
          depth drawn {ratio.toFixed(1)} times taller, falls {fallText(fallM, units)}
        </text>
      )}
      <g transform={`translate(${x} ${height - 26})`}>
        {width > 500 && (
          <text x={-10} y={10} textAnchor="end" className="furniture strong cased">
            pace
          </text>
        )}
        {PACE_WORDS.map((word, i) => (
          <g key={word} transform={`translate(${i * cell} 0)`}>
            <rect
              width={cell - 2}
              height={9}
              fill={rampColour(PACE_RAMP[theme], PACE_AT[i]!)}
              stroke="var(--rule2)"
              strokeWidth={0.8}
            />
            <text x={cell / 2} y={22} textAnchor="middle" className="furniture small cased">
              {word}
            </text>
          </g>
        ))}
      </g>
    </g>
  );
}

const fallText = (m: number, units: UnitSystem) =>
  units === 'us' ? `${(m / 0.0254).toFixed(0)} in` : `${m.toFixed(2)} m`;
