import type { Page } from '@playwright/test';
import { expect, figure, look, openJob, signIn, tally, test } from './fixture.ts';

test('what holds the drive back is named; what nobody states is said', async ({ page, address }) => {
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

test('a road log is held against what was predicted, kept, and taken into the design', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'vehicle');
  // 1064 kg that speed up and roll again and again, from 96 V less 0.05 Ω · I, four fifths of what is taken reach the road.
  const rows = Array.from({ length: 1200 }, (_, i) => {
    const [t, v] = [i / 2, (30 + 15 * Math.sin(i / 20)) / 3.6];
    const force = 1064 * 1.05 * ((15 / 3.6 / 10) * Math.cos(i / 20)) + 1064 * 9.80665 * 0.013 + 0.5 * 1.225 * 1 * v * v;
    const watts = 200 + force * v * (force > 0 ? 1.25 : 0.4);
    const amps = (96 - Math.sqrt(96 ** 2 - 0.2 * watts)) / 0.1;
    return `${t},${(96 - 0.05 * amps).toFixed(3)},${amps.toFixed(2)},${(v * 3.6).toFixed(2)}`;
  });
  const buffer = Buffer.from(`s,V,A,km/h\n${rows.join('\n')}`);
  const file = page.locator('input[type="file"][accept=".csv,.txt"]');
  await file.setInputFiles({ name: 'harbour.csv', mimeType: 'text/csv', buffer });
  await page.getByLabel('Mass during the run').fill('1064');
  await page.getByLabel('Pack during the run').fill('20');
  const shown = page.getByRole('table', { name: 'Road log against what was predicted' });
  await expect(shown.getByRole('row', { name: /Resistance of the pack/ })).toContainText('50.0 mΩ');
  await expect(shown.getByRole('row', { name: /Efficiency/ })).toContainText(/8\d\.\d\s%/);
  await page.getByRole('button', { name: 'Keep beside what was predicted' }).click();
  const kept = page.getByRole('table', { name: 'Predicted against measured, as kept' });
  await expect(kept.getByRole('row', { name: /Resistance of the pack/ })).toContainText('harbour.csv, Ilse');
  await page.getByRole('button', { name: 'Take resistance and efficiency into the design' }).click();
  await expect(page.getByRole('button', { name: 'In the design, to be saved' })).toBeVisible();
  await page.goto(page.url().replace('/vehicle', '/size?look=layout'));
  await expect(page.getByLabel('Resistance measured')).toHaveValue('50');
});

test('two claims of range that cannot both hold are said, and kept with the use', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Ice-cream van', 'brief');
  for (const [i, [says, modules, km]] of [
    ['the leaflet', '8', '90'],
    ['a club', '12', '180'],
  ].entries()) {
    await page.getByRole('button', { name: 'A range somebody claims' }).click();
    const claim = page.locator('[data-range-claim]').nth(i);
    await claim.getByLabel('With modules').fill(modules!);
    await claim.getByLabel('Range claimed').fill(km!);
    if (i === 1) await claim.getByLabel('Who says so').fill(says!);
  }
  await page.getByRole('button', { name: 'Save the use' }).click();
  await expect(page.getByText('Who says so is needed.')).toBeVisible();
  await page.locator('[data-range-claim]').first().getByLabel('Who says so').fill('the leaflet');
  const clash = page.getByRole('list', { name: 'Claims that cannot both hold' });
  await expect(clash).toContainText(
    /the leaflet \(8 modules\) has 11\.3\skm a module, a club \(12 modules\) 15\.0\skm/,
  );
  await page.getByRole('button', { name: 'Save the use' }).click();
  await expect(page.getByRole('button', { name: 'Save the use' })).toBeHidden();
  await page.reload();
  await expect(clash).toContainText('cannot both hold');
});

/** Width of the range between P10 and P90, km, as the vehicle's page tells it. */
async function spread(page: Page): Promise<number> {
  await page.getByRole('button', { name: 'How far range and hill start may lie' }).click();
  const range = page.locator('[data-spread-of="rangeRound"] .num');
  await expect(range).toContainText(/\d+\skm to \d+\skm/, { timeout: 60_000 });
  const [low, high] = (await range.textContent())!.match(/\d+/g)!.map(Number) as [number, number];
  return high - low;
}

/**
 * A coast-down as a logger writes it: v = √(a/b)·tan(c − t·√(ab)) for a rolling coefficient of 0.014 and a drag area of
 * 1.9 m² on this mass, with a line before its heading and decimal commas.
 */
function coastDown(massKg: number): Buffer {
  const a = (9.80665 * 0.014) / 1.05;
  const b = (1.225 * 1.9) / (2 * massKg * 1.05);
  const start = Math.atan(25 * Math.sqrt(b / a));
  const speeds = Array.from({ length: 160 }, (_, t) => Math.sqrt(a / b) * Math.tan(start - t * Math.sqrt(a * b)) * 3.6);
  const rows = speeds.filter((v) => v > 8).map((v, t) => `${t};${v.toFixed(2).replace('.', ',')}`);
  return Buffer.from(`Road test\nTime [s];Speed [km/h]\n${rows.join('\n')}`);
}

test('from the papers to the cap: sources settled, a coast-down adopted, the weak half shaft kept, the question turned', async ({
  page,
  address,
}) => {
  test.slow();
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Fire tender', 'vehicle');

  await test.step('two sources are kept side by side, and settled with a reason', async () => {
    const row = page.locator('[data-vehicle-figure="grossMass"]');
    await row.getByRole('button', { name: 'Another source of Gross mass, plate' }).click();
    await page.getByRole('button', { name: 'Keep it beside' }).click();
    await expect(page.getByText('Who says so is needed.')).toBeVisible();
    await page.getByLabel('Another source says').fill('2700');
    await page.getByLabel('Who says so').fill('handbook of 1971');
    await page.getByRole('button', { name: 'Keep it beside' }).click();
    await expect(row.locator('[data-claim="open"]')).toContainText(/handbook of 1971 says 2.700\skg/);
    await row.getByRole('button', { name: 'Settle' }).click();
    await page.getByRole('button', { name: 'Use this one' }).click();
    await expect(page.getByText('Reason is needed.')).toBeVisible();
    await page.getByLabel('Why the other one is not used').fill('the library has the short wheelbase');
    await page.getByRole('button', { name: 'Use this one' }).click();
    await expect(row.locator('[data-claim="settled"]')).toContainText(/the library of the model says .*not used, the/);
    await expect(row).toContainText(/2.700\skg/);
    await expect(tally(page, 'grossMass')).toContainText(/at most 2.700\skg/);
  });

  await test.step('a coast-down is read, adopted as measured, and the spread narrows', async () => {
    const before = await spread(page);
    const file = page.locator('input[type="file"][accept=".csv,.txt"]');
    await file.setInputFiles({ name: 'rain.csv', mimeType: 'text/csv', buffer: Buffer.from('Monday: rain') });
    await expect(page.getByText('No columns with names were found', { exact: false })).toBeVisible();
    await file.setInputFiles({ name: 'coast.csv', mimeType: 'text/csv', buffer: coastDown(1900) });
    await page.getByLabel('Mass during the run').fill('1900');
    const table = page.getByRole('table', { name: 'Coast-down against what was taken' });
    await expect(table.getByRole('row', { name: /Rolling coefficient/ })).toContainText('± 0.0');
    await page.getByRole('button', { name: 'Adopt as measured' }).click();
    await expect(page.getByRole('button', { name: 'Adopted as measured' })).toBeVisible();
    await expect(page.locator('[data-vehicle-figure="rollingCoefficient"]')).toContainText('measured');
    await expect(page.locator('[data-vehicle-figure="dragCoefficient"]')).toContainText('measured');
    expect(await spread(page)).toBeLessThan(before * 0.7);
  });

  await test.step('rear wheels alone break a half shaft; the mode is locked out, or the cap is taken', async () => {
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

  await test.step('too short a reduction leaves no steady speed to tell a range for', async () => {
    await page.getByLabel('Another reduction').fill('5');
    await expect(figure(page, 'topSpeed')).toContainText(/\d\d/);
    await look(page, 'Uses and range');
    await expect(page.getByText(/cannot hold \d+\skm\/h/).first()).toBeVisible();
    await look(page, 'Drive');
    await expect(page.getByRole('list', { name: 'Links of the chain' })).toBeVisible();
    await page.getByLabel('Another reduction').fill('');
  });

  await test.step('how much of one thing would just give the missing kilometres', async () => {
    await tally(page, 'rangeRound').getByRole('button', { name: 'What would just meet Range on the round' }).click();
    const answers = page.getByRole('table', { name: 'What would just meet the line' });
    await expect(answers.getByRole('row', { name: /^Modules/ })).toContainText(/\d/);
    await expect(answers.getByRole('row', { name: /^Mass/ })).toContainText(/kg|no amount does/);
    await page.keyboard.press('Escape');
  });

  await test.step('on the lift it is told stage by stage, and an order that keeps it further inside', async () => {
    await look(page, 'Balance');
    const panel = page.locator('section', { has: page.getByRole('heading', { name: 'On the lift' }) });
    await panel.getByText(/^\d steps$/).click();
    const rows = panel.getByRole('table', { name: 'Mass centre on the lift after each step' });
    await expect(rows.getByRole('row', { name: /Strip out engine/ })).toContainText('mm');
    await expect(rows.getByRole('row', { name: /Rear box and drive in/ })).toContainText('mm');
  });
});
