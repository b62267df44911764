import { type ChildProcess, spawn } from 'node:child_process';
import { test as base, expect, type Locator, type Page } from '@playwright/test';

export const PASSWORD = 'quay-and-copper';

/** Every test has a server of its own on a fresh copy of the sample workshop. */
export const test = base.extend<{ address: string }>({
  // biome-ignore lint/correctness/noEmptyPattern: the fixture form wants a pattern
  address: async ({}, use) => {
    const server: ChildProcess = spawn(process.execPath, ['--import', 'tsx', 'tools/serveCopy.ts'], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const address = await new Promise<string>((done, fail) => {
      server.stdout?.on('data', (chunk: Buffer) => done(chunk.toString().trim()));
      server.on('exit', (code) => fail(new Error(`the server ended with ${code}`)));
    });
    await use(address);
    const ended = new Promise((done) => server.once('exit', done));
    server.kill('SIGTERM');
    await ended;
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
