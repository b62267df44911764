import type { PlaceKind, PlanProblem } from '../core/floor/plan.ts';

export const PLACE_KIND_NAME: Readonly<Record<PlaceKind, string>> = {
  bay: 'Bay',
  bench: 'Bench',
  hvRoom: 'High-voltage room',
  goodsIn: 'Goods in',
  parked: 'Parking, yard',
  outside: 'Outside firm',
};

/** What is wrong with a place of a plan, as a sentence. */
export function planProblemText(found: PlanProblem): string {
  switch (found.problem) {
    case 'sameName':
      return 'Another place has this name.';
    case 'outOfBuilding':
      return 'It stands out of the building.';
    case 'overlaps':
      return `It lies over ${found.with}.`;
  }
}
