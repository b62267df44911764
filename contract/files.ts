import Joi from 'joi';
import { A_FILE, address, answers } from './address.ts';
import { type Made, quantity, text, type Versioned, version } from './fields.ts';

/** What a photograph or a paper can be of. */
export const FILE_ABOUT = [
  'vehicle',
  'job',
  'stage',
  'snag',
  'component',
  'variant',
  'authorisation',
  'lesson',
  'register',
  'kitRevision',
  'order',
  'number',
  'fabrication',
] as const;
export type FileAbout = (typeof FILE_ABOUT)[number];

/** How a picture lies under the side view of a model: its width, left and upper edge, and how strong it is drawn. */
export interface Lay {
  readonly widthMm: number;
  readonly xMm: number;
  readonly topMm: number;
  readonly opacity: number;
}

export interface FileRow {
  readonly id: string;
  readonly about: FileAbout;
  readonly aboutId: string;
  readonly name: string;
  readonly caption: string;
  /** Judged by content: image/jpeg, application/pdf. */
  readonly type: string;
  readonly size: number;
  readonly picture: boolean;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  readonly lay: Lay | null;
  readonly by: string | null;
  readonly at: string;
  readonly version: number;
}

/** Files of one thing, and what room is left for more, bytes. */
export interface FileList {
  readonly files: readonly FileRow[];
  readonly usedBytes: number;
  readonly quotaBytes: number;
}

export interface FileChange {
  readonly caption: string;
  /** Dropped files can be taken back for a month. */
  readonly dropped: boolean;
  readonly lay: Lay | null;
  readonly version: number;
}

const lay = Joi.object<Lay, true>({
  widthMm: quantity('Picture is wide', 'length', 1, 100_000).required(),
  xMm: quantity('Left edge', 'length', -100_000, 100_000).required(),
  topMm: quantity('Upper edge', 'length', -100_000, 100_000).required(),
  opacity: quantity('How strong', 'share', 0, 1).required(),
}).allow(null);

/** The largest file taken in, bytes. */
export const LARGEST_FILE = 30_000_000;

export const fileAddress = {
  of: address({ method: 'get', path: '/files/about/:about/:of', may: 'viewer', answer: answers<FileList>() }),
  ofJob: address({ method: 'get', path: '/jobs/:number/files', may: 'viewer', answer: answers<FileList>() }),
  add: address({
    method: 'post',
    path: '/files/about/:about/:of/named/:name',
    may: 'technician',
    upload: LARGEST_FILE,
    answer: answers<Made>(),
  }),
  change: address({
    method: 'put',
    path: '/files/:id',
    may: 'technician',
    body: Joi.object<FileChange, true>({
      caption: text('Caption', 200).allow('').required(),
      dropped: Joi.boolean().label('Dropped').required(),
      lay: lay.required(),
      version,
    }),
    answer: answers<Versioned>(),
  }),
  whole: address({ method: 'get', path: '/files/:id/whole', may: 'viewer', answer: A_FILE }),
  small: address({ method: 'get', path: '/files/:id/small', may: 'viewer', answer: A_FILE }),
} as const;
