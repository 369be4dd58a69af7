import { expect, test } from './test';
import { BEAT, inspector, settled, step } from './page';

test('the rig in this water: chosen, reckoned, led further, changed, refused, felt, and taken back', async ({
  page,
}) => {
  await page.goto(`${BEAT}/cast?mark=demo-mark-2&fly=indicator&rig=float`);
  await settled(page);
  await expect(page).toHaveURL(/stand=.*land=/);
  await step(page, 'Bench').click();
  const panel = inspector(page);
  await expect(panel.getByText('down at its nose')).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^Float and two nymphs, from the line/ }),
  ).toBeVisible();
  const lane = page.getByRole('img', { name: /^Along the lane:/ });
  await expect(lane).toBeVisible();

  // What helps, done: the lead of the sentence is the one on the lane afterwards.
  await expect(page.getByRole('region', { name: /^To (get it down|keep it off)/ })).toBeVisible();
  const further = page.getByRole('button', { name: /Lead (further|less): do it/ });
  if ((await further.count()) > 0) {
    const before = await lane.getAttribute('aria-label');
    await further.click();
    await expect(lane).not.toHaveAttribute('aria-label', before!);
  }

  // Another rig changes everything that hangs on it.
  await panel.getByRole('button', { name: /^Small stream dry/ }).click();
  await expect(panel.getByText('Nothing sinks on this rig')).toBeVisible();
  await expect(page).toHaveURL(/rig=small-stream/);
  await panel.getByRole('button', { name: /^Float and two nymphs/ }).click();
  await expect(panel.getByText('down at its nose')).toBeVisible();

  // Part by part; what cannot be is said at its place and nothing changes.
  await panel.getByRole('button', { name: 'Change the rig' }).click();
  const hung = panel.getByLabel(/^Float to the lowest fly/);
  await hung.fill('9');
  await hung.press('Enter');
  await expect(panel.getByText(/The float hangs 9.00 m above the fly/)).toBeVisible();
  await expect(page).toHaveURL(/rig=float/);
  await hung.fill('1.2');
  await hung.press('Enter');
  await expect(page).toHaveURL(/rig=own-/);
  await expect(page.getByText(/1\.20 m to the lowest fly/).first()).toBeVisible();
  const kept = page.waitForResponse((r) => r.url().includes('/api/v1/settings') && r.ok());
  await panel.getByRole('button', { name: 'This in the hand' }).click();
  await kept;
  await expect(panel.getByText(/In the hand: Float and two nymphs, mine/)).toBeVisible();

  // What the bed said, in the log and in the reckoning.
  await panel.getByRole('button', { name: 'Never touched' }).click();
  await expect(panel.getByText(/From 1 drift your flies sink/)).toBeVisible();
  await panel.getByRole('button', { name: 'Take the last back' }).click();
  await expect(panel.getByText(/Nothing yet on this beat/)).toBeVisible();

  await page.reload();
  await settledOnBench(page);
  await expect(panel.getByText(/In the hand: Float and two nymphs, mine/)).toBeVisible();

  // Left as it was found: other checks fish the usual rig, and count tries.
  await panel.getByRole('button', { name: 'Change the rig' }).click();
  await panel.getByRole('button', { name: 'Throw this rig away' }).click();
  await expect(panel.getByText('In the hand: none.')).toBeVisible();
});

const settledOnBench = async (page: import('./test').Page) => {
  await expect(inspector(page).getByText('down at its nose')).toBeVisible();
};
