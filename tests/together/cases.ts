import type { Case, Ground } from './case.ts';
import { conditionCases } from './conditionCases.ts';
import { houseCases } from './houseCases.ts';
import { jobCases } from './jobCases.ts';
import { kitCases } from './kitCases.ts';
import { offerCases } from './offerCases.ts';
import { orderCases } from './orderCases.ts';
import { planCases } from './planCases.ts';
import { storesCases } from './storesCases.ts';

/** The cases by what they are about; an address without one fails a test. */
export const CASES_OF = {
  job: jobCases,
  condition: conditionCases,
  house: houseCases,
  kit: kitCases,
  stores: storesCases,
  offer: offerCases,
  order: orderCases,
  plan: planCases,
};

export const allCases = (ground: Ground): Record<string, Case> =>
  Object.assign({}, ...Object.values(CASES_OF).map((casesOf) => casesOf(ground)));
