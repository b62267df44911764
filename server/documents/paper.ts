import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import type { UnitSet } from '../../core/quantity/units.ts';

const require = createRequire(import.meta.url);
const font = (name: string) => require.resolve(`@fontsource/barlow/files/barlow-latin-${name}-normal.woff`);

export const INK = '#15211e';
export const SOFT = '#566660';
export const HAIRLINE = '#c6d0cc';
export const RED = '#b3261e';

/** Who prints, when, and in whose units. */
export interface Print {
  readonly workshop: string;
  readonly timeZone: string;
  readonly unitSet: UnitSet;
  readonly printedAt: Date;
}

/** The face has no narrow no-break space, omega, eta or few other signs; a PDF says them in its own way. */
export const plain = (text: string): string =>
  text
    .replace(/\u202f/g, ' ')
    .replace(/Ω/g, 'ohm')
    .replace(/η/g, 'eta')
    .replace(/[₀₁₂₃₄₅₆₇₈₉]/g, (digit) => String('₀₁₂₃₄₅₆₇₈₉'.indexOf(digit)));

export const timeText = (print: Print, iso: string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: print.timeZone, dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(iso),
  );

/** An A4 document with the shop's face; `finish` ends it and gives its bytes. */
export function newPaper(title: string, print: Print): { doc: PDFKit.PDFDocument; finish: () => Promise<Buffer> } {
  const doc = new PDFDocument({ size: 'A4', margin: 42, info: { Title: title, Author: print.workshop } });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((done) => doc.on('end', () => done()));
  doc.registerFont('text', font('400')).registerFont('strong', font('600'));
  return {
    doc,
    finish: async () => {
      doc.end();
      await ended;
      return Buffer.concat(chunks);
    },
  };
}
