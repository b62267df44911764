import type { StoredDesign } from '../../contract/design.ts';
import type { JobSheet } from '../../contract/job.ts';
import { judgeBrief } from '../../core/brief/judgeLine.ts';
import { BRIEF_KINDS } from '../../core/brief/lines.ts';
import { assumptionsOf } from '../../core/design/assumptions.ts';
import { assumptionText } from '../../core/design/assumptionText.ts';
import { cableChoice } from '../../core/figures/electric/cable.ts';
import { fuses } from '../../core/figures/electric/fuses.ts';
import { converterChoice } from '../../core/figures/electric/lowVoltage.ts';
import { resistorChoice } from '../../core/figures/electric/precharge.ts';
import type { FigureSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_GROUP_NAME, type FigureGroup } from '../../core/figures/groups.ts';
import { driveLoopChoice } from '../../core/figures/heat/cooling.ts';
import { FIGURES, type FigureId } from '../../core/figures/index.ts';
import { FIGURE_GROUPS, FIGURE_NAME } from '../../core/figures/names.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import { HAIRLINE, INK, newPaper, type Print, plain, RED, SOFT, timeText } from './paper.ts';

/** Figures that only say something when there is something to say. */
const MEANT_ABOVE_ZERO: ReadonlySet<FigureId> = new Set(['packIdle', 'capCost']);

type Row = readonly [name: string, value: string, note: string, bad?: boolean];

/**
 * One design on paper: brief against now, what goes in, remarks on the inputs, every figure with where it is from, and the components its
 * electrics ask for. Figures that rest on unmeasured inputs say so.
 */
export async function designPdf(
  job: Pick<JobSheet, 'number' | 'title' | 'client' | 'brief'>,
  design: Pick<StoredDesign, 'name' | 'version'> & { readonly frozenAt: Date | string | null },
  sheet: FigureSheet,
  print: Print,
): Promise<Buffer> {
  const { doc, finish } = newPaper(`Design ${design.name}, ${job.number}`, print);
  const left = doc.page.margins.left;
  const right = doc.page.width - doc.page.margins.right;
  const show = (value: number, kind: QuantityKind) =>
    plain(kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, print.unitSet));

  const heading = (text: string) => {
    if (doc.y > doc.page.height - 120) doc.addPage();
    doc
      .font('strong')
      .fontSize(11.5)
      .fillColor(INK)
      .text(text, left, doc.y + 8);
    doc.moveDown(0.15);
  };
  const rows = (list: readonly Row[]) => {
    for (const [name, value, note, bad] of list) {
      if (doc.y > doc.page.height - 70) doc.addPage();
      const y = doc.y + 2;
      doc.font('text').fontSize(9).fillColor(INK).text(plain(name), left, y, { width: 172 });
      let bottom = doc.y;
      doc
        .font('strong')
        .fillColor(bad ? RED : INK)
        .text(plain(value), left + 178, y, { width: 92, align: 'right' });
      bottom = Math.max(bottom, doc.y);
      doc
        .font('text')
        .fontSize(7.5)
        .fillColor(SOFT)
        .text(plain(note), left + 280, y + 1, { width: right - left - 280 });
      bottom = Math.max(bottom, doc.y) + 2;
      doc.moveTo(left, bottom).lineTo(right, bottom).lineWidth(0.3).stroke(HAIRLINE);
      doc.y = bottom;
    }
  };

  doc
    .font('strong')
    .fontSize(18)
    .fillColor(INK)
    .text(plain(`${job.number} ${job.title}: design ${design.name}`));
  const { variant } = sheet.slots.vehicle;
  const frozen = design.frozenAt ? 'sold and frozen' : `version ${design.version}`;
  doc
    .font('text')
    .fontSize(9.5)
    .fillColor(SOFT)
    .text(
      plain(
        [
          `${variant.makerName} ${variant.modelName} ${variant.name}`,
          `client ${job.client.name}`,
          frozen,
          print.workshop,
        ].join(' · '),
      ),
    );

  if (job.brief.length > 0) heading('Brief against now');
  rows(
    judgeBrief(job.brief, sheet).map(({ line, state, value, target, unmeasured }): Row => {
      const { kind, figure } = BRIEF_KINDS[line.kind];
      const name = figure === null ? line.text : FIGURE_NAME[figure];
      const word = { met: 'met', broken: 'not met', unknown: 'not known yet', open: 'open' }[state];
      const wanted = target === null || figure === null ? '' : `, wanted ${show(target, kind)}`;
      const rests = unmeasured.length > 0 ? '; not all measured' : '';
      return [
        `${line.firm ? 'Firm: ' : ''}${name}`,
        value === null ? '' : show(value, kind),
        `${word}${wanted}${rests}`,
        state === 'broken',
      ];
    }),
  );

  heading('What goes in');
  const { pack, drive, charge } = sheet.slots;
  rows([
    ...pack.boxes.map(
      (box): Row => [
        `Box, ${box.bay.name}`,
        `${box.modules} modules`,
        `${box.module?.name ?? 'no module'}; ${show(box.massKg, 'mass')}; middle ${show(box.xMm, 'length')} behind the front axle`,
      ],
    ),
    [
      'Drive',
      '',
      `${drive.motors > 1 ? `${drive.motors} × ` : ''}${drive.unit?.name ?? 'none chosen'}${drive.gear && drive.unit?.sheet.output === 'gearboxInput' ? `, gear ${drive.gear}` : ''}`,
    ],
    ['Inverter', '', drive.inverter?.name ?? (drive.unit?.sheet.hasInverter ? 'built in' : 'none chosen')],
    ['Charger', '', charge.charger?.name ?? 'none chosen'],
  ]);

  const doubts = assumptionsOf(sheet).map((found) => assumptionText(found, print.unitSet));
  if (doubts.length > 0) heading('Remarks on the inputs');
  for (const { text, grave } of doubts) {
    if (doc.y > doc.page.height - 70) doc.addPage();
    doc
      .font('text')
      .fontSize(9)
      .fillColor(grave ? RED : INK)
      .text(plain(text), left, doc.y + 2, { width: right - left });
  }

  const fittings = namedComponents(sheet);
  for (const group of Object.keys(FIGURE_GROUPS) as FigureGroup[]) {
    const list = FIGURE_GROUPS[group].flatMap((id): Row[] => {
      const { value, kind, working, unmeasured } = sheet.get(FIGURES[id]);
      if (value === null || !kind || !working || (MEANT_ABOVE_ZERO.has(id) && value < 1e-9)) return [];
      const rests = unmeasured.length > 0 ? ' (not all measured)' : '';
      return [[FIGURE_NAME[id], show(value, kind), `${working.formula}. From: ${working.source}${rests}`]];
    });
    const extra = fittings[group] ?? [];
    if (list.length + extra.length === 0) continue;
    heading(FIGURE_GROUP_NAME[group]);
    rows([...list, ...extra]);
  }

  doc.moveDown(0.8).font('text').fontSize(8.5).fillColor(SOFT);
  doc.text(
    plain(
      `Printed ${timeText(print, print.printedAt.toISOString())}. High voltage kills: isolate, lock, wait, prove dead, two people. Local rules on vehicle approval, electrical work and refrigerants come first; this is a working aid, not an approval.`,
    ),
    left,
  );
  return finish();
}

/** Components of the catalogue that the electrics and cooling ask for, by the group they belong to. */
function namedComponents(sheet: FigureSheet): Partial<Record<FigureGroup, Row[]>> {
  const named = (name: string, part: { readonly name: string } | null | undefined): Row => [
    name,
    '',
    part?.name ?? 'nothing in the catalogue is enough',
    !part,
  ];
  const loop = sheet.get(driveLoopChoice).value;
  const fuseList = sheet.get(fuses).value ?? [];
  const has = (entry: Parameters<typeof sheet.get>[0]) => sheet.get(entry).reason === null;
  return {
    precharge: has(resistorChoice) ? [named('Resistor to fit', sheet.get(resistorChoice).value)] : [],
    cable: has(cableChoice) ? [named('Cable to fit', sheet.get(cableChoice).value?.part)] : [],
    fuses: fuseList.map((fuse) => named(`Fuse to fit, ${fuse.name}`, fuse.part)),
    lowVoltage: has(converterChoice) ? [named('DC-DC to fit', sheet.get(converterChoice).value)] : [],
    cooling: loop ? [named('Radiator to fit', loop.radiator), named('Pump to fit, drive loop', loop.pump)] : [],
  };
}
