import { choose, expect, openJob, signIn, tally, test } from './fixture.ts';

test('what cannot be built is said at its place and nothing typed is lost', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Bakery van', 'size');
  const before = await tally(page, 'rangeRound').textContent();
  await page.getByLabel('Modules in rear').fill('4,5');
  await expect(page.getByText('Write decimals with a point, and no commas.')).toBeVisible();
  await expect(page.getByLabel('Modules in rear')).toHaveValue('4,5');
  await expect(tally(page, 'rangeRound')).toHaveText(before ?? '');
  await page.getByLabel('Modules in rear').fill('99');
  await expect(page.getByText(/^takes \d+ at most$/)).toBeVisible();
  await expect(page.getByText('Axle loads: a box does not fit its bay.')).toBeVisible();
  await expect(tally(page, 'grossMass')).toContainText('a box does not fit its bay');
  await page.getByRole('button', { name: 'Save as a new version' }).click();
  await expect(page.getByRole('alert')).toContainText(/99 modules do not go into the rear bay: it takes \d+\./);
  await expect(page.getByLabel('Modules in rear')).toHaveValue('99');
  await page.reload();
  await expect(page.getByLabel('Modules in rear')).toHaveValue('99');
  await page.getByRole('button', { name: 'Drop changes' }).click();
  await expect(page.getByLabel('Modules in rear')).toHaveValue('4');
  await expect(tally(page, 'rangeRound')).toHaveText(before ?? '');
});

test('a torque cap protects the weakest part and costs seconds', async ({ page, address }) => {
  await signIn(page, address, 'soren');
  await openJob(page, address, 'Tour car', 'size?look=drive');
  await expect(page.locator('[data-figure="time0to20"]').first()).toBeVisible();
  await page.getByLabel('Gear left engaged', { exact: true }).click();
  await page.getByText('1, 3.8 : 1').click();
  await expect(page.getByText(/Full torque breaks the swing half shafts/)).toBeVisible();
  const free = await page.locator('[data-figure="time0to20"]').first().textContent();
  await page.getByLabel('Torque cap', { exact: true }).fill('60');
  await expect(page.getByText(/Full torque breaks/)).toBeHidden();
  await expect(page.locator('[data-figure="time0to20"]').first()).not.toHaveText(free ?? '');
  await expect(page.locator('.tally')).toContainText('Not saved');
});

test('a use the drive cannot keep up with says so beside its range; a working names every source', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'soren');
  await openJob(page, address, 'Tour car', 'size?look=uses');
  const row = (name: string) => page.getByRole('row', { name });
  await expect(row('R83 cycle')).toContainText(/drive too weak for \d+ of 1180 s/);
  await expect(row('Daily round')).not.toContainText('too weak');
  await page.locator('.work [data-figure="rangeCycle"]').first().click();
  const working = page.getByRole('table', { name: 'Vehicle figures it rests on' });
  await expect(working.getByRole('row', { name: /drag coefficient/ })).toContainText(/often 12.*off, moves this by/);
  await expect(working.getByRole('row', { name: /front axle mass|front axle/ }).first()).toContainText('measured');
});

test('a series count outside the window is named for each component', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Tour car', 'match');
  await choose(page, 'Kit and revision', 'Wren front-drive kit, revision C');
  await expect(page.locator('[data-overall="doesNotFit"]')).toBeVisible();
  await expect(page.locator('[data-rule="boxInBay"][data-verdict="doesNotFit"]').first()).toContainText(
    'which this variant does not have',
  );
  await expect(page.locator('[data-rule="mountingPoints"][data-verdict="doesNotFit"]').first()).toContainText(
    'this variant has no such point',
  );
});

test('a vehicle figure of this very vehicle, and the measuring list it leaves', async ({ page, address }) => {
  await signIn(page, address, 'tove');
  await openJob(page, address, 'Bakery van', 'vehicle');
  await expect(page.locator('[data-measure="dragCoefficient"]')).toBeVisible();
  await page.getByRole('button', { name: 'Measure Drag coefficient' }).click();
  await page.getByLabel('Value').fill('45');
  await page.getByRole('button', { name: 'Save figure' }).click();
  await expect(page.getByText(/Value cannot be: it must lie between/)).toBeVisible();
  // What cannot be read is never answered with the value that was there before: the field is shown, nothing is sent.
  let sent = 0;
  page.on('request', (request) => {
    if (request.method() === 'PUT') sent++;
  });
  await page.getByLabel('Value').fill('0,41');
  await page.getByRole('button', { name: 'Save figure' }).click();
  await expect(page.getByText('Write decimals with a point, and no commas.')).toBeVisible();
  await expect(page.getByLabel('Value')).toBeFocused();
  await page.getByLabel('Value').press('Enter');
  expect(sent).toBe(0);
  await page.getByLabel('Value').fill('0.41');
  await page.getByRole('button', { name: 'Save figure' }).click();
  await expect(page.locator('[data-vehicle-figure="dragCoefficient"]')).toContainText('0.410');
  await expect(page.locator('[data-vehicle-figure="dragCoefficient"]')).toContainText('measured Tove Kerrin');
  await expect(page.locator('[data-measure="dragCoefficient"]')).toBeHidden();
});

test('gaps in cover are settled, a verdict is decided with a reason', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'match');
  await page.getByRole('button', { name: 'Override: Mounting point, lower left' }).click();
  await page.getByLabel('Why it is taken all the same').fill('no');
  await page.getByRole('button', { name: 'Take it all the same' }).click();
  await expect(page.getByText(/Reason is needed/)).toBeVisible();
  await page.getByLabel('Why it is taken all the same').fill('cradle 1.3 is on the bench');
  await page.getByRole('button', { name: 'Take it all the same' }).click();
  await expect(page.getByText(/Taken all the same by Ilse Marrow.*cradle 1\.3 is on the bench/)).toBeVisible();
  await page.locator('[data-function="coolBattery"]').click();
  await choose(page, 'Covered by', 'made here');
  await page.getByLabel('What, or why not').fill('ducted air');
  await page.getByRole('button', { name: 'Settle' }).click();
  await expect(page.locator('[data-function="coolBattery"]')).toContainText('made here');
  // Or by a part of the catalogue, which goes onto the parts list with it.
  await page.locator('[data-function="chargeDc"]').click();
  await page.getByRole('button', { name: 'Add Combined AC and DC inlet' }).click();
  await expect(page.locator('[data-function="chargeDc"]')).toContainText('bought locally');
  await openJob(page, address, 'Ice-cream van', 'parts');
  await expect(page.getByLabel('State of Combined AC and DC inlet')).toBeVisible();
});

test('a job that is over says so at each step and offers nothing to press', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  for (const [step, sentence] of [
    ['brief', 'its brief is closed'],
    ['vehicle', 'it takes no weighing'],
    ['size', 'its designs stay as they are'],
    ['match', 'its kit stays as it is'],
    ['build', 'nobody clocks on to it'],
    ['prove', 'no check is signed on it'],
  ] as const) {
    const number = await openJob(page, address, 'Post van', step);
    await expect(page.getByText(`${number} is handed over: ${sentence}.`)).toBeVisible();
    await expect(page.locator('.work section').first()).toBeVisible();
    for (const name of [
      /^Save/,
      /^Clock on/,
      /^Sign /,
      /^Choose this/,
      'Note snag',
      'Add line',
      /^(Check again|Again)/,
    ])
      await expect(page.getByRole('button', { name })).toHaveCount(0);
  }
});

test('a viewer looks and finds nothing to change', async ({ page, address }) => {
  await signIn(page, address, 'odo');
  await expect(page.getByText('Needs a decision')).toBeVisible();
  await page.getByRole('link', { name: 'Jobs' }).click();
  await expect(page.getByRole('button', { name: 'New job' })).toHaveCount(0);
  await openJob(page, address, 'Bakery van', 'build');
  await expect(page.getByRole('heading', { name: 'Rear box and drive in' })).toBeVisible();
  for (const name of ['Clock on', 'Finish stage', 'Note snag', /^Enter/])
    await expect(page.getByRole('button', { name })).toHaveCount(0);
  await openJob(page, address, 'Bakery van', 'prove');
  await expect(page.getByRole('button', { name: /^Sign/ })).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Save as PDF' })).toBeVisible();
  await openJob(page, address, 'Bakery van', 'brief');
  await expect(page.getByText('The brief is changed by a manager.')).toBeVisible();
  await page.goto(`${address}/jobs/99-999/brief`);
  await expect(page.getByRole('heading', { name: 'There is no such job.' })).toBeVisible();
  await page.goto(`${address}/nowhere`);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
});

test('the page keeps going when the server is away, and says so', async ({ page, address }) => {
  await signIn(page, address, 'jory');
  await openJob(page, address, 'Bakery van', 'build');
  await page.getByLabel('A fault to put right').fill('Strap frayed');
  await page.route('**/api/**', (route) => route.abort());
  await page.getByRole('button', { name: 'Note snag' }).click();
  // What is done at the vehicle waits and goes by itself; what is typed elsewhere is kept in its field.
  await expect(page.getByText('waits to be sent')).toBeVisible();
  await page
    .getByRole('button', { name: /^Note a lesson/ })
    .first()
    .click();
  await page.getByLabel('What to change in the kit or the work').fill('Longer strap');
  await page.getByRole('button', { name: 'Note the lesson' }).click();
  await expect(page.getByText('The server cannot be reached. What you typed is kept; try again.')).toBeVisible();
  await expect(page.getByLabel('What to change in the kit or the work')).toHaveValue('Longer strap');
  await page.unroute('**/api/**');
  await page.getByRole('button', { name: 'Note the lesson' }).click();
  await expect(page.getByText('waits to be sent')).toBeHidden({ timeout: 20_000 });
  await expect(page.getByText('Strap frayed', { exact: false }).first()).toBeVisible();
});
