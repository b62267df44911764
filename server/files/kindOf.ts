import { fileTypeFromBuffer } from 'file-type';
import { ProblemError } from '../problems.ts';

/** What a file is, by its content alone. */
export interface FileKind {
  readonly type: string;
  readonly picture: boolean;
}

const PICTURES: ReadonlySet<string> = new Set([
  'image/jpeg',
  'image/png',
  'image/webp',
  'image/avif',
  'image/tiff',
  'image/gif',
]);
const PAPERS: ReadonlySet<string> = new Set([
  'application/pdf',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  'application/vnd.oasis.opendocument.spreadsheet',
  'application/vnd.oasis.opendocument.text',
  // Films of how a thing is fitted.
  'video/mp4',
  'video/webm',
]);
const PHONE_PICTURES: ReadonlySet<string> = new Set(['image/heic', 'image/heif']);

const refuse = (detail: string) => new ProblemError('badInput', detail);

/**
 * Judges a file by its content: pictures, films, PDF, office papers, plain text. Whatever a browser could run (pages, SVG,
 * scripts in markup) is refused, as is what cannot be told.
 */
export async function kindOf(body: Buffer): Promise<FileKind> {
  if (body.length === 0) throw refuse('This file is empty.');
  const found = await fileTypeFromBuffer(body).catch(() => undefined);
  const type = found?.mime as string | undefined;
  if (type && PICTURES.has(type)) return { type, picture: true };
  if (type && PAPERS.has(type)) return { type, picture: false };
  if (type && PHONE_PICTURES.has(type))
    throw refuse('This is an HEIC picture, which browsers cannot show. Set the phone to JPEG (“most compatible”).');
  if (type === undefined && isPlainText(body)) return { type: 'text/plain', picture: false };
  throw refuse(
    type === 'application/xml' || looksMarked(body)
      ? 'Pages and drawings with markup (SVG, HTML, XML) are not taken: they can carry scripts. Save it as PDF or PNG.'
      : 'What is in this file cannot be told. Take pictures (JPEG, PNG, WebP, TIFF), films (MP4, WebM), PDF, office papers or plain text.',
  );
}

const looksMarked = (body: Buffer): boolean => /^\s*(\ufeff\s*)?</.test(body.subarray(0, 400).toString('utf8'));

/** UTF-8 without control signs, and no markup. */
function isPlainText(body: Buffer): boolean {
  if (looksMarked(body)) return false;
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(body);
    // biome-ignore lint/suspicious/noControlCharactersInRegex: control signs tell data from text
    return !/[\u0000-\u0008\u000b\u000e-\u001f]/.test(text);
  } catch {
    return false;
  }
}
