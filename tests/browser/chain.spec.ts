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
