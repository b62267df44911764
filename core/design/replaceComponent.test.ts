import { expect, test } from 'vitest';
import { type DesignInputs, designComponents, EMPTY_DESIGN } from './inputs.ts';
import { replaceComponent } from './replaceComponent.ts';

const DESIGN: DesignInputs = {
  ...EMPTY_DESIGN,
  moduleId: 'cell',
  driveId: 'motor',
  inverterId: 'inverter',
  chargerId: 'charger',
  inletId: 'inlet',
  boxes: [
    { bay: 'front', modules: 2, shiftMm: 0 },
    { bay: 'rear', modules: 4, shiftMm: 10, moduleId: 'other-cell' },
  ],
  others: [
    { componentId: 'cable', quantity: 2, xMm: 300 },
    { componentId: 'fuse', quantity: 1, xMm: null },
  ],
  electric: { ampacity: { cable: 150, 'cable-35': 90 } },
};

test('a part is another wherever the design names it, and nowhere else', () => {
  for (const from of ['cell', 'motor', 'inverter', 'charger', 'inlet', 'other-cell', 'cable', 'fuse']) {
    const after = replaceComponent(DESIGN, from, `${from}.r2`);
    const wanted = designComponents(DESIGN).map((part) =>
      part.componentId === from ? { ...part, componentId: `${from}.r2` } : part,
    );
    expect(designComponents(after), from).toEqual(wanted);
    expect(replaceComponent(after, `${from}.r2`, from), from).toEqual(DESIGN);
  }
});
test('what a cable carries in this design goes with it', () => {
  expect(replaceComponent(DESIGN, 'cable', 'cable.r2').electric?.ampacity).toEqual({ 'cable.r2': 150, 'cable-35': 90 });
  expect(replaceComponent(DESIGN, 'none', 'x')).toEqual(DESIGN);
});
