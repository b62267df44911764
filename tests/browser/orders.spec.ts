import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import type { FitterSheet } from '../../contract/fitting.ts';
import type { OrderSheet } from '../../contract/orders.ts';
import { SIGNED_OUT_TOKEN } from '../../contract/session.ts';
import { wantsSerials } from '../../core/order/order.ts';
import { inDays, typed } from '../day.ts';
import { choose, expect, signIn, test } from './fixture.ts';

const nothingFound = async (page: Page) => {
  await page.waitForTimeout(400);
  const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'];
  const { violations } = await new AxeBuilder({ page }).withTags(tags).analyze();
  expect
    .soft(
      violations.map(
        ({ id, nodes }) =>
          `${id}: ${nodes
            .map(({ html }) => html.slice(0, 140))
            .slice(0, 3)
            .join(' | ')}`,
      ),
    )
    .toEqual([]);
};

test('a kit order is packed, counted twice, refused for its papers, sent, fitted far away and signed back', async ({
  page,
  address,
  browser,
}) => {
  test.setTimeout(240_000);
  await signIn(page, address, 'ilse');
  await page.keyboard.press('Alt+k');
  await page.getByRole('link', { name: 'Order book' }).click();
  await expect(page.getByRole('table', { name: 'Order book' })).toContainText(/packing, \d of 30 counted twice/);
  await nothingFound(page);

  await test.step('the order is taken; live work is not left to a client', async () => {
    await page.getByRole('button', { name: 'Take an order' }).click();
    await choose(page, 'For whom', 'Round Bay Grocers');
    await choose(page, 'Which kit', 'Wren front-drive kit C');
    await choose(page, 'Model of their vehicle', '1.1 panel van');
    // Of a van nobody has measured or weighed here.
    await expect(page.locator('[data-order-fit]')).toContainText('measure first');
    await page.getByLabel('Promised for').fill(typed(inDays(26_000)));
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Take the order' }).click();
    await expect(page.getByText('a client does not do it', { exact: false })).toBeVisible();
    await choose(page, 'Who fits it', 'Ferry Yard Conversions');
    await page.getByRole('button', { name: 'Take the order' }).click();
    await expect(page.getByText('ends on', { exact: false })).toBeVisible();
    await page.getByLabel('Promised for').fill(typed(inDays(66)));
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Take the order' }).click();
    await expect(page.getByRole('heading', { name: /^K\d\d-004/ })).toBeVisible();
    await nothingFound(page);
  });
  const number = /K\d\d-004/.exec(page.url())![0];
  const sheet = async () => (await (await page.request.get(`${address}/api/orders/${number}`)).json()) as OrderSheet;
  const { components } = (await (await page.request.get(`${address}/api/library`)).json()) as {
    components: { id: string; free: number }[];
  };
  const free = new Map(components.map((part) => [part.id, part.free]));
  // What carries numbers goes with them: those are counted in the story of the stores.
  const there = (await sheet()).lines
    .filter((line) => (free.get(line.componentId) ?? 0) >= line.pieces && !wantsSerials(line.kind))
    .slice(0, 3);
  expect(there.length).toBe(3);

  const second = await (await browser.newContext()).newPage();
  await test.step('counted by one, then by another; never twice by the same', async () => {
    for (const { name, pieces } of there) {
      await page.getByRole('button', { name: `First count, ${name}: all ${pieces}` }).click();
      await expect(page.locator(`[data-pick="${name}"]`)).toContainText('Ilse Marrow');
      await expect(page.locator(`[data-pick="${name}"]`)).toContainText('somebody else');
    }
    await signIn(second, address, 'jory');
    await second.goto(`${address}/kits/orders/${number}`);
    for (const { name, pieces } of there.slice(1)) {
      await second.getByRole('button', { name: `Second count, ${name}: all ${pieces}` }).click();
      await expect(second.locator(`[data-pick="${name}"]`)).toContainText('Jory Opie');
    }
    await expect(page.locator(`[data-pick="${there[1]!.name}"]`)).toContainText('Jory Opie');
    await expect(second.getByText('can be let pass by a manager', { exact: false })).toBeVisible();
  });

  await test.step('crates, papers, the tool; what is missing is refused without a reason', async () => {
    await page.getByRole('button', { name: 'Weigh crate 2' }).click();
    await page.getByLabel('Length outside').fill('1200');
    await page.getByLabel('Width').fill('800');
    await page.getByLabel('Height').fill('600');
    await page.getByLabel('Mass as weighed').fill('48');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.locator('[data-crate="crate 2"]')).toContainText('48 kg');
    await choose(page, 'Crimp tool on loan', 'none goes along');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.locator('[data-dispatch="loan"]')).toHaveAttribute('data-met', 'true');
    await expect(page.locator('[data-dispatch="lithium"]')).toHaveAttribute('data-met', 'false');
    await expect(page.getByText('nobody lets it leave without', { exact: false })).toBeVisible();
    await expect(page.getByLabel('Carrier')).toHaveCount(0);
    await page.getByRole('button', { name: 'Put in: Transport papers for lithium batteries' }).click();
    await page.getByLabel('Number or title').fill('UN 3481, note 17');
    await page.getByLabel('Given by, licensed for it').fill('freight agent');
    await page.getByRole('button', { name: 'It is in' }).click();
    await expect(page.locator('[data-dispatch="lithium"]')).toHaveAttribute('data-met', 'true');
    await page.getByLabel('Carrier').fill('Island freight');
    await page.getByRole('button', { name: 'Send it all the same' }).click();
    await expect(page.getByText('Say why it leaves although this is missing', { exact: false })).toBeVisible();
    await page.getByLabel(/^Why it leaves although/).fill('the rest follows with the next ferry');
    await page.getByRole('button', { name: 'Send it all the same' }).click();
    await expect(page.locator('[data-let-pass]')).toContainText('the rest follows with the next ferry');
  });

  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  let token = '';
  await test.step('the fitter opens their page, reads, asks, and is answered', async () => {
    await page.getByRole('button', { name: 'Open a page' }).click();
    const link = (await page.locator('[data-fitter-link] code').textContent())!.trim();
    token = /\/fit\/([^?]+)/.exec(link)![1]!;
    await phone.goto(link);
    await phone.getByRole('button', { name: 'Receive and weigh is done' }).click();
    await expect(phone.getByText('Type your name at the top first.')).toBeVisible();
    await phone.getByLabel('Your name').fill('Senna Rowe');
    await phone.getByRole('button', { name: 'Receive and weigh is done' }).click();
    await expect(phone.locator('[data-stage="receive"]')).toHaveAttribute('data-state', 'done');
    await phone.getByRole('button', { name: 'Strip out engine, tank, exhaust is done' }).click();
    await expect(phone.locator('[data-stage="strip"]')).toHaveAttribute('data-state', 'done');
    await phone.getByLabel('Reading: Worst thread, bolt by hand').fill('3');
    await phone.getByRole('button', { name: 'Keep the reading' }).click();
    await expect(phone.getByText('Outside its limits: measure again, or ask below.')).toBeVisible();
    await phone.getByLabel('Your question').fill('Is three turns enough?');
    await phone.getByRole('button', { name: 'Ask', exact: true }).click();
    await expect(phone.locator('[data-question="open"]')).toContainText('Is three turns enough?');
    await nothingFound(phone);
    await page.getByLabel('Answer').fill('No: chase it again, or glue an insert.');
    await page.getByRole('button', { name: 'Answer', exact: true }).click();
    await page.getByLabel('Why Worst thread, bolt by hand may stand').fill('insert glued in');
    await page.getByRole('button', { name: 'Let it stand' }).click();
    await phone.reload();
    await expect(phone.getByText('No: chase it again, or glue an insert.')).toBeVisible();
    await expect(phone.getByLabel('Your name')).toHaveValue('Senna Rowe');
    await phone.getByRole('button', { name: 'Clean and chase threads is done' }).click();
    await expect(phone.locator('[data-stage="clean"]')).toHaveAttribute('data-state', 'done');
  });

  await test.step('everything else is done and the sheet comes back signed', async () => {
    const send = (path: string, data: object) =>
      phone.request.post(`${address}/api/fitting/${token}${path}`, {
        data: { ...data, by: 'Senna Rowe' },
        headers: { 'X-CSRF-Token': SIGNED_OUT_TOKEN },
      });
    const { stages, done } = (await (await phone.request.get(`${address}/api/fitting/${token}`)).json()) as FitterSheet;
    for (const { key, steps } of stages.filter((stage) => !done.some(({ stageKey }) => stageKey === stage.key))) {
      for (const [step, { limit }] of steps.entries())
        if (limit) await send('/readings', { stageKey: key, step, value: limit.min ?? limit.max, instrument: '' });
      expect((await send('/stages', { stageKey: key, hours: null })).status()).toBe(200);
    }
    await phone.reload();
    await phone.getByLabel('Anything we should know').fill('runs well');
    await phone.getByRole('button', { name: /^Sign it and send it to/ }).click();
    await expect(phone.locator('[data-signed]')).toContainText('Signed by Senna Rowe');
    await expect(page.getByText('Signed back by Senna Rowe', { exact: false })).toBeVisible();
    await page.getByRole('button', { name: 'Close it' }).click();
    await phone.reload();
    await expect(phone.getByText('This page is closed')).toBeVisible();
  });
});
