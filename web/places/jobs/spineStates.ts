import { FIGURES } from '../../../core/figures/index.ts';
import type { FitReport } from '../../../core/fit/fitKit.ts';
import { overallVerdict } from '../../../core/fit/index.ts';
import { CHECKS } from '../../../core/prove/index.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { dayText } from '../../../wording/dates.ts';
import type { StepId } from '../../app/steps.ts';
import type { Mark } from '../../widgets/StateMark.tsx';
import type { OpenJob } from './openJob.ts';

export interface SpineState {
  readonly mark: Mark;
  readonly say: string;
}

const count = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** State by shape and one telling figure for each step of a job. */
export function spineStates(
  { job, vehicle, lines, sheet, kit }: Pick<OpenJob, 'job' | 'vehicle' | 'lines' | 'sheet' | 'kit'>,
  report: FitReport | null,
  set: UnitSet,
): Record<StepId, SpineState> {
  const firm = job.brief.filter((line) => line.firm).length;
  const broken = lines.filter((line) => line.state === 'broken' && line.line.firm).length;
  const energy = sheet.get(FIGURES.packUsable).value;
  const weights = vehicle.weighing
    ? `${formatQuantity(vehicle.figures.frontAxleMass.value, 'mass', set)} / ${formatQuantity(vehicle.figures.rearAxleMass.value, 'mass', set)}`
    : 'Not weighed';
  const misfits = report?.findings.filter((finding) => finding.verdict === 'doesNotFit').length ?? 0;
  const fitted = job.parts.filter((part) => part.state === 'fitted').length;
  const awaited = job.parts.filter((part) => part.state === 'ordered' || part.state === 'missing').length;
  const done = job.stages.filter((stage) => stage.state === 'done').length;
  const stopped = job.stages.some((stage) => stage.state === 'stopped');
  const latest = new Map([...job.checks].reverse().map((check) => [check.checkId, check.verdict]));
  const passed = [...latest.values()].filter((verdict) => verdict === 'passed').length;
  const failed = [...latest.values()].filter((verdict) => verdict === 'failed').length;
  return {
    brief: {
      mark: job.brief.length > 0 ? 'done' : 'open',
      say: job.brief.length > 0 ? `${count(job.brief.length, 'line')}, ${firm} firm` : 'Nothing yet',
    },
    vehicle: { mark: vehicle.weighing ? 'done' : 'waiting', say: weights },
    size: {
      mark: job.designs.length === 0 ? 'open' : broken > 0 ? 'stop' : job.chosenDesignId ? 'done' : 'half',
      say:
        energy === null
          ? count(job.designs.length, 'design')
          : `${formatQuantity(energy, 'energy', set)}, ${count(job.designs.length, 'design')}`,
    },
    match: report
      ? {
          mark: misfits > 0 ? 'stop' : overallVerdict(report.findings) === 'fits' ? 'done' : 'half',
          say:
            misfits > 0
              ? `${count(misfits, 'part does', 'parts do')} not fit`
              : `${kit?.kitName.split(' ')[0]} kit ${kit?.revision}`,
        }
      : { mark: 'open', say: 'No kit taken' },
    price: priceState(job, set),
    parts: {
      mark: job.parts.length === 0 ? 'open' : awaited > 0 ? 'waiting' : fitted === job.parts.length ? 'done' : 'half',
      say:
        job.parts.length === 0
          ? 'No list yet'
          : awaited > 0
            ? `${awaited} awaited`
            : `${fitted} of ${job.parts.length} fitted`,
    },
    plan: {
      mark: job.promised === null ? 'open' : done > 0 && done === job.stages.length ? 'done' : 'half',
      say: job.promised === null ? 'No day promised' : `Promised ${dayText(job.promised)}`,
    },
    build: {
      mark:
        job.stages.length === 0
          ? 'open'
          : stopped
            ? 'stop'
            : done === job.stages.length
              ? 'done'
              : done > 0
                ? 'half'
                : 'open',
      say: job.stages.length === 0 ? 'No stages yet' : `${done} of ${job.stages.length} stages`,
    },
    prove: {
      mark: failed > 0 ? 'stop' : passed === CHECKS.length ? 'pass' : passed > 0 ? 'half' : 'open',
      say: `${passed} of ${CHECKS.length} checks`,
    },
  };
}

/** The offer as it stands: being written, with the client, agreed with its changes. */
function priceState({ offer }: Pick<OpenJob['job'], 'offer'>, set: UnitSet): SpineState {
  if (!offer) return { mark: 'open', say: 'No offer yet' };
  const sum = formatQuantity(offer.totalCents, 'money', set);
  if (offer.state === 'draft') return { mark: 'half', say: `Offer ${offer.number} being written` };
  if (offer.state === 'declined') return { mark: 'stop', say: `Offer ${offer.number} declined` };
  if (offer.state === 'sent') return { mark: 'waiting', say: `Offer ${offer.number}, ${sum}` };
  return offer.changesWaiting > 0
    ? { mark: 'waiting', say: `${count(offer.changesWaiting, 'change')} with the client` }
    : { mark: 'done', say: `Agreed, ${sum}` };
}
