import { expect, test, type Page } from './test';
import { openBeat, inspector, settled, step } from './page';

/** Tabs until the focused element's name matches; fails after a round of the page. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let n = 0; n < 220; n++) {
    await page.keyboard.press('Tab');
    const text = await page.evaluate(() => {
      const e = document.activeElement;
      return e && e !== document.body
        ? e.getAttribute('aria-label') ||
            (e as HTMLInputElement).labels?.[0]?.textContent?.trim() ||
            (e.textContent ?? '').trim()
        : '';
    });
    if (name.test(text)) return;
  }
  throw new Error(`no focus on ${name} after 220 tabs`);
}

/** Tabs to it and presses Enter. */
async function press(page: Page, name: RegExp): Promise<void> {
  await tabTo(page, name);
  await page.keyboard.press('Enter');
}

async function write(page: Page, name: RegExp, text: string): Promise<void> {
  await tabTo(page, name);
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
}

test('the whole walk without a pointer: an own beat told, solved, read, spotted, cast over, logged', async ({
  page,
}) => {
  await page.goto('/');
  await press(page, /^Sketch it/);
  await expect(page.getByRole('heading', { name: /Sketch/ })).toBeVisible();
  await write(page, /^Beat$/, 'Osier Turn');
  for (const kind of ['tail', 'pool', 'run']) await press(page, new RegExp(`^${kind}$`));
  await expect(page.getByText(/m³\/s/).first()).toBeVisible();
  await press(page, /^Rock$/);
  await press(page, /^put it in the middle/);
  await press(page, /^Make the beat and read it/);
  await settled(page);

  await press(page, /^Show the best lie/);
  await expect(inspector(page).getByRole('heading', { name: 'Worth measuring' })).toBeVisible();
  await press(page, /^Mark a fish here/);
  await expect(page.getByRole('button', { name: /Fish 1 likely/ })).toBeVisible();
  const kinds = await inspector(page).locator('tbody').getByRole('button').allInnerTexts();
  expect(kinds.length).toBeGreaterThan(1);
  const anotherLie = new RegExp(`^(${kinds.join('|')})$`);
  await tabTo(page, anotherLie);
  await press(page, anotherLie);
  await press(page, /^Mark one in the chosen lie/);
  await expect(page.getByRole('button', { name: /Fish 2 likely/ })).toBeVisible();

  await press(page, /^3Spot/);
  await press(page, /^A now/);
  const eye = page.getByRole('button', { name: /^Where you look from/ });
  await expect(eye).toBeVisible();

  await press(page, /^5Cast/);
  const stand = page.getByRole('button', { name: /^Stand, x/ });
  await expect(stand).toBeVisible();
  const before = await stand.getAttribute('aria-label');
  await tabTo(page, /^Stand, x/);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(stand).not.toHaveAttribute('aria-label', before!);
  await expect(inspector(page).getByText(/clean/).first()).toBeVisible();
  await tabTo(page, /^Hour of the day/);
  const hours = page.getByRole('slider', { name: 'Hour of the day' });
  const hour = await hours.getAttribute('aria-valuetext');
  await page.keyboard.press('ArrowRight');
  await expect(hours).not.toHaveAttribute('aria-valuetext', hour!);

  await press(page, /^6Log/);
  await write(page, /^Fly$/, 'Ant 14');
  await press(page, /^Put down/);
  await expect(page.getByRole('row', { name: /0 put down/ })).toBeVisible();
});

test('Escape gives a drag back', async ({ page }) => {
  await openBeat(page, 'spot?mark=demo-mark-1');
  await page.getByRole('button', { name: 'Plan the cast' }).click();
  const landing = page.getByRole('button', { name: /^Landing place/ });
  await expect(landing).toBeVisible();
  const before = await landing.getAttribute('aria-label');
  const box = (await landing.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 80, box.y + 60, { steps: 5 });
  await expect(landing).not.toHaveAttribute('aria-label', before!);
  await page.keyboard.press('Escape');
  await expect(landing).toHaveAttribute('aria-label', before!);
  await page.mouse.up();
  await expect(landing).toHaveAttribute('aria-label', before!);
});

/** Goes through every group of radios on the page by arrow keys, and back to what was chosen. */
async function walkGroups(page: Page): Promise<number> {
  const groups = page.getByRole('radiogroup');
  const count = await groups.count();
  let walked = 0;
  for (let g = 0; g < count; g++) {
    const group = groups.nth(g);
    const radios = group.getByRole('radio');
    if (!(await group.isVisible()) || (await radios.count()) < 2) continue;
    const name = await group.evaluate(
      (e) =>
        e.getAttribute('aria-label') ??
        document.getElementById(e.getAttribute('aria-labelledby') ?? '')?.textContent ??
        '',
    );
    expect(name, `group ${g} has a name`).not.toBe('');
    const chosen = () =>
      radios.evaluateAll((all) => all.findIndex((r) => (r as HTMLInputElement).checked));
    const before = await chosen();
    expect(before, `${name} has a choice`).toBeGreaterThanOrEqual(0);
    const last = before === (await radios.count()) - 1;
    await radios.nth(before).focus();
    await page.keyboard.press(last ? 'ArrowLeft' : 'ArrowRight');
    await expect.poll(chosen, { message: name }).not.toBe(before);
    await page.keyboard.press(last ? 'ArrowRight' : 'ArrowLeft');
    await expect.poll(chosen, { message: name }).toBe(before);
    walked++;
  }
  return walked;
}

test('arrow keys go through every group of choices, on every page', async ({ page }) => {
  for (const [path, least] of [
    ['/settings', 5],
    ['/read', 1],
    ['/make/sketch/e2e-arrows-1?beat=kettle-slot', 1],
    ['/make/survey/e2e-arrows-2?beat=withy-bend', 1],
  ] as const) {
    await page.goto(path);
    await page.getByRole('radiogroup').first().waitFor();
    expect(await walkGroups(page), path).toBeGreaterThanOrEqual(least);
  }
  await openBeat(page, 'read?mark=demo-mark-1');
  for (const name of ['Read', 'Spot', 'Stalk', 'Cast', 'Log']) {
    await step(page, name).click();
    await expect(inspector(page).getByRole('progressbar')).toHaveCount(0);
    expect(await walkGroups(page), name).toBeGreaterThanOrEqual(1);
  }
});

test('the keys of the page: a step by its number, the help by a question mark', async ({
  page,
}) => {
  await openBeat(page);
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/spot/);
  await page.keyboard.press('Shift+?');
  const help = page.getByRole('dialog', { name: 'Keys' });
  await expect(help).toContainText('Escape');
  await page.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
  // A digit that is typed into a field goes nowhere.
  await page.getByLabel(/^Water temperature/).focus();
  await page.keyboard.type('5');
  await expect(page).toHaveURL(/\/spot/);
  await page.keyboard.press('Escape');
});
