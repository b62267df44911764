import { choose, expect, openJob, signIn, tally, test } from './fixture.ts';

test('what one person does is seen by another without reloading', async ({ browser, page, address }) => {
  await signIn(page, address, 'ilse');
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, address, 'ravi');
  await openJob(other, address, 'Mobile library', 'build');
  await expect(page.getByRole('region', { name: 'Bay 2' }).getByText(/^PL on it/)).toBeVisible();
  await other.getByRole('button', { name: 'Clock on' }).click();
  await expect(page.getByRole('region', { name: 'Bay 2' }).getByText(/PL, RD on it/)).toBeVisible();
  await other.getByRole('button', { name: 'Clock off' }).click();
  await expect(page.getByRole('region', { name: 'Bay 2' }).getByText(/^PL on it/)).toBeVisible();
});

test('what was done to a job can be read: who, when, what', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Bakery van', 'build');
  await page.getByLabel('A fault to put right').fill('rattle in the door');
  await page.getByRole('button', { name: 'Note snag' }).click();
  await expect(page.getByText('rattle in the door')).toBeVisible();
  await page.getByRole('button', { name: 'History' }).click();
  const newest = page.getByRole('table', { name: 'What was done' }).getByRole('row').nth(1);
  await expect(newest).toContainText('Ilse Marrow');
  await expect(newest).toContainText('noted a snag');
});

test('two people change the same line: both sides are shown and nothing is lost', async ({
  browser,
  page,
  address,
}) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Tour car', 'brief');
  await expect(tally(page, 'rangeRound')).toContainText('wanted at least 40 km');
  await page.getByLabel('Range on the round, amount').fill('55');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, address, 'ilse');
  await openJob(other, address, 'Tour car', 'brief');
  await other.getByLabel('Range on the round, amount').fill('70');
  await other.getByRole('button', { name: 'Save line' }).click();
  await expect(tally(other, 'rangeRound')).toContainText('wanted at least 70 km');
  await expect(page.getByLabel('Range on the round, amount')).toHaveValue('55');
  await page.getByRole('button', { name: 'Save line' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Somebody saved this while you were writing');
  await expect(dialog.getByRole('row', { name: /Amount/ })).toContainText('55 km');
  await expect(dialog.getByRole('row', { name: /Amount/ })).toContainText('70 km');
  await dialog.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(tally(other, 'rangeRound')).toContainText('wanted at least 55 km');
});

test('a session that ends while somebody types: sign in again, and what was typed is sent', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'jory');
  await openJob(page, address, 'Bakery van', 'build');
  await page.getByLabel('A fault to put right').fill('Hose rubs on the cross member');
  await page.context().clearCookies();
  await page.getByRole('button', { name: 'Note snag' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Your session has run out. What you typed is kept');
  await expect(page.getByText('You are signed out.')).toBeVisible();
  await dialog.getByLabel('Name').fill('jory');
  await dialog.getByLabel('Password').fill('quay-and-copper');
  await dialog.getByRole('button', { name: 'Sign in' }).click();
  // Told above while it waits; sent, it stands among the snags alone.
  await expect(page.getByText('You are signed out.')).toBeHidden();
  await expect(page.getByText('Hose rubs on the cross member')).toBeVisible();
  await expect(page.getByLabel('A fault to put right')).toHaveValue('');
});

test('rework on a finished live stage shows its caution, and a viewer follows it', async ({
  browser,
  page,
  address,
}) => {
  await signIn(page, address, 'soren');
  const number = await openJob(page, address, 'Fire tender', 'build');
  await page.getByRole('button', { name: 'Clock off' }).click();
  await expect(page.getByRole('button', { name: 'Clock on' })).toBeVisible();
  await page.locator('[data-stage-key="first-power"]').click();
  await expect(page.getByText('High voltage kills.')).toHaveCount(0);
  await page.getByRole('button', { name: 'Rework …' }).click();
  await page.getByText('Damaged').click();
  await expect(page.getByText(/SA since .*\(rework\)/)).toBeVisible();
  await expect(page.getByText('High voltage kills.')).toBeVisible();
  const other = await (await browser.newContext()).newPage();
  await signIn(other, address, 'odo');
  await other.goto(`${address}/jobs/${number}/build`);
  await other.locator('[data-stage-key="first-power"]').click();
  await expect(other.getByText(/SA since .*\(rework\)/)).toBeVisible();
  await expect(other.getByRole('button', { name: 'Clock on' })).toHaveCount(0);
});

test('a vehicle moved into a bay appears there on the other screen', async ({ browser, page, address }) => {
  await signIn(page, address, 'ilse');
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, address, 'jory');
  await expect(other.getByRole('region', { name: 'Bay 3' }).getByText('Hotel shuttle')).toBeVisible();
  await openJob(page, address, 'Tour car', 'vehicle');
  await choose(page, 'Place', 'Bay 3');
  await expect(page.getByText(/^Bay 3 holds \d\d-\d{3} Hotel shuttle\. Move that first\.$/)).toBeVisible();
  await openJob(page, address, 'Hotel shuttle', 'vehicle');
  await choose(page, 'Place', 'Out of the building');
  await expect(other.getByRole('region', { name: 'Bay 3' }).getByText('Free')).toBeVisible();
  await openJob(page, address, 'Tour car', 'vehicle');
  await choose(page, 'Place', 'Bay 3');
  await expect(other.getByRole('region', { name: 'Bay 3' }).getByText('Tour car')).toBeVisible();
});
