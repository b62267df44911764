import type { Region } from '../contract/workshop.ts';
import type { UnitChoice } from '../core/quantity/units.ts';

export const REGION_NAME: Readonly<Record<Region, string>> = {
  eu: 'European Union',
  uk: 'United Kingdom',
  us: 'United States',
  other: 'Elsewhere',
};

export const UNIT_NAME: Readonly<Record<UnitChoice, string>> = {
  metric: 'Metric units',
  uk: 'UK road units',
  us: 'US units',
};

/** Monday first. */
export const WEEKDAY_NAME = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
