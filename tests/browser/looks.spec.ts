import { readFile } from 'node:fs/promises';
import { choose, expect, figure, look, openJob, signIn, tally, test } from './fixture.ts';

test('supplies, hour of coming home and prices decide the night and the year', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=charging');
  const table = page.getByRole('table', { name: 'Charging at every supply' });
  await expect(table.getByRole('row')).toHaveCount(4);
  await expect(table.getByRole('row', { name: /kiosk socket/ })).toContainText('supply');
  await page.getByText('Supplies, rapid post and hour of coming home').click();
  await page.getByLabel('Home and empty at, hour').fill('17');
  await expect(page.getByRole('heading', { name: 'Empty at 17:00, full at …' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a supply' }).click();
  await expect(table.getByRole('row')).toHaveCount(5);
  await page.getByLabel('Supply 4', { exact: true }).fill('ferry berth');
  await expect(table.getByRole('row', { name: /ferry berth/ })).toBeVisible();
  const before = await figure(page, 'energyCostYear').textContent();
  await page.getByLabel('Electricity, a kWh').fill('0.56');
  await expect(figure(page, 'energyCostYear')).not.toHaveText(before ?? '');
  await page.getByRole('button', { name: 'Save the use' }).first().click();
  await expect(page.getByRole('button', { name: 'Save the use' })).toHaveCount(0);
  await page.reload();
  await expect(table.getByRole('row', { name: /ferry berth/ })).toBeVisible();
  await expect(page.getByText('No rapid charging: the inlet has no DC contacts.')).toBeVisible();
  await look(page, 'Layout');
  await choose(page, 'Inlet', 'Combined AC and DC inlet');
  await look(page, 'Charging');
  await expect(figure(page, 'dcTime10to80')).toContainText('h');
  await expect(page.getByText('Rapid charging needs the battery cooled', { exact: false })).toBeVisible();
});

test('a load on the low-voltage side asks for a bigger converter', async ({ page, address }) => {
  await signIn(page, address, 'soren');
  await openJob(page, address, 'Ice-cream van', 'size?look=electrics');
  const picture = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save precharge as a picture' }).click();
  const png = await readFile(await (await picture).path());
  expect([...png.subarray(1, 4)].map((byte) => String.fromCharCode(byte)).join('')).toBe('PNG');
  const need = await figure(page, 'converterNeed').textContent();
  await page.getByRole('button', { name: 'Add a load' }).click();
  await page.getByLabel('Load 10').fill('freezer on 12 V');
  await page.getByLabel('Watts of freezer on 12 V').fill('900');
  await expect(figure(page, 'converterNeed')).not.toHaveText(need ?? '');
  await expect(page.locator('[data-to-fit="DC-DC to fit"]')).toContainText('nothing in the catalogue is enough');
  await page.getByRole('button', { name: 'Drop freezer on 12 V' }).click();
  await expect(figure(page, 'converterNeed')).toHaveText(need ?? '');
  await expect(page.locator('[data-to-fit="Cable to fit"]')).toContainText('50 mm²');
  await expect(page.locator('[data-to-fit="Fuse to fit, main"]')).toContainText('200 A');
  await page.getByText('What each cable carries here').click();
  await page.getByLabel('50 mm², sheet 230 A').fill('120');
  // The next cable, and the fuse that goes with it.
  await expect(page.locator('[data-to-fit="Cable to fit"]')).toContainText('70 mm²');
  await page.getByLabel('Cable, one way').fill('40000');
  await expect(figure(page, 'cableDrop')).toBeVisible();
  await page.getByLabel('Drop allowed').fill('0.1');
  await expect(page.locator('[data-to-fit="Cable to fit"]')).toContainText('nothing in the catalogue is enough');
  await page.getByLabel('Drop allowed').fill('1,5');
  await expect(page.getByText('Write decimals with a point, and no commas.')).toBeVisible();
});

test('weights put in and taken out, and the other school', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=balance');
  const rear = figure(page, 'rearAxleLaden');
  const before = await rear.textContent();
  await page.getByRole('button', { name: 'Add an item' }).click();
  await page.getByLabel('Item 1').fill('serving hatch');
  await page.getByLabel('Mass', { exact: true }).fill('60');
  await page.getByLabel('Behind front axle').fill('2600');
  await page.getByLabel('Right of middle').fill('500');
  await expect(rear).not.toHaveText(before ?? '');
  await expect(page.getByRole('table', { name: 'Masses' }).getByRole('row', { name: /serving hatch/ })).toContainText(
    '60',
  );
  await expect(figure(page, 'rightShare')).not.toHaveText('50.0\u202f%');
  await page.getByText('equal shares', { exact: true }).click();
  await expect(page.getByText(/50\.0\s% ± 1\.5\s% front/)).toBeVisible();
  await expect(page.getByRole('row', { name: /to rear/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take serving hatch off the list' }).click();
  await expect(rear).toHaveText(before ?? '');
});

test('in miles, and as somebody who only looks', async ({ page, address }) => {
  await signIn(page, address, 'odo');
  await openJob(page, address, 'Fire tender', 'size?look=drive');
  await expect(page.getByText(/km\/h at 1000 rpm/)).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText(/mph at 1000 rpm/)).toBeVisible();
  await expect(page.getByText('Leave it in 2 for town, 4 for the open road.', { exact: false })).toBeVisible();
  await look(page, 'Uses and range');
  await expect(page.getByRole('table', { name: 'Range with its spread' })).toContainText('miles');
  await expect(page.getByText('Drop a GPX file here', { exact: false })).toHaveCount(0);
  await look(page, 'Search for more');
  await page.getByRole('button', { name: 'Search', exact: true }).click();
  await expect(page.getByText('What stopped the others')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Adopt as a design' })).toHaveCount(0);
  for (const name of ['New design', 'Copy', 'Save design', 'Mark as sold'])
    await expect(page.getByRole('button', { name })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /Papers/ })).toBeVisible();
});

test('a recording without times is driven under a limit; one taken away is gone', async ({ page, address }) => {
  await signIn(page, address, 'soren');
  await openJob(page, address, 'Bakery van', 'size?look=uses');
  const points = Array.from(
    { length: 60 },
    (_, i) => `<trkpt lat="${(41 + i * 0.001).toFixed(4)}" lon="-36"></trkpt>`,
  ).join('');
  const gpx = Buffer.from(`<gpx version="1.1"><trk><name>Quay road</name><trkseg>${points}</trkseg></trk></gpx>`);
  const file = page.locator('.route-drop input[type="file"]');
  await page.getByText('Speed limits, for a file without times').click();
  await page.getByLabel('Limit from the start').fill('30');
  await file.setInputFiles({ name: 'quay.gpx', mimeType: 'application/gpx+xml', buffer: gpx });
  await expect(page.getByText(/Quay road: 6\.6\skm/)).toBeVisible();
  await expect(page.locator('[data-notes="assumed"]')).toContainText('it has no times: driven under the speed limits');
  await expect(page.locator('[data-notes="assumed"]')).toContainText('it has no heights: taken as level');
  const slow = await figure(page, 'consumptionRoute').textContent();
  await page.getByRole('button', { name: 'Another part' }).click();
  await page.getByLabel('Part 2 from').fill('3');
  await page.getByLabel('Limit of part 2').fill('90');
  await page.getByRole('button', { name: 'Drive quay.gpx again under these limits' }).click();
  await expect(figure(page, 'consumptionRoute')).not.toHaveText(slow ?? '');
  await page.getByRole('button', { name: 'Take the route away' }).click();
  await expect(page.getByText('none yet')).toBeVisible();
  await expect(page.locator('[data-notes="assumed"]')).toBeHidden();
});

test('the search can be narrowed, and wishes weighed', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=search');
  await page.getByText('What it may choose from', { exact: false }).click();
  await page.getByRole('checkbox', { name: 'Drive unit H60' }).uncheck();
  for (const name of [
    'Charger A6.6',
    'Charger A11, three-phase',
    'Charger B3.0 for 100–160 V',
    'Combined charger and DC-DC C6.6',
  ])
    await page.getByRole('checkbox', { name }).uncheck();
  await page.getByLabel('At most in front').fill('2');
  await page.getByText('Modules free in stores only', { exact: true }).click();
  await page.getByRole('button', { name: 'Search', exact: true }).click();
  const best = page.getByRole('table', { name: 'Best trade-offs' });
  await expect(page.locator('[data-looked]')).toContainText('done');
  await expect(page.locator('[data-broke="more modules than the stores have free"]')).toBeVisible();
  const rows = await best.getByRole('row').allTextContents();
  expect(rows.length).toBeGreaterThan(1);
  for (const row of rows.slice(1)) {
    expect(row).toContain('Drive unit H80');
    expect(row).toContain('Charger A3.3');
    expect(row).not.toMatch(/[3-9] front/);
  }
  await best.getByRole('radio').nth(1).check();
  await expect(best.getByRole('row').nth(2)).toHaveClass(/picked/);
  // A dot of the chart is pressed: some row other than the picked one becomes it.
  const canvas = page.locator('[data-chart="best-trade-offs"]');
  const { width, height } = (await canvas.boundingBox())!;
  const picked = () => best.locator('tr.picked').textContent();
  const before = await picked();
  search: for (let y = 12; y < height - 60; y += 15)
    for (let x = width - 30; x > 60; x -= 15) {
      await canvas.click({ position: { x, y } });
      if ((await picked()) !== before) break search;
    }
  expect(await picked()).not.toBe(before);
  await expect(tally(page, 'rangeRound')).toBeVisible();
});

test('what holds a box is stated, lets go, and is made stronger', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=balance');
  await expect(page.getByRole('table', { name: 'Ideal front share of the brakes' })).toContainText('0.8 g');
  await page.getByText('Part by part').click();
  await page.getByText(/^\d+ steps$/).click();
  await expect(page.getByRole('table', { name: 'Mass centre on the lift after each step' })).toContainText(
    'engine out',
  );
  const rear = page.locator('[data-hold="rear"]');
  await expect(rear).toContainText(/bolts hold forwards/);
  await rear.getByLabel('Bolts').fill('1');
  await page.getByText('Accelerations', { exact: true }).click();
  await page.getByLabel('Forwards, g').fill('30');
  await expect(rear).toContainText(/bolts let go forwards/);
  await expect(figure(page, 'boxHolding')).toContainText('−');
  await rear.getByLabel('Bolts').fill('6');
  await rear.getByLabel('Straps, all').fill('450 lbf');
  await expect(rear).toContainText(/straps let go forwards/);
});

test('runs at full throttle: stated, counted, and gone again', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=heat');
  await page.getByRole('button', { name: 'It does runs at full throttle' }).click();
  await expect(figure(page, 'runsFull')).toContainText(/\d/);
  const before = await figure(page, 'runEnergy').textContent();
  await page.getByLabel('Length of a run').fill('1 mi');
  await expect(figure(page, 'runEnergy')).not.toHaveText(before ?? '');
  await page.getByRole('button', { name: 'No runs' }).click();
  await expect(page.getByRole('button', { name: 'It does runs at full throttle' })).toBeVisible();
});

test('a shaft too steep says by how much the unit has to move', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=drive');
  await page.getByRole('button', { name: 'Add a shaft' }).click();
  const shaft = page.locator('[data-shaft="half shaft"]');
  await expect(shaft).toContainText('2.9° at rest of 12.0°');
  await shaft.getByLabel('Offset at rest').fill('4 in');
  await expect(shaft).toContainText(/move the unit by 17\smm towards the other end/);
  await shaft.getByLabel('Travel of the joint').fill('5');
  await expect(shaft).toContainText(/more than the joint has/);
});

test('a dynamometer’s sheet becomes the torque curve, compared with what was computed', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=drive');
  await page.getByText(/^Torque curve/).click();
  const file = page.locator('.work input[type="file"]');
  await file.setInputFiles({ name: 'rain.csv', mimeType: 'text/csv', buffer: Buffer.from('Monday: rain') });
  await expect(page.getByText('No columns with names were found', { exact: false })).toBeVisible();
  const rows = Array.from({ length: 60 }, (_, i) => `${500 + 100 * i};${i < 30 ? 90 : 90 - i};0`).join('\n');
  const csv = `Roller bench 2\nrun;3;\nrpm;torque Nm;note\n${rows}`;
  await file.setInputFiles({ name: 'bench.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(
    page.getByText(/\d+ points of bench\.csv, on the mean \d+\.\d\s% under what was computed/),
  ).toBeVisible();
  await expect(page.locator('[data-chart="dynamometer"]')).toBeVisible();
  await expect(page.locator('.tally')).toContainText('Not saved');
  await expect(page.getByText('Torque curve as typed here')).toBeVisible();
});

test('a layout is found by the solver, proved, and taken: the weight lies where the brief wants it', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size');
  await expect(tally(page, 'axleShare')).toContainText('over');
  await page.getByRole('button', { name: 'Look for layouts' }).click();
  const best = page.locator('[data-layout="1"]');
  await expect(best).toContainText('proved the best');
  await expect(best).toContainText('57.5');
  await best.getByRole('button', { name: 'Take it' }).click();
  await expect(tally(page, 'axleShare')).not.toContainText('over');
  await page.getByLabel('Modules in all').fill('400');
  await page.getByRole('button', { name: 'Look for layouts' }).click();
  await expect(page.getByText('So many modules do not go into the bays', { exact: false })).toBeVisible();
  await page.getByLabel('Modules in all').fill('14');
  await choose(page, 'front, bonnet', 'stays empty');
  await page.getByRole('button', { name: 'Look for layouts' }).click();
  await expect(best.or(page.getByText('No layout keeps', { exact: false }))).toBeVisible();
  await expect(best).not.toContainText(/\d front[,;]/);
});

test('what completes a design is proposed, taken, and stands beside the kits', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size');
  await page.getByRole('button', { name: 'Propose what completes it' }).click();
  const cheapest = page.locator('[data-package="cheapest"]');
  await cheapest.getByText('Which parts, and what each is for').click();
  await expect(cheapest).toContainText('Vacuum pump and reservoir');
  await expect(cheapest).toContainText('Nothing in the catalogue: ');
  await cheapest.getByRole('button', { name: 'Take these parts' }).click();
  await page.getByRole('button', { name: 'Propose what completes it' }).click();
  await expect(cheapest).toContainText(/^The cheapest.*0 parts/);
  await openJob(page, address, 'Ice-cream van', 'match');
  await page.getByRole('button', { name: /^Which kit/ }).click();
  // Made here, it has boxes to draw and much to measure: it stands behind what is only to be looked at.
  await page.getByRole('button', { name: /^All \d+$/ }).click();
  await expect(page.getByRole('table', { name: 'Which kit' })).toContainText('completed, cheapest');
});
