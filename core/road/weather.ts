/** Days a use is driven on: as the brief says, or at freezing. */
export type Weather = 'mild' | 'frost';

/** The cold day that ranges are also given for, °C. */
export const FROST_C = 0;
/** A battery this far down is due for another life; ranges are also given for it. */
export const AGED_SHARE = 0.8;

/** Temperature of air, pack and tyres on such a day, °C; a use that is colder than freezing stays as cold. */
export const temperatureIn = (weather: Weather, ambientC: number): number =>
  weather === 'frost' ? Math.min(FROST_C, ambientC) : ambientC;

/** Temperature at which rolling coefficients are stated, °C. */
const ROLLING_C = 20;
/**
 * Tyres, wheel bearings and gear oil roll harder in the cold: 0.6 % a kelvin, common practice. (ISO 28580 corrects
 * tyres alone near 25 °C by 0.8 % a kelvin, from memory; on the road they warm as they roll.)
 */
const ROLLING_PER_K = 0.006;
const COLDEST_ROLLING_C = -30;
const HOTTEST_ROLLING_C = 40;

/** Rolling coefficient at a temperature as a multiple of the stated one, from 40 to −30 °C; the ends beyond. */
export const rollingAt = (temperatureC: number): number =>
  1 + ROLLING_PER_K * (ROLLING_C - Math.min(HOTTEST_ROLLING_C, Math.max(COLDEST_ROLLING_C, temperatureC)));
