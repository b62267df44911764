import { FIGURE_GROUP_NAME, type FigureGroup } from './groups.ts';
import { FIGURE_IDS, FIGURES, type FigureId } from './index.ts';

/** What the figures are called, in the page and on paper, as each says itself. */
export const FIGURE_NAME = Object.fromEntries(FIGURE_IDS.map((id) => [id, FIGURES[id].name])) as Record<
  FigureId,
  string
>;

/** Figures of a design by subject, in the order of the catalogue: for panels, comparison and paper alike. */
export const FIGURE_GROUPS: Readonly<Record<FigureGroup, readonly FigureId[]>> = Object.assign(
  {},
  ...Object.keys(FIGURE_GROUP_NAME).map((group) => ({
    [group]: FIGURE_IDS.filter((id) => FIGURES[id].group === group),
  })),
);
