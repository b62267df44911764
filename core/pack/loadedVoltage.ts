/**
 * Pack voltage while it delivers `powerW`, from open-circuit voltage and resistance: solves P = (V0 − I·R)·I for the
 * smaller current. Asking for more than the pack can ever give (V0²/4R) returns the voltage at that maximum.
 */
export function loadedVoltage(openV: number, resistanceOhm: number, powerW: number): { volts: number; amps: number } {
  if (resistanceOhm <= 0) return { volts: openV, amps: powerW / openV };
  const discriminant = openV * openV - 4 * resistanceOhm * powerW;
  const amps =
    discriminant <= 0 ? openV / (2 * resistanceOhm) : (openV - Math.sqrt(discriminant)) / (2 * resistanceOhm);
  return { volts: openV - amps * resistanceOhm, amps };
}
