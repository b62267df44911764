import { expect, figure, look, openJob, signIn, tally, test } from './fixture.ts';

test('what holds the drive back is named; a use beyond it is refused; the question is turned round', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=drive');
  const links = page.getByRole('list', { name: 'Links of the chain' });
  await expect(links.getByText('holds it back').first()).toBeVisible();
  await expect(links.getByRole('listitem').filter({ hasText: 'Inverter, phase current' })).toContainText('not known');

  await test.step('a cap is a link of its own, in the unit it was written in', async () => {
    await page.getByLabel('Torque cap').fill('40 lb ft');
    await expect(page.getByText('= 54.2 N·m')).toBeVisible();
    await expect(links.getByRole('listitem').filter({ hasText: 'Torque cap' })).toContainText('holds it back');
    await page.getByLabel('Torque cap').fill('40 lb');
    await expect(page.getByText('That is a mass; here N·m is wanted.')).toBeVisible();
    await page.getByLabel('Torque cap').fill('');
  });

  await test.step('too short a reduction leaves no steady speed to tell a range for', async () => {
    await page.getByLabel('Another reduction').fill('40');
    await expect(figure(page, 'topSpeed')).toContainText(/\d\d/);
    await look(page, 'Uses and range');
    await expect(page.getByText(/cannot hold 60\skm\/h/).first()).toBeVisible();
    await look(page, 'Drive');
    await page.getByLabel('Another reduction').fill('');
  });

  await test.step('how much of one thing would just give the missing kilometres', async () => {
    await tally(page, 'rangeRound').getByRole('button', { name: 'What would just meet Range on the round' }).click();
    const answers = page.getByRole('table', { name: 'What would just meet the line' });
    await expect(answers.getByRole('row', { name: /^Modules/ })).toContainText(/\d/);
    await expect(answers.getByRole('row', { name: /^Mass/ })).toContainText(/kg|no amount does/);
    await page.keyboard.press('Escape');
  });
});

test('how far range and hill start may lie, and what to measure first', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'vehicle');
  await page.getByRole('button', { name: 'How far range and hill start may lie' }).click();
  const range = page.locator('[data-spread-of="rangeRound"]');
  await expect(range).toContainText(/\d+\skm to \d+\skm/, { timeout: 60_000 });
  await expect(range).toContainText(/Measure .* first: it carries \d+\s% of the spread/);
  const [low, high] = (await range.locator('.num').textContent())!.match(/\d+/g)!.map(Number) as [number, number];
  expect(high).toBeGreaterThan(low);
  await expect(page.locator('[data-spread-of="hillStart"]')).toContainText('% to');
});

test('a coast-down log is read, adopted as measured, and the spread narrows', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'vehicle');
  const width = async () => {
    await page.getByRole('button', { name: 'How far range and hill start may lie' }).click();
    const range = page.locator('[data-spread-of="rangeRound"] .num');
    await expect(range).toContainText(/\d+\skm to \d+\skm/, { timeout: 60_000 });
    const [low, high] = (await range.textContent())!.match(/\d+/g)!.map(Number) as [number, number];
    return high - low;
  };
  const before = await width();
  const file = page.locator('input[type="file"][accept=".csv,.txt"]');
  await file.setInputFiles({ name: 'rain.csv', mimeType: 'text/csv', buffer: Buffer.from('Monday: rain') });
  await expect(page.getByText('No columns with names were found', { exact: false })).toBeVisible();
  // v = √(a/b)·tan(c − t·√(ab)) for rolling 0.014 and a drag area of 1.1 m² on 1064 kg.
  const a = (9.80665 * 0.014) / 1.05;
  const b = (1.225 * 1.1) / (2 * 1064 * 1.05);
  const start = Math.atan(25 * Math.sqrt(b / a));
  const rows = Array.from({ length: 120 }, (_, t) => Math.sqrt(a / b) * Math.tan(start - t * Math.sqrt(a * b)) * 3.6);
  const csv = `Road test\nTime [s];Speed [km/h]\n${rows
    .filter((v) => v > 8)
    .map((v, t) => `${t};${v.toFixed(2).replace('.', ',')}`)
    .join('\n')}`;
  await file.setInputFiles({ name: 'coast.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  const table = page.getByRole('table', { name: 'Coast-down against what was taken' });
  await expect(table.getByRole('row', { name: /Rolling coefficient/ })).toContainText('± 0.0');
  await page.getByRole('button', { name: 'Adopt as measured' }).click();
  await expect(page.getByRole('button', { name: 'Adopted as measured' })).toBeVisible();
  await expect(page.locator('[data-vehicle-figure="rollingCoefficient"]')).toContainText('measured');
  await expect(page.locator('[data-vehicle-figure="dragCoefficient"]')).toContainText('measured');
  expect(await width()).toBeLessThan(before * 0.7);
});

test('rear wheels alone break a half shaft; the mode is locked out, or the cap is taken', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Fire tender', 'size?look=drive');
  const broken = page.getByText(/Full torque in rear wheels only breaks the rear half shaft/);
  await expect(broken).toBeVisible();
  await page.getByRole('checkbox', { name: 'rear wheels only' }).uncheck();
  await expect(broken).toBeHidden();
  await page.getByRole('checkbox', { name: 'rear wheels only' }).check();
  await expect(broken).toBeVisible();
  const cap = (await figure(page, 'protectiveCap').textContent())!.replace(/\D/g, '');
  await page.getByLabel('Torque cap').fill(cap);
  await expect(broken).toBeHidden();
});

test('sources that say otherwise are kept side by side, and settled with a reason', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'vehicle');
  const row = page.locator('[data-vehicle-figure="grossMass"]');
  await row.getByRole('button', { name: 'Another source of Gross mass, plate' }).click();
  await page.getByRole('button', { name: 'Keep it beside' }).click();
  await expect(page.getByText('Who says so is needed.')).toBeVisible();
  await page.getByLabel('Another source says').fill('1700');
  await page.getByLabel('Who says so').fill('handbook of 1971');
  await page.getByRole('button', { name: 'Keep it beside' }).click();
  await expect(row.locator('[data-claim="open"]')).toContainText(/handbook of 1971 says 1.700\skg/);
  await row.getByRole('button', { name: 'Settle' }).click();
  await page.getByRole('button', { name: 'Use this one' }).click();
  await expect(page.getByText('Reason is needed.')).toBeVisible();
  await page.getByLabel('Why the other one is not used').fill('the library has the short wheelbase');
  await page.getByRole('button', { name: 'Use this one' }).click();
  await expect(row.locator('[data-claim="settled"]')).toContainText(
    /the library of the model says 1.640\skg .*not used, the library has the short wheelbase/,
  );
  await expect(row).toContainText(/1.700\skg/);
  await expect(tally(page, 'grossMass')).toContainText(/at most 1.700\skg/);
});
