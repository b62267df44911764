import type { LinkId } from '../../chain/links.ts';
import { type Chain, solveChain } from '../../chain/solve.ts';
import { chainContinuous, chainPeak } from '../drive/chain.ts';
import { interim, interimAnswer } from '../figure.ts';
import { fullRuns } from '../heat/runs.ts';
import { packFacts } from '../pack/packFacts.ts';
import { packUsable } from '../pack/packUsable.ts';
import { rmsCurrent } from '../road/currents.ts';

/** What the drive's peak lasts where its sheet does not say, s; common practice. */
const PEAK_LASTS_S = 30;

/** Links that only carry: nothing in them holds a current back, they burn, weld or open. */
const PASSIVE: ReadonlySet<LinkId> = new Set(['cells', 'contactorBox', 'fuse', 'cable']);

/** Battery current at full throttle, accessories with it, that whatever only carries has to stand: inverter, motor and caps asked, A. */
function carried({ ask }: Chain): number {
  const { full } = solveChain({ ...ask, battery: ask.battery.filter(({ link }) => !PASSIVE.has(link)) });
  return full.amps + ask.besideA;
}

/** What every link between cells and inverter has to carry. */
export interface LinkDuty {
  /** For good: the hardest use, or what the drive gives without end, whichever is more, A. */
  readonly continuousA: number;
  /** rms over the hardest use, A. */
  readonly useA: number;
  /** At full throttle, A. */
  readonly fullA: number;
  /** As long as full throttle lasts: what drive or use let it, and never longer than the pack, s. */
  readonly fullS: number;
}

/**
 * Continuous against continuous, full throttle for as long as drive, use or pack lets it last. A long hill asks for what
 * the drive gives without end, whatever the stated uses ask.
 */
export const linkDuty = interim({
  id: 'linkDuty',
  needs: { packFacts, packUsable, rms: rmsCurrent, chainPeak, chainContinuous },
  maybe: { fullRuns },
  reads: ['drive'],
  compute: (
    { packFacts: pack, packUsable: usableWh, rms, chainPeak: peak, chainContinuous: good, fullRuns: runs },
    { drive },
  ) => {
    const fullA = carried(peak);
    const packS = fullA > 0 ? (usableWh * 3600) / (pack.nominalV * fullA) : Number.POSITIVE_INFINITY;
    const lasts = Math.max(drive.unit?.sheet.peakS ?? PEAK_LASTS_S, runs?.run.seconds ?? 0);
    const duty: LinkDuty = {
      continuousA: Math.max(rms, carried(good)),
      useA: rms,
      fullA: Math.max(fullA, rms),
      fullS: Math.min(lasts, packS),
    };
    return interimAnswer(duty, 'hardest use, the drive without end, and full throttle while it lasts');
  },
});
