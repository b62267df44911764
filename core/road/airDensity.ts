const SEA_LEVEL_PA = 101_325;
const SEA_LEVEL_K = 288.15;
const LAPSE_K_PER_M = 0.0065;
const GAS_CONSTANT_AIR = 287.05287;
const EXPONENT = 5.2558797;

/**
 * Density of dry air, kg/m³, from air temperature and altitude: pressure of the International Standard Atmosphere
 * (ISO 2533, from memory), then the gas law at the actual temperature. Valid to 11 km.
 */
export function airDensity(temperatureC: number, altitudeM: number): number {
  const pressure = SEA_LEVEL_PA * (1 - (LAPSE_K_PER_M * altitudeM) / SEA_LEVEL_K) ** EXPONENT;
  return pressure / (GAS_CONSTANT_AIR * (temperatureC + 273.15));
}
