import { describe, expect, test } from 'vitest';
import { fitting } from '../testing/shelf.ts';
import { VARIANT } from '../testing/wren.ts';
import { findCoupling } from './couples.ts';

const gearbox = VARIANT.gearbox;
const adapter = (name: string, fromSpline: string, toSpline: string, fromBoltPattern = '', toBoltPattern = '') =>
  fitting('adapter', name, { fromSpline, fromBoltPattern, toSpline, toBoltPattern });

describe('coupling', () => {
  test('half shafts by spline alone', () => {
    const drive = { output: 'halfShafts' as const, spline: 'H1', boltPattern: 'whatever' };
    expect(findCoupling(drive, gearbox, [])).toMatchObject({
      direct: true,
      wanted: 'H1',
      brought: 'H1',
      adapter: null,
    });
    expect(findCoupling({ ...drive, spline: 'H9' }, gearbox, []).direct).toBe(false);
    expect(findCoupling({ ...drive, spline: 'H9' }, gearbox, [adapter('x', 'H9', 'H1')]).adapter?.name).toBe('x');
  });
  test('a kept gearbox by spline and bolts both, adapter included', () => {
    const drive = { output: 'gearboxInput' as const, spline: 'M1', boltPattern: 'MB' };
    expect(findCoupling(drive, gearbox, [adapter('half', 'M1', 'S1', 'MB', 'other')]).adapter).toBeNull();
    expect(
      findCoupling(drive, gearbox, [
        adapter('half', 'M1', 'S1', 'MB', 'other'),
        adapter('whole', 'M1', 'S1', 'MB', 'B1'),
      ]).adapter?.name,
    ).toBe('whole');
    expect(findCoupling({ ...drive, spline: 'S1', boltPattern: 'B1' }, gearbox, []).direct).toBe(true);
  });
});
