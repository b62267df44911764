import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openJob, signIn, test } from './fixture.ts';

/** Rules of WCAG 2.1 A and AA and axe's own best practices. */
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'];

/** Lets the view settle, then lists what axe finds on it: nothing. */
async function nothingFound(page: Page, view: string): Promise<void> {
  await page.waitForTimeout(400);
  const { violations } = await new AxeBuilder({ page }).withTags(TAGS).analyze();
  expect
    .soft(
      violations.map(
        ({ id, nodes }) =>
          `${view}: ${id}: ${nodes
            .map((node) => node.html.slice(0, 140))
            .slice(0, 3)
            .join(' | ')}`,
      ),
    )
    .toEqual([]);
}

test('axe finds nothing on any place', async ({ page, address }) => {
  test.setTimeout(180_000);
  const look = (view: string) => nothingFound(page, view);
  await page.goto(address);
  await expect(page.getByText('The sample workshop')).toBeVisible();
  await look('sign-in');
  await signIn(page, address, 'ilse');
  await expect(page.getByText('Hours today')).toBeVisible();
  await look('floor');
  await page.goto(`${address}/jobs`);
  await expect(page.getByText('Handed over').first()).toBeVisible();
  await look('jobs');
  await page.goto(`${address}/components/drive`);
  await expect(page.getByRole('table', { name: 'Drive unit' })).toContainText('Drive unit H80');
  await look('components');
  await page.getByRole('button', { name: 'Add one' }).click();
  await page.getByRole('button', { name: 'Add to torque curve' }).click();
  await look('a component being added');
  await page.goto(`${address}/kits`);
  await expect(page.getByRole('table', { name: 'Kits' })).toContainText('Wren');
  await look('kits');
  await page.goto(`${address}/kits/wren-kit`);
  await expect(page.getByText('What it comes to')).toBeVisible();
  for (const part of ['What is in it', 'Beside', 'Boxes', 'Cover', 'Stages', 'Not in it']) {
    await page.getByLabel('Look of the revision').getByText(part, { exact: true }).click();
    await look(`a kit, ${part}`);
  }
  await page.goto(`${address}/kits/stages`);
  await expect(page.locator('.stages-editor')).toBeVisible();
  await look('lists of stages');
});

test('axe finds nothing on the plan, the people, the tools, the figures and the wall', async ({ page, address }) => {
  test.setTimeout(180_000);
  const look = (view: string) => nothingFound(page, view);
  await signIn(page, address, 'ilse');
  await page.goto(`${address}/plan`);
  await expect(page.locator('.plan-bar').first()).toBeVisible();
  await look('plan');
  await page.goto(`${address}/workshop`);
  await expect(page.getByText('An hour by skill')).toBeVisible();
  await look('the workshop');
  await page.goto(`${address}/models`);
  await expect(page.locator('[data-variant]').first()).toBeVisible();
  await look('models');
  await page.getByRole('button', { name: 'Take in a file' }).click();
  await expect(page.getByLabel('or paste it here')).toBeVisible();
  await look('models taken in');
  await page.goto(`${address}/people/hours`);
  await page.getByRole('button', { name: 'Enter hours late' }).click();
  await look('hours');
  await page.goto(`${address}/people/load`);
  await expect(page.getByRole('table', { name: 'Load of people' })).toBeVisible();
  await look('load');
  await page.goto(`${address}/stores/tools`);
  await page.getByRole('button', { name: 'Enter one' }).click();
  await look('tools');
  await page.goto(`${address}/figures`);
  await expect(page.getByText('Rework by cause')).toBeVisible();
  await look('figures');
  await page.goto(`${address}/wall`);
  await expect(page.locator('[data-wall]').first()).toBeVisible();
  await look('wall');
});

test('axe finds nothing on any step of a job', async ({ page, address }) => {
  test.setTimeout(180_000);
  const look = (view: string) => nothingFound(page, view);
  await signIn(page, address, 'ilse');
  await page.goto(`${address}/jobs/new`);
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByText('Client is needed.')).toBeVisible();
  await look('new job with faults');
  for (const step of ['brief', 'vehicle', 'size', 'match']) {
    await openJob(page, address, 'Ice-cream van', step);
    await expect(page.getByText('Brief against now')).toBeVisible();
    await look(step);
  }
  await page.getByRole('button', { name: /^Which kit/ }).click();
  await expect(page.getByRole('table', { name: 'Which kit' })).toBeVisible();
  await look('which kit');
  await openJob(page, address, 'Hotel shuttle', 'parts');
  await expect(page.getByText('was due', { exact: false })).toBeVisible();
  await look('parts');
  await openJob(page, address, 'Bakery van', 'build');
  await expect(page.getByText('Rear box and drive in').first()).toBeVisible();
  await look('build');
  await page.getByText('Arrival and custody').click();
  await page.getByRole('button', { name: 'Look at one' }).click();
  await look('arrival and custody');
  await page.getByText('Settings and dash').click();
  await page.getByRole('button', { name: 'Add a line' }).click();
  await look('settings and dash');
  await openJob(page, address, 'Ice-cream van', 'plan');
  await expect(page.getByText('Sister of')).toBeVisible();
  await look('sisters');
  await openJob(page, address, 'Bakery van', 'bench');
  await expect(page.getByRole('button', { name: 'Clock on' })).toBeVisible();
  await look('bench');
  await openJob(page, address, 'Fire tender', 'prove');
  await expect(page.getByText('Sign-off sheet')).toBeVisible();
  await look('prove');
});

test('axe finds nothing on any look of the design bench, opened out', async ({ page, address }) => {
  test.setTimeout(180_000);
  await signIn(page, address, 'ilse');
  for (const [title, name] of [
    ['Ice-cream van', 'layout'],
    ['Fire tender', 'drive'],
    ['Tour car', 'uses'],
    ['Ice-cream van', 'balance'],
    ['Ice-cream van', 'charging'],
    ['Ice-cream van', 'electrics'],
    ['Ice-cream van', 'heat'],
    ['Ice-cream van', 'compare'],
    ['Ice-cream van', 'search'],
  ] as const) {
    await openJob(page, address, title, `size?look=${name}`);
    await expect(page.locator('.work section').first()).toBeVisible();
    // What is folded away must be in order too.
    await page.evaluate(() => {
      for (const fold of document.querySelectorAll('details')) fold.open = true;
    });
    if (name === 'balance') await page.getByRole('button', { name: 'Add an item' }).click();
    if (name === 'search') {
      await page.getByRole('button', { name: 'Search', exact: true }).click();
      await expect(page.getByText(', done;', { exact: false })).toBeVisible();
    }
    await nothingFound(page, name);
  }
});
