import fc from 'fast-check';
import {
  bilinearInto,
  createRandom,
  distanceTransform,
  fnv1a64,
  pointInPolygon,
  polylineYAt,
  smoothInto,
  wrapAngle,
} from './index';

it('distances agree with a search of every cell (seeded properties)', () => {
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 63, maxLength: 63 }), (cells) => {
      const mask = cells.map((c) => (c ? 1 : 0));
      const d = distanceTransform(9, 7, mask);
      for (let k = 0; k < 63; k++) {
        let best = Infinity;
        mask.forEach((m, n) => {
          if (m)
            best = Math.min(
              best,
              Math.hypot((k % 9) - (n % 9), Math.floor(k / 9) - Math.floor(n / 9)),
            );
        });
        if (best === Infinity) expect(d[k]).toBe(Infinity);
        else expect(d[k]).toBeCloseTo(best, 9);
      }
    }),
    { numRuns: 100, seed: 3 },
  );
});

it('bilinear sampling is exact on a plane and held at the borders', () => {
  const frame = { nx: 4, ny: 3, cellM: 0.5, x0M: 1, y0M: -1 };
  const field = Float64Array.from(
    { length: 12 },
    (_, k) => 2 * (1 + 0.5 * (k % 4)) - 3 * (-1 + 0.5 * Math.floor(k / 4)),
  );
  expect(bilinearInto(frame, field, 1.7, -0.6)).toBeCloseTo(2 * 1.7 + 3 * 0.6, 12);
  expect(bilinearInto(frame, field, -5, -1)).toBeCloseTo(2 * 1 + 3, 12);
});

it('smoothing keeps a level field and does not bleed over a masked shore', () => {
  const field = Float64Array.from({ length: 30 }, (_, k) => (k % 6 < 3 ? 1 : 99));
  const mask = Uint8Array.from({ length: 30 }, (_, k) => (k % 6 < 3 ? 1 : 0));
  const out = smoothInto(6, 5, field, mask, 5, new Float64Array(30));
  for (let k = 0; k < 30; k++) expect(out[k]).toBeCloseTo(field[k]!, 12);
});

it('the random sequence and the hash are fixed', () => {
  const a = createRandom(5);
  const b = createRandom(5);
  for (let n = 0; n < 5; n++) expect(a()).toBe(b());
  // FNV-1a 64 test vectors (Fowler, Noll, Vo).
  expect(fnv1a64('')).toBe('cbf29ce484222325');
  expect(fnv1a64('a')).toBe('af63dc4c8601ec8c');
  expect(fnv1a64('foobar')).toBe('85944171f73967e8');
});

it('geometry: polygon, polyline, folded angle', () => {
  const ring = [
    { xM: 0, yM: 0 },
    { xM: 4, yM: 0 },
    { xM: 4, yM: 1 },
    { xM: 0, yM: 3 },
  ];
  expect(pointInPolygon({ xM: 1, yM: 2 }, ring)).toBe(true);
  expect(pointInPolygon({ xM: 3, yM: 2 }, ring)).toBe(false);
  expect(
    polylineYAt(
      ring.slice(0, 3).map((p, i) => ({ xM: i * 2, yM: p.yM })),
      3,
    ),
  ).toBeCloseTo(0.5, 12);
  expect(wrapAngle(Math.PI * 3)).toBeCloseTo(Math.PI, 12);
  expect(wrapAngle(-Math.PI / 2 - 4 * Math.PI)).toBeCloseTo(-Math.PI / 2, 12);
});
