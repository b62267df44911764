import { randomUUID } from 'node:crypto';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { copyTemplate } from '../../tools/copyTemplate.ts';
import { serve } from '../../tools/serve.ts';
import { dropDatabase } from '../api/dropDatabase.ts';

export const PASSWORD = 'quay-and-copper';

/**
 * Every test has a fresh copy of the sample workshop. The server runs in the worker's own process, which has loaded its
 * code once, so that a copy costs a few tenths of a second and not a new process.
 */
export const test = base.extend<{ address: string; asksDesks: boolean }>({
  /** The server asks suppliers' desks by itself. */
  asksDesks: [false, { option: true }],
  address: async ({ asksDesks }, use) => {
    const pattern = process.env.TEST_DATABASE_URL ?? '';
    const name = `browser_${randomUUID().replace(/-/g, '')}`;
    const admin = pattern.replace(/DB$/, 'postgres');
    await copyTemplate(admin, name);
    const running = await serve(pattern.replace(/DB$/, name), `${process.cwd()}/dist/web`, 0, {
      log: 'silent',
      queue: asksDesks,
    });
    await use(running.url);
    await running.close();
    await dropDatabase(admin, name);
  },
});

export { expect };

/** Signs in by the form, as a person without the sample's list would. */
export async function signIn(page: Page, address: string, name: string): Promise<void> {
  await page.goto(address);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Floor' })).toBeVisible();
}

/** Opens a step of the job with this title. */
export async function openJob(page: Page, address: string, title: string, step: string): Promise<string> {
  const jobs = (await (await page.request.get(`${address}/api/jobs`)).json()) as { number: string; title: string }[];
  const number = jobs.find((job) => job.title === title)?.number ?? '';
  await page.goto(`${address}/jobs/${number}/${step}`);
  return number;
}

/** Picks from a list by its label: types, then takes the first match. */
export async function choose(page: Page, label: string, wanted: string): Promise<void> {
  const box = page.getByLabel(label, { exact: true });
  await box.click();
  await box.fill(wanted);
  await page.locator('.ant-select-item-option-active').filter({ hasText: wanted }).waitFor();
  await page.keyboard.press('Enter');
}

/** A line of "Brief against now". */
export const tally = (page: Page, kind: string): Locator => page.locator(`.tally [data-line="${kind}"]`);

/** Opens one of the looks of the design bench. */
export async function look(page: Page, name: string): Promise<void> {
  const tab = page.getByRole('tab', { name, exact: true });
  await tab.click();
  await expect(tab).toHaveAttribute('aria-selected', 'true');
}

/** A figure of the work, by its id. */
export const figure = (page: Page, id: string): Locator => page.locator(`.work [data-figure="${id}"]`).first();
