import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { choose, expect, openJob, signIn, test } from './fixture.ts';

const clean = async (page: Page) => {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
};
const offer = (page: Page) => page.locator('[data-offer]');
/** "€ 24 120.00" as cents. */
const centsIn = (text: string | null): number =>
  Math.round(Number((text ?? '').replace(/[^\d.−-]/g, '').replace('−', '-')) * 100);

test('from the enquiry to what it takes: bracket, offer, accepted on the client’s page, a change, actual against quoted', async ({
  page,
  address,
  browser,
}) => {
  test.setTimeout(120_000);
  await signIn(page, address, 'ilse');
  // An enquiry for a van like those that were finished: a bracket is told from them.
  await page.goto(`${address}/jobs/new`);
  await page.getByLabel('Client', { exact: true }).fill('Quay Laundry');
  await page.getByLabel('What it is').fill('Laundry van');
  await choose(page, 'Model and variant', 'Ostrel Wren 1.1 panel van');
  await page.getByLabel('Year built').fill('1970');
  await page.getByLabel('Chassis number').fill('20911');
  await choose(page, 'Add a line', 'Price ceiling');
  await page.getByLabel('Price ceiling, amount').fill('25000');
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: /Laundry van/ })).toBeVisible();
  const number = /jobs\/([\d-]+)/.exec(page.url())![1]!;
  const { csrfToken } = await (await page.request.get(`${address}/api/session`)).json();
  const send = (method: 'post' | 'put', path: string, data: object) =>
    page.request[method](`${address}/api${path}`, { data, headers: { 'X-CSRF-Token': csrfToken } });
  await page.locator('.spine a', { hasText: 'Price' }).click();
  await expect(page.locator('[data-bracket="variant"], [data-bracket="model"]')).toContainText(/€.*to €/);
  await expect(page.getByText('Nothing to price yet.')).toBeVisible();

  // A kit makes parts and hours; the key of the step brings one there.
  const head = await (await page.request.get(`${address}/api/jobs/${number}/head`)).json();
  await send('put', `/jobs/${number}/kit`, { revisionId: 'wren-kit-c', options: [], version: head.version });
  await page.goto(`${address}/jobs/${number}/brief`);
  await expect(page.locator('.spine')).toBeVisible();
  await page.keyboard.press('5');
  await expect(offer(page)).toHaveAttribute('data-state', 'fresh');
  await expect(page.locator('[data-bracket="kit"]')).toBeVisible();
  await expect(page.locator('[data-doubt="overCeiling"]')).toContainText('over the ceiling');
  await page.getByRole('button', { name: 'Write this offer' }).click();
  await expect(offer(page)).toHaveAttribute('data-state', 'draft');

  // A line typed by hand, the margin of another lowered: the sum follows every key.
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  const before = centsIn(await page.locator('[data-sum] strong').textContent());
  await page.getByRole('button', { name: 'Own line' }).click();
  const line = page.locator('[data-offer-line]').last();
  await line.getByRole('textbox').nth(0).fill('Ferry both ways');
  await line.getByRole('textbox').nth(2).fill('360');
  await expect.poll(async () => centsIn(await page.locator('[data-sum] strong').textContent())).toBe(before + 44_280);
  await line.getByRole('textbox').nth(3).fill('120');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('Tax must be at most 1.')).toBeVisible();
  await line.getByRole('textbox').nth(3).fill('23');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(offer(page)).toContainText('Ferry both ways');
  await clean(page);
  await page.getByRole('button', { name: 'Send it' }).click();
  await expect(offer(page)).toHaveAttribute('data-state', 'sent');

  // The client has a link and no account.
  await page.getByRole('button', { name: 'Open a page' }).click();
  const link = (await page.locator('[data-client-link] code').textContent())!.trim();
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(link);
  await expect(phone.locator('[data-client-offer="1"]')).toContainText('Ferry both ways');
  await phone.getByRole('button', { name: 'Accept this offer' }).click();
  await expect(phone.getByText('Type your name at the top first.')).toBeVisible();
  await phone.getByLabel('Your name, under what you answer').fill('Brook Vane');
  await clean(phone);
  await phone.getByRole('button', { name: 'Accept this offer' }).click();
  await expect(phone.locator('[data-client-offer="1"] [data-answered]')).toContainText('Accepted by Brook Vane');
  await expect(offer(page)).toHaveAttribute('data-state', 'accepted');
  await expect(offer(page)).toContainText('on their page');

  // A wish: priced with what it does, laid before the client, accepted there; then it is on the list and in the stages.
  expect((await send('post', `/jobs/${number}/stages/from-kit`, {})).status()).toBe(200);
  await page.getByRole('button', { name: 'Note a wish' }).click();
  await page.getByLabel('What is wished').fill('A shelf over the rear box');
  await page.getByRole('button', { name: 'Note it' }).click();
  const editor = page.getByRole('region', { name: 'Change 1' });
  await editor.getByRole('button', { name: 'Own line' }).click();
  await editor.locator('[data-offer-line]').last().getByRole('textbox').nth(0).fill('Shelf');
  await editor.locator('[data-offer-line]').last().getByRole('textbox').nth(2).fill('310');
  await editor.getByLabel('Add hours').click();
  await page.locator('.ant-select-item-option', { hasText: 'trim' }).click();
  await editor.getByLabel('Mass it brings besides its parts').fill('22');
  await editor.getByRole('button', { name: 'Keep it so' }).click();
  const change = page.locator('[data-change="1"]');
  await expect(change).toContainText('+22');
  await change.getByRole('button', { name: 'Lay before the client' }).click();
  await expect(change).toHaveAttribute('data-state', 'priced');
  await expect(phone.locator('[data-client-change="1"]')).toHaveCount(0);
  await phone.reload();
  await expect(phone.locator('[data-client-change="1"]')).toContainText('mass +22');
  await phone.getByRole('button', { name: 'Accept this change' }).click();
  await expect(phone.locator('[data-client-change="1"] [data-answered]')).toContainText('Accepted by Brook Vane');
  await expect(change).toHaveAttribute('data-state', 'accepted');

  // What it takes stands against what was sold, the change with it.
  await page.getByText('Hours by stage').click();
  await expect(page.locator('[data-actual-stage="addition-1"]')).toContainText('1 h 00');
  await page.getByRole('button', { name: 'Enter an outside cost' }).click();
  await page.getByLabel('What it was').fill('Alignment');
  await page.getByLabel(/^Cost before tax/).fill('240');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.locator('[data-actual-row="outside"]')).toContainText('€ 240');
  await clean(page);
  // Closed, the link opens nothing.
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByText('closed', { exact: true })).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('This page is closed')).toBeVisible();
  await phone.close();
});

test('ways stand side by side: a kit, the same with low-voltage work by the client, taken out again', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Tour car', 'price');
  const ways = page.getByRole('table', { name: 'Ways to do it' });
  await expect(ways).toContainText('Lantern');
  for (const lv of [false, true]) {
    await page.getByRole('button', { name: 'Put a way beside' }).click();
    await page.getByLabel('What it is').click();
    await page.locator('.ant-select-item-option', { hasText: 'Lantern rear kit A' }).click();
    if (lv) await page.getByLabel(/The client does the low-voltage work/).check();
    await page.getByLabel('Called').fill(lv ? 'shared' : 'all here');
    await page.getByRole('button', { name: 'Put it beside' }).click();
    await expect(ways).toContainText(lv ? 'shared' : 'all here');
  }
  const cents = async (name: string) => centsIn(await page.locator(`[data-way="${name}"] td`).nth(1).textContent());
  expect(await cents('shared')).toBeLessThan(await cents('all here'));
  await page.getByLabel('Years it is kept').fill('1');
  await expect(ways).toContainText('Kept 1 y');
  await page.getByRole('button', { name: 'Take shared out' }).click();
  await expect(ways).not.toContainText('shared');
});

test('who only looks sees prices and can change none', async ({ page, address }) => {
  await signIn(page, address, 'odo');
  await openJob(page, address, 'Mobile library', 'price');
  await expect(page.getByText('Changes since it was agreed')).toBeVisible();
  for (const name of ['Note a wish', 'Their answer …', 'Open a page', 'Enter an outside cost', 'Put a way beside'])
    await expect(page.getByRole('button', { name })).toHaveCount(0);
});
