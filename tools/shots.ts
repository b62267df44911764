import { mkdirSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { migrateUp } from '../server/db/migrate.ts';
import { buildPage } from './buildPage.ts';
import { startCluster } from './cluster.ts';
import { CHROMIUM_ARGS, chromiumPath, ensureChromium } from './ensureChromium.ts';
import { ensureDatabase } from './ensureDatabase.ts';
import { prepareSample } from './openDatabase.ts';
import { say } from './say.ts';
import { serve } from './serve.ts';

// Use: npm run shots [-- folder [name …]]. Pictures of every main view at 1280 × 800 from a fresh sample.
const [folder = 'docs/screenshots', ...only] = process.argv.slice(2);
mkdirSync(folder, { recursive: true });
ensureChromium();
const cluster = await startCluster('shots');
const url = cluster.url('shots');
await ensureDatabase(cluster.url('postgres'), 'shots');
await migrateUp(url);
await prepareSample(url, 'reset');
const running = await serve(url, await buildPage(), 0);
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
// SHOT_SIZE=1920x1080 looks at another screen.
const [width = 1280, height = 800] = (process.env.SHOT_SIZE ?? '').split('x').filter(Boolean).map(Number);
const page = await browser.newPage({ viewport: { width, height } });

async function jobNumber(title: string): Promise<string> {
  const jobs = (await (await page.request.get(`${running.url}/api/jobs`)).json()) as {
    number: string;
    title: string;
  }[];
  return jobs.find((job) => job.title === title)?.number ?? '';
}

const step = (title: string, name: string) => async (p: Page) => {
  await p.goto(`${running.url}/jobs/${await jobNumber(title)}/${name}`);
  await p.locator('.work section, .bench section').first().waitFor();
};

const VIEWS: Record<string, (p: Page) => Promise<unknown>> = {
  floor: async (p) => {
    await p.goto(running.url);
    await p.getByRole('button', { name: 'Ilse Marrow' }).click();
    await p.getByText('Needs a decision').waitFor();
  },
  kit: async (p) => {
    await p.goto(`${running.url}/kits/wren-kit`);
    await p.getByText('What it comes to').waitFor();
  },
  fitter: async (p) => {
    await p.goto(`${running.url}/kits/orders`);
    await p.getByRole('link', { name: /-002$/ }).click();
    await p.getByRole('button', { name: 'Open a page' }).click();
    const link = await p.locator('[data-fitter-link] code').textContent();
    await p.setViewportSize({ width: 390, height: 844 });
    await p.goto(link?.trim() ?? '');
    await p.getByText('Not included').waitFor();
  },
  'stores-needs': async (p) => {
    await p.setViewportSize({ width, height });
    await p.goto(`${running.url}/stores/needs`);
    await p.getByRole('table', { name: 'Who gets it' }).waitFor();
    await p.waitForTimeout(600);
  },
  'stores-grading': async (p) => {
    await p.goto(`${running.url}/stores/grading`);
    await p.getByLabel('Strings side by side').fill('2');
    await p.getByText('the best there is, proved').waitFor();
    await p.waitForTimeout(600);
  },
  plan: async (p) => {
    await p.setViewportSize({ width, height });
    await p.goto(`${running.url}/plan`);
    await p.locator('.plan-tail').first().waitFor({ state: 'attached' });
    await p.locator('.plan-bar').first().click();
    await p.getByText('even chance').waitFor();
  },
  hours: async (p) => {
    await p.goto(`${running.url}/people/hours`);
    await p.getByRole('button', { name: 'Week before' }).click();
    await p.getByRole('button', { name: 'Soren Adaro' }).click();
    await p.locator('[data-entry]').first().waitFor();
  },
  figures: async (p) => {
    await p.goto(`${running.url}/figures`);
    await p.getByText('Rework by cause').waitFor();
    await p.waitForTimeout(600);
  },
  'job-brief': step('Ice-cream van', 'brief'),
  'job-vehicle': step('Ice-cream van', 'vehicle'),
  'job-size': step('Ice-cream van', 'size'),
  'job-size-drive': step('Fire tender', 'size?look=drive'),
  'job-match': step('Ice-cream van', 'match'),
  'job-price': step('Tour car', 'price'),
  'job-parts': step('Hotel shuttle', 'parts'),
  'job-build': step('Bakery van', 'build'),
  bench: step('Bakery van', 'bench'),
  'job-prove': step('Fire tender', 'prove'),
  client: async (p) => {
    await step('Mobile library', 'price')(p);
    await p.getByRole('button', { name: 'Open a page' }).click();
    const link = await p.locator('[data-client-link] code').textContent();
    await p.setViewportSize({ width: 390, height: 844 });
    await p.goto(link?.trim() ?? '');
    await p.getByText('What was agreed').waitFor();
  },
};

try {
  for (const [name, go] of Object.entries(VIEWS)) {
    await go(page);
    await page.waitForLoadState('networkidle').catch(() => {});
    await page.waitForTimeout(350);
    if (only.length > 0 && !only.includes(name)) continue;
    await page.screenshot({ path: `${folder}/${name}.png` });
    say(`${folder}/${name}.png`);
  }
} finally {
  await browser.close();
  await running.close();
  cluster.stop();
}
