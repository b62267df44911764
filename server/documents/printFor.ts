import type { SignedIn } from '../../contract/session.ts';
import type { Config } from '../config.ts';
import type { Print } from './paper.ts';

/** How a paper is printed for a person. */
export const printFor = (config: Config, person: SignedIn, printedAt: Date): Print => ({
  workshop: config.workshopName,
  timeZone: config.timeZone,
  unitSet: person.unitSet,
  printedAt,
});
