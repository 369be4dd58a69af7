import { expect, test, type Page } from './test';
import { settled } from './page';
import { styled } from './styled';

const tools = (page: Page) => page.getByRole('navigation', { name: 'Tools' });

async function byNumbers(page: Page, tool: string, text: string): Promise<void> {
  await tools(page).getByRole('button', { name: tool, exact: true }).click();
  await page.getByLabel('or by numbers, x, y in metres').fill(text);
  await page.getByRole('button', { name: 'Place it' }).click();
}

test('a survey: banks, a tape with speeds, soundings from CSV, a rock; left half-made it is kept', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Survey it' }).click();
  await page.getByLabel('Beat', { exact: true }).fill('Fold Reach');
  await page.getByLabel('Stream', { exact: true }).fill('Kest Beck');
  await expect(page.getByText('Banks: there is no left bank.')).toBeVisible();

  // A bank by tapping, given back by Escape, then by tapping again; the other by numbers.
  const plan = page.getByRole('group', { name: /^Plan of the survey/ });
  const box = (await plan.boundingBox())!;
  const scale = (box.width - 40) / 30;
  const tap = (x: number, y: number) =>
    page.mouse.click(box.x + 20 + x * scale, box.y + box.height / 2 - y * scale);
  await tools(page).getByRole('button', { name: 'Bank', exact: true }).click();
  await tap(-0.5, -3);
  await tap(12, -3.2);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'End it here (0 places)' })).toBeVisible();
  for (const x of [-0.5, 10, 20, 30.4]) await tap(x, -3);
  await page.keyboard.press('Backspace');
  await tap(30.4, -3.1);
  await page.getByRole('button', { name: 'End it here (4 places)' }).click();
  await page.getByRole('radio', { name: 'right' }).click();
  await page.getByLabel('or by numbers, x, y in metres').fill('-1, 3; 15, three');
  await page.getByRole('button', { name: 'Place it' }).click();
  await expect(page.getByText(/^Place 2 is "15, three"/)).toBeVisible();
  await page.getByLabel('or by numbers, x, y in metres').fill('-1, 3; 15, 3.3; 31, 3');
  await page.getByRole('button', { name: 'Place it' }).click();
  await page.getByRole('button', { name: 'Put the tool down' }).click();
  await expect(page.getByText('Depths: the beat has no section')).toBeVisible();

  // A section with its stations from a file of semicolons and decimal commas.
  await byNumbers(page, 'Section', '8, -3; 8, 3.1');
  await page.getByRole('button', { name: 'Put the tool down' }).click();
  await page.getByLabel('Stations from a CSV').setInputFiles({
    name: 'tape.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'offset;depth;speed\n0;0;\n1;0,25;0,3\n2;0,4;0,5\n3;0,45;0,6\n4;0,4;0,5\n5;0,2;0,3\n6,1;0;\n',
    ),
  });
  await expect(page.getByText(/^These carry 0\.\d\d m³\/s through/)).toBeVisible();
  await expect(page.getByText(/\(ISO 748\)/)).toBeVisible();
  await expect(page.getByText('It is whole: it can be made a beat.')).toBeVisible();

  // Soundings: a bad file is answered line by line, the good ones can be taken.
  await page.getByText('CSV, in and out').click();
  await page.getByLabel('Take from a file (metres, m/s)').setInputFiles({
    name: 'dots.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('x,y,depth\n16,0,0.5\n22,1,-2\n24,0.5,0.6\n'),
  });
  await expect(page.getByText('Line 3: depth is -2; 0 to 6 m is possible.')).toBeVisible();
  await page.getByRole('button', { name: 'Take the 2 good ones' }).click();
  await page.getByRole('button', { name: 'Where to sound next' }).click();
  await expect(page.getByText(/A sounding at x \d+\.\d, y -?\d+\.\d m helps most/)).toBeVisible();

  // A sounding on land is named; undo takes it back.
  await byNumbers(page, 'Sounding', '12, 8');
  await expect(page.getByText(/^Sounding 3: lies 4\.\d m outside the water's edge/)).toBeVisible();
  await page.getByRole('button', { name: 'Make the beat and read it' }).click();
  await expect(page.locator(styled('.refusal'))).toContainText(
    'The draft is kept, but it is no beat yet',
  );
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('It is whole: it can be made a beat.')).toBeVisible();

  // A corner dragged and given back by Escape; a level told by its section.
  await byNumbers(page, 'Rock', '14, 0.4');
  await page.getByRole('button', { name: 'Put the tool down' }).click();
  await page.getByRole('button', { name: /^Rock 1, x 14/ }).click();
  const corner = page.getByRole('button', { name: /^Rock, corner 1/ });
  const at = (await corner.boundingBox())!;
  await page.mouse.move(at.x + 7, at.y + 7);
  await page.mouse.down();
  await page.mouse.move(at.x + 60, at.y + 20, { steps: 5 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Rock 1, x 14.0' })).toBeVisible();
  await corner.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'Rock 1, x 14.1' })).toBeVisible();
  await page.getByText('Levels and how they are known').click();
  await page.getByRole('button', { name: 'Say Fair' }).click();
  await page.getByLabel('Known').selectOption('section');
  await page.getByRole('button', { name: 'Take it for Fair' }).click();
  await expect(page.getByText(/mid-section method at x 8/)).toBeVisible();

  await expect(page.getByText('Draft saved')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Rock 1, x 14.1' })).toBeVisible();
  await page.getByRole('button', { name: 'Make the beat and read it' }).click();
  await expect(page).toHaveURL(/\/b\/[0-9a-f-]+\/read/);
  await settled(page);

  // Speeds were taken, so the bed can be fitted to them; it is solved again with that.
  await expect(page.getByText(/^Uncalibrated/)).toBeVisible();
  await page.getByText('Measured and solved, place by place').click();
  await page.getByRole('button', { name: 'Calibrate to the measured speeds' }).click();
  await expect(page.getByText(/^Fits best at/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it and solve again' }).click();
  await expect(page.getByText(/^Calibrated to \d+ measured places/)).toBeVisible();
});

test('a photograph is traced over, scaled by two points; what is none is refused', async ({
  page,
}) => {
  await page.goto('/make/survey/e2e-trace');
  await page.getByText('Trace over a photograph').click();
  const choose = page.getByLabel(/^Your own photograph/);
  await choose.setInputFiles({
    name: 'notes.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('no picture at all'),
  });
  await expect(page.getByText(/^This file of 0\.0 MB is no picture/)).toBeVisible();
  await choose.setInputFiles({
    name: 'huge.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.alloc(30_000_000, 7),
  });
  await expect(page.getByText(/^The photograph holds 30\.0 MB; at most 25 MB/)).toBeVisible();
  // A picture made here: 200 x 100 px.
  const png = await page.evaluate(
    "new Promise((done) => { const c = document.createElement('canvas'); c.width = 200; c.height = 100; const p = c.getContext('2d'); p.fillStyle = '#68a'; p.fillRect(0, 0, 200, 100); done(c.toDataURL('image/png').split(',')[1]); })",
  );
  await choose.setInputFiles({
    name: 'stream.png',
    mimeType: 'image/png',
    buffer: Buffer.from(String(png), 'base64'),
  });
  await expect(page.locator(styled('.makingDrawing image'))).toBeAttached();
  const width = async () =>
    Number(await page.locator(styled('.makingDrawing image')).getAttribute('width'));
  const before = await width();
  await page.getByRole('button', { name: 'Scale it by two known points' }).click();
  const plan = (await page.getByRole('group', { name: /^Plan of the survey/ }).boundingBox())!;
  await page.mouse.click(plan.x + 200, plan.y + 200);
  await page.mouse.click(plan.x + 400, plan.y + 200);
  const field = page.getByLabel('Between the two points');
  const drawnM = (200 / (plan.width - 40)) * 30;
  await field.fill((drawnM / 2).toFixed(2));
  await field.press('Enter');
  await page.getByRole('button', { name: 'Scale it', exact: true }).click();
  await expect.poll(async () => (await width()) / before).toBeCloseTo(0.5, 1);
});
