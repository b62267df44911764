import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openJob, signIn, test } from './fixture.ts';

const clean = async (page: Page) => {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
};

test('advice and a part sold over the counter: written, refused where stores have too few, sold', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'ilse');
  await page.goto(`${address}/stores/counter`);
  await expect(page.locator('[data-sale-panel="sold"]')).toContainText('An hour of advice on a tired pack');
  await page.getByRole('button', { name: 'Begin a sale' }).click();
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByText('Name of the client is needed, or choose one who is known.')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Pier Café');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await page.getByRole('button', { name: 'Own line' }).click();
  const own = page.locator('[data-offer-line^="own"]');
  await own.getByRole('textbox').nth(0).fill('An hour of advice');
  await own.getByRole('textbox').nth(2).fill('64');
  await page.getByLabel('Add a part').fill('Clamps and grommets');
  await page.locator('.ant-select-item-option', { hasText: 'Clamps and grommets' }).click();
  const part = page.locator('[data-offer-line="part clamp-set"]');
  await part.getByRole('textbox').nth(1).fill('900');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await page.getByRole('button', { name: 'Sell it' }).click();
  await expect(
    page.getByText(/^Stores have \d+ free of Clamps and grommets; 900 are to be sold\.$/).first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await part.getByRole('textbox').nth(1).fill('1');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await clean(page);
  await page.getByRole('button', { name: 'Sell it' }).click();
  await expect(page.locator('[data-sale-panel="sold"]')).toContainText('64.00');
  await expect(page.getByRole('button', { name: 'Change', exact: true })).toHaveCount(0);
});

test('a price list is looked at row by row, taken in, and undone in one press', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await page.goto(`${address}/stores/suppliers/brae-switchgear`);
  await page.getByRole('button', { name: 'Take in prices' }).click();
  await page
    .getByRole('textbox', { name: 'or paste it here' })
    .fill('Item;Net price\nBS-101;901,50\nBS-999;12,00\nBS-103;1.450');
  const drawer = page.locator('.ant-drawer');
  await expect(drawer).toContainText('no part of this supplier has the number BS-999');
  await expect(drawer).toContainText('is not a price that can be read one way');
  await page.getByRole('button', { name: 'Take in 1' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Undone: 1 prices are as they were.')).toBeVisible();
});

test('a unit is refurbished: its true cost stands beside that of a new one', async ({ page, address }) => {
  await signIn(page, address, 'jory');
  await page.goto(`${address}/stores/numbers`);
  await page.getByText('MAIN-0002', { exact: true }).click();
  await page.getByRole('button', { name: 'Refurbish it' }).click();
  await page.getByLabel('What is to be done').fill('new connector');
  await page.getByLabel('It had cost, before tax').fill('120');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  const order = page.locator('[data-refurbishing]');
  await order.getByRole('button', { name: 'Hours', exact: true }).click();
  await order.getByLabel('Hours').fill('2.5');
  await order.getByRole('button', { name: 'Enter them' }).click();
  // 120 + 2.5 h at 58.
  await expect(order).toContainText('265.00');
  await expect(order).toContainText('a new one');
  await order.getByRole('button', { name: 'Done or given up' }).click();
  await order.getByLabel('How it was tested, with what it gave').fill('a day on the bench');
  await order.getByRole('button', { name: 'It is good' }).click();
  await expect(page.locator('[data-refurbishing="done"]')).toContainText('a day on the bench');
  await clean(page);
});

test('a bracket is made here: nothing is cut without a drawing, a step comes back with its reason', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'jory');
  await openJob(page, address, 'Hotel shuttle', 'parts');
  await expect(page.locator('[data-needed]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Make a part' }).click();
  await page.getByLabel('What is made').fill('Heater bracket');
  await page.getByRole('button', { name: 'Begin with its drawing' }).click();
  const made = page.locator('[data-made="Heater bracket"]');
  await expect(made).toContainText('nothing is cut without one');
  await made
    .locator('input[type="file"]')
    .first()
    .setInputFiles({
      name: 'bracket.pdf',
      mimeType: 'application/pdf',
      buffer: Buffer.from('%PDF-1.4\n1 0 obj<<>>endobj\ntrailer<<>>\n%%EOF'),
    });
  await made.getByRole('button', { name: 'On to cut' }).click();
  await expect(made).toHaveAttribute('data-state', 'cut');
  await made.getByRole('button', { name: 'To another step …' }).click();
  await page.getByRole('radio', { name: 'Design' }).click();
  await page.getByRole('button', { name: 'Take it there' }).click();
  await expect(page.getByText('Say why it comes back, or why a step is passed over.')).toBeVisible();
  await page.getByLabel('Why', { exact: true }).fill('too long by 4 mm');
  await page.getByRole('button', { name: 'Take it there' }).click();
  await expect(made).toContainText('came back to design');
});

test('a vehicle of the workshop’s own is entered, valued and sold', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await page.goto(`${address}/clients`);
  await page.getByRole('button', { name: 'Enter a vehicle of our own' }).click();
  await page.getByLabel('What it is').fill('A second mule');
  await page.getByLabel('Model and variant').click();
  await page.locator('.ant-select-item-option', { hasText: 'Wren 1.1 panel van' }).first().click();
  await page.getByLabel('Year built').fill('1970');
  await page.getByLabel('Chassis number').fill('40404');
  await page.getByLabel('Paid, before tax').fill('3000');
  await page.getByText('It was converted before').click();
  await page.getByRole('button', { name: 'Enter it' }).click();
  const own = page.locator('[data-own-vehicle]');
  await expect(own).toContainText('older conversion');
  await own.getByRole('button', { name: 'It is sold' }).click();
  await own.getByLabel('Sold to').fill('Ola Winter');
  await own.getByLabel('Sold for, before tax').fill('4200');
  await own.getByRole('button', { name: 'It is theirs now' }).click();
  await expect(own).toContainText(/€.1.200 were left/);
  await page.getByRole('button', { name: 'Open a job on it' }).click();
  await expect(page.getByRole('heading', { name: 'New job' })).toBeVisible();
});
