'use client';

import { useEffect, useRef } from 'react';
import { profileRatio } from '../../core/water/index';
import { labToRgb, rampLab } from '../../ui/colour';
import { PACE_RAMP, type Theme } from '../../ui/tokens';
import { type Camera } from '../../drawing/camera';

import type { Cut } from './cut';
import drawn from '../../drawing/marks.module.css';

export function SectionCanvas({
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
  return (
    <canvas ref={canvas} className={drawn.water} aria-hidden="true" style={{ width, height }} />
  );
}

function rampBytes(theme: Theme): Uint8ClampedArray {
  const lab = rampLab(PACE_RAMP[theme], 129);
  const out = new Uint8ClampedArray(3 * 129);
  for (let n = 0; n < 129; n++)
    out.set(labToRgb(lab[3 * n]!, lab[3 * n + 1]!, lab[3 * n + 2]!), 3 * n);
  return out;
}
