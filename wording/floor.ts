import { dayAndTime } from './dates.ts';

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
