import type { SignedIn } from '../../contract/session.ts';
import type { Workshop } from '../../contract/workshop.ts';
import type { Print } from './paper.ts';

/** How a paper is printed for a person. */
export const printFor = (workshop: Workshop, person: SignedIn, printedAt: Date): Print => ({
  workshop: workshop.name,
  timeZone: workshop.timeZone,
  unitSet: `${person.unitSet} ${workshop.currency}`,
  printedAt,
});
