import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BeatPlan } from '../formats/index';
import { createTangentPlane } from '../formats/index';
import { flowOf } from './fixtures/flows';
import { waterLines, writeAsciiGrid } from './index';

const flow = flowOf((x, y) => ({ depth: y < 1 ? 0 : 0.1 + 0.01 * x + 0.1 * y, u: -0.1 * x }), {
  nx: 12,
  ny: 9,
  cellM: 0.5,
});

/** As another program reads it: header by name, rows from the top. */
function readAsciiGrid(text: string) {
  const lines = text.trim().split('\n');
  const header = Object.fromEntries(
    lines.slice(0, 6).map((l) => {
      const [name, value] = l.split(/\s+/);
      return [name!.toLowerCase(), Number(value)];
    }),
  );
  const rows = lines.slice(6).map((l) => l.split(' ').map(Number));
  return { header, rows };
}

it('depth and pace as a grid come back cell by cell, the highest y first, dry as no data', () => {
  for (const what of ['depth', 'pace'] as const) {
    const { header, rows } = readAsciiGrid(writeAsciiGrid(flow, what));
    expect(header).toEqual({
      ncols: 12,
      nrows: 9,
      xllcorner: flow.x0M - 0.25,
      yllcorner: flow.y0M - 0.25,
      cellsize: 0.5,
      nodata_value: -9999,
    });
    expect(rows).toHaveLength(9);
    rows.forEach((row, r) => {
      const j = flow.ny - 1 - r;
      expect(row).toHaveLength(12);
      row.forEach((value, i) => {
        const k = j * flow.nx + i;
        const wet = flow.depthM[k]! > 0.005;
        const is = what === 'depth' ? flow.depthM[k]! : Math.hypot(flow.u[k]!, flow.v[k]!);
        expect(value).toBeCloseTo(wet ? is : -9999, 3);
      });
    });
  }
});

it('gdalinfo reads the grid: its size, corners, cell and what stands for dry', () => {
  const path = join(mkdtempSync(join(tmpdir(), 'pebble-grid-')), 'depth.asc');
  writeFileSync(path, writeAsciiGrid(flow, 'depth'));
  const told = execFileSync('gdalinfo', ['-json', '-stats', path], { encoding: 'utf8' });
  const info = JSON.parse(told) as {
    driverShortName: string;
    size: number[];
    geoTransform: number[];
    bands: { noDataValue: number; maximum: number; minimum: number }[];
  };
  expect(info.driverShortName).toBe('AAIGrid');
  expect(info.size).toEqual([12, 9]);
  // Left, cell, and the top: the lower left corner and nine cells up.
  expect(info.geoTransform).toEqual([flow.x0M - 0.25, 0.5, 0, flow.y0M - 0.25 + 4.5, 0, -0.5]);
  expect(info.bands[0]!.noDataValue).toBe(-9999);
  const wet = [...flow.depthM].filter((d) => d > 0.005);
  expect(info.bands[0]!.maximum).toBeCloseTo(Math.max(...wet), 2);
  expect(info.bands[0]!.minimum).toBeCloseTo(Math.min(...wet), 2);
});

it('wet cells as lines, with longitude and latitude only where the beat has a place', () => {
  const plan = { anchor: { lat: 46, lon: 8 }, bearingDeg: 30 } as BeatPlan;
  const [head, ...lines] = waterLines(plan, flow);
  expect(head).toEqual(['x_m', 'y_m', 'lon', 'lat', 'depth_m', 'surface_mps', 'mean_mps']);
  expect(lines).toHaveLength(Array.from(flow.depthM).filter((d) => d > 0.005).length);
  const [x, y, lon, lat, , surface, mean] = lines[7]!.map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const back = createTangentPlane(plan.anchor!, 30).toPlan(lon, lat);
  expect(back.xM).toBeCloseTo(x, 2);
  expect(back.yM).toBeCloseTo(y, 2);
  expect(surface).toBeGreaterThanOrEqual(mean);
  expect(waterLines({ bearingDeg: 0 } as BeatPlan, flow)[0]).not.toContain('lon');
});
