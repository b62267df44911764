import { choose, expect, openJob, signIn, tally, test } from './fixture.ts';

test('one unit set everywhere, typed numbers included', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Bakery van', 'brief');
  await expect(page.getByLabel('Range on the round, amount')).toHaveValue('110');
  await page.getByRole('button', { name: 'Ilse Marrow, menu' }).click();
  await page.getByText('US units').click();
  await expect(page.getByLabel('Range on the round, amount')).toHaveValue('68.35');
  await page.getByLabel('Range on the round, amount').fill('100');
  await page.getByRole('button', { name: 'Save line' }).click();
  await expect(tally(page, 'rangeRound')).toContainText('wanted at least 100 miles');
  await page.keyboard.press('Escape');
  await openJob(page, address, 'Bakery van', 'vehicle');
  await expect(page.locator('[data-vehicle-figure="frontAxleMass"]')).toContainText('1 321 lb');
  await page.getByLabel('Front left').fill('665');
  await page.getByLabel('Front right').fill('660');
  await page.getByLabel('Rear left').fill('505');
  await page.getByLabel('Rear right').fill('500');
  await page.getByRole('button', { name: 'Save weights' }).click();
  await expect(page.locator('[data-vehicle-figure="frontAxleMass"]')).toContainText('1 325 lb');
  await openJob(page, address, 'Bakery van', 'build');
  await expect(page.locator('[data-step="Torque, cradle, front pair"]')).toContainText('46 to 52 lb·ft');
  await page.reload();
  await expect(page.locator('[data-step="Torque, cradle, front pair"]')).toContainText('46 to 52 lb·ft');
  await page.getByRole('button', { name: 'Ilse Marrow, menu' }).click();
  await page.getByText('Metric units').click();
  await expect(page.locator('[data-step="Torque, cradle, front pair"]')).toContainText('62 to 70 N·m');
  await openJob(page, address, 'Bakery van', 'brief');
  await expect(page.getByLabel('Range on the round, amount')).toHaveValue('160.93');
});

test('the finder knows jobs, clients, models and awaited parts', async ({ page, address }) => {
  await signIn(page, address, 'mabel');
  const found = page.locator('.ant-select-item-option');
  const box = page.getByLabel('Find a job, part or vehicle');
  await box.click();
  for (const [text, wanted] of [
    ['harbour', 'Luggage tug'],
    ['lantern', 'Tour car'],
    ['contactor', 'wanted by'],
    ['ice-cr', 'Ice-cream van'],
  ] as const) {
    await box.fill(text);
    await expect(found.first()).toContainText(wanted);
  }
  await box.fill('zeppelin');
  await expect(page.getByText('Nothing found.')).toBeVisible();
  await choose(page, 'Find a job, part or vehicle', 'Fire tender');
  await expect(page.getByRole('heading', { name: /Fire tender/ })).toBeVisible();
});

test('on a tablet everything is still there', async ({ page, address }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await signIn(page, address, 'jory');
  await expect(page.getByText('Hours today')).toBeVisible();
  await openJob(page, address, 'Bakery van', 'bench');
  const off = page.getByRole('button', { name: 'Clock off' });
  await expect(off).toBeVisible();
  const box = await off.boundingBox();
  expect(box?.height).toBeGreaterThanOrEqual(44);
  for (const step of ['brief', 'size', 'match', 'prove']) {
    await openJob(page, address, 'Bakery van', step);
    await expect(page.getByRole('heading', { name: 'Brief against now' })).toBeVisible();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wide, step).toBeLessThanOrEqual(0);
  }
});
