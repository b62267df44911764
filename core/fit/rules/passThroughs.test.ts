import { describe, expect, test } from 'vitest';
import { found, ON, part } from '../../testing/judgedBy.ts';
import type { Bay, PassThrough, Variant } from '../../vehicle/variant.ts';
import { passThroughs } from './passThroughs.ts';

const [BOX] = ON.pack.boxes;
const bay = (key: string, xMm: number, more: Partial<Bay> = {}): Bay => ({
  ...BOX!.bay,
  ...{ key, name: key, xMm, inside: true, access: 'lid', ...more },
});
const ENGINE = bay('engine', -100);
const DRIVE_AT = (xMm: number) => ({ name: 'drive', massKg: 50, xMm, drive: true as const });
const pass = (from: string, to: string, diameterMm = 60, name = `${from} to ${to}`): PassThrough => ({
  ...{ name, diameterMm, from, to, usedFor: '' },
});
const cable = (outsideMm = 14, connectorMm: number | undefined = 16) =>
  part('cable', { sectionMm2: 35, outsideMm, continuousA: 100, ...(connectorMm && { connectorMm }) });
const hoses = (pulledMm: number, quantity = 1) => ({ ...part('other', { pulledMm }), quantity });

function told(
  bays: readonly Bay[],
  passes: readonly PassThrough[],
  parts = [cable()],
  more: Partial<Variant> = {},
  driveXMm = 0,
) {
  const boxes = bays.map((one) => ({ ...BOX!, bay: one }));
  const variant = { bays: [ENGINE, ...bays], passThroughs: passes, ...more };
  return found(passThroughs, {
    on: { ...ON, added: [DRIVE_AT(driveXMm)], pack: { ...ON.pack, boxes } },
    parts,
    variant,
  }).map(({ subject, verdict }) => `${subject}: ${verdict}`);
}
const TAIL = bay('tail', 2600);

describe('the way of the cable to every box', () => {
  test('one box needs a pass too; a box beside the drive needs none', () => {
    expect(told([TAIL], [pass('engine', 'tail')])).toEqual(['cable through the engine to tail: fits']);
    expect(told([ENGINE], [])).toEqual([]);
  });
  test('the drive is where the design has it, wherever the engine was', () => {
    expect(told([TAIL], [pass('engine', 'tail')], [cable()], {}, 2500)).toEqual([]);
  });
  test('a pass that leads elsewhere is no way there, however wide', () => {
    expect(told([TAIL], [pass('engine', 'cab', 200)])).toEqual(['cable to the tail box: measureFirst']);
    expect(told([TAIL], [])).toEqual(['cable to the tail box: measureFirst']);
  });
  test('it may lead either way, by its bay’s key or name, and over places between', () => {
    const chain = [pass('Tail', 'cab', 40), pass('cab', 'engine', 50)];
    expect(told([TAIL], chain)).toEqual([
      'cable through the cab to engine: fits',
      'cable through the Tail to cab: fits',
    ]);
  });
  test('a box under the floor is reached from a bonnet that is open below', () => {
    const floor = bay('floor', 1200, { inside: false, access: 'underside' });
    const open = { bays: [bay('engine', -100, { inside: false, access: 'bonnet' }), floor] };
    expect(told([floor], [], [cable()], open)).toEqual([]);
  });
});

describe('what one hole has to take', () => {
  // Two circles of d side by side lie in one of 2 d, by geometry; 2 mm to pull.
  test.each([
    ['just', 30, 14, 'fits'],
    ['not quite', 29.9, 14, 'doesNotFit'],
    ['the cable, not its end', 30, 20, 'afterWork'],
    ['end and all', 36, 20, 'fits'],
    ['a connector nobody knows', 99, undefined, 'measureFirst'],
  ])('two cables of 14 mm: %s', (_, diameterMm, connectorMm, verdict) => {
    const one =
      connectorMm === undefined
        ? part('cable', { sectionMm2: 35, outsideMm: 14, continuousA: 100 })
        : cable(14, connectorMm);
    expect(told([TAIL], [pass('engine', 'tail', diameterMm, 'tunnel')], [one])[0]).toMatch(new RegExp(`${verdict}$`));
  });
  test('hoses that go the same way count with the cables', () => {
    const tunnel = [pass('engine', 'tail', 36, 'tunnel')];
    expect(told([TAIL], tunnel, [cable()])).toEqual(['cable through the tunnel: fits']);
    expect(told([TAIL], tunnel, [cable(), hoses(22)])).toEqual(['cable through the tunnel: doesNotFit']);
  });
  test('the larger cable is the one that carries the traction current', () => {
    const thin = part('cable', { sectionMm2: 6, outsideMm: 7, continuousA: 40, connectorMm: 7 }, { name: 'thin' });
    expect(told([TAIL], [pass('engine', 'tail', 29, 'tunnel')], [thin, cable()])[0]).toBe(
      'cable through the tunnel: doesNotFit',
    );
  });
});
