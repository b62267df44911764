import { openSync } from 'fontkit';
import { expect, test } from 'vitest';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_IDS, FIGURES } from '../../core/figures/index.ts';
import { FIGURE_NAME } from '../../core/figures/names.ts';
import { formatQuantity } from '../../core/quantity/format.ts';
import { UNIT_SETS } from '../../core/quantity/units.ts';
import { DRIVE, slots } from '../../core/testing/wren.ts';
import { FACE, plain } from '../../server/documents/paper.ts';

test('the face prints every sign of every formula, source, name and amount', () => {
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
  const lacking = new Set(
    [...texts].flatMap((text) => [...plain(text)].filter((sign) => !face.hasGlyphForCodePoint(sign.codePointAt(0)!))),
  );
  expect([...lacking]).toEqual([]);
});
