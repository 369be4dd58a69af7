import { expect, test, type Page } from './test';
import { settled, step } from './page';

/** The demo's beats with a fish of their own, or none: then the best lie is chosen. */
const BEATS = ['sallow-steps', 'kettle-slot', 'withy-bend', 'tansy-glide'] as const;
const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
] as const;
const STEPS = ['Read', 'Spot', 'Stalk', 'Cast', 'Log'] as const;

interface Found {
  labels: number;
  overlaps: string[];
}

/** Every label of the plan against every other, every mark and the edge of the paper. */
const look = (page: Page): Promise<Found> =>
  page.evaluate(() => {
    const svg = document.querySelector<SVGSVGElement>('[aria-label^="Plan of"]')!;
    const paper = svg.getBoundingClientRect();
    const labels = [...svg.querySelectorAll('[data-label]')].map((e) => {
      const boxes = [...e.querySelectorAll('text')].map((t) => t.getBoundingClientRect());
      return {
        name: e.textContent ?? '',
        left: Math.min(...boxes.map((b) => b.left)),
        right: Math.max(...boxes.map((b) => b.right)),
        top: Math.min(...boxes.map((b) => b.top)),
        bottom: Math.max(...boxes.map((b) => b.bottom)),
      };
    });
    const marks = [...svg.querySelectorAll('[data-mark]')].map((e) => {
      const b = e.getBoundingClientRect();
      return {
        name: e.getAttribute('data-mark')!,
        left: b.left,
        right: b.right,
        top: b.top,
        bottom: b.bottom,
      };
    });
    // The boxes of letters are taller than the letters: this much of them is air, px.
    const AIR = 3;
    const meet = (a: (typeof labels)[number], b: (typeof labels)[number]) =>
      a.left + 1 < b.right &&
      b.left + 1 < a.right &&
      a.top + AIR < b.bottom &&
      b.top + AIR < a.bottom;
    const overlaps: string[] = [];
    labels.forEach((a, i) => {
      for (const b of labels.slice(i + 1)) if (meet(a, b)) overlaps.push(`${a.name} on ${b.name}`);
      for (const m of marks) if (meet(a, m)) overlaps.push(`${a.name} on ${m.name}`);
      if (
        a.left < paper.left ||
        a.right > paper.right ||
        a.top + AIR < paper.top ||
        a.bottom - AIR > paper.bottom
      )
        overlaps.push(`${a.name} beyond the edge`);
    });
    // What the step speaks of is on the paper, whole.
    for (const m of marks)
      if (
        (m.name === 'stand' || m.name === 'landing') &&
        (m.left < paper.left ||
          m.right > paper.right ||
          m.top < paper.top ||
          m.bottom > paper.bottom)
      )
        overlaps.push(`the ${m.name} beyond the edge`);
    return { labels: labels.length, overlaps };
  });

for (const beat of BEATS)
  test(`${beat}: no label lies on another, on a mark, or beyond the edge`, async ({ page }) => {
    for (const size of SIZES) {
      await page.setViewportSize(size);
      await page.goto(`/b/${beat}/read`);
      await settled(page);
      await page.getByRole('button', { name: 'Show the best lie' }).click();
      for (const name of STEPS) {
        await step(page, name).click();
        // What is still on its way changes what is drawn.
        await expect(page.locator('[aria-label="What is chosen"] [role=progressbar]')).toHaveCount(
          0,
        );
        await expect(async () => {
          const found = await look(page);
          expect(found.labels, `${name} at ${size.width}`).toBeGreaterThan(2);
          expect(found.overlaps, `${name} at ${size.width}`).toEqual([]);
        }).toPass();
      }
    }
  });
