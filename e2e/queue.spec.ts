import { expect, test, type Page } from './test';
import { DEMO_BEAT_ID } from '../demo/names';
import { bookOf } from './book-of';
import { inspector, openBeat, OWN } from './page';
import { styled } from './styled';

/** Fish of these checks: taken out again, so that the demo's beat is left as it was. */
const marked: string[] = [];
test.afterEach(async ({ request }) => {
  for (const id of marked.splice(0))
    expect((await request.delete(`/api/v1/marks/${id}`, { headers: OWN })).ok()).toBe(true);
});

/** Opens the log on a fish that nobody has tried, and begins a try. */
async function beginTry(page: Page, id: string, fly: string): Promise<void> {
  marked.push(id);
  const kept = await page.request.put(`/api/v1/marks/${id}`, {
    headers: OWN,
    data: {
      beatId: DEMO_BEAT_ID,
      xM: 12,
      yM: 0.4,
      fishDepthM: 0.3,
      headingRad: 0,
      totalLengthCm: 25,
      surety: 'likely',
    },
  });
  expect(kept.ok()).toBe(true);
  await openBeat(page, `log?mark=${id}`);
  await page.getByLabel('Fly', { exact: true }).fill(fly);
  await page.getByRole('button', { name: 'Begin a try' }).click();
  await expect(page.getByText(`Cast 1 with ${fly}.`)).toBeVisible();
}
const press = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click();

for (const first of ['the first page closes first', 'the second page closes first'] as const)
  test(`two pages, one device, no network, each pressing; ${first}: every press arrives once`, async ({
    context,
  }) => {
    const one = await context.newPage();
    const two = await context.newPage();
    const flies = [`Ant, ${first}`, `Gnat, ${first}`];
    await beginTry(one, `e2e-one-${first.length}`, flies[0]!);
    await beginTry(two, `e2e-two-${first.length}`, flies[1]!);
    await expect(one.getByText(/waiting$/)).toHaveCount(0);
    await context.setOffline(true);
    for (const name of ['Nothing', 'Looked', 'Missed']) {
      await press(one, name);
      await press(two, name);
    }
    // Both pages know of all that waits on this device.
    await expect(one.locator(styled('.saved'))).toContainText('Not with the book yet');
    await expect(two.locator(styled('.saved'))).toContainText('Not with the book yet');
    const [closing, staying] = first === 'the first page closes first' ? [one, two] : [two, one];
    await closing.close();
    await context.setOffline(false);
    await expect(staying.locator(styled('.saved'))).toHaveText('');
    // The tries of both pages, each with its three casts, neither more nor less.
    const { tries, try_events: events } = await bookOf(staying.request);
    for (const fly of flies) {
      const attempt = tries!.filter((t) => t.fly === fly);
      expect(attempt).toHaveLength(1);
      expect(
        events!
          .filter((e) => e.try_id === attempt[0]!.id)
          .sort((a, b) => Number(a.seq) - Number(b.seq))
          .map((e) => e.code),
      ).toEqual(['cast', 'look', 'miss']);
    }
    await staying.close();
  });

test('what the book would not take stays on the page with its sentence, and is mended there', async ({
  page,
}) => {
  await beginTry(page, 'e2e-refused', 'Sedge');
  await press(page, 'Took');
  await press(page, 'Landed');
  // A refusal as an older server would give it: the press is neither lost nor called kept.
  let refuse = true;
  await page.route('**/events/**', (route) =>
    refuse
      ? route.fulfill({
          status: 400,
          json: {
            error: {
              code: 'invalid',
              message: 'Length of the fish must be 5 to 102 cm.',
              field: 'lengthCm',
            },
          },
        })
      : route.continue(),
  );
  await page.getByLabel(/^Its length/).fill('27');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByText('1 not taken by the book').click();
  await expect(page.getByText(/Length of the fish must be 5 to 102 cm/)).toBeVisible();
  // It is still there after the page is loaded again.
  await page.reload();
  await page.getByText('1 not taken by the book').click();
  refuse = false;
  await page.getByLabel('Its length, cm').fill('26');
  const taken = page.waitForResponse((r) => r.url().includes('/events/') && r.ok());
  await page.getByRole('button', { name: 'Send it again' }).click();
  await taken;
  await expect(page.getByText(/not taken by the book/)).toHaveCount(0);
  await page.reload();
  await expect(inspector(page).getByText(/landed, 26 cm/)).toBeVisible();
});
