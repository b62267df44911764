import { openSync } from 'fontkit';
import { expect, test } from 'vitest';
import type { Assumption } from '../../core/design/assumptions.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_IDS, FIGURES } from '../../core/figures/index.ts';
import { FIGURE_NAME } from '../../core/figures/names.ts';
import { formatQuantity } from '../../core/quantity/format.ts';
import { UNIT_SETS } from '../../core/quantity/units.ts';
import { DRIVE, slots } from '../../core/testing/wren.ts';
import { FACE, plain } from '../../server/documents/paper.ts';
import { assumptionText } from '../../wording/assumptions.ts';

test('the face has the letters of Europe, for names of people and places', () => {
  const face = openSync(FACE) as unknown as { hasGlyphForCodePoint(code: number): boolean };
  const letters = [
    'ŁłĄąĘęŻżŹźŃńŚśĆć ČčŠšŽžĎďŤťŇňŘřĚěŮů ŐőŰű ȘșȚțĂăÎî ŞşĞğİı ÅåÄäÖöØøÆæ ßẞ ÞþÐð ĀāĒēĪīŪūĢģĶķĻļŅņ ÑñÇçÏï',
    'ΑΒΓΔΕΖΗΘΙΚΛΜΝΞΟΠΡΣΤΥΦΧΨΩ αβγδεζηθικλμνξοπρσςτυφχψω άέήίόύώ',
    'АБВГДЕЖЗИЙКЛМНОПРСТУФХЦЧШЩЪЫЬЭЮЯ абвгдежзийклмнопрстуфхцчшщъыьэюя ҐґЄєІіЇї ЂђЈјЉљЊњЋћЏџ Ўў',
  ].join('');
  const lacking = [...letters].filter((sign) => !face.hasGlyphForCodePoint(sign.codePointAt(0)!));
  expect(lacking).toEqual([]);
});

test('the face prints every sign of every formula, source, name, remark and amount', () => {
  const face = openSync(FACE) as unknown as { hasGlyphForCodePoint(code: number): boolean };
  const unit = { ...DRIVE, sheet: { ...DRIVE.sheet, output: 'gearboxInput' as const } };
  const texts = new Set<string>(Object.values(FIGURE_NAME));
  for (const sheet of [createSheet(slots()), createSheet(slots({ drive: { ...slots().drive, unit, gear: 2 } }))])
    for (const id of FIGURE_IDS) {
      const { working, value, kind } = sheet.get(FIGURES[id]);
      if (!working || value === null || !kind) continue;
      texts.add(working.formula).add(working.source);
      for (const term of working.terms) texts.add(term.symbol);
      for (const set of UNIT_SETS) texts.add(formatQuantity(value, kind, set));
    }
  const remarks: Assumption[] = [
    { code: 'efficiency', given: 1.3, taken: 0.99 },
    { code: 'efficiencyMap', entries: 2 },
    { code: 'reduction', taken: 9 },
    { code: 'curve', faults: ['notRising', 'negativeTorque', 'tooShort'], used: false },
    { code: 'massCentre', xMm: -20, wheelbaseMm: 2000 },
    { code: 'sag', component: 'Inverter', volts: 190, minV: 200 },
    { code: 'over', component: 'Charger', volts: 430, maxV: 420 },
    { code: 'weakest', box: 'rear', idleWh: 1500 },
    { code: 'tooWeakOnUse', seconds: 3 },
    { code: 'route', note: { code: 'noElevation', count: 1 } },
  ];
  for (const remark of remarks) for (const set of UNIT_SETS) texts.add(assumptionText(remark, set).text);
  const lacking = new Set(
    [...texts].flatMap((text) => [...plain(text)].filter((sign) => !face.hasGlyphForCodePoint(sign.codePointAt(0)!))),
  );
  expect([...lacking]).toEqual([]);
});
