import { expect, openJob, signIn, test } from './fixture.ts';

test('first power: two people, one authorised, confirmed by name, measured, finished', async ({
  browser,
  page,
  address,
}) => {
  test.setTimeout(180_000);
  await signIn(page, address, 'ilse');
  const number = await openJob(page, address, 'Tour car', 'build');
  await page.getByRole('button', { name: /Make 16 stages/ }).click();
  await expect(page.locator('[data-stage="receive"]')).toBeVisible();
  // The stages before first power are finished by the manager through the server, as a technician would step by step.
  const session = (await (await page.request.get(`${address}/api/session`)).json()) as { csrfToken: string };
  const send = async (path: string, data: object = {}) => {
    const answer = await page.request.post(`${address}/api${path}`, {
      data,
      headers: { 'X-CSRF-Token': session.csrfToken },
    });
    expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
  };
  const job = async () =>
    (await (await page.request.get(`${address}/api/jobs/${number}`)).json()) as {
      stages: {
        id: string;
        key: string;
        version: number;
        state: string;
        steps: { id: string; limit: { min: number | null; max: number | null } | null }[];
      }[];
    };
  for (const key of [
    'receive',
    'strip',
    'clean',
    'run-looms',
    'front-box',
    'rear-box',
    'clearance',
    'connectors',
    'charger',
  ]) {
    const stage = (await job()).stages.find((s) => s.key === key)!;
    await send(`/stages/${stage.id}/clock-on`, { kind: 'work', cause: null });
    for (const { id, limit } of stage.steps)
      await send(`/steps/${id}/readings`, { value: limit ? (limit.min ?? limit.max ?? 0) : 1 });
    await send(`/stages/${stage.id}/finish`, { version: (await job()).stages.find((s) => s.key === key)!.version });
  }

  const soren = await (await browser.newContext()).newPage();
  await signIn(soren, address, 'soren');
  await openJob(soren, address, 'Fire tender', 'build');
  await soren.getByRole('button', { name: 'Clock off' }).click();
  await soren.goto(`${address}/jobs/${number}/build`);
  await soren.locator('[data-stage-key="first-power"]').click();
  await expect(soren.getByText('High voltage kills.')).toBeVisible();
  await soren.getByRole('button', { name: 'Clock on' }).click();
  const confirm = soren.getByRole('button', { name: /Isolated, waited, proved dead/ });
  await confirm.click();
  await expect(
    soren.getByText('Live high-voltage work takes two people. A second person must clock on.'),
  ).toBeVisible();
  await expect(soren.locator('[data-stage="first-power"]')).toHaveAttribute('data-state', 'waiting');

  const ravi = await (await browser.newContext()).newPage();
  await signIn(ravi, address, 'ravi');
  await ravi.goto(`${address}/jobs/${number}/build`);
  await ravi.locator('[data-stage-key="first-power"]').click();
  await ravi.getByRole('button', { name: 'Clock on' }).click();
  await expect(ravi.getByRole('button', { name: 'Clock off' })).toBeVisible();
  await ravi.getByRole('button', { name: /Isolated, waited/ }).click();
  await expect(ravi.getByText('Only the HV authorised person can confirm this.')).toBeVisible();

  await expect(soren.getByText(/SA since .*, RD since/)).toBeVisible();
  await confirm.click();
  await expect(soren.locator('[data-stage="first-power"]')).toHaveAttribute('data-state', 'inHand');
  const plus = soren.locator('[data-step="Insulation, plus to chassis"]');
  await plus.getByRole('textbox').fill('8');
  await plus.getByRole('button', { name: /^Enter/ }).click();
  await expect(soren.locator('[data-stage="first-power"]')).toHaveAttribute('data-state', 'stopped');
  await expect(plus.getByText('Stopped at 8 kΩ.', { exact: false })).toBeVisible();
  await plus.getByRole('textbox').fill('820');
  await plus.getByRole('button', { name: /^Enter/ }).click();
  await expect(soren.locator('[data-stage="first-power"]')).toHaveAttribute('data-state', 'inHand');
  const minus = soren.locator('[data-step="Insulation, minus to chassis"]');
  await minus.getByRole('textbox').fill('790');
  await minus.getByRole('button', { name: /^Enter/ }).click();
  await soren.getByRole('button', { name: /^Done: Precharge curve/ }).click();
  await expect(soren.getByRole('button', { name: 'Finish stage' })).toBeEnabled();
  await soren.getByRole('button', { name: 'Finish stage' }).click();
  await expect(ravi.locator('[data-stage="first-power"]')).toHaveAttribute('data-state', 'done');
  await expect(ravi.getByText('Finished by Soren Adaro', { exact: false })).toBeVisible();
});
