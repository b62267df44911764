import { expect, test } from 'vitest';
import { DRIVE, slots } from '../testing/wren.ts';
import { createSheet } from './evaluate.ts';
import { FIGURE_IDS, FIGURES } from './index.ts';
import type { Slots } from './slots.ts';

const kept = { ...DRIVE, sheet: { ...DRIVE.sheet, output: 'gearboxInput' as const, ownRatio: 1, maxRpm: 6000 } };

/** Two vans that differ in everything a working may speak of. */
const VANS: Record<string, Slots> = {
  'half shafts, mild': slots(),
  'kept gearbox, laden, cold, weighed, towing': slots({
    drive: {
      ...slots().drive,
      unit: kept,
      gear: 2,
      shifting: true,
      torqueCapNm: 120,
      powerCapW: 45_000,
      regenCeiling: 0.8,
    },
    use: {
      ...slots().use,
      ambientC: 5,
      payloadKg: 350,
      altitudeM: 600,
      headwindMs: 2,
      seatsW: 120,
      trailer: { massKg: 400, ballKg: 40, dragAreaM2: 0.6 },
      dcPostW: 50_000,
      otherSupplies: [{ name: 'kiosk', volts: 230, amps: 10, phases: 1 }],
    },
    electric: { ...slots().electric, lvBatteries: 2, cableLengthM: 6 },
  }),
};

const short = (value: number) => Number(value.toPrecision(6));

// Every figure with what its working shows, as it was when somebody last looked at it: a change of any of them is seen.
// After a change that is meant, `npx vitest run core/figures/workings.test.ts -u` takes the new ones: read the difference.
test.each(Object.entries(VANS))('every figure and its working: %s', async (name, van) => {
  const sheet = createSheet(van);
  const lines = FIGURE_IDS.map((id) => {
    const { value, reason, working, unmeasured } = sheet.get(FIGURES[id]);
    if (value === null) return `${id}: ${reason}`;
    const terms = working!.terms.map((term) => `${term.symbol} ${short(term.value)} ${term.kind}`);
    return `${id}: ${short(value)} = ${working!.formula} | ${terms.join('; ')} | ${working!.held ?? 'free'} | ${unmeasured.join(' ')}`;
  });
  await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot(`./workings/${name.replace(/\W+/g, '-')}.txt`);
});
