import type { MoveConflict } from '../core/floor/moveConflicts.ts';
import { dayAndTime } from './dates.ts';
import { localText } from './workPlan.ts';

/** Has what was handed out not come back by when it should? @param now ms since 1970 */
export const overdue = ({ dueBack }: { readonly dueBack: string | null }, now: number): boolean =>
  dueBack !== null && Date.parse(dueBack) < now;

/** "with Dunlin Trim, due back 28 Nov 16:00", or that it should be back, or that nobody has said when. */
export function outText(
  out: { readonly holder: string; readonly dueBack: string | null },
  now: number,
  timeZone: string,
): string {
  if (out.dueBack === null) return `with ${out.holder}, nobody has said until when`;
  const when = dayAndTime(out.dueBack, timeZone);
  return `with ${out.holder}, ${overdue(out, now) ? 'was due back' : 'due back'} ${when}`;
}

/** What speaks against a move, as a sentence. */
export function conflictText(conflict: MoveConflict, placeName: (id: string) => string): string {
  switch (conflict.kind) {
    case 'lacks':
      return `${conflict.stage} needs ${conflict.what === 'lift' ? 'a lift' : 'the alignment'}, and this bay has none.`;
    case 'onIt':
      return `${conflict.people.join(', ')} ${conflict.people.length === 1 ? 'is' : 'are'} on ${conflict.stage} there now.`;
    case 'planned':
      return `The plan has ${conflict.job} ${conflict.title} in it from ${localText(conflict.from)}.`;
    case 'elsewhere':
      return `The plan has it in ${placeName(conflict.placeId)}, from ${localText(conflict.from)}.`;
  }
}
