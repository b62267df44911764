import type { Page } from '@playwright/test';
import { expect, openJob, PASSWORD, signIn, tally, test } from './fixture.ts';

/** Moves the focus with Tab alone until it is on what is wanted. */
async function tabTo(page: Page, name: RegExp, most = 90): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const said = await page.evaluate(() => {
      const element = document.activeElement as HTMLElement | null;
      if (element === document.body) return '';
      const label = element?.id ? document.querySelector(`label[for="${CSS.escape(element.id)}"]`)?.textContent : '';
      return `${element?.getAttribute('aria-label') ?? ''} ${label ?? ''} ${element?.textContent ?? ''}`;
    });
    if (name.test(said)) return;
  }
  throw new Error(`Tab never came to ${name}`);
}

test('from sign-in to a finished stage with the keyboard alone', async ({ page, address }) => {
  await page.goto(address);
  await expect(page.getByLabel('Name')).toBeVisible();
  await tabTo(page, /^\s*Name/);
  await page.keyboard.type('jory');
  await page.keyboard.press('Tab');
  await page.keyboard.type(PASSWORD);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Needs a decision')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('bakery');
  // The job, not the vehicle, which may be found a moment sooner.
  await expect(page.locator('.ant-select-item-option-active')).toContainText(/26-\d{3}.*Bakery van/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/brief$/);
  await page.keyboard.press('9');
  await expect(page).toHaveURL(/build$/);
  await page.keyboard.press('b');
  await expect(page.getByRole('heading', { name: 'Rear box and drive in' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Clock off' })).toBeVisible();
  for (const [step, value] of [
    ['Cradle gap before any bolt is started', '4'],
    ['Torque, cradle, front pair', '66'],
    ['Torque, cradle, rear pair', '65'],
  ] as const) {
    await tabTo(page, new RegExp(`^\\s*${step}`));
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
    await expect(page.locator(`[data-step="${step}"]`)).toHaveAttribute('data-verdict', 'within');
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  }
  await expect(page.getByRole('button', { name: 'Finish stage' })).toBeEnabled();
  await tabTo(page, /Finish stage/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Clearance check, shift on slots' })).toBeVisible();
  await page.keyboard.press('c');
  await expect(page.getByRole('button', { name: 'Clock off' })).toBeVisible();
  await page.keyboard.press('c');
  await expect(page.getByRole('button', { name: 'Clock on' })).toBeVisible();
});

test('keys: places, steps, units, working, the list, and rest while typing', async ({ page, address }) => {
  await signIn(page, address, 'ilse');
  await openJob(page, address, 'Bakery van', 'brief');
  await expect(tally(page, 'rangeRound')).toContainText('km');
  for (const [key, step] of [
    ['2', 'vehicle'],
    ['3', 'size'],
    ['4', 'match'],
    ['6', 'parts'],
    ['0', 'prove'],
    ['1', 'brief'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`${step}$`));
  }
  await page.keyboard.press('u');
  await expect(tally(page, 'rangeRound')).toContainText('miles');
  await page.keyboard.press('u');
  await expect(tally(page, 'grossMass')).toContainText('lb');
  await page.keyboard.press('u');
  await expect(tally(page, 'grossMass')).toContainText('kg');
  await page.keyboard.press('3');
  await expect(page.locator('[data-figure="packEnergy"]').first()).toBeVisible();
  await page.locator('[data-figure="packUsable"]').first().focus();
  await page.keyboard.press('w');
  await expect(page.getByText('E usable = E × what the cells give at this temperature × usable share')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden();
  await page.keyboard.press('Alt+f');
  await expect(page.getByText('Needs a decision')).toBeVisible();
  await page.keyboard.press('Alt+j');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('u2?');
  await expect(page.getByLabel('Find a job, part or vehicle')).toHaveValue('u2?');
});
