import type { ModuleSheet } from '../component/sheets.ts';

/** Electrical facts of a whole pack of equal modules. */
export interface PackFacts {
  readonly modules: number;
  /** Modules in series in one string. */
  readonly seriesModules: number;
  readonly strings: number;
  readonly seriesCells: number;
  readonly emptyV: number;
  readonly nominalV: number;
  readonly fullV: number;
  readonly energyWh: number;
  readonly continuousA: number;
  readonly peakA: number;
  readonly resistanceOhm: number;
}

export type PackProblem = 'noModules' | 'unequalStrings';

/**
 * Pack of `modules` equal modules in `strings` parallel strings. Energy = n_s·n_p·Ah·nominal V (trade §5.1).
 * Strings must be equal in series count: a module count that does not divide is refused, not rounded.
 */
export function packFacts(module: ModuleSheet, modules: number, strings: number): PackFacts | PackProblem {
  if (!(modules > 0) || !(strings > 0)) return 'noModules';
  if (modules % strings !== 0) return 'unequalStrings';
  const seriesModules = modules / strings;
  return {
    modules,
    seriesModules,
    strings,
    seriesCells: seriesModules * module.cellsSeries,
    emptyV: seriesModules * module.minV,
    nominalV: seriesModules * module.nominalV,
    fullV: seriesModules * module.maxV,
    energyWh: modules * module.nominalV * module.capacityAh,
    continuousA: strings * module.continuousA,
    peakA: strings * module.peakA,
    resistanceOhm: (seriesModules * module.resistanceOhm) / strings,
  };
}
