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

/** Signs the shipped face lacks, and how a PDF says them. */
const SAID: Readonly<Record<string, string>> = {
  '\u202f': ' ',
  Ω: 'ohm',
  η: 'eta',
  θ: 'theta',
  π: 'pi',
  ρ: 'rho',
  μ: 'µ',
  Δ: 'd',
  Σ: 'sum of',
  '∫': 'integral of',
  '√': 'root of',
  '≥': 'at least',
  '≤': 'at most',
  '→': 'to',
};

/** Text as the face can print it; a test holds every formula of the catalogue to it. */
export const plain = (text: string): string =>
  text
    .replace(/[\u202fΩηθπρμΔΣ∫√≥≤→]/g, (sign) => SAID[sign] ?? sign)
    .replace(/[₀₁₂₃₄₅₆₇₈₉]/g, (digit) => String('₀₁₂₃₄₅₆₇₈₉'.indexOf(digit)));

/** The file of the shipped face. */
export const FACE = font('400');

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
