import { expect, openJob, signIn, test } from './fixture.ts';

test('a learnt estimate is adopted, and the hours of a job that is planned move with it', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  const number = await openJob(page, address, 'Bakery van', 'plan');
  const row = page.locator('[data-planned-stage="connectors"]');
  await expect(row).toBeVisible();
  const planned = async () => {
    const { facts } = await (await page.request.get(`${address}/api/work-plan`)).json();
    const job = facts.jobs.find((one: { number: string }) => one.number === number);
    return job.stages.find((stage: { key: string }) => stage.key === 'connectors').hours as number;
  };
  expect(await planned()).toBe(10);
  await page.goto(`${address}/kits/wren-kit`);
  const estimate = page.locator('[data-estimate="connectors"]').first();
  await expect(estimate).toContainText('10 h');
  await expect(estimate).toContainText(`moves ${number}`);
  await estimate.getByRole('button', { name: 'Fit connectors, label, clamp', exact: true }).click();
  await expect(page.getByRole('table', { name: 'What Fit connectors, label, clamp took' })).toContainText('Post van');
  await estimate.getByRole('button', { name: /^Reckon Fit connectors/ }).click();
  await expect(estimate).toContainText('adopted by Ilse Marrow');
  const hours = await planned();
  expect(hours).toBeLessThan(10);
  await page.goto(`${address}/jobs/${number}/build`);
  await expect(page.locator('[data-stage-key="connectors"]')).toContainText(`${hours} h`);
  // What the plan promised moves: it is made anew on the new hours.
  await page.goto(`${address}/plan`);
  await expect(page.locator('.plan-bar').first()).toBeVisible();
});

test('sisters are held by a lesson of the first of their kind until it is settled', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  const van = await openJob(page, address, 'Bakery van', 'plan');
  await expect(page.getByText('The first of its kind for')).toBeVisible();
  const { csrfToken } = await (await page.request.get(`${address}/api/session`)).json();
  const jobs = (await (await page.request.get(`${address}/api/jobs`)).json()) as { number: string; title: string }[];
  const ice = jobs.find(({ title }) => title === 'Ice-cream van')!.number;
  const post = jobs.find(({ title }) => title === 'Post van')!.number;
  const send = async (method: 'post' | 'put', path: string, data: object) => {
    const answer = await page.request[method](`${address}/api${path}`, {
      headers: { 'X-CSRF-Token': csrfToken },
      data,
    });
    expect(answer.ok(), await answer.text()).toBe(true);
  };
  const series = async (of: string) => (await page.request.get(`${address}/api/jobs/${of}/series`)).json();
  // The ice-cream van stands by itself again, and the bakery van follows one that is handed over and has taught something.
  await send('put', `/jobs/${ice}/series`, { first: null, version: (await series(ice)).version });
  await send('post', `/jobs/${post}/lessons`, {
    ...{ about: 'job', aboutId: '', aboutText: 'the whole', text: 'Drive it a week before the next' },
    ...{ costHours: null, costCents: null },
  });
  await page.goto(`${address}/jobs/${van}/plan`);
  await page.getByLabel('First of its kind').click();
  await page.getByTitle(`${post} Post van`).click();
  await expect(page.getByText('Drive it a week before the next')).toBeVisible();
  await expect(page.getByText('until then nothing of this job is begun')).toBeVisible();
  await send('post', '/work-plan', {});
  await page.goto(`${address}/jobs/${van}/plan`);
  await expect(page.getByText(`waits for 1 lesson of ${post}`, { exact: false }).first()).toBeVisible();
  // Settled at the kit, it holds nobody any more.
  await page.getByRole('link', { name: 'Take each into the kit, or set it aside' }).click();
  await page.getByRole('button', { name: 'Settle: Drive it a week before the next' }).click();
  await page.getByLabel('What becomes of it').getByText('set aside', { exact: true }).click();
  await page.getByLabel('Why', { exact: true }).fill('done last winter');
  await page.getByRole('button', { name: 'Settle it' }).click();
  await expect(page.getByLabel('What becomes of it')).toBeHidden();
  await page.goto(`${address}/jobs/${van}/plan`);
  await expect(page.getByText('All its lessons are settled.')).toBeVisible();
});

test('hours are entered late, corrected with a reason, and struck out; each stays to be read', async ({
  page,
  address,
}) => {
  await signIn(page, address, 'jory');
  await page.goto(`${address}/people/hours`);
  await page.getByRole('button', { name: 'Week before' }).click();
  await page.getByRole('button', { name: 'Enter hours late' }).click();
  await page.getByLabel('From', { exact: true }).fill('06:05');
  await page.getByLabel('From', { exact: true }).press('Enter');
  await page.getByLabel('To', { exact: true }).fill('06:50');
  await page.getByLabel('To', { exact: true }).press('Enter');
  await page.getByRole('button', { name: 'Enter hours', exact: true }).click();
  await expect(page.getByText('Why is needed.')).toBeVisible();
  await page.getByLabel('Stage', { exact: true }).click();
  await page.getByLabel('Stage', { exact: true }).fill('Clean and chase');
  await page.keyboard.press('Enter');
  await page.getByLabel('Why it is entered now').fill('the tablet was flat');
  await page.getByRole('button', { name: 'Enter hours', exact: true }).click();
  const entry = page.locator('[data-entry]').filter({ hasText: '06:05 – 06:50' });
  await expect(entry).toContainText('entered or corrected afterwards');
  await expect(page.locator('[data-trace]')).toContainText('the tablet was flat');
  await entry.getByRole('button', { name: /^Correct/ }).click();
  await page.getByLabel('To', { exact: true }).fill('07:05');
  await page.getByLabel('To', { exact: true }).press('Enter');
  await page.getByLabel('Why it is entered now').fill('swept up too');
  await page.getByRole('button', { name: 'Correct', exact: true }).first().click();
  await expect(page.locator('[data-entry]').filter({ hasText: '06:05 – 07:05' })).toBeVisible();
  await page
    .getByRole('button', { name: /^Strike out/ })
    .first()
    .click();
  await page.getByLabel('Why', { exact: true }).fill('that was Ravi');
  await page.getByRole('button', { name: 'Strike out', exact: true }).click();
  await expect(page.locator('[data-trace]').first()).toContainText('struck out');
});

test('a service switch locked open holds live work up, and only who locked it takes the lock off', async ({
  page,
  address,
  browser,
}) => {
  await signIn(page, address, 'jory');
  const number = await openJob(page, address, 'Fire tender', 'build');
  await page.getByRole('button', { name: 'Lock the service switch open …' }).click();
  await page.getByLabel('Where the key is').fill('in my pocket');
  await page.getByRole('button', { name: 'It is locked and tagged' }).click();
  await expect(page.getByText('The service switch is locked open by')).toBeVisible();
  const soren = await (await browser.newContext()).newPage();
  await signIn(soren, address, 'soren');
  await soren.goto(`${address}/jobs/${number}/build`);
  await expect(soren.getByText('Nothing is made live while it is.')).toBeVisible();
  await expect(soren.getByRole('button', { name: 'Take my lock off' })).toBeHidden();
  await page.getByRole('button', { name: 'Take my lock off' }).click();
  await expect(soren.getByText('Nothing is made live while it is.')).toBeHidden();
  await page.getByText('Settings and dash').click();
  await expect(page.locator('[data-setting="maxTorqueNm"]')).toContainText('150 N·m');
  await page.getByText('Arrival and custody').click();
  await expect(page.getByText('It is here.')).toBeVisible();
});
