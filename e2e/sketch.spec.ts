import { expect, test, type Page } from './test';
import { settled } from './page';
import { styled } from './styled';

const side = (page: Page) => page.getByRole('region', { name: 'Pieces and what stands in them' });
const pieces = (page: Page) => page.getByRole('list', { name: 'Pieces, up-current' });

async function add(page: Page, kind: string): Promise<void> {
  await page
    .getByRole('group', { name: 'Add the next piece up-current' })
    .getByRole('button', { name: kind, exact: true })
    .click();
}

test('a beat is told in a minute: pieces, a contradiction, a rock and an undercut, then solved', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Sketch it' }).click();
  await expect(page.getByText(/^No piece yet/)).toBeVisible();
  await page.getByLabel('Beat', { exact: true }).fill('Alder Run');
  await page.getByLabel('Stream', { exact: true }).fill('Kest Beck');
  for (const kind of ['tail', 'run', 'riffle']) await add(page, kind);
  const result = page.getByRole('region', { name: 'What it adds up to' });
  await expect(result.locator(styled('.large'))).toHaveText(/^\d\.\d\d m³\/s$/);

  // Nobody has told anything yet but the kinds: depth and pace are what such a stream makes of them.
  await expect(result.getByText(/is what a stream this wide usually carries/)).toBeVisible();
  await expect(pieces(page).getByText(/ m, as the others carry/)).toHaveCount(3);
  const tell = async (piece: RegExp, depth: string, pace: string) => {
    await pieces(page).getByRole('button', { name: piece }).click();
    await side(page).getByRole('radio', { name: depth }).click();
    await side(page).getByRole('radio', { name: pace }).click();
  };
  // The last one added is open.
  await side(page).getByRole('radio', { name: 'shin' }).click();
  await side(page).getByRole('radio', { name: 'brisk' }).click();
  await tell(/^1 tail/, 'shin', 'walk');
  await expect(result.getByText(/is the discharge that fits these pieces best/)).toBeVisible();
  await expect(pieces(page).getByText(/ m, as the others carry/)).toHaveCount(1);
  // Solved, the water is laid beside what was told.
  await expect(result.getByText(/^Solved, the water/)).toBeVisible();
  await result.getByText('Told and solved, piece by piece').click();
  await expect(result.getByRole('row').filter({ hasText: '1 tail' })).toBeVisible();

  // The run as a rushing, waist-deep one contradicts the others, and says what it would need.
  await pieces(page)
    .getByRole('button', { name: /^2 run/ })
    .click();
  await side(page).getByRole('radio', { name: 'waist' }).click();
  await side(page).getByRole('radio', { name: 'rush' }).click();
  await add(page, 'glide');
  await expect(
    result.getByText(
      /^Piece 2, run contradicts the others.*It would fit at .*; or .* deep; or .* wide\./,
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(result.getByText(/contradicts the others/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Redo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();

  // Re-ordering: by the arrows, by the keyboard on the grip, and by dragging the grip.
  const order = () => pieces(page).locator(styled('.pieceName strong')).allInnerTexts();
  await page.getByRole('button', { name: 'piece 1, tail: one up-current' }).click();
  await expect.poll(order).toEqual(['1 run', '2 tail', '3 riffle']);
  await page.getByRole('button', { name: 'Move piece 1, run' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(/^Over run, place 1 of 3|^Picked up run/)).toBeAttached();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText('Over tail, place 2 of 3.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect.poll(order).toEqual(['1 tail', '2 run', '3 riffle']);
  const grip = (await page.getByRole('button', { name: 'Move piece 3, riffle' }).boundingBox())!;
  const top = (await pieces(page).boundingBox())!;
  await page.mouse.move(grip.x + 8, grip.y + 10);
  await page.mouse.down();
  await page.mouse.move(grip.x + 8, grip.y - 20, { steps: 4 });
  await page.mouse.move(grip.x + 8, top.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect.poll(order).toEqual(['1 riffle', '2 tail', '3 run']);

  // Things are dropped by the pointer, and without one.
  const drawing = page.locator(styled('.makingDrawing'));
  const box = (await drawing.boundingBox())!;
  await page.getByRole('button', { name: 'Rock', exact: true }).click();
  await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.5);
  await expect(side(page).getByRole('group', { name: 'Rock' })).toBeVisible();
  await page.getByRole('button', { name: 'Undercut', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Tap the drawing where it stands')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undercut', exact: true }).click();
  await page.getByRole('button', { name: 'put it in the middle of the chosen piece' }).click();
  await expect(side(page).getByRole('group', { name: 'Undercut' })).toBeVisible();
  const rock = page.getByRole('button', { name: 'Rock: move with the arrow keys' });
  const before = await rock.getAttribute('cx');
  await rock.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(() => rock.getAttribute('cx')).not.toBe(before);

  // Left and found again: the draft is kept as it stands.
  await expect(page.getByText('Draft saved')).toBeVisible();
  await page.goto('/');
  await page.getByRole('link', { name: /^Alder Run, sketch on Kest Beck/ }).click();
  await expect.poll(order).toEqual(['1 riffle', '2 tail', '3 run']);
  await page.getByRole('button', { name: 'Make the beat and read it' }).click();
  await expect(page).toHaveURL(/\/b\/[0-9a-f-]+\/read/);
  await settled(page);
  await expect(page.getByText(/fitted to the sketch, give or take \d+ %/)).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('link', { name: /^Alder Run, sketch/ })).toHaveCount(0);

  // And changed again from the book.
  await page
    .getByRole('group', { name: 'Alder Run: change' })
    .getByRole('link', { name: 'Change the sketch' })
    .click();
  await expect.poll(order).toEqual(['1 riffle', '2 tail', '3 run']);
});

test('what cannot be is said at the piece, and nothing of it is made', async ({ page }) => {
  await page.goto('/make/sketch/e2e-bad');
  await add(page, 'run');
  await add(page, 'pool');
  await pieces(page)
    .getByRole('button', { name: /^1 run/ })
    .click();
  const width = side(page).getByLabel(/^Width/);
  await width.fill('0');
  await width.press('Enter');
  await expect(page.getByText('Width "0" is out of range: 0.5 to 40 m.')).toBeVisible();
  await page.getByRole('button', { name: 'Make the beat and read it' }).click();
  await expect(page.locator(styled('.refusal'))).toContainText(
    'The beat needs a name of 1 to 120 letters.',
  );
  await page.getByLabel('Beat', { exact: true }).fill('Nowhere');
  await page.getByRole('button', { name: 'Make the beat and read it' }).click();
  await expect(page.locator(styled('.refusal'))).toContainText('Stream "" is empty.');
  await expect(page).toHaveURL(/e2e-bad/);
});
