import { inDays, shown, typed } from '../day.ts';
import { choose, expect, openJob, signIn, test } from './fixture.ts';

test('two managers move a vehicle from the same moment: both sides are shown', async ({ browser, page, address }) => {
  await signIn(page, address, 'ilse');
  const number = await openJob(page, address, 'Tour car', 'vehicle');
  await expect(page.getByLabel('Place', { exact: true })).toBeVisible();
  // The page hears nothing for a while, as on a train.
  await page.route('**/api/jobs/**', (route) =>
    route.request().method() === 'GET' ? route.abort() : route.continue(),
  );
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(other, address, 'ilse');
  await other.goto(`${address}/jobs/${number}/vehicle`);
  await choose(other, 'Place', 'Out of the building');
  const stored = async () =>
    ((await (await other.request.get(`${address}/api/jobs/${number}/head`)).json()) as { placeId: string }).placeId;
  await expect.poll(stored).toBe('outside');
  await page.waitForTimeout(300);
  // Another day than the sample has promised, whatever that is today.
  const mine = inDays(400);
  await page.getByLabel('Promised day').fill(typed(mine));
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('Somebody saved this while you were writing')).toBeVisible();
  await expect(dialog.getByRole('row', { name: /Place/ })).toContainText('Out of the building');
  await expect(dialog.getByRole('row', { name: /Promised/ })).toContainText(shown(mine));
  await page.unroute('**/api/jobs/**');
  await dialog.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText(`promised for ${shown(mine)}`)).toBeVisible();
});
