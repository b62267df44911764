import type { PackageAim } from '../core/package/complete.ts';
import type { Requirement } from '../core/package/requirements.ts';
import { FUNCTION_NAME } from './fit.ts';

export const PACKAGE_AIM_NAME: Readonly<Record<PackageAim, string>> = {
  cheapest: 'The cheapest way',
  lightest: 'The lightest way',
};
const PART_NAME = { bmsSatellite: 'BMS satellites', inlet: 'Inlet', mainFuse: 'Main fuse' } as const;

/** "Heat the cabin", "Main fuse". */
export const requirementName = (one: Requirement): string =>
  one in PART_NAME ? PART_NAME[one as keyof typeof PART_NAME] : FUNCTION_NAME[one as keyof typeof FUNCTION_NAME];
