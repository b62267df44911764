/** Diameter of an AWG size, mm: 0.127·92^((36 − n)/39) (ASTM B258, from memory). 1/0 is n = 0, 2/0 is −1, 4/0 is −3. */
export const awgDiameterMm = (n: number): number => 0.127 * 92 ** ((36 - n) / 39);

/** Section of an AWG size, mm². */
export const awgMm2 = (n: number): number => (Math.PI / 4) * awgDiameterMm(n) ** 2;

/** AWG size of a section, not rounded; the inverse of `awgMm2`. NaN for sections not above zero. */
export function mm2Awg(sectionMm2: number): number {
  const diameter = Math.sqrt((4 * sectionMm2) / Math.PI);
  return 36 - (39 * Math.log(diameter / 0.127)) / Math.log(92);
}

/** How an AWG size is written: 4, 1/0, 2/0 … */
export const awgName = (n: number): string => (n > 0 ? String(n) : `${1 - n}/0`);

/** The AWG size nearest in section that is not thinner. */
export const awgAtLeast = (sectionMm2: number): string => awgName(Math.floor(mm2Awg(sectionMm2) + 1e-9));
