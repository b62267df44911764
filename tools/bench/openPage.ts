import { chromium, type Page } from '@playwright/test';
import { DEMO_PASSWORD } from '../../server/config.ts';
import { buildPage } from '../buildPage.ts';
import type { Cluster } from '../cluster.ts';
import { CHROMIUM_ARGS, chromiumPath, ensureChromium } from '../ensureChromium.ts';
import { serve } from '../serve.ts';

/** The design bench of the sample's ice-cream van in the real page, signed in as its manager, while `work` measures. */
export async function onDesignBench<T>(
  cluster: Cluster,
  database: string,
  work: (page: Page) => Promise<T>,
): Promise<T> {
  ensureChromium();
  const running = await serve(cluster.url(database), await buildPage(), 0, { log: 'silent' });
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(running.url);
    await page.getByLabel('Name').fill('ilse');
    await page.getByLabel('Password').fill(DEMO_PASSWORD);
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await page.getByText('Needs a decision').waitFor();
    const jobs = (await (await page.request.get(`${running.url}/api/jobs`)).json()) as {
      number: string;
      title: string;
    }[];
    await page.goto(`${running.url}/jobs/${jobs.find((job) => job.title === 'Ice-cream van')?.number}/size`);
    await page.locator('[data-box="rear"]').waitFor();
    await page.waitForTimeout(1500);
    return await work(page);
  } finally {
    await browser.close();
    await running.close();
  }
}
