import { mutate } from 'swr';
import { type EventResource, type JobPiece, PIECES_OF, type Touched } from '../../contract/changes.ts';
import type { JobSheet } from '../../contract/job.ts';
import { ask } from './client.ts';
import { keys } from './resources.ts';

/** Notes of one moment are taken together. */
const GATHER_MS = 25;

/** The same object where nothing changed, so that what reads it is left alone. */
function keepSame<T>(before: T, after: T): T {
  return JSON.stringify(before) === JSON.stringify(after) ? before : after;
}

/** Puts a piece into a sheet; fields that say the same stay the objects they were. */
export function withPiece(sheet: JobSheet, piece: JobPiece, value: unknown): JobSheet {
  const fields = piece === 'head' ? (value as Partial<JobSheet>) : { [piece]: value };
  const kept = Object.entries(fields).map(([name, after]) => [name, keepSame(sheet[name as keyof JobSheet], after)]);
  const next = { ...sheet, ...(Object.fromEntries(kept) as Partial<JobSheet>) };
  return Object.entries(next).every(([name, field]) => sheet[name as keyof JobSheet] === field) ? sheet : next;
}

/** Asks for pieces of a job again and puts them into its sheet, if any page has it. */
async function refreshPieces(job: string, pieces: ReadonlySet<JobPiece>): Promise<void> {
  await mutate<JobSheet>(
    keys.job(job),
    async (sheet) => {
      if (!sheet) return sheet;
      const fresh = await Promise.all(
        [...pieces].map(async (piece) => [piece, await ask(`/jobs/${job}/${piece}`)] as const),
      );
      return fresh.reduce((whole, [piece, value]) => withPiece(whole, piece, value), sheet);
    },
    { revalidate: false, populateCache: true },
  );
}

const waiting = new Map<string, Set<JobPiece>>();
let gathering: Promise<void> | null = null;

/** Refreshes what these things touch; resolves when it is there. Lists follow without being waited for. */
export async function refreshTouched(touched: readonly Touched[]): Promise<void> {
  for (const { job, resource } of touched) {
    const pieces = waiting.get(job) ?? new Set();
    for (const piece of PIECES_OF[resource]) pieces.add(piece);
    waiting.set(job, pieces);
    if (resource === 'parts') void mutate(keys.library);
  }
  void mutate(keys.jobs);
  gathering ??= new Promise<void>((done) => setTimeout(done, GATHER_MS)).then(async () => {
    gathering = null;
    const all = [...waiting];
    waiting.clear();
    // The Floor first: it says who is on the clock, which the top bar and its key go by, and must not lag behind a stage.
    await mutate(keys.floor);
    await Promise.all(all.map(([job, pieces]) => refreshPieces(job, pieces)));
  });
  await gathering;
}

/** Everything a page has is asked for again: notes may have been missed. */
export const refreshAll = (): Promise<unknown> => mutate((key) => typeof key === 'string' && key !== '/session');

export const isResource = (name: string): name is EventResource => name in PIECES_OF;
