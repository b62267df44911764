import type { BriefLine } from '../brief/lines.ts';
import { FIGURES } from '../figures/index.ts';
import { type Candidate, objectivesOf } from './candidate.ts';
import type { Prepared } from './combination.ts';
import { brokenLine, overload } from './limits.ts';
import type { BranchReason } from './walkBays.ts';

/** What cannot be built, whatever the client wants. */
export type BuildReason = BranchReason | 'noModules' | 'strings' | 'sag' | 'frontAxle' | 'rearAxle' | 'incomplete';

export type Judgement = { readonly broke: BuildReason | (string & {}) } | { readonly candidate: Candidate };

/**
 * Judges one candidate by the figures catalogue, firm lines cheapest first. `broke` is the reason, or the id of the firm
 * line. `free` is how many of the module lie free in stores.
 */
export function judgeCandidate(
  prepared: Prepared,
  lines: readonly BriefLine[],
  counts: readonly number[],
  modules: number,
  free: number,
): Judgement {
  const { part, strings, fewest, sheet, slots, window, boxAt, drive, gear, chargerId } = prepared;
  if (modules === 0) return { broke: 'noModules' };
  if (modules % strings !== 0) return { broke: 'strings' };
  if (modules < fewest) return { broke: 'voltage' };
  const boxes = counts.flatMap((n, i) => (n > 0 ? [boxAt(i, n)] : []));
  const leadRest = slots.work.leadDays ?? 0;
  sheet.update({
    ...slots,
    pack: { ...slots.pack, boxes },
    work: {
      ...slots.work,
      partsCents: (slots.work.partsCents ?? 0) + modules * part.priceCents,
      leadDays: modules > free ? Math.max(leadRest, part.leadDays) : leadRest,
    },
  });
  const overloaded = overload(sheet);
  if (overloaded) return { broke: overloaded };
  const sag = sheet.get(FIGURES.packSagVoltage).value;
  if (sag === null || sag < window.minV - 1e-9) return { broke: 'sag' };
  const line = brokenLine(lines, sheet);
  if (line) return { broke: line };
  const objectives = objectivesOf(sheet, prepared.aim);
  if (!objectives) return { broke: 'incomplete' };
  const { driveId, inverterId } = drive;
  return {
    candidate: {
      choice: { moduleId: part.id, strings, driveId, inverterId, gear, chargerId, counts: [...counts] },
      objectives,
    },
  };
}
