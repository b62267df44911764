/** What a vehicle of the workshop's own has cost and brought, before tax, minor units. */
export interface OwnVehicleGround {
  readonly purchaseCents: number;
  /** Hours, parts and outside work of all its jobs so far. */
  readonly workCents: number;
  /** What it would fetch now; null: nobody has said. */
  readonly valueCents: number | null;
  /** What it was sold for; null while it is the workshop's. */
  readonly soldCents: number | null;
}

export interface OwnVehicleMoney {
  readonly costCents: number;
  /** Left of the sale, or of what it would fetch now; null where neither is known. */
  readonly marginCents: number | null;
  readonly sold: boolean;
}

/** Margin of an own vehicle: of its sale once it is sold, until then of what it would fetch. */
export function ownVehicleMoney({
  purchaseCents,
  workCents,
  valueCents,
  soldCents,
}: OwnVehicleGround): OwnVehicleMoney {
  const costCents = purchaseCents + workCents;
  const brings = soldCents ?? valueCents;
  return { costCents, marginCents: brings === null ? null : brings - costCents, sold: soldCents !== null };
}
