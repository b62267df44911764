import { describe, expect, test } from 'vitest';
import { EMPTY_DESIGN } from '../../core/design/inputs.ts';
import { afterMoves, moveText } from '../../web/places/jobs/size/balance/moveText.ts';
import { withBox } from '../../web/places/jobs/size/design/withBox.ts';
import { LOOKS, lookOf } from '../../web/places/jobs/size/LookBar.tsx';
import { movedBox } from '../../web/places/jobs/size/layout/WeightDrawing.tsx';
import { ROUTE_PROBLEM } from '../../web/places/jobs/size/uses/routeProblem.ts';
import { assumptionText } from '../../wording/assumptions.ts';
import { designDifferences } from '../../wording/designDifferences.ts';

const BOXES = [
  { bay: 'front', modules: 4, shiftMm: 0 },
  { bay: 'rear', modules: 3, shiftMm: 20 },
];

describe('boxes', () => {
  test('a change makes a box, an empty unshifted one goes', () => {
    expect(withBox(BOXES, 'floor', { modules: 2 })).toHaveLength(3);
    expect(withBox(BOXES, 'front', { modules: 0 })).toEqual([BOXES[1]]);
    expect(withBox(BOXES, 'rear', { modules: 0 })[1]).toMatchObject({ modules: 0, shiftMm: 20 });
  });
  test('dragged from the side it goes aft and up, from above aft and to the side', () => {
    expect(movedBox(BOXES[1]!, { right: 30, down: -10 }, 'side')).toMatchObject({ shiftMm: 50, shiftZMm: 10 });
    expect(movedBox(BOXES[1]!, { right: -20, down: 40 }, 'above')).toMatchObject({ shiftMm: 0, shiftYMm: 40 });
  });
  test('advice in words, and done', () => {
    const advice = {
      moves: [
        { from: 'rear', to: 'front', modules: 2 },
        { from: 'rear', to: 'floor', modules: 1 },
      ],
      frontShare: 0.5,
      meets: true,
    };
    expect(moveText(advice, (key) => `the ${key}`)).toBe(
      '2 modules from the rear to the front, then 1 from the rear to the floor',
    );
    expect(moveText({ ...advice, moves: [{ from: 'a', to: 'b', modules: 1 }] }, (key) => `the ${key}`)).toBe(
      '1 module from the a to the b',
    );
    expect(afterMoves(BOXES, advice).map((box) => [box.bay, box.modules])).toEqual([
      ['front', 6],
      ['rear', 0],
      ['floor', 1],
    ]);
  });
});

describe('designs side by side', () => {
  const shown = { set: 'metric', componentName: (id: string) => (id === 'old' ? 'OLD' : id) } as const;
  test('only what differs, in words', () => {
    const a = { ...EMPTY_DESIGN, boxes: BOXES, driveId: 'h60' };
    const b = {
      ...a,
      drive: { motors: 2 as const, regenShare: 0.2 },
      torqueCapNm: 90,
      boxes: [{ ...BOXES[0]!, moduleId: 'old', parallel: 2, pack: 2 as const }],
    };
    const rows = Object.fromEntries(designDifferences([a, b], shown).map((row) => [row.name, row.values]));
    expect(rows['Boxes, front, Module of this box']).toEqual(['none', 'OLD']);
    expect(rows['Boxes, front, Modules in parallel']).toEqual(['none', '2']);
    expect(rows['Boxes, rear, Modules in this bay']).toEqual(['3', 'none']);
    expect(rows['Boxes, front, Modules in this bay']).toBeUndefined();
    expect(rows['Drive, Motors']).toEqual(['1', '2']);
    expect(rows['Torque cap']).toEqual(['none', '90\u00a0N·m']);
    expect(rows['Drive, Share of braking']).toEqual(['50\u00a0%', '20\u00a0%']);
    expect(rows.Charger).toBeUndefined();
  });
  test('defaults written out and left out are the same', () => {
    const written = { ...EMPTY_DESIGN, packs: 'one' as const, drive: { motors: 1 as const }, items: [] };
    expect(designDifferences([EMPTY_DESIGN, written], shown)).toEqual([]);
  });
});

describe('remarks', () => {
  const say = (found: Parameters<typeof assumptionText>[0]) => assumptionText(found, 'metric').text;
  test('say what is wrong and what was assumed', () => {
    expect(say({ code: 'efficiency', given: 1.3, taken: 0.99 })).toMatch(/130.*cannot be.*99.*was taken/);
    expect(say({ code: 'reduction', taken: 9.2 })).toMatch(/above zero.*9\.20.*was taken/);
    expect(say({ code: 'curve', faults: ['notRising'], used: true })).toMatch(/sorted/);
    expect(say({ code: 'curve', faults: ['tooShort'], used: false })).toMatch(/stand in/);
    expect(say({ code: 'sag', component: 'Inverter', volts: 190, minV: 200 })).toMatch(/Inverter needs 200.*190/);
    expect(say({ code: 'over', component: 'Charger', volts: 430, maxV: 420 })).toMatch(/Charger stands 420.*430/);
    expect(say({ code: 'massCentre', xMm: -20, wheelbaseMm: 2000 })).toMatch(/ahead of the front axle/);
    expect(say({ code: 'weakest', box: 'rear', idleWh: 1500 })).toMatch(/rear box is the weakest.*1\.5/);
    expect(say({ code: 'route', note: { code: 'jumps', count: 3 } })).toMatch(/3 points jump/);
    expect(assumptionText({ code: 'sag', component: 'x', volts: 1, minV: 2 }, 'metric').grave).toBe(true);
    expect(say({ code: 'efficiencyMap', entries: 2 })).toMatch(/2 values/);
    expect(say({ code: 'tooWeakOnUse', seconds: 4 })).toMatch(/4 s/);
  });
  test('every problem of a file has a sentence', () => {
    for (const sentence of Object.values(ROUTE_PROBLEM)) expect(sentence).toMatch(/^[A-Z].*\.$/);
  });
});

test('an unknown look is the layout', () => {
  expect(lookOf('nonsense')).toBe('layout');
  for (const [id] of LOOKS) expect(lookOf(id)).toBe(id);
});
