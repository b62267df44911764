import type { Result } from '../../figures/evaluate.ts';
import { FIGURES } from '../../figures/index.ts';
import type { Sourced } from '../../quantity/sourced.ts';
import { LIKELY_ERROR } from '../../vehicle/vehicleFigures.ts';
import type { Finding, FitContext, FitRule } from '../finding.ts';

/** A mass against its rating. Spare under the likely error of an unweighed vehicle is measured first. */
function massFinding(
  rule: 'grossMass' | 'axleMass',
  subject: string,
  now: Result,
  rating: Sourced,
  doubtKg: number,
): Finding {
  const base = {
    rule,
    subject,
    unmeasured: now.unmeasured,
    work: null,
    right: { value: rating.value, kind: 'mass', source: 'plate' },
  } as const;
  if (now.value === null) {
    return { ...base, verdict: 'measureFirst', left: { value: null, kind: 'mass', source: 'design' }, margin: null };
  }
  const margin = rating.value - now.value;
  const verdict = margin < -doubtKg ? 'doesNotFit' : margin >= doubtKg ? 'fits' : 'measureFirst';
  return {
    ...base,
    verdict,
    left: { value: now.value, kind: 'mass', source: 'design' },
    margin: { value: margin, kind: 'mass' },
  };
}

/** Hours to agree on a payload and have it written down; common practice. */
const AGREE_HOURS = 1;

/** Doubt of an axle mass that was not measured, kg; nothing once the vehicle has been weighed. */
function doubt({ vehicle }: FitContext, id: 'frontAxleMass' | 'rearAxleMass'): number {
  const { source, value } = vehicle.figures[id];
  return source === 'measured' ? 0 : value * LIKELY_ERROR[id];
}

export const grossMass: FitRule = {
  id: 'grossMass',
  judge: (context) => {
    const both = doubt(context, 'frontAxleMass') + doubt(context, 'rearAxleMass');
    const { grossMass: plate, seatsPayload } = context.vehicle.figures;
    const laden = context.sheet.get(FIGURES.grossMassNow);
    const asked = massFinding('grossMass', 'whole vehicle', laden, plate, both);
    const more = seatsPayload.value - context.sheet.slots.use.payloadKg;
    if (!(more > 0) || laden.value === null) return [asked];
    // The seats and the load the maker allowed: what is no longer left of them is agreed and goes on the plate.
    const full = massFinding(
      'grossMass',
      'whole vehicle, the maker’s payload',
      { ...laden, value: laden.value + more },
      plate,
      both,
    );
    if (full.verdict !== 'doesNotFit') return [asked, full];
    const left = Math.max(0, Math.floor(seatsPayload.value + (full.margin?.value ?? 0)));
    const step = `Agree with client and inspector on a payload of ${left} kg, seats taken with it, and have it on the plate`;
    return [asked, { ...full, verdict: 'afterWork', work: { hours: AGREE_HOURS, step } }];
  },
};

export const axleMass: FitRule = {
  id: 'axleMass',
  judge: (context) => {
    const { figures } = context.vehicle;
    return [
      massFinding(
        'axleMass',
        'front axle',
        context.sheet.get(FIGURES.frontAxleLaden),
        figures.frontAxleRating,
        doubt(context, 'frontAxleMass'),
      ),
      massFinding(
        'axleMass',
        'rear axle',
        context.sheet.get(FIGURES.rearAxleLaden),
        figures.rearAxleRating,
        doubt(context, 'rearAxleMass'),
      ),
    ];
  },
};
