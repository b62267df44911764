import type { Check } from './check.ts';
import { beforePower } from './checks/beforePower.ts';
import { charging } from './checks/charging.ts';
import { firstPower } from './checks/firstPower.ts';
import { packEnds } from './checks/packEnds.ts';
import { roadAndWeigh } from './checks/roadAndWeigh.ts';

/** The first sign-off sheet, in the order it is worked through. */
export const CHECKS: readonly Check[] = [...beforePower, ...firstPower, ...packEnds, ...charging, ...roadAndWeigh];

export const checkById = (id: string): Check | undefined => CHECKS.find((check) => check.id === id);
