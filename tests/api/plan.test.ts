import { describe, expect, test } from 'vitest';
import type { FloorData, Place } from '../../contract/floor.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const floorOf = async (who: Visitor): Promise<FloorData> => (await who.get('/floor')).body;
const planOf = ({ building: { version, ...building }, places }: FloorData) => ({ building, places, version });
const without = (places: readonly Place[], id: string) => places.filter((place) => place.id !== id);

describe('the plan of the building', () => {
  test('places are added, changed, given up and kept; a stale plan is refused with what is stored', async () => {
    const ilse = await shop.visitor('ilse');
    const before = planOf(await floorOf(ilse));
    const added = { ...before.places[0]!, id: null, name: 'Lean-to', xM: 0, yM: 20, widthM: 4, lengthM: 5 };
    const body = { ...before, building: { ...before.building, lengthM: 26 }, places: [...before.places, added] };
    expect((await ilse.send('put', '/floor/plan', body)).body).toEqual({ version: before.version + 1 });
    const stale = await ilse.send('put', '/floor/plan', body);
    expect([stale.status, stale.body.current.version]).toEqual([409, before.version + 1]);
    const after = planOf(await floorOf(ilse));
    expect(after.places.find((place) => place.name === 'Lean-to')).toMatchObject({ id: 'lean-to', widthM: 4 });
    // Given up: gone from the Floor, still there for what stood in it.
    const less = { ...after, places: without(after.places, 'lean-to') };
    expect((await ilse.send('put', '/floor/plan', less)).status).toBe(200);
    expect((await floorOf(ilse)).places.map(({ id }) => id)).not.toContain('lean-to');
    const { rows } = await shop.pool().query("select closed from place where id = 'lean-to'");
    expect(rows).toEqual([{ closed: true }]);
    const van = await ilse.job('Ice-cream van');
    const there = { placeId: 'lean-to', promised: van.promised, version: van.version };
    expect((await ilse.send('put', `/jobs/${van.number}/place`, there)).body.fields.placeId).toMatch(/no such place/);
    // One of the same name later is another place.
    const again = planOf(await floorOf(ilse));
    await ilse.send('put', '/floor/plan', { ...again, places: [...again.places, added] });
    expect((await floorOf(ilse)).places.map(({ id }) => id)).toContain('lean-to-2');
  });
  test('what lies over another, out of the building, or has another’s name is said at it', async () => {
    const ilse = await shop.visitor('ilse');
    const plan = planOf(await floorOf(ilse));
    const fault = async (change: object) => {
      const [first, ...rest] = plan.places;
      const places = [...rest, { ...first!, ...change }];
      return (await ilse.send('put', '/floor/plan', { ...plan, places })).body.fields;
    };
    const last = `places.${plan.places.length - 1}.name`;
    const other = plan.places[1]!;
    expect(await fault({ xM: other.xM, yM: other.yM })).toEqual({ [last]: `It lies over ${other.name}.` });
    expect(await fault({ xM: -1 })).toEqual({ [last]: 'It stands out of the building.' });
    expect(await fault({ name: other.name.toUpperCase() })).toEqual({ [last]: 'Another place has this name.' });
    expect(await fault({ id: plan.places[1]!.id })).toEqual({
      [last.replace('.name', '')]: 'Places has an entry twice.',
    });
    expect(await fault({ id: 'somewhere' })).toEqual({ [last]: 'There is no such place any more.' });
    expect(Object.keys(await fault({ widthM: 0.1 }))).toEqual([last.replace('name', 'widthM')]);
  });
  test('a place where a vehicle stands is not given up, nor made something else', async () => {
    const ilse = await shop.visitor('ilse');
    const floor = await floorOf(ilse);
    const plan = planOf(floor);
    const held = floor.jobs.find((job) => plan.places.some((p) => p.id === job.placeId && p.kind === 'bay'))!;
    const place = plan.places.find(({ id }) => id === held.placeId)!;
    const send = (places: readonly object[]) => ilse.send('put', '/floor/plan', { ...plan, places });
    expect((await send(without(plan.places, place.id))).body.detail).toBe(
      `${place.name} holds ${held.number}. Move that first, then give the place up.`,
    );
    const turned = plan.places.map((one) => (one.id === place.id ? { ...one, kind: 'bench' } : one));
    expect((await send(turned)).body.detail).toMatch(/then make it something else/);
    // Moved in at the very moment it is given up: one of the two has it.
    const free = plan.places.find((one) => one.kind === 'bay' && !floor.jobs.some((job) => job.placeId === one.id));
    if (!free) throw new Error('the sample has a bay that is free');
    const van = await ilse.job('Ice-cream van');
    const [moved, given] = await Promise.all([
      ilse.send('put', `/jobs/${van.number}/place`, { placeId: free.id, promised: van.promised, version: van.version }),
      send(without(plan.places, free.id)),
    ]);
    expect(
      [moved.status === 200, given.status === 200].filter(Boolean),
      `${moved.status} ${given.status}`,
    ).toHaveLength(1);
  });
});
