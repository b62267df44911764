import type { Library } from '../design/resolve.ts';
import { type KitRevision, kitParts, stagesApplying } from '../kit/kit.ts';
import { rateOf } from '../practice/practice.ts';
import type { OfferGround } from './fromJob.ts';
import { groupOfPart, type OfferLine } from './offer.ts';

/** A revision of a kit with the options taken. */
export interface KitAs {
  readonly revision: KitRevision;
  readonly options: readonly string[];
}

type Priced = Pick<OfferGround, 'rateCents' | 'practice' | 'taxShare'>;

/**
 * What another revision or other options of the kit that was sold cost more or less: parts that come and parts that go, at today's prices
 * with the workshop's margin, and the hours of their stages. A part that goes has a quantity below zero.
 */
export function linesOfOptions(
  kit: {
    readonly before: KitAs | null;
    readonly after: KitAs;
    readonly library: Library;
    readonly variantId: string;
  },
  { rateCents, practice, taxShare }: Priced,
): OfferLine[] {
  const { before, after, library, variantId } = kit;
  const pieces = new Map<string, number>();
  const count = ({ revision, options }: KitAs, sign: 1 | -1) => {
    for (const { component, quantity } of kitParts(revision, library, variantId, options))
      pieces.set(component.id, (pieces.get(component.id) ?? 0) + sign * quantity);
  };
  count(after, 1);
  if (before) count(before, -1);
  const hours = new Map<string, number>();
  const clock = ({ revision, options }: KitAs, sign: 1 | -1) => {
    for (const stage of stagesApplying(revision, variantId, options))
      hours.set(stage.skill ?? '', (hours.get(stage.skill ?? '') ?? 0) + sign * stage.hours);
  };
  clock(after, 1);
  if (before) clock(before, -1);
  return [
    ...[...pieces].flatMap(([id, quantity]): OfferLine[] => {
      const part = library.get(id);
      if (!part || quantity === 0) return [];
      return [
        {
          ...{ key: `part ${id}`, kind: 'part', group: groupOfPart(part.kind), text: part.name, componentId: id },
          ...{ skill: null, quantity, unitCents: part.priceCents, addShare: practice.marginShare, taxShare },
          ...{ foreign: null, estimate: null },
        },
      ];
    }),
    ...[...hours].flatMap(([skill, more]): OfferLine[] =>
      Math.abs(more) < 0.01
        ? []
        : [
            {
              ...{ key: `work ${skill}`, kind: 'work', group: 'work', text: skill ? `Work, ${skill}` : 'Work' },
              ...{ componentId: null, skill, quantity: Math.round(more * 100) / 100, addShare: 0, taxShare },
              ...{ unitCents: rateOf(skill, rateCents, practice), foreign: null, estimate: null },
            },
          ],
    ),
  ];
}
