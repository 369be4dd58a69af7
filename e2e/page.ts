import { expect, type Locator, type Page } from '@playwright/test';
import { writeBeat } from '../core/formats/index';
import { beatFromSketch, newPiece, newSketch } from '../core/water/index';
import { DEMO_BEAT_ID } from '../demo/names';
import { styled } from './styled';

/** Writes come from a page of the program's own. */
export const OWN = {
  get origin(): string {
    return process.env.PEBBLE_E2E_URL!;
  },
};

export const BEAT = `/b/${DEMO_BEAT_ID}`;

/** The beat with its flow, lies and all drawn. */
export async function openBeat(page: Page, path = 'read'): Promise<void> {
  await page.goto(`${BEAT}/${path}`);
  await settled(page);
}

export async function settled(page: Page): Promise<void> {
  await expect(page.locator(styled('.lie')).first()).toBeVisible();
  await expect(page.locator('[data-part=flow-status]')).toHaveCount(0);
}

export const inspector = (page: Page): Locator =>
  page.getByRole('complementary', { name: 'What is chosen' });
export const step = (page: Page, name: string): Locator =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name });

/** Pieces so long that their water takes some seconds. */
export const LONG_PIECE_M = 35;

/**
 * A beat of two pieces, new to the book and by its name unlike any other, that is solved within a second;
 * of longer pieces, `pieceM` each, in some seconds: long enough to be stopped.
 */
export async function smallBeat(page: Page, id: string, pieceM?: number): Promise<string> {
  const pieces = [newPiece('a', 'run', 4), newPiece('b', 'pool', 4)].map((p) => ({
    ...p,
    ...(pieceM !== undefined && { lengthM: pieceM }),
  }));
  const built = beatFromSketch({ ...newSketch('Kest Beck', 1.75), name: id, pieces });
  if (!built.ok) throw new Error(built.problems.map((p) => p.message).join(' '));
  const answer = await page.request.put(`/api/v1/beats/${id}`, {
    headers: OWN,
    data: { stream: 'Kest Beck', file: writeBeat(built.plan) },
  });
  expect(answer.ok()).toBe(true);
  return `/b/${id}/read`;
}

/** Clean seconds as the panel tells them. */
export async function cleanSeconds(page: Page): Promise<number> {
  const text = await inspector(page).locator('[data-part=drift]').innerText();
  return Number.parseFloat(text);
}

/** A slider's value, by its own keys. */
export async function slideTo(slider: Locator, value: number, step: number): Promise<void> {
  await slider.focus();
  await slider.press('Home');
  const least = Number(await slider.getAttribute('aria-valuemin'));
  const steps = Math.round((value - least) / step);
  for (let n = 0; n < Math.floor(steps / 10); n++) await slider.press('PageUp');
  const on =
    (await slider.getAttribute('aria-orientation')) === 'vertical' ? 'ArrowUp' : 'ArrowRight';
  for (let n = 0; n < steps % 10; n++) await slider.press(on);
  await expect(slider).toHaveAttribute('aria-valuenow', String(value));
}

export async function drag(page: Page, handle: Locator, dx: number, dy: number): Promise<void> {
  const box = (await handle.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let n = 1; n <= 10; n++) await page.mouse.move(x + (dx * n) / 10, y + (dy * n) / 10);
  await page.mouse.up();
}
