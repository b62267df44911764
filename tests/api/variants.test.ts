import { describe, expect, test } from 'vitest';
import { newestOf } from '../../core/vehicle/revisions.ts';
import { startVariant } from '../../core/vehicle/startVariant.ts';
import type { Variant } from '../../core/vehicle/variant.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const VAN = { ...startVariant('van'), makerName: 'Quay Motors', modelName: 'Carrier', name: 'long' };
const models = async (who: Visitor): Promise<Variant[]> => (await who.get('/variants')).body;
const stored = async (who: Visitor, id: string) => {
  const { id: _, version = 1, ...variant } = (await models(who)).find((one) => one.id === id)!;
  return { variant, version };
};

describe('models of the library', () => {
  test('are made with maker and model by name, and changed in place while no vehicle has them', async () => {
    const jory = await shop.visitor('jory');
    const { body: made } = await jory.send('post', '/variants', VAN);
    expect(made).toEqual({ id: 'carrier-long' });
    expect((await stored(jory, made.id)).variant).toEqual(VAN);
    expect((await jory.send('post', '/variants', VAN)).body.fields.name).toMatch(/has a variant of this name/);
    await jory.send('post', '/variants', { ...VAN, name: 'short', makerName: 'QUAY MOTORS' });
    const { rows } = await shop.pool().query("select count(*)::int as n from maker where lower(name) = 'quay motors'");
    expect(rows[0].n).toBe(1);
    const bay = { key: 'rear', name: 'rear', xMm: 2000, yMm: 0, zMm: 500, lengthMm: 600, widthMm: 700, heightMm: 300 };
    const body = {
      variant: { ...VAN, bays: [{ ...bay, maxMassKg: 90, inside: false, access: 'lid', source: 'drawing' }] },
      version: 1,
    };
    expect((await jory.send('put', `/variants/${made.id}`, body)).body).toEqual({ id: made.id, version: 2 });
    expect((await stored(jory, made.id)).variant.bays).toHaveLength(1);
    const stale = await jory.send('put', `/variants/${made.id}`, body);
    expect([stale.status, stale.body.current.version]).toEqual([409, 2]);
    expect((await jory.send('put', '/variants/nothing', body)).status).toBe(404);
    expect((await jory.send('post', '/variants', { ...VAN, tyre: 'round' })).body.fields.tyre).toMatch(
      /cannot be read/,
    );
  });
  test('one that a vehicle has stays as it was for it; the vehicle is offered the new revision, and its kit still fits', async () => {
    const ilse = await shop.visitor('ilse');
    const van = await ilse.job('Bakery van');
    const was = van.vehicle.variantId;
    const { variant, version } = await stored(ilse, was);
    const front = { value: variant.figures.frontAxleMass.value + 10, source: 'drawing' };
    const figuresOf = async () => (await ilse.get(`/designs/${van.chosenDesignId}/design.json`)).body.figures;
    const before = await figuresOf();
    const figures = { ...variant.figures, frontAxleMass: front };
    const made = await ilse.send('put', `/variants/${was}`, { variant: { ...variant, figures }, version });
    expect(made.body.id).toBe(`${was}.r2`);
    // Figures of the job do not move when the library does.
    expect((await ilse.job('Bakery van')).vehicle.variantId).toBe(was);
    expect(await figuresOf()).toEqual(before);
    expect((await stored(ilse, was)).variant).toEqual(variant);
    const old = await ilse.send('put', `/variants/${was}`, { variant, version: version + 1 });
    expect(old.body.detail).toMatch(/newer revision of this variant/);
    const path = `/jobs/${van.number}/vehicle-variant`;
    const other = (await models(ilse)).find((one) => newestOf([one], was) === null)!;
    expect((await ilse.send('put', path, { variantId: other.id, was })).body.fields.variantId).toMatch(/another model/);
    expect((await ilse.send('put', path, { variantId: made.body.id, was: made.body.id })).status).toBe(409);
    expect((await ilse.send('put', path, { variantId: made.body.id, was })).body).toEqual({ id: made.body.id });
    expect((await ilse.job('Bakery van')).vehicle.variantId).toBe(made.body.id);
    // What the kit brings for this variant alone it still brings: nothing of the design is left open.
    expect(Object.keys(await figuresOf())).toEqual(Object.keys(before));
  });
});
