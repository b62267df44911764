import type { DesignInputs } from '../design/inputs.ts';
import { placeParts } from '../design/placeParts.ts';
import { engineX, type ResolveInput, resolveDesign } from '../design/resolve.ts';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import type { OfferLine } from './offer.ts';

/** A wish as it is priced. */
export interface Wish {
  readonly lines: readonly OfferLine[];
  /** The design as it would be with it; null: the agreed one with these parts and this mass. */
  readonly design: DesignInputs | null;
  /** Put in beside the parts (below zero: taken out), kg, so many mm behind the front axle; null: where the engine was. */
  readonly massKg: number;
  readonly xMm: number | null;
}

/** What a wish does to what was agreed; null where the figures do not tell. */
export interface WishEffect {
  readonly rangeKm: number | null;
  readonly massKg: number | null;
  readonly hours: number;
  /** Days that the vehicle would be ready later. */
  readonly days: number | null;
}

/** The agreed design with a wish in it: its pieces where they belong, its mass where it is said to be. */
function withWish({ design, library, vehicle }: ResolveInput, { lines, massKg, xMm }: Wish): DesignInputs {
  const parts = lines.flatMap(({ componentId, quantity }) => (componentId === null ? [] : [{ componentId, quantity }]));
  const placed = placeParts(design, parts, library, vehicle.variant.bays);
  if (massKg === 0) return placed;
  const at = xMm ?? engineX(vehicle.variant);
  return { ...placed, items: [...(placed.items ?? []), { name: 'wish', massKg, xMm: at, yMm: 0 }] };
}

/** Ranges in the order of what a client means by range: his round, the recorded way, a steady speed. */
const RANGES = [FIGURES.rangeRound, FIGURES.rangeRoute, FIGURES.rangeConstant] as const;

/**
 * What a wish does to range, mass, hours and the day, by the same figures as everything else: those of the agreed design
 * against those with the wish in it. A part that is not on the shelf counts from today by its lead time.
 *
 * @param agreed what the figures of the agreed design are worked out from
 */
export function wishEffect(agreed: ResolveInput, wish: Wish): WishEffect {
  const { work, library, free } = agreed;
  const hours = wish.lines.reduce((sum, { kind, quantity }) => (kind === 'work' ? sum + quantity : sum), 0);
  const leads = wish.lines.flatMap(({ componentId, quantity }) =>
    componentId !== null && quantity > (free?.get(componentId) ?? 0) ? [library.get(componentId)?.leadDays ?? 0] : [],
  );
  const due = leads.length > 0 ? work.todayDay + Math.max(...leads) : null;
  const after = createSheet(
    resolveDesign({
      ...agreed,
      design: wish.design ?? withWish(agreed, wish),
      work: {
        ...work,
        remainingHours: work.remainingHours === null ? null : Math.max(0, work.remainingHours + hours),
        latestPartDay: due === null ? work.latestPartDay : Math.max(due, work.latestPartDay ?? due),
      },
    }),
  );
  const before = createSheet(resolveDesign(agreed));
  const range = RANGES.find((figure) => before.get(figure).value !== null && after.get(figure).value !== null);
  const change = (figure: (typeof RANGES)[number] | typeof FIGURES.unladenMass | typeof FIGURES.readyDate) => {
    const [a, b] = [before.get(figure).value, after.get(figure).value];
    return a === null || b === null ? null : b - a;
  };
  return {
    rangeKm: range ? change(range) : null,
    massKg: change(FIGURES.unladenMass),
    hours,
    days: change(FIGURES.readyDate),
  };
}
