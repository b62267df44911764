import { readFile, writeFile } from 'node:fs/promises';
import { choose, expect, figure, look, openJob, signIn, tally, test } from './fixture.ts';

test('a vehicle designed from conflicting wishes', async ({ page, address }, info) => {
  test.setTimeout(240_000);
  await signIn(page, address, 'ilse');

  await test.step('the brief asks for more range than there is, and for the axles as they were', async () => {
    await openJob(page, address, 'Ice-cream van', 'brief');
    await page.getByLabel('Range on the round, amount').fill('280');
    await page.getByRole('button', { name: 'Save line' }).click();
    await expect(tally(page, 'rangeRound')).toContainText('at least 280');
    await page.locator('[data-brief="axleShare"]').getByText('Wish', { exact: true }).click();
    await page.locator('[data-brief="axleShare"]').getByLabel('Tolerance, plus or minus').fill('1');
    await page.getByRole('button', { name: 'Save line' }).click();
    await expect(tally(page, 'rangeRound')).toHaveAttribute('data-state', 'broken');
    await expect(tally(page, 'axleShare')).toHaveAttribute('data-state', 'broken');
  });

  await test.step('search: what stopped how many, and the best trade-offs', async () => {
    await page.getByRole('link', { name: /Size/ }).click();
    await look(page, 'Search for more');
    await expect(page.getByText('Must hold:')).toBeVisible();
    await page.getByRole('button', { name: 'Search', exact: true }).click();
    await expect(page.locator('[data-looked]')).toContainText(
      '219 700 of 219 700 looked at, done;'.replace(/ (?=\d{3}\b)/g, '\u202f'),
    );
    await expect(page.locator('[data-broke="firm: range on the round"]')).toBeVisible();
    const best = page.getByRole('table', { name: 'Best trade-offs' });
    await expect(best.getByRole('row')).not.toHaveCount(1);
    await expect(page.locator('[data-chart="best-trade-offs"]')).toBeVisible();
    await best
      .getByRole('row')
      .filter({ hasText: '6 front, 4 floor, 6 rear of Module N12' })
      .getByRole('radio')
      .check();
    await page.getByRole('button', { name: 'Adopt as a design' }).click();
    await expect(page.getByRole('button', { name: 'C, 16 modules found', pressed: true })).toBeVisible();
    await expect(tally(page, 'rangeRound')).toHaveAttribute('data-state', 'met');
    await expect(tally(page, 'axleShare')).toHaveAttribute('data-state', 'broken');
  });

  await test.step('two modules moved meet the weight aim', async () => {
    await look(page, 'Balance');
    await page
      .getByRole('row', { name: /^2 modules from rear to floor/ })
      .getByRole('button', { name: 'Move' })
      .click();
    await expect(tally(page, 'axleShare')).toHaveAttribute('data-state', 'met');
    await expect(tally(page, 'rangeRound')).toHaveAttribute('data-state', 'met');
    await expect(page.getByText('the aim is met')).toBeVisible();
    await expect(page.locator('[data-box="floor"]')).toContainText('6 floor');
    await page.getByRole('button', { name: 'Save design' }).click();
    await expect(page.getByRole('button', { name: 'Save design' })).toBeHidden();
    await page.getByRole('button', { name: 'Choose this design' }).click();
    await expect(page.getByRole('button', { name: /C, 16 modules found, chosen/ })).toBeVisible();
  });

  await test.step('the island round, dropped as a file', async () => {
    await look(page, 'Uses and range');
    const file = page.locator('.route-drop input[type="file"]');
    await file.setInputFiles({ name: 'notes.gpx', mimeType: 'text/plain', buffer: Buffer.from('Monday: rain') });
    await expect(page.getByText('This is not a GPX file.', { exact: false })).toBeVisible();
    await file.setInputFiles('demo/island-round.gpx');
    await expect(page.getByText(/Island round: 38\.0\skm/)).toBeVisible();
    await expect(page.getByRole('img', { name: 'Track of Island round, north up' })).toBeVisible();
    await expect(page.locator('[data-chart="route-speed-and-power"]')).toBeVisible();
    await expect(page.getByRole('table', { name: 'Energy by part of the route' }).getByRole('row')).toHaveCount(7);
    const spread = page
      .getByRole('table', { name: 'Range with its spread' })
      .getByRole('row', { name: /Recorded route/ });
    const kilometres = (await spread.getByRole('button').allTextContents())
      .slice(1)
      .map((text) => Number.parseInt(text, 10));
    expect(kilometres).toHaveLength(4);
    const [fresh, frost, aged, worst] = kilometres as [number, number, number, number];
    expect(fresh).toBeGreaterThan(frost);
    expect(aged).toBeGreaterThan(worst);
    expect(worst).toBeGreaterThan(50);
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save route-profile as a table' }).click();
    const csv = await readFile(await (await download).path(), 'utf8');
    expect(csv.split('\r\n')[0]).toBe('km,height');
    expect(csv.split('\r\n').length).toBeGreaterThan(200);
  });

  await test.step('precharge resistor and cable are named, with their working', async () => {
    await look(page, 'Electrics');
    await expect(page.locator('[data-to-fit="Resistor to fit"]')).toContainText('Precharge resistor');
    await expect(page.locator('[data-to-fit="Cable to fit"]')).toContainText(/HV cable \d+ mm²/);
    await expect(page.locator('[data-to-fit="Fuse to fit, main"]')).toContainText(/\d+ A, 500 V/);
    await expect(page.locator('[data-to-fit="DC-DC to fit"]')).toContainText('DC-DC 12 V');
    await figure(page, 'prechargeResistor').click();
    await expect(page.getByText('R = −t ÷ (C·ln(1 − p)), next E24 value below')).toBeVisible();
    await expect(page.getByText(/charging of a capacitor; E24 of IEC 60063/)).toBeVisible();
    await page.keyboard.press('Escape');
  });

  await test.step('the sheet is printed', async () => {
    await page.getByRole('button', { name: /Papers/ }).click();
    const download = page.waitForEvent('download');
    await page.getByText('Print the sheet').click();
    const pdf = await download;
    expect(pdf.suggestedFilename()).toMatch(/^\d\d-\d+-c-16-modules-found\.pdf$/);
    const path = info.outputPath('sheet.pdf');
    await pdf.saveAs(path);
    expect((await readFile(path)).subarray(0, 5).toString()).toBe('%PDF-');
  });
});

test('a box is dragged and nudged; axle loads and clearance follow; steps go back and forth', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'soren');
  await openJob(page, address, 'Ice-cream van', 'size');
  const box = page.locator('[data-box="rear"]');
  const clearance = page.locator('[data-clearance="rear"]');
  const shift = page.getByLabel('Shift of rear', { exact: true });
  await expect(clearance).toContainText('84');
  const front = page
    .locator('svg text')
    .filter({ hasText: /^\d{3}\skg$/ })
    .first();
  const before = await front.textContent();
  const at = (await box.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++) await page.mouse.move(at.x + at.width / 2 + i * 2, at.y + at.height / 2);
  await page.mouse.up();
  // The field follows in its own time; the drawing was there at once.
  await expect
    .poll(async () => {
      const first = await shift.inputValue();
      await page.waitForTimeout(250);
      return first !== '0' && first === (await shift.inputValue());
    })
    .toBe(true);
  const dragged = Number(await shift.inputValue());
  expect(dragged).toBeGreaterThan(60);
  expect(dragged % 10).toBe(0);
  await expect(front).not.toHaveText(before ?? '');
  await expect(clearance).toHaveClass(/stop/);
  await expect(page.locator('.tally')).toContainText('Not saved');
  await page.getByRole('button', { name: 'Step back' }).click();
  await expect(shift).toHaveValue('0');
  await expect(front).toHaveText(before ?? '');
  await page.locator('body').click({ position: { x: 640, y: 560 } });
  await page.keyboard.press('Control+Shift+z');
  await expect(shift).toHaveValue(String(dragged));
  await page.keyboard.press('Control+z');
  await expect(shift).toHaveValue('0');
  await box.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(shift).toHaveValue('-60');
  await page.getByText('Above', { exact: true }).click();
  await page.locator('[data-box="rear"]').focus();
  await page.keyboard.press('ArrowDown');
  await page.getByText('Boxes one by one').click();
  await expect(page.getByLabel('Shift right of rear')).toHaveValue('10');
});

test('what cannot be is said with what was assumed, and no figure is nonsense', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size?look=drive');
  await page.getByLabel('Another reduction').fill('0');
  await expect(page.getByText('A reduction is a number above zero', { exact: false })).toBeVisible();
  await expect(page.locator('[data-notes="assumed"]')).toContainText('the drive’s own 8.90');
  await page.getByLabel('Another reduction').fill('');
  await page.getByLabel('Another efficiency').fill('130');
  await expect(page.locator('[data-notes="assumed"]')).toContainText('Efficiency of 130.0');
  await page.getByLabel('Another efficiency').fill('');
  await expect(page.locator('[data-notes="assumed"]')).toBeHidden();
  await page.getByText(/^Torque curve/).click();
  const curve = page.getByLabel('One line a point', { exact: false });
  await curve.fill('3000 180 90\n0 180 90\nrubbish\n9000 60 30');
  await expect(page.getByText('Line 3 cannot be read', { exact: false })).toBeVisible();
  await curve.fill('3000 180 90\n0 180 90\n9000 60 30');
  await expect(page.locator('[data-notes="assumed"]')).toContainText('they were sorted');
  await page.getByRole('button', { name: 'Save design' }).click();
  await expect(page.getByRole('alert')).toContainText('must rise in speed');
  await page.getByRole('button', { name: 'Back to the sheet' }).click();
  await look(page, 'Layout');
  await page.getByLabel('Modules in front').fill('2');
  await page.getByLabel('Modules in floor').fill('2');
  await page.getByLabel('Modules in rear').fill('2');
  await expect(page.locator('[data-notes="grave"]')).toContainText('Drive unit H80 needs 200');
  for (const name of ['Drive', 'Uses and range', 'Balance', 'Charging', 'Electrics', 'Heat', 'Side by side']) {
    await look(page, name);
    await expect(page.locator('.work section').first()).toBeVisible();
    expect(await page.locator('.work').textContent()).not.toMatch(/NaN|Infinity|undefined/);
  }
});

test('a design goes out as a file, comes back, is sold, and its history is kept', async ({ page, address }, info) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'size');
  await page.getByLabel('Usable share').fill('85');
  await page.getByRole('button', { name: 'Save design' }).click();
  await expect(page.getByRole('button', { name: 'Save design' })).toBeHidden();
  await page.getByRole('button', { name: /Papers/ }).click();
  await page.getByText('What was changed, and when').click();
  await expect(page.getByText(/^changed design A/)).toBeVisible();
  await expect(page.getByText('Usable share: 90 % → 85 %')).toBeVisible();
  await page.getByRole('button', { name: 'Bring back what was before' }).click();
  await expect(page.getByLabel('Usable share')).toHaveValue('90');
  await page.getByRole('button', { name: 'Drop changes' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();

  await page.getByRole('button', { name: /Papers/ }).click();
  const download = page.waitForEvent('download');
  await page.getByText('Save as a file').click();
  const path = info.outputPath('design.json');
  await (await download).saveAs(path);
  const file = JSON.parse(await readFile(path, 'utf8')) as {
    format: string;
    name: string;
    inputs: { usableShare: number };
  };
  expect([file.format, file.inputs.usableShare]).toEqual(['workshop-design', 0.85]);
  const input = page.locator('input[type=file][accept*=json]');
  await input.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('not json') });
  await expect(page.getByText('This is not a design file', { exact: false })).toBeVisible();
  await input.setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"other"}'),
  });
  await expect(page.getByText('The file was not taken:', { exact: false })).toBeVisible();
  await writeFile(path, JSON.stringify({ ...file, name: 'D, from a file' }));
  await input.setInputFiles(path);
  await expect(page.getByRole('button', { name: 'D, from a file', pressed: true })).toBeVisible();
  await expect(page.getByLabel('Usable share')).toHaveValue('85');

  await page.getByRole('button', { name: /^A, 14 modules/ }).click();
  await page.getByRole('button', { name: 'Mark as sold' }).click();
  await page.getByRole('button', { name: 'Sold: freeze it' }).click();
  await expect(page.getByRole('button', { name: /^A, 14 modules, chosen, sold/ })).toBeVisible();
  await page.getByLabel('Usable share').fill('80');
  await page.getByRole('button', { name: 'Save as a new version' }).click();
  await expect(page.getByRole('button', { name: 'A, 14 modules, version 2', pressed: true })).toBeVisible();
  await page.getByRole('button', { name: /^A, 14 modules, chosen, sold/ }).click();
  await expect(page.getByLabel('Usable share')).toHaveValue('85');
});

test('a long search can be stopped, and keeps what it has', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Fire tender', 'size?look=search');
  await page.getByRole('button', { name: 'Search', exact: true }).click();
  const stop = page.getByRole('button', { name: 'Stop here' });
  await expect(page.locator('[data-looked]')).toBeVisible();
  if (await stop.isVisible()) {
    await stop.click();
    await expect(page.locator('[data-looked]')).toContainText(/stopped|done/);
  }
  await expect(page.getByText('What stopped the others')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Search', exact: true })).toBeVisible();
});

test('two kinds of module, two packs and a second motor are designed and saved', async ({ page, address }) => {
  await signIn(page, address, 'soren');
  await openJob(page, address, 'Ice-cream van', 'size');
  await page.getByText('Boxes one by one').click();
  const rear = page.locator('.box-detail').filter({ hasText: 'rear' });
  await rear.getByLabel('Module in it').click();
  await rear.getByLabel('Module in it').fill('graded');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-notes="assumed"]')).toContainText('The rear box is the weakest of the string');
  await expect(figure(page, 'packCapacity')).toContainText('98');
  await choose(page, 'Packs', 'two packs in series');
  await expect(page.getByText('The second pack has no box.')).toBeVisible();
  await choose(page, 'Pack of rear', 'second pack');
  await expect(page.getByText('The second pack has no box.')).toBeHidden();
  await look(page, 'Drive');
  const price = tally(page, 'priceCeiling');
  const one = await price.textContent();
  await choose(page, 'Motors on the shaft', 'two on one shaft');
  await expect(price).not.toHaveText(one ?? '');
  await page.getByRole('button', { name: 'Save design' }).click();
  await expect(page.getByRole('button', { name: 'Save design' })).toBeHidden();
  await page.reload();
  await expect(page.getByText('two on one shaft')).toBeVisible();
});
