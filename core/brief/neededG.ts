import { SIXTY_MPH_KMH } from '../figures/drive/runUp.ts';
import { GRAVITY } from '../road/roadLoad.ts';
import type { BriefKind, BriefLine } from './lines.ts';

/** Speeds that the lines of times ask for, km/h. */
const TARGET_KMH: Partial<Record<BriefKind, number>> = {
  time0to20: 20,
  time0to50: 50,
  time0to60mph: SIXTY_MPH_KMH,
  time0to100: 100,
};

/** Mean acceleration that a line about a time asks for, in g: v ÷ (t·g); null for other lines and without a time. */
export function neededG({ kind, amount }: Pick<BriefLine, 'kind' | 'amount'>): number | null {
  const kmh = TARGET_KMH[kind];
  if (kmh === undefined || amount === null || !(amount > 0)) return null;
  return kmh / 3.6 / amount / GRAVITY;
}
