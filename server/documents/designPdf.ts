import type { Content, TableCell } from 'pdfmake/interfaces.js';
import type { StoredDesign } from '../../contract/design.ts';
import type { JobSheet } from '../../contract/job.ts';
import { judgeBrief, type LineJudgement } from '../../core/brief/judgeLine.ts';
import { assumptionsOf } from '../../core/design/assumptions.ts';
import { cableChoice } from '../../core/figures/electric/cable.ts';
import { fuses } from '../../core/figures/electric/fuses.ts';
import { converterChoice } from '../../core/figures/electric/lowVoltage.ts';
import { resistorChoice } from '../../core/figures/electric/precharge.ts';
import type { FigureSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_GROUP_NAME, type FigureGroup } from '../../core/figures/groups.ts';
import { driveLoopChoice } from '../../core/figures/heat/cooling.ts';
import { FIGURES, type FigureId } from '../../core/figures/index.ts';
import { FIGURE_GROUPS } from '../../core/figures/names.ts';
import type { CoverLine } from '../../core/fit/cover.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import { assumptionText } from '../../wording/assumptions.ts';
import { BRIEF_NAME, byHowMuch, LINE_STATE_NAME, nowText, wanted } from '../../wording/brief.ts';
import { FIGURE_NAME } from '../../wording/figures.ts';
import { heading, type Print, paper, plain, printedAt, RED, SOFT, table } from './paper.ts';

/** Figures that only say something when there is something to say. */
const MEANT_ABOVE_ZERO: ReadonlySet<FigureId> = new Set(['packIdle', 'capCost']);

type Row = readonly [name: string, value: string, note: string, bad?: boolean];

/**
 * One design on paper: brief against now, what goes in, remarks on the inputs, every figure with where it is from, and
 * the components its electrics ask for. Figures that rest on unmeasured inputs say so.
 */
export async function designPdf(
  job: Pick<JobSheet, 'number' | 'title' | 'client' | 'brief'>,
  design: Pick<StoredDesign, 'name' | 'version' | 'frozenAt'>,
  sheet: FigureSheet,
  cover: readonly CoverLine[] | null,
  print: Print,
): Promise<Buffer> {
  const { variant } = sheet.slots.vehicle;
  const remarks = assumptionsOf(sheet).map((found) => assumptionText(found, print.unitSet));
  const brief = judgeBrief(job.brief, sheet, { cover });
  return paper(
    `${job.number} ${job.title}: design ${design.name}`,
    [
      `${variant.makerName} ${variant.modelName} ${variant.name}`,
      `client ${job.client.name}`,
      design.frozenAt ? 'sold and frozen' : `version ${design.version}`,
      print.workshop,
    ],
    [
      ...(brief.length > 0
        ? section(
            'Brief against now',
            brief.map((line) => briefRow(line, print)),
          )
        : []),
      ...section('What goes in', partsRows(sheet, print)),
      ...(remarks.length > 0 ? [heading('Remarks on the inputs')] : []),
      ...remarks.map(
        ({ text, grave }): Content => ({ text: plain(text), ...(grave ? { color: RED } : {}), margin: [0, 1, 0, 1] }),
      ),
      ...(Object.keys(FIGURE_GROUPS) as FigureGroup[]).flatMap((group) => figureRows(group, sheet, print)),
      {
        text: `Printed ${printedAt(print)}. High voltage kills: isolate, lock, wait, prove dead, two people. Local rules on vehicle approval, electrical work and refrigerants come first; this is a working aid, not an approval.`,
        fontSize: 8.5,
        color: SOFT,
        margin: [0, 10, 0, 0],
      },
    ],
    print,
  );
}

const section = (title: string, rows: readonly Row[]): Content[] =>
  rows.length === 0 ? [] : [heading(title), table([172, 92, '*'], null, rows.map(cells))];

const cells = ([name, value, note, bad]: Row): TableCell[] => [
  plain(name),
  { text: plain(value), bold: true, alignment: 'right', ...(bad ? { color: RED } : {}) },
  { text: plain(note), fontSize: 7.5, color: SOFT },
];

const amount = (value: number, kind: QuantityKind, { unitSet }: Print): string =>
  kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, unitSet);

/** A line of the brief in the very words the page has for it. */
function briefRow(judged: LineJudgement, { unitSet }: Print): Row {
  const { line, state, target, unmeasured } = judged;
  const words = [
    LINE_STATE_NAME[state],
    wanted(line, target, unitSet),
    byHowMuch(judged, unitSet),
    line.kind === 'free' ? '' : line.text,
    unmeasured.length > 0 ? 'not all measured' : '',
  ];
  const name = line.kind === 'free' ? line.text : BRIEF_NAME[line.kind];
  return [
    `${line.firm ? 'Firm: ' : ''}${name}`,
    nowText(judged, unitSet),
    words.filter(Boolean).join('; '),
    state === 'broken',
  ];
}

function partsRows(sheet: FigureSheet, print: Print): Row[] {
  const { pack, drive, charge } = sheet.slots;
  const gear = drive.gear && drive.unit?.sheet.output === 'gearboxInput' ? `, gear ${drive.gear}` : '';
  return [
    ...pack.boxes.map(
      (box): Row => [
        `Box, ${box.bay.name}`,
        `${box.modules} modules`,
        `${box.module?.name ?? 'no module'}; ${amount(box.massKg, 'mass', print)}; middle ${amount(box.xMm, 'length', print)} behind the front axle`,
      ],
    ),
    ['Drive', '', `${drive.motors > 1 ? `${drive.motors} × ` : ''}${drive.unit?.name ?? 'none chosen'}${gear}`],
    ['Inverter', '', drive.inverter?.name ?? (drive.unit?.sheet.hasInverter ? 'built in' : 'none chosen')],
    ['Charger', '', charge.charger?.name ?? 'none chosen'],
  ];
}

function figureRows(group: FigureGroup, sheet: FigureSheet, print: Print): Content[] {
  const rows = FIGURE_GROUPS[group].flatMap((id): Row[] => {
    const { value, kind, working, unmeasured } = sheet.get(FIGURES[id]);
    if (value === null || !kind || !working || (MEANT_ABOVE_ZERO.has(id) && value < 1e-9)) return [];
    const rests = unmeasured.length > 0 ? ' (not all measured)' : '';
    return [[FIGURE_NAME[id], amount(value, kind, print), `${working.formula}. From: ${working.source}${rests}`]];
  });
  return section(FIGURE_GROUP_NAME[group], [...rows, ...(namedComponents(sheet)[group] ?? [])]);
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
