import { readFile } from 'node:fs/promises';
import { inDays, shown, typed } from '../day.ts';
import { choose, expect, openJob, signIn, tally, test } from './fixture.ts';

test('one job from brief to signed check', async ({ page, address }) => {
  test.setTimeout(240_000);

  await test.step('1 sign in', async () => {
    await page.goto(address);
    await expect(page.getByText('Everything in it is invented.')).toBeVisible();
    await page.getByLabel('Name').fill('ilse');
    await page.getByLabel('Password').fill('wrong');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByText('Name and password do not belong together. Try again.')).toBeVisible();
    await expect(page.getByLabel('Name')).toHaveValue('ilse');
    await signIn(page, address, 'ilse');
  });

  await test.step('2 the Floor, and what needs a decision', async () => {
    await expect(
      page.getByRole('region', { name: 'Bay 1' }).getByRole('img', { name: /Bakery van, seen from above/ }),
    ).toBeVisible();
    await expect(page.getByText('JO, MB on it since', { exact: false })).toBeVisible();
    await expect(page.getByText('Contactor box K450 is 3 days late.')).toBeVisible();
    await expect(page.getByText(/The kit does not fit this variant\. Mounting point, lower left/)).toBeVisible();
    await expect(page.getByText("Tove Kerrin's HV authorisation ends in 12 days", { exact: false })).toBeVisible();
    await expect(page.getByText('No axle weights.', { exact: false }).first()).toBeVisible();
  });

  await test.step('3 a new job with its brief', async () => {
    await page.getByRole('link', { name: 'Jobs' }).click();
    await page.getByRole('button', { name: 'New job' }).click();
    await page.getByRole('button', { name: 'Open the job' }).click();
    await expect(page.getByText('Client is needed.')).toBeVisible();
    await page.getByLabel('Client', { exact: true }).fill('Cable Ferry');
    await page.getByLabel('What it is').fill('Ferry van');
    await choose(page, 'Model and variant', 'Ostrel Wren 1.1 panel van');
    await page.getByLabel('Year built').fill('1970 AD');
    await expect(page.getByText('Type the number only, without a unit.')).toBeVisible();
    await page.getByLabel('Year built').fill('1970');
    await expect(page.getByText('Chassis number is needed: it is how the vehicle is known.')).toBeVisible();
    await page.getByLabel('Chassis number').fill('50123');
    await expect(page.getByText('Client is needed.')).toBeHidden();
    for (const line of [
      'Range on the round',
      '0 to 50 km/h',
      'Hill start, laden',
      'Gross mass within plate',
      'Front axle share',
      'Full charge overnight',
      'Reversible: no new holes',
      'Price ceiling',
      'In words',
    ]) {
      await choose(page, 'Add a line', line);
    }
    await page.locator('[data-brief="rangeRound"]').getByText('Firm', { exact: true }).click();
    await page.getByLabel('Range on the round, amount').fill('90');
    await page.locator('[data-brief="reversible"]').getByText('Firm', { exact: true }).click();
    await page.getByLabel('In words, in words').fill('keep the ladder rack');
    await page.reload();
    await expect(page.getByLabel('In words, in words')).toHaveValue('keep the ladder rack');
    await page.getByRole('button', { name: 'Open the job' }).click();
    await expect(page.getByRole('heading', { name: /\d\d-\d{3} Ferry van/ })).toBeVisible();
    await expect(tally(page, 'rangeRound')).toContainText('choose a module');
    await page.getByRole('button', { name: 'State the daily round' }).click();
    await page.getByRole('button', { name: 'Save the use' }).click();
    await expect(page.getByRole('button', { name: 'Save the use' })).toBeHidden();
  });

  await test.step('4 weigh the vehicle', async () => {
    await page.getByRole('link', { name: /^(.*)Vehicle/ }).click();
    await expect(page.locator('[data-vehicle-figure="frontAxleMass"]')).toContainText('library');
    await page.getByLabel('Front left').fill('301');
    await page.getByLabel('Front right').fill('298');
    await page.getByLabel('Rear left').fill('229 V');
    await expect(page.getByText('That is a voltage; here kg is wanted.')).toBeVisible();
    await page.getByLabel('Rear left').fill('505 lb');
    await expect(page.getByText('= 229.1 kg')).toBeVisible();
    await page.getByLabel('Rear left').fill('0');
    await page.getByLabel('Rear right').fill('226');
    await page.getByRole('button', { name: 'Save weights' }).click();
    await expect(page.getByText('Rear left must be more than 0 kg.')).toBeVisible();
    await expect(page.getByLabel('Front left')).toHaveValue('301');
    await page.getByLabel('Rear left').fill('229');
    await page.getByRole('button', { name: 'Save weights' }).click();
    await expect(page.locator('[data-vehicle-figure="frontAxleMass"]')).toContainText('measured Ilse Marrow');
    await expect(page.locator('[data-vehicle-figure="frontAxleMass"]')).toContainText('599');
  });

  await test.step('5 size it: two designs, figures follow at once', async () => {
    await page.getByRole('link', { name: /Size/ }).click();
    await page.getByRole('button', { name: 'New design' }).click();
    await page.getByLabel('Name of the design').fill('A, ten modules');
    await page.getByRole('button', { name: 'Make it' }).click();
    await choose(page, 'Module', 'Module N6, 2p6s 110 Ah');
    await page.getByLabel('Modules in front').fill('4');
    await page.getByLabel('Modules in rear').fill('6');
    await choose(page, 'Drive', 'Drive unit H80');
    await choose(page, 'Charger', 'Charger A3.3');
    await expect(tally(page, 'rangeRound')).toContainText('km');
    const requests: string[] = [];
    page.on('request', (request) => requests.push(request.url()));
    const before = await page.locator('[data-figure="rangeRound"]').first().textContent();
    await page.getByLabel('Modules in floor').fill('2');
    await expect(page.locator('[data-figure="rangeRound"]').first()).not.toHaveText(before ?? '');
    await expect(page.locator('.tally')).toContainText('Not saved');
    expect(requests.filter((url) => url.includes('/api/'))).toEqual([]);
    await page.getByLabel('Modules in front').fill('90');
    await expect(page.getByText(/takes \d+ at most/)).toBeVisible();
    await page.getByLabel('Modules in front').fill('4');
    await page.getByLabel('Parallel strings').fill('5');
    await expect(page.getByText('12 modules do not make 5 equal strings.')).toBeVisible();
    await page.getByLabel('Parallel strings').fill('1');
    await page.locator('[data-figure="packEnergy"]').click();
    await expect(page.getByText('E = nominal voltage × capacity in Ah')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Save design' }).click();
    await expect(page.getByRole('button', { name: 'Save design' })).toBeHidden();
    await page.getByRole('button', { name: 'Copy' }).click();
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('button', { name: 'B, from A', pressed: true })).toBeVisible();
    await page.getByLabel('Modules in floor').fill('6');
    await page.getByRole('button', { name: 'Save design' }).click();
    await page.getByRole('tab', { name: 'Side by side' }).click();
    await expect(page.getByText('Designs side by side')).toBeVisible();
    await expect(page.locator('[data-differs="Boxes, floor, Modules in this bay"]')).toContainText('6');
    await page.getByRole('button', { name: 'Choose this design' }).click();
    await expect(page.getByRole('button', { name: /B, from A, chosen/ })).toBeVisible();
  });

  await test.step('6 match the kit: it fits this variant, not its sister', async () => {
    await page.getByRole('link', { name: /Match/ }).click();
    // Its clearance is the library's: measured first, and nothing is in the way.
    await expect(page.locator('[data-overall="measureFirst"]')).toBeVisible();
    await page.getByRole('button', { name: /Show all \d+ findings/ }).click();
    await expect(page.locator('[data-rule="mountingPoints"][data-verdict="fits"]').first()).toContainText(
      '12 mm spare',
    );
    await expect(page.locator('[data-rule="voltageWindow"]').first()).toContainText(/Pack \d+ to 353\sV/);
    await page.getByRole('button', { name: 'Take this kit' }).click();
    await expect(page.getByText('taken for this job')).toBeVisible();
    await expect(tally(page, 'reversible')).toHaveAttribute('data-state', 'met');
    const here = page.url();
    await openJob(page, address, 'Ice-cream van', 'match');
    await expect(page.locator('[data-overall="doesNotFit"]')).toBeVisible();
    await expect(page.locator('[data-rule="mountingPoints"][data-verdict="doesNotFit"]').first()).toContainText(
      "Cradle slot reaches 303 to 333 mm behind the front axle; this variant's point is at 366 mm.",
    );
    await expect(page.locator('[data-rule="mountingPoints"][data-verdict="doesNotFit"]').first()).toContainText(
      '33 mm short',
    );
    await page.goto(here);
  });

  await test.step('7 parts', async () => {
    await page.getByRole('link', { name: /Parts/ }).click();
    await page.getByRole('button', { name: 'Make the list' }).click();
    await expect(page.locator('[data-part="module-n6"]').first()).toBeVisible();
    const throttle = page.locator('[data-part="throttle"]');
    await choose(page, 'State of Throttle pedal, two tracks', 'Fitted');
    await expect(throttle).toContainText('Ilse Marrow');
    await choose(page, 'State of Vehicle controller', 'Ordered');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Due day is needed for a part on order.')).toBeVisible();
    await page.getByLabel('Due day of Vehicle controller').fill(typed(inDays(1480)));
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.locator('[data-part="vcu"]')).toContainText(`due ${shown(inDays(1480))}`);
  });

  await test.step('8 build: stages, clock, limits, a decision, a snag, rework', async () => {
    await page.getByRole('link', { name: /Build/ }).click();
    await page.getByRole('button', { name: /Make 17 stages/ }).click();
    const finishStage = async (steps: (string | [name: string, value: string])[]) => {
      await page.getByRole('button', { name: 'Clock on' }).click();
      await expect(page.getByRole('button', { name: 'Clock off' })).toBeVisible();
      for (const step of steps) {
        if (typeof step === 'string') {
          await page.getByRole('button', { name: `Done: ${step}` }).click();
          await expect(page.getByRole('button', { name: `Again: ${step}` })).toBeVisible();
        } else {
          await page.getByLabel(step[0], { exact: true }).fill(step[1]);
          await page.getByRole('button', { name: `Enter ${step[0]}` }).click();
        }
      }
      await expect(page.getByRole('button', { name: 'Finish stage' })).toBeEnabled();
      await page.getByRole('button', { name: 'Finish stage' }).click();
    };
    await finishStage(['Four corner weights entered in Vehicle', 'Mends and bends looked over, photographs taken']);
    await expect(page.locator('[data-stage="strip"]')).toBeVisible();
    await finishStage([
      'Fuel drained by a licensed person, tank vented',
      'Support under the far end before the engine is lowered',
      'Kept parts bagged and labelled',
    ]);
    await expect(page.locator('[data-stage="clean"]')).toBeVisible();
    await page.getByRole('button', { name: 'Clock on' }).click();
    const turns = page.locator('[data-step="Worst thread, bolt by hand"]');
    await turns.getByRole('textbox').fill('4,5');
    await expect(turns.getByText('Write decimals with a point, and no commas.')).toBeVisible();
    await turns.getByRole('textbox').fill('4');
    await turns.getByRole('button', { name: /^Enter/ }).click();
    await expect(page.locator('[data-stage="clean"]')).toHaveAttribute('data-state', 'stopped');
    await page.getByRole('button', { name: 'Done: All kit mounting threads chased and dry' }).click();
    await expect(page.getByRole('button', { name: 'Finish stage' })).toBeDisabled();
    await turns.getByLabel('Reason to let it stand').fill('helicoil fitted below');
    await turns.getByRole('button', { name: 'Let it stand' }).click();
    await expect(turns.getByText('Let stand by Ilse Marrow: helicoil fitted below')).toBeVisible();
    await page.getByRole('button', { name: 'Finish stage' }).click();
    await page.locator('[data-stage-key="clean"]').click();
    await page.getByRole('button', { name: 'Rework …' }).click();
    await page.getByText('Wrong drawing').click();
    await expect(page.getByText(/IM since .*\(rework\)/)).toBeVisible();
    await page.getByRole('button', { name: 'Clock off' }).click();
    await page.getByLabel('A fault to put right').fill('Left strap bolt sheared');
    await page.getByRole('button', { name: 'Note snag' }).click();
    await page.getByRole('button', { name: 'Put right: Left strap bolt sheared' }).click();
    await page.getByLabel('How', { exact: true }).fill('new bolt, grade 10.9');
    await page.getByRole('button', { name: 'It is put right' }).click();
    await expect(page.getByText('put right by Ilse Marrow')).toBeVisible();
  });

  await test.step('9 prove: sign, and the PDF', async () => {
    await page.getByRole('link', { name: /Prove/ }).click();
    const clearance = page.locator('[data-check="clearance"]');
    await clearance.getByRole('textbox').fill('9');
    await clearance.getByRole('button', { name: /^Sign/ }).click();
    await expect(clearance).toHaveAttribute('data-verdict', 'failed');
    await clearance.getByRole('button', { name: /again/ }).click();
    await clearance.getByRole('textbox').fill('31');
    await clearance.getByRole('button', { name: /^Sign/ }).click();
    await expect(clearance).toHaveAttribute('data-verdict', 'passed');
    for (const title of [
      'Torque marks on every fixing',
      'Lights, horn, wipers, seat belts',
      'Service switch locks open',
      'Regeneration reduced when full',
      'Power fades, does not cut out',
      'Cannot drive off while plugged in',
      'Brakes with the vacuum used up',
    ]) {
      await page.getByRole('button', { name: `Sign ${title}: as it should be` }).click();
      await expect(page.getByRole('button', { name: `Check again: ${title}` })).toBeVisible();
    }
    await page.locator('[data-check="chargeStops"]').getByRole('textbox').fill('395');
    await page.locator('[data-check="chargeStops"]').getByRole('button', { name: /^Sign/ }).click();
    await page.locator('[data-check="earthBond"]').getByRole('textbox').fill('40');
    await page.locator('[data-check="earthBond"]').getByRole('button', { name: /^Sign/ }).click();
    await expect(page.locator('[data-check="earthBond"]')).toHaveAttribute('data-verdict', 'passed');
    const live = page.locator('[data-check="insulationPlus"]');
    await live.getByRole('textbox').fill('900');
    await live.getByRole('button', { name: /^Sign/ }).click();
    await expect(live.getByText(/only a person with a current HV authorisation signs it/)).toBeVisible();
    await expect(page.getByText('10 of 23 signed as passed')).toBeVisible();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Save as PDF' }).click(),
    ]);
    const pdf = await readFile(await download.path());
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  });

  await test.step('10 sign out', async () => {
    await page.getByRole('button', { name: 'Ilse Marrow, menu' }).click();
    await page.getByText('Sign out').click();
    await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
    expect((await page.request.get(`${address}/api/jobs`)).status()).toBe(401);
  });
});
