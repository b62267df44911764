/** What stands in a building. */
export const PLACE_KINDS = ['bay', 'bench', 'hvRoom', 'goodsIn', 'parked', 'outside'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** A place of a plan: metres from the top left corner of the building. What is outside has no place in it. */
export interface PlannedPlace {
  /** Null while it is new. */
  readonly id: string | null;
  readonly name: string;
  readonly kind: PlaceKind;
  readonly lift: boolean;
  readonly alignment: boolean;
  readonly xM: number;
  readonly yM: number;
  readonly widthM: number;
  readonly lengthM: number;
  /** Of a firm outside: vehicles it has at a time; null: as many as come. @default null */
  readonly slots?: number | null;
  /** The days of the week it works on them, 1 Monday to 7 Sunday; none: every day that is worked on. @default [] */
  readonly slotDays?: readonly number[];
}

export interface Plan {
  readonly building: { readonly widthM: number; readonly lengthM: number };
  readonly places: readonly PlannedPlace[];
}

export type PlanProblem =
  | { readonly at: number; readonly problem: 'outOfBuilding' }
  | { readonly at: number; readonly problem: 'sameName' }
  | { readonly at: number; readonly problem: 'overlaps'; readonly with: string };

/** Walls are drawn to the centimetre: less than this lies side by side. */
const SLACK_M = 0.01;

/** What is wrong with a plan, place by place: out of the building, over another place, of another's name. Each once. */
export function planProblems({ building, places }: Plan): PlanProblem[] {
  return places.flatMap((place, at): PlanProblem[] => {
    const problems: PlanProblem[] = [];
    const before = places.slice(0, at);
    if (before.some((other) => other.name.toLowerCase() === place.name.toLowerCase()))
      problems.push({ at, problem: 'sameName' });
    if (place.kind === 'outside') return problems;
    if (
      place.xM < -SLACK_M ||
      place.yM < -SLACK_M ||
      place.xM + place.widthM > building.widthM + SLACK_M ||
      place.yM + place.lengthM > building.lengthM + SLACK_M
    )
      problems.push({ at, problem: 'outOfBuilding' });
    const over = before.find((other) => other.kind !== 'outside' && overlap(place, other));
    if (over) problems.push({ at, problem: 'overlaps', with: over.name });
    return problems;
  });
}

const overlap = (a: PlannedPlace, b: PlannedPlace): boolean =>
  Math.min(a.xM + a.widthM, b.xM + b.widthM) - Math.max(a.xM, b.xM) > SLACK_M &&
  Math.min(a.yM + a.lengthM, b.yM + b.lengthM) - Math.max(a.yM, b.yM) > SLACK_M;

/** Usual size of a new place, m: across and along; common practice. */
export const USUAL_SIZE: Readonly<Record<PlaceKind, readonly [number, number]>> = {
  bay: [4, 7],
  bench: [3, 2],
  hvRoom: [4, 3],
  goodsIn: [4, 3],
  parked: [5, 6],
  outside: [1, 1],
};

const STEP_M = 0.5;

/**
 * Where a new place of a size goes: the first free spot from the top left, in half metres; null where the building has
 * none left.
 */
export function freeSpot(plan: Plan, [widthM, lengthM]: readonly [number, number]): { xM: number; yM: number } | null {
  const taken = plan.places.filter((place) => place.kind !== 'outside');
  const probe = { id: null, name: '', kind: 'bay' as const, lift: false, alignment: false, widthM, lengthM };
  for (let yM = 0; yM + lengthM <= plan.building.lengthM + SLACK_M; yM += STEP_M) {
    for (let xM = 0; xM + widthM <= plan.building.widthM + SLACK_M; xM += STEP_M) {
      if (!taken.some((other) => overlap({ ...probe, xM, yM }, other))) return { xM, yM };
    }
  }
  return null;
}
