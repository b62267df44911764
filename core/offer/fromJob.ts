import type { Component } from '../component/sheets.ts';
import type { TaxRule } from '../money/tax.ts';
import { type Practice, rateOf } from '../practice/practice.ts';
import { hoursEstimate, type StageTook } from './hours.ts';
import { type ForeignPrice, groupOfPart, type OfferBody, type OfferLine } from './offer.ts';

interface Stage {
  readonly key: string;
  readonly name: string;
  readonly skill?: string;
  readonly hours: number;
}

/** A component with what its price was asked in, where that was another currency. */
export type PricedComponent = Pick<Component, 'id' | 'name' | 'kind' | 'priceCents'> & {
  readonly foreign?: ForeignPrice | null;
};

export interface OfferGround {
  readonly parts: readonly { readonly component: PricedComponent; readonly quantity: number }[];
  readonly stages: readonly Stage[];
  /** What earlier vehicles took, the newest first. */
  readonly took: readonly StageTook[];
  readonly rateCents: number;
  readonly practice: Pick<Practice, 'marginShare' | 'contingencyShare' | 'roundToCents' | 'ratesBySkill'>;
  readonly taxShare: number;
  readonly taxRule: TaxRule;
  readonly validUntil: string;
  /** The offer before: what was typed there by hand goes along. */
  readonly before: OfferBody | null;
}

const partLines = ({ parts, practice, taxShare, before }: OfferGround): OfferLine[] => {
  const pieces = new Map<string, { component: PricedComponent; quantity: number }>();
  for (const { component, quantity } of parts)
    pieces.set(component.id, { component, quantity: quantity + (pieces.get(component.id)?.quantity ?? 0) });
  return [...pieces.values()].map(({ component, quantity }): OfferLine => {
    const key = `part ${component.id}`;
    const was = before?.lines.find((line) => line.key === key);
    return {
      ...{ key, kind: 'part', group: groupOfPart(component.kind), text: component.name },
      ...{ componentId: component.id, skill: null, quantity, unitCents: component.priceCents },
      ...{ addShare: was?.addShare ?? practice.marginShare, taxShare: was?.taxShare ?? taxShare },
      ...{ foreign: component.foreign ?? null, estimate: null },
    };
  });
};

function workLines({ stages, took, rateCents, practice, taxShare, before }: OfferGround): OfferLine[] {
  const skills = [...new Set(stages.map(({ skill = '' }) => skill))];
  return skills.flatMap((skill): OfferLine[] => {
    const own = stages.filter((stage) => (stage.skill ?? '') === skill);
    const estimate = hoursEstimate(own, took);
    if (estimate.hours === 0) return [];
    const key = `work ${skill}`;
    return [
      {
        ...{ key, kind: 'work', group: 'work', text: skill === '' ? 'Work' : `Work, ${skill}`, componentId: null },
        ...{ skill, quantity: estimate.hours, unitCents: rateOf(skill, rateCents, practice), addShare: 0 },
        taxShare: before?.lines.find((line) => line.key === key)?.taxShare ?? taxShare,
        ...{ foreign: null, estimate },
      },
    ];
  });
}

/** Main components first, then the small ones, as they stand on the paper. */
const inOrder = (lines: readonly OfferLine[]): OfferLine[] =>
  (['main', 'small', 'work', 'outside', 'own'] as const).flatMap((group) =>
    lines.filter((line) => line.group === group),
  );

/**
 * An offer from today's figures: parts at today's prices, hours by skill as they are reckoned with, beside them what earlier vehicles took, the workshop's
 * shares. Margins, tax and what was typed by hand go along from the offer before; prices, pieces and hours do not.
 */
export function offerFromJob(ground: OfferGround): OfferBody {
  const { before, practice, stages } = ground;
  const typed = (before?.lines ?? []).filter(({ kind }) => kind === 'outside' || kind === 'own');
  return {
    lines: inOrder([...partLines(ground), ...workLines(ground), ...typed]),
    stages: stages.map((stage) => ({
      ...{ key: stage.key, name: stage.name, skill: stage.skill ?? '' },
      hours: stage.hours,
    })),
    contingencyShare: before?.contingencyShare ?? practice.contingencyShare,
    roundToCents: before?.roundToCents ?? practice.roundToCents,
    taxRule: before?.taxRule ?? ground.taxRule,
    taxShare: before?.taxShare ?? ground.taxShare,
    open: before?.open ?? false,
    note: before?.note ?? '',
    validUntil: ground.validUntil,
  };
}
