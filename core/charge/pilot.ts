/**
 * Current the supply offers by the control pilot's duty cycle, A (IEC 61851-1, from memory): 0.6·duty % from 10 to
 * 85 %, 2.5·(duty % − 64) above to 96 %. Null outside: no AC charging is offered.
 */
export function pilotAmps(dutyPercent: number): number | null {
  if (dutyPercent >= 10 && dutyPercent <= 85) return 0.6 * dutyPercent;
  if (dutyPercent > 85 && dutyPercent <= 96) return 2.5 * (dutyPercent - 64);
  return null;
}
