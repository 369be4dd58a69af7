import { expect, test } from './test';

test.use({
  viewport: { width: 390, height: 844 },
  geolocation: { latitude: 45.1, longitude: 7.2, accuracy: 200 },
  permissions: ['geolocation'],
});

test('water that nobody drew: a place in half a minute, casts or on, the next move, what they take', async ({
  page,
}) => {
  await page.goto('/read');
  await page.getByRole('button', { name: 'Boulder by it' }).click();
  await page.getByRole('button', { name: 'Keep this read' }).click();
  await expect(page.getByText(/Kept in the book|Saved on this phone/)).toBeVisible();

  await page.goto('/outing#/places');
  await expect(page.getByRole('heading', { name: 'Places' })).toBeVisible();
  // Other checks may have left tries open: each is left first, once the book is on the phone.
  await expect(page.locator('[data-book=ready]')).toBeVisible();
  const going = page.getByRole('button', { name: 'Go on with the try' });
  const fresh = page.getByRole('button', { name: /^Cast here/ });
  for (;;) {
    await expect(going.or(fresh)).toBeVisible();
    if ((await fresh.count()) > 0) break;
    await going.click();
    await page.getByRole('button', { name: 'Leave', exact: true }).click();
    await expect(page).toHaveURL(/#\/(now|places)$/);
    await page.goto('/outing#/places');
  }
  const worth = page.getByRole('region', { name: 'This place is worth' });
  await expect(worth.getByRole('heading', { name: /casts? here\.$/ })).toBeVisible();
  await page.getByRole('group', { name: 'How many such lies' }).getByText('3').click();
  await expect(worth.getByRole('heading', { name: /casts? at each of 3\.$/ })).toBeVisible();
  // A phone that hardly knows where it is says so, and what was told stays.
  await page.getByRole('button', { name: 'Where the phone is' }).click();
  await expect(page.getByText(/knows where it is to 200 m only; 50 m or less/)).toBeVisible();
  await expect(worth.getByRole('heading', { name: /at each of 3\.$/ })).toBeVisible();
  await page.getByRole('button', { name: 'Time and water left' }).click();
  await page.getByRole('group', { name: 'Water still to come' }).getByText('500 m').click();
  await page.getByRole('group', { name: 'Fish until' }).getByRole('button').last().click();
  await expect(worth.getByText(/time enough for all of it/)).toBeVisible();

  await page.getByRole('button', { name: /^Cast here/ }).click();
  const next = page.getByRole('region', { name: 'Next move' });
  await expect(next.getByRole('heading', { name: 'Cast as planned' })).toBeVisible();
  await expect(next.getByRole('row')).not.toHaveCount(0);
  const press = (name: string) => page.getByRole('button', { name, exact: true }).click();
  await press('Turned away');
  await expect(
    next.getByRole('heading', { name: /Longer drift|Another (fly|rig)|Deeper/ }),
  ).toBeVisible();
  await press('Something else');
  await page.getByRole('link', { name: 'What are they taking?' }).last().click();
  await press('splash');
  await press('11 mm');
  await press('like a tent');
  await expect(page.getByText('In the hand: caddis, fluttering.')).toBeVisible();
  await press('It is on: go on with it');
  await expect(page.getByText(/changed, fly, caddis, fluttering, 11 mm/).first()).toBeVisible();
  await press('Leave');
  // One lie of three is done with.
  await expect(page.getByText(/3 lies, 2 left/)).toBeVisible();
});
