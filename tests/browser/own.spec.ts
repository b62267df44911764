import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect } from '@playwright/test';
import Papa from 'papaparse';
import { migrateUp } from '../../server/db/migrate.ts';
import { backUp, restore } from '../../tools/backupFile.ts';
import { copyTemplate } from '../../tools/copyTemplate.ts';
import { ensureDatabase } from '../../tools/ensureDatabase.ts';
import { serve } from '../../tools/serve.ts';
import { dropDatabase } from '../api/dropDatabase.ts';
import { inDays, typed } from '../day.ts';
import { choose, tally } from './fixture.ts';

/** An installation as a first start leaves it: the sample, and an empty database of one's own. */
interface Databases {
  readonly admin: string;
  readonly own: string;
  readonly sample: string;
}

const test = base.extend<{ address: string; databases: Databases }>({
  // biome-ignore lint/correctness/noEmptyPattern: the fixture form wants a pattern
  databases: async ({}, use) => {
    const pattern = process.env.TEST_DATABASE_URL ?? '';
    const urlOf = (name: string) => pattern.replace(/DB$/, name);
    const mark = randomUUID().replace(/-/g, '');
    const [sample, own] = [`browser_${mark}`, `browser_own_${mark}`];
    await copyTemplate(urlOf('postgres'), sample);
    await ensureDatabase(urlOf('postgres'), own);
    await migrateUp(urlOf(own));
    await use({ admin: urlOf('postgres'), own: urlOf(own), sample: urlOf(sample) });
    for (const name of [sample, own]) await dropDatabase(urlOf('postgres'), name);
  },
  address: async ({ databases: { sample, own } }, use) => {
    const running = await serve(sample, `${process.cwd()}/dist/web`, 0, { log: 'silent', own });
    await use(running.url);
    await running.close();
  },
});

/** One point, clear: enough of a picture. */
const PICTURE = {
  name: 'side.png',
  mimeType: 'image/png',
  buffer: Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  ),
};

test('a workshop of one’s own: from nothing to a signed check, and back from a backup', async ({
  page,
  address,
  databases,
  browser,
}) => {
  test.setTimeout(240_000);
  await page.goto(address);
  await test.step('the first question: the sample, or one’s own', async () => {
    await page.getByRole('button', { name: 'Begin your own' }).click();
    await expect(page.getByRole('heading', { name: 'Begin your workshop' })).toBeVisible();
  });
  await test.step('what is missing is said at its field, and nothing typed is lost', async () => {
    await page.getByLabel('Name of the workshop').fill('Pier Works');
    await page.getByLabel('Password (10 or more)').fill('short');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByText('Your name is needed.')).toBeVisible();
    await expect(page.getByText(/too short: ten characters or more/)).toBeVisible();
    await page.getByLabel('Your name').fill('Nell Arkle');
    await page.getByLabel('Name to sign in with').fill('nell');
    await page.getByLabel('Password (10 or more)').fill('tide and timber');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'To open the first job' })).toBeVisible();
  });

  await test.step('the building is drawn with pointer and keyboard; what lies over another is refused', async () => {
    await page.getByRole('button', { name: 'Draw the building' }).click();
    const add = async (kind: string) => {
      await page.getByRole('button', { name: 'Add a place' }).click();
      await page.getByRole('menuitem', { name: kind, exact: true }).click();
    };
    await add('Bay');
    await page.getByLabel('has a lift').check();
    await add('Bay');
    const second = page.locator('[data-place="Bay 2"]');
    await second.focus();
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('list', { name: 'What is wrong with the plan' })).toContainText('It lies over Bay 1.');
    await page.getByRole('button', { name: 'Save the building' }).click();
    await expect(page.getByText('It lies over Bay 1.').first()).toBeVisible();
    // Dragged to the right by a good two metres, and longer by its corner.
    await second.hover({ position: { x: 20, y: 60 } });
    const box = (await second.boundingBox())!;
    await page.mouse.down();
    await page.mouse.move(box.x + 160, box.y + 60, { steps: 6 });
    await page.mouse.up();
    await expect(page.getByRole('list', { name: 'What is wrong with the plan' })).toBeHidden();
    const corner = page.locator('[data-corner="Bay 2"]');
    await corner.focus();
    await page.keyboard.press('Shift+ArrowDown');
    await expect(page.getByLabel('Along')).toHaveValue('7.5');
    await add('High-voltage room');
    await page.getByRole('button', { name: 'Save the building' }).click();
    await expect(page.getByRole('heading', { name: 'Bay 1, lift' })).toBeVisible();
    await expect(page.getByRole('heading', { name: 'High-voltage room' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Draw the building' })).toBeHidden();
  });

  const link = await test.step('somebody is added, and the link is shown once', async () => {
    await page.getByRole('link', { name: 'People', exact: true }).click();
    await page.getByRole('button', { name: 'Add somebody' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Ana Quell');
    await page.getByLabel('Name to sign in with').fill('ana');
    await page.getByRole('button', { name: 'Add and invite' }).click();
    const shown = (await page.locator('[data-invitation] code').textContent())!;
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.locator('[data-person="Ana Quell"]')).toContainText('invited until');
    return shown.trim();
  });
  await test.step('who is authorised, from when, by whom', async () => {
    const lastDay = inDays(339);
    await page.getByRole('button', { name: 'Ana Quell' }).click();
    await page.getByRole('button', { name: 'Authorise', exact: true }).click();
    await expect(page.getByText('Given by is needed.')).toBeVisible();
    await page.getByLabel('Last day').fill(typed(lastDay));
    await page.keyboard.press('Enter');
    await page.getByLabel('Given by').fill('a school');
    await page.getByLabel('Its paper').fill('no. 7');
    await page.getByRole('button', { name: 'Authorise', exact: true }).click();
    await expect(page.locator('[data-authorisation]')).toContainText(`to ${typed(lastDay)} by a school, no. 7`);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('img', { name: new RegExp(`until ${typed(lastDay)}`) })).toBeVisible();
    await expect(page.getByText('Nobody has a current high-voltage')).toBeHidden();
  });

  await test.step('the invitation is taken up on a telephone, once', async () => {
    const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const theirs = await phone.newPage();
    await theirs.goto(link);
    await expect(theirs.getByRole('heading', { name: 'Welcome, Ana Quell' })).toBeVisible();
    expect((await new AxeBuilder({ page: theirs }).analyze()).violations).toEqual([]);
    await theirs.getByLabel('Password, ten characters or more').fill('salt and cedar');
    await theirs.getByRole('button', { name: 'Choose it and come in' }).click();
    await expect(theirs.getByRole('button', { name: 'Ana Quell, menu' })).toBeVisible();
    await theirs.goto(link);
    await expect(theirs.getByText(/has been used or has run out/)).toBeVisible();
    await phone.close();
  });

  await test.step('a model is drawn over a picture; what cannot be is said; the first job is opened on it', async () => {
    await page.goto(`${address}/models`);
    await page.getByRole('button', { name: 'New model' }).click();
    await page.getByRole('menuitem', { name: 'Van', exact: true }).click();
    await page.getByRole('button', { name: 'Take it into the library' }).click();
    await expect(page.getByText('Maker is needed.').first()).toBeVisible();
    await page.getByLabel('Maker').fill('Quay Motors');
    await page.getByLabel('Model', { exact: true }).fill('Carrier');
    await page.getByLabel('Variant', { exact: true }).fill('long');
    await page.locator('input[type="file"]').setInputFiles(PICTURE);
    await page.getByLabel('Picture is wide').fill('3900');
    await expect(page.locator('svg image')).toHaveAttribute('width', '3900');
    await page.getByRole('tab', { name: 'Measures and masses' }).click();
    await page.getByLabel('Wheelbase', { exact: true }).fill('2400');
    await expect(page.locator('[data-variant-figure="wheelbase"]')).toContainText('drawing');
    await page.getByRole('tab', { name: /^Bays/ }).click();
    await page.getByRole('button', { name: 'Add a bay' }).click();
    const bay = page.locator('[data-bay="bay-1"]');
    await bay.hover();
    const at = (await bay.boundingBox())!;
    await page.mouse.down();
    await page.mouse.move(at.x + at.width / 2 + 400, at.y + at.height / 2, { steps: 5 });
    await page.mouse.up();
    await page.getByRole('button', { name: 'Take it into the library' }).click();
    await expect(page.getByText('The bay “bay 1” lies outside the body.').first()).toBeVisible();
    await page.getByLabel('Behind the front axle', { exact: true }).fill('2000');
    await bay.focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByLabel('Behind the front axle', { exact: true })).toHaveValue('2010');
    expect((await new AxeBuilder({ page }).analyze()).violations, 'model').toEqual([]);
    await page.getByRole('button', { name: 'Take it into the library' }).click();
    await expect(page).toHaveURL(/models\/carrier-long$/);
    await page.goto(`${address}/jobs/new`);
    await page.getByLabel('Client', { exact: true }).fill('Harbour Trust');
    await page.getByLabel('What it is').fill('Net van');
    await page.getByLabel('Model and variant').click();
    await page.getByText('Quay Motors Carrier long').last().click();
    await page.getByLabel('Year built').fill('1975');
    await page.getByLabel('Chassis number').fill('QC 1234');
    await page.getByRole('button', { name: 'Open the job' }).click();
    await expect(page.getByRole('heading', { name: /Net van/ })).toBeVisible();
    await page.getByRole('button', { name: 'State of the job: Enquiry' }).click();
    await page.getByRole('radio', { name: 'Waiting for the client' }).check();
    await page.getByRole('button', { name: 'Take it there' }).click();
    await expect(page.getByText('A reason is needed.')).toBeVisible();
    await page.getByLabel('Reason', { exact: true }).fill('they count their nets');
    await page.getByRole('button', { name: 'Take it there' }).click();
    await expect(page.getByRole('button', { name: 'State of the job: Waiting for the client' })).toBeVisible();
  });

  await test.step('the model is changed; the vehicle keeps its own, and takes the newer one when told', async () => {
    const job = page.url();
    await page.goto(`${address}/models/carrier-long`);
    await page.getByRole('tab', { name: 'Measures and masses' }).click();
    await page.getByLabel('Width', { exact: true }).fill('1700');
    await page.getByRole('button', { name: 'Save the model' }).click();
    await expect(page).toHaveURL(/models\/carrier-long\.r2$/);
    await page.goto(job.replace(/\/[a-z]+$/, '/vehicle'));
    const offer = page.locator('[data-newer-revision]');
    await expect(offer).toContainText('revision 2 of this model; this vehicle stands on revision 1');
    await offer.getByText('What it changes').click();
    await expect(offer.getByRole('row', { name: /^Width 1/ })).toContainText(/1.650\smm1.700\smm/);
    await offer.getByRole('button', { name: 'Take the newer one' }).click();
    await expect(offer).toBeHidden();
  });

  const job = page.url().replace(/\/[a-z]+$/, '');
  await test.step('components: one by form, others from a table that is looked at first', async () => {
    await page.goto(`${address}/components/module`);
    await page.getByRole('button', { name: 'Add one' }).click();
    const fields: [string, string][] = [
      ['Name', 'Quay module'],
      ['Supplier', 'Quay Cells'],
      ['Mass', '25 lb'],
      ['Length', '355'],
      ['Width', '152'],
      ['Height', '108'],
      ['Price', '420'],
      ['Days to get', '20'],
      ['Cells in series', '6'],
      ['Cells in parallel', '2'],
      ['Capacity', '110'],
      ['Voltage, empty', '18'],
      ['Voltage, nominal', '22'],
      ['Voltage, full', '25.2'],
      ['Current, continuous', '150'],
      ['Current, ten seconds', '400'],
      ['Resistance', '4'],
      ['Channels to watch', '6'],
    ];
    const form = page.getByRole('dialog');
    for (const [label, value] of fields) await form.getByLabel(label, { exact: true }).fill(value);
    await choose(page, 'Chemistry', 'NMC');
    await page.getByRole('button', { name: 'Take it into the library' }).click();
    await expect(page.getByRole('button', { name: 'Quay module', exact: true })).toBeVisible();
    const heads = ['Name', 'Supplier', 'Mass (kg)', 'Length (mm)', 'Width (mm)', 'Height (mm)', 'Price (cents)'];
    const common = [...heads, 'Days to get', 'Covers', 'Live parts inside'];
    const takeIn = async (kind: string, head: string[], rows: string[][], wrong = false) => {
      await page.goto(`${address}/components/${kind}`);
      await page.getByRole('button', { name: 'Take in a table' }).click();
      const text = Papa.unparse([[...common, ...head], ...rows]);
      await page.getByLabel('or paste it here').fill(wrong ? text.replace('Mass (kg)', 'Mass (V)') : text);
    };
    const drives = [
      ['Least voltage (V)', 'Highest voltage (V)', 'Peak torque (N·m)', 'Continuous torque (N·m)', 'Peak power (kW)'],
      [
        'Continuous power (kW)',
        'Highest revolutions (rpm)',
        'Own reduction',
        'Efficiency',
        'Battery current, most (A)',
      ],
      ['Inverter built in', 'Turns', 'Spline', 'Bolt pattern'],
    ].flat();
    const drive = ['Quay drive', 'Quay Motors', '48', '400', '400', '300', '300000', '30', 'drive; invert', 'yes'];
    const rest = ['100', '420', '150', '70', '60', '30', '9000', '9', '0.9', '300', 'yes', 'halfShafts', '', ''];
    await takeIn('drive', drives, [], true);
    await expect(page.getByText('This table has a head and no rows.')).toBeVisible();
    await takeIn('drive', drives, [[...drive, ...rest]], true);
    await expect(page.getByText('The column “Mass (V)”: that is a voltage; kg or another unit')).toBeVisible();
    await takeIn('drive', drives, [
      [...drive, ...rest],
      ['Half a drive', ...drive.slice(1), ...rest.slice(1), 'x'],
    ]);
    await expect(page.locator('[data-verdict="new"]')).toContainText('Quay drive');
    await expect(page.locator('[data-verdict="fault"]')).toContainText('Half a drive');
    await page.getByRole('button', { name: 'Take in 1' }).click();
    await expect(page.locator('[data-taken-in]')).toContainText('Taken in: 1 new, 1 left out.');
    await takeIn(
      'charger',
      ['Power (kW)', 'Least voltage (V)', 'Highest voltage (V)', 'Phases', 'Supply current (A)', 'Efficiency (%)'],
      [
        ['Quay charger', 'Quay', '6', '300', '200', '100', '60000', '10', 'chargeAc', 'yes'].concat([
          '3.3',
          '100',
          '420',
          '1',
          '16',
          '93',
        ]),
      ],
    );
    await page.getByRole('button', { name: 'Take in 1' }).click();
    await expect(page.locator('[data-taken-in]')).toContainText('1 new');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('Undone: 1 components are as they were.')).toBeVisible();
    await page.getByRole('button', { name: 'Take in 1' }).click();
    await expect(page.locator('[data-taken-in]')).toContainText('1 new');
  });

  await test.step('the first job: brief, a design of them, a thin kit, stages, a signed check', async () => {
    await page.goto(`${job}/brief`);
    await page.getByRole('button', { name: 'State of the job: Waiting for the client' }).click();
    await page.getByRole('radio', { name: 'Being sized' }).check();
    await page.getByRole('button', { name: 'Take it there' }).click();
    await choose(page, 'Add a line', '0 to 50 km/h');
    await page.getByRole('button', { name: 'Add line' }).click();
    await expect(tally(page, 'time0to50')).toContainText('choose a drive');
    await page.goto(`${job}/size`);
    await page.getByRole('button', { name: 'New design' }).click();
    await page.getByLabel('Name of the design').fill('A');
    await page.getByRole('button', { name: 'Make it' }).click();
    await choose(page, 'Module', 'Quay module');
    await page.getByLabel('Modules in bay 1').fill('2');
    await choose(page, 'Drive', 'Quay drive');
    await choose(page, 'Charger', 'Quay charger');
    await page.getByRole('button', { name: 'Save design' }).click();
    await expect(page.getByRole('button', { name: 'Save design' })).toBeHidden();
    await page.getByRole('button', { name: 'Choose this design' }).click();
    await expect(page.getByRole('button', { name: /A, chosen/ })).toBeVisible();
    await page.goto(`${job}/match`);
    await page.getByRole('button', { name: 'Make a draft of a kit' }).click();
    await expect(page.getByText('Name of the kit is needed.')).toBeVisible();
    await page.getByLabel('Name of the kit').fill('Carrier kit');
    await page.getByRole('button', { name: 'Make a draft of a kit' }).click();
    await page.getByRole('button', { name: 'Take this kit' }).click();
    await expect(page.getByText('taken for this job')).toBeVisible();
    await page.goto(`${job}/build`);
    await page.getByRole('button', { name: /Make \d+ stages/ }).click();
    await page.getByRole('button', { name: 'Clock on' }).click();
    await expect(page.getByRole('button', { name: 'Clock off' })).toBeVisible();
    await page.goto(`${job}/prove`);
    await page.getByRole('button', { name: 'Sign Torque marks on every fixing: as it should be' }).click();
    await expect(page.getByRole('button', { name: 'Check again: Torque marks on every fixing' })).toBeVisible();
    await expect(page.getByText(/1 of \d+ signed as passed/)).toBeVisible();
  });

  await test.step('a photograph stays with the vehicle; a closed day stands in the calendar', async () => {
    await page.goto(`${job}/vehicle`);
    await page.locator('[data-files="vehicle"] input[type="file"]').first().setInputFiles(PICTURE);
    await expect(page.locator('[data-file="side.png"]')).toBeVisible();
    await page.locator('[data-files="vehicle"]').getByRole('button', { name: 'Drop side.png' }).click();
    await expect(page.locator('[data-file="side.png"]')).toBeHidden();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.locator('[data-file="side.png"]')).toBeVisible();
    await page.goto(`${address}/workshop`);
    await page.locator('input[accept=".ics,text/calendar"]').setInputFiles({
      name: 'closed.ics',
      mimeType: 'text/calendar',
      buffer: Buffer.from(
        'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY:Boat day\r\nDTSTART;VALUE=DATE:20300501\r\nEND:VEVENT\r\nEND:VCALENDAR',
      ),
    });
    await expect(page.locator('[data-closed-day="2030-05-01"]')).toBeVisible();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Make a backup now' })).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Name of closed day 1')).toHaveValue('Boat day');
  });

  await test.step('a backup restored into another database has everything', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'own-'));
    const file = join(folder, 'own.backup');
    await backUp(databases.own, file);
    const other = databases.own.replace(/[^/]+$/, (name) => `${name}_again`);
    expect(await restore(file, other)).toEqual({ people: 2, jobs: 1 });
    const again = await serve(other, `${process.cwd()}/dist/web`, 0, { log: 'silent', sample: false });
    const context = await browser.newContext();
    const theirs = await context.newPage();
    await theirs.goto(again.url);
    await theirs.getByLabel('Name').fill('nell');
    await theirs.getByLabel('Password').fill('tide and timber');
    await theirs.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(theirs.getByRole('heading', { name: 'Bay 1, lift' })).toBeVisible();
    await theirs.goto(job.replace(address, again.url).concat('/prove'));
    await expect(theirs.getByText(/1 of \d+ signed as passed/)).toBeVisible();
    await theirs.goto(job.replace(address, again.url).concat('/vehicle'));
    const picture = theirs.locator('[data-file="side.png"] img');
    await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
    await theirs.goto(`${again.url}/models/carrier-long.r2`);
    await expect(theirs.getByRole('button', { name: 'side.png' })).toBeVisible();
    await context.close();
    await again.close();
    await dropDatabase(databases.admin, other.split('/').at(-1)!);
    rmSync(folder, { recursive: true });
  });

  await test.step('axe finds nothing on the new pages', async () => {
    for (const path of ['/', '/people', '/workshop', '/clients', '/components/drive']) {
      await page.goto(address + path);
      await page.locator('.sheet').first().waitFor();
      expect((await new AxeBuilder({ page }).analyze()).violations, path).toEqual([]);
    }
    await page.goto(address);
    await page.getByRole('button', { name: 'Change the building' }).click();
    await expect(page.getByRole('button', { name: 'Save the building' })).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations, 'plan').toEqual([]);
  });

  await test.step('the sample is still there, and is another workshop', async () => {
    await page.getByRole('button', { name: 'Nell Arkle, menu' }).click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await page.getByRole('button', { name: 'Look round the sample workshop' }).click();
    await expect(page.getByText('Everything in it is invented', { exact: false })).toBeVisible();
  });
});
