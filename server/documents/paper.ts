import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import pdfmake from 'pdfmake';
import type { Content, CustomTableLayout, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { UnitSet } from '../../core/quantity/units.ts';
import { dayTimeAndYear } from '../../wording/dates.ts';

const require = createRequire(import.meta.url);
const font = (name: string) => require.resolve(`@expo-google-fonts/fira-sans/${name}.ttf`);

const INK = '#15211e';
export const SOFT = '#566660';
const HAIRLINE = '#c6d0cc';
export const RED = '#b3261e';

/** The file of the shipped face: Latin with all its accents, Greek, Cyrillic, and the signs of formulas. */
export const FACE = font('400Regular/FiraSans_400Regular');
const STRONG = font('600SemiBold/FiraSans_600SemiBold');

pdfmake.addFonts({ Paper: { normal: FACE, bold: STRONG } });
// A paper reads its face and nothing else, from nowhere.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path: string) => dirname(path) === dirname(FACE) || dirname(path) === dirname(STRONG));

/** Who prints, when, and in whose units. */
export interface Print {
  readonly workshop: string;
  readonly timeZone: string;
  readonly unitSet: UnitSet;
  readonly printedAt: Date;
}

/** The one sign the face lacks is the narrow space between thousands. */
export const plain = (text: string): string => text.replaceAll('\u202f', '\u00a0');

export const printedAt = (print: Print): string => dayTimeAndYear(print.printedAt.toISOString(), print.timeZone);

/** A heading further down its page than this would stand there with nothing, or one row, below it. */
const LOWEST_HEADING = 0.88;

const HAIRLINES: CustomTableLayout = {
  hLineWidth: (i, node) => (i === 0 ? 0 : i === node.table.body.length ? 0.4 : 0.3),
  vLineWidth: () => 0,
  hLineColor: () => HAIRLINE,
  paddingLeft: (i) => (i === 0 ? 0 : 5),
  paddingRight: () => 0,
  paddingTop: () => 2.5,
  paddingBottom: () => 2.5,
};

/** A table that runs over pages; its head, where it has one, is repeated on each. A row stays whole. */
export const table = (widths: (number | string)[], head: readonly string[] | null, rows: TableCell[][]): Content => ({
  layout: HAIRLINES,
  table: {
    widths,
    headerRows: head ? 1 : 0,
    dontBreakRows: true,
    keepWithHeaderRows: 1,
    body: [...(head ? [head.map((text) => ({ text, color: SOFT, fontSize: 8 }))] : []), ...rows],
  },
});

export const heading = (text: string): Content => ({
  text,
  bold: true,
  fontSize: 11.5,
  margin: [0, 9, 0, 2],
  headlineLevel: 1,
});

/** An A4 paper in the shop's face: title, what it is about, contents; number of page and job at its foot. */
export async function paper(
  title: string,
  about: readonly string[],
  content: Content[],
  print: Print,
): Promise<Buffer> {
  const definition: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [42, 42, 42, 48],
    info: { title, author: print.workshop, creator: 'Dajo', producer: 'Dajo' },
    defaultStyle: { font: 'Paper', fontSize: 9, color: INK, lineHeight: 1.08 },
    content: [
      { text: plain(title), bold: true, fontSize: 18 },
      { text: plain(about.filter(Boolean).join(' · ')), fontSize: 9.5, color: SOFT, margin: [0, 2, 0, 4] },
      ...content,
    ],
    footer: (page, pages) => ({
      columns: [
        { text: plain(title), color: SOFT, fontSize: 7.5 },
        { text: `${printedAt(print)} · page ${page} of ${pages}`, color: SOFT, fontSize: 7.5, alignment: 'right' },
      ],
      margin: [42, 14, 42, 0],
    }),
    // A heading alone at the foot of a page belongs to the next one.
    pageBreakBefore: (node) => node.headlineLevel === 1 && node.startPosition.verticalRatio > LOWEST_HEADING,
  };
  return pdfmake.createPdf(definition).getBuffer();
}
