import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import type { HoursSheet } from '../../contract/hours.ts';
import type { JobRow, JobSheet } from '../../contract/job.ts';
import { inDays } from '../day.ts';
import { expect, PASSWORD, signIn, test } from './fixture.ts';
import { openLine } from './line.ts';

test.use({ serviceWorkers: 'allow', viewport: { width: 820, height: 1180 } });

const clean = async (page: Page) => expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
const sheetOf = async (page: Page, url: string, title: string): Promise<JobSheet> => {
  const jobs = (await (await page.request.get(`${url}/api/jobs`)).json()) as JobRow[];
  const { number } = jobs.find((job) => job.title === title)!;
  return (await (await page.request.get(`${url}/api/jobs/${number}`)).json()) as JobSheet;
};

test('a day on the bench with the line cut twice, and the page opened again while it is cut', async ({
  page,
  address,
}) => {
  const line = await openLine(address);
  try {
    await signIn(page, line.url, 'jory');
    const before = await sheetOf(page, address, 'Bakery van');
    await page.goto(`${line.url}/jobs/${before.number}/bench`);
    await expect(page.getByRole('heading', { name: /Bakery van/ })).toBeVisible();
    // The sample has Jory on this stage already.
    await page.getByRole('button', { name: 'Clock off' }).click();
    await expect(page.getByRole('button', { name: 'Clock on' })).toBeVisible();
    // What the bench needs is kept once the page has been there with its keeper at work.
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect(page.getByRole('button', { name: 'Clock on' })).toBeVisible();

    line.cut();
    await page.getByRole('button', { name: 'Clock on' }).click();
    await expect(page.getByText('The server cannot be reached.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Clock off' })).toBeVisible();
    await page.getByRole('textbox', { name: 'Cradle gap before any bolt is started' }).fill('4');
    await page.getByRole('button', { name: 'Enter Cradle gap before any bolt is started' }).click();
    await expect(page.locator('[data-step="Cradle gap before any bolt is started"]')).toHaveAttribute(
      'data-verdict',
      'within',
    );
    // Out of limits stops the stage here and now, whether or not anybody hears of it.
    await page.getByRole('textbox', { name: 'Torque, cradle, front pair' }).fill('81');
    await page.getByRole('button', { name: 'Enter Torque, cradle, front pair' }).click();
    await expect(page.getByText('A reading is out of limits.')).toBeVisible();
    await expect(page.getByText('3 entries wait')).toBeVisible();
    await clean(page);

    // The tablet is put away and taken up again: all of it is still there.
    await page.reload();
    await expect(page.getByRole('heading', { name: /Bakery van/ })).toBeVisible();
    await expect(page.getByText('3 entries wait')).toBeVisible();
    await expect(page.getByText('Stopped at 81 N·m')).toBeVisible();
    await page.getByRole('textbox', { name: 'Torque, cradle, front pair' }).fill('66');
    await page.getByRole('button', { name: 'Enter Torque, cradle, front pair' }).click();
    await expect(page.getByText('4 entries wait')).toBeVisible();

    line.mend();
    await page.getByRole('button', { name: 'Try now' }).click();
    await expect(page.getByText('The server cannot be reached.')).toBeHidden();
    const told = await sheetOf(page, address, 'Bakery van');
    const stage = told.stages.find(({ key }) => key === 'rear-box')!;
    expect(stage.steps.map(({ reading }) => reading?.value ?? null)).toEqual([4, 66, null]);
    expect(stage.onIt.filter(({ initials }) => initials === 'JO')).toHaveLength(1);

    // Cut again: the rest of the stage, a snag, and home.
    line.cut();
    await page.getByRole('textbox', { name: 'Torque, cradle, rear pair' }).fill('65');
    await page.getByRole('button', { name: 'Enter Torque, cradle, rear pair' }).click();
    await page.getByLabel('A fault to put right').fill('Cradle paint scratched');
    await page.getByRole('button', { name: 'Note snag' }).click();
    await expect(page.getByText('waits to be sent')).toBeVisible();
    await page.getByRole('button', { name: 'Finish stage' }).click();
    await expect(page.getByText('3 entries wait')).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Clearance check, shift on slots' })).toBeVisible();
    line.mend();
    // By itself, without anybody pressing anything.
    await expect(page.getByText('The server cannot be reached.')).toBeHidden({ timeout: 30_000 });

    const after = await sheetOf(page, address, 'Bakery van');
    expect(after.stages.find(({ key }) => key === 'rear-box')).toMatchObject({
      state: 'done',
      finishedBy: 'Jory Opie',
    });
    expect(after.snags.filter(({ text }) => text === 'Cradle paint scratched')).toHaveLength(1);
    const today = inDays(0);
    const hours = (await (await page.request.get(`${address}/api/hours/${today}/${today}`)).json()) as HoursSheet;
    const mine = hours.entries.filter(({ person, jobNumber }) => person === 'Jory Opie' && jobNumber === after.number);
    expect(mine.map(({ to }) => to !== null)).toEqual([true, true]);
  } finally {
    await line.close();
  }
});

test('what the server refuses later is said plainly, with what it was', async ({ page, address }) => {
  const line = await openLine(address);
  try {
    await signIn(page, line.url, 'jory');
    const { number } = await sheetOf(page, address, 'Bakery van');
    await page.goto(`${line.url}/jobs/${number}/bench`);
    await expect(page.getByRole('button', { name: 'Clock off' })).toBeVisible();
    line.cut();
    await page.getByRole('button', { name: 'Break' }).click();
    await expect(page.getByText('1 entry waits')).toBeVisible();
    // Meanwhile a colleague finishes for everybody: there is nothing left to clock off from.
    const { csrfToken } = await (await page.request.get(`${address}/api/session`)).json();
    const off = await page.request.post(`${address}/api/clock-off`, {
      headers: { 'X-CSRF-Token': csrfToken },
      data: {},
    });
    expect(off.ok()).toBe(true);
    line.mend();
    await page.getByRole('button', { name: 'Try now' }).click();
    await expect(page.getByText(/Not taken: .* break, .* You are not clocked on anywhere/)).toBeVisible();
    await clean(page);
    await page.getByRole('button', { name: 'Seen' }).click();
    await expect(page.getByText('Not taken:')).toBeHidden();
  } finally {
    await line.close();
  }
});

for (const way of ['in the dialog', 'in a second tab'] as const)
  test(`what one did while cut is never another’s: somebody else signs in ${way}`, async ({
    page,
    context,
    address,
  }) => {
    const line = await openLine(address);
    const snagOf = async (text: string) =>
      (await sheetOf(page, address, 'Bakery van')).snags.filter((snag) => snag.text === text);
    try {
      await signIn(page, line.url, 'jory');
      const { number } = await sheetOf(page, address, 'Bakery van');
      await page.goto(`${line.url}/jobs/${number}/bench`);
      await expect(page.getByRole('heading', { name: /Bakery van/ })).toBeVisible();
      line.cut();
      await page.getByLabel('A fault to put right').fill('Seen by Jory alone');
      await page.getByRole('button', { name: 'Note snag' }).click();
      await expect(page.getByText('1 entry waits')).toBeVisible();
      // Signing out needs the server, and says so.
      await page.getByRole('button', { name: 'Jory Opie, menu' }).click();
      await page.getByRole('menuitem', { name: 'Sign out' }).click();
      await expect(page.getByText('You are still signed in.')).toBeVisible();

      if (way === 'in the dialog') {
        await context.clearCookies();
        line.mend();
        const dialog = page.getByRole('dialog', { name: 'Sign in again' });
        await dialog.getByLabel('Name').fill('ilse');
        await dialog.getByLabel('Password').fill(PASSWORD);
        await dialog.getByRole('button', { name: 'Sign in' }).click();
      } else {
        await context.clearCookies();
        const other = await context.newPage();
        await signIn(other, address.replace('127.0.0.1', new URL(line.url).hostname), 'ilse');
        line.mend();
        await page.reload();
      }
      // Ilse is told whose it is, sees what it is as a manager does, and nothing is stored under her name.
      await expect(page.getByRole('button', { name: 'Ilse Marrow, menu' })).toBeVisible();
      const waits = page.locator('[data-waits-of="Jory Opie"]');
      await expect(waits).toContainText('1 entry of Jory Opie waits in this browser until they sign in here again');
      await expect(waits).toContainText('Seen by Jory alone');
      await clean(page);
      expect(await snagOf('Seen by Jory alone')).toEqual([]);

      await page.getByRole('button', { name: 'Ilse Marrow, menu' }).click();
      await page.getByRole('menuitem', { name: 'Sign out' }).click();
      await signIn(page, line.url, 'jory');
      await expect(waits).toBeHidden();
      await expect.poll(async () => (await snagOf('Seen by Jory alone')).map(({ by }) => by)).toEqual(['Jory Opie']);
    } finally {
      await line.close();
    }
  });
