import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import type { KitRevision } from '../core/kit/kit.ts';
import { COMPONENTS } from './components.ts';
import { JOBS } from './jobs.ts';
import { KITS } from './kits.ts';
import { MODELS } from './models.ts';
import { type Swept, sweepKit } from './sweep.ts';

const LIBRARY = new Map(COMPONENTS.map((part) => [part.id, part]));

/** Every number of every kit, of its parts and of the vehicles of its model, in the use of a job on one of them. */
const SWEPT: readonly Swept[] = KITS.flatMap((kit) => {
  const released = kit.revisions.find(({ state }) => state === 'released') ?? kit.revisions.at(-1)!;
  const revision: KitRevision = { ...released, kitId: kit.id, kitName: kit.name, modelName: '' };
  const { variants } = MODELS.find(({ id }) => id === kit.modelId)!;
  const use = JOBS.find(({ variantId }) => variants.some(({ id }) => id === variantId))?.use;
  return variants.flatMap((variant, i) =>
    sweepKit(revision, variant, LIBRARY, { ...(use && { use }), vehicleOnly: i > 0 }),
  );
});
const NAMES = [...new Set(SWEPT.map(({ name }) => name))].sort();
const objected = (name: string) => SWEPT.some((one) => one.name === name && one.rules.size > 0);

test('what no rule asks is what the documentation lists, with why', () => {
  const doc = readFileSync(new URL('../docs/fit-sweep.md', import.meta.url), 'utf8');
  const rows = doc.split('\n').filter((line) => line.startsWith('| `'));
  const listed = rows.flatMap((line) => [...line.split('|')[1]!.matchAll(/`([^`]+)`/g)].map(([, name]) => name!));
  expect(NAMES.filter((name) => !objected(name))).toEqual(listed.sort());
  for (const line of rows) expect(line.split('|')[2]!.trim().length).toBeGreaterThan(20);
});

test('whoever objects to a part names it', () => {
  const ELECTRIC = /^(fuse|cable|contactorBox|inverter|heater|charger|combinedUnit)\.sheet\.(?!buses|dcdcA|pulledMm)/;
  const nameless = NAMES.filter(
    (name) => ELECTRIC.test(name) && objected(name) && !SWEPT.some((one) => one.name === name && one.named),
  );
  expect(nameless).toEqual([]);
});

test('the sweep finds a limit whose rule is gone: it asks of every kind of part and of the vehicle', () => {
  const kinds = new Set(NAMES.filter(objected).map((name) => name.split('.')[0]));
  for (const kind of ['fuse', 'cable', 'contactorBox', 'module', 'drive', 'charger', 'box', 'cradle', 'vehicle', 'kit'])
    expect(kinds).toContain(kind);
});
