import type { Workshop } from '../../contract/workshop.ts';
import { judgeBrief } from '../../core/brief/judgeLine.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURES } from '../../core/figures/index.ts';
import { FIGURE_NAME } from '../../core/figures/names.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import type { UnitSet } from '../../core/quantity/units.ts';
import { BRIEF_NAME, byHowMuch, nowText, wanted } from '../../wording/brief.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { figureInputOfJob } from '../read/figureInput.ts';
import { partOf } from '../read/sheet.ts';

/** What a client wants to know of a vehicle, in that order; of several ranges the first that can be told. */
const RANGES = ['rangeRound', 'rangeRoute', 'rangeConstant'] as const;
const SAID = ['topSpeed', 'packUsable', 'chargeTime', 'unladenMass'] as const;

export const unitsOf = (workshop: Workshop): UnitSet => `${workshop.unitSet} ${workshop.currency}`;

/** Figures and brief of a job as its client reads them, for the design that was agreed or is being worked out. */
export async function specificationOf(
  db: Db | Tx,
  stored: StoredJob,
  workshop: Workshop,
  today: string,
  designId: string | null,
) {
  const { input, cover } = await figureInputOfJob(db, stored, workshop, today, designId ?? stored.chosenDesignId);
  const sheet = createSheet(resolveDesign(input));
  const set = unitsOf(workshop);
  const range = RANGES.find((id) => sheet.get(FIGURES[id]).value !== null);
  const figures = [...(range ? [range] : []), ...SAID].flatMap((id) => {
    const { value } = sheet.get(FIGURES[id]);
    const { kind } = FIGURES[id];
    if (value === null || kind === null) return [];
    return [{ name: FIGURE_NAME[id], text: kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, set) }];
  });
  const lines = judgeBrief(await partOf(db, { id: stored.id }, 'brief'), sheet, { cover });
  return {
    figures,
    // What it comes to is told by the offers, not by what the workshop reckons today.
    brief: lines
      .filter(({ line }) => line.kind !== 'priceCeiling')
      .map((judged) => ({
        name: judged.line.kind === 'free' ? judged.line.text : BRIEF_NAME[judged.line.kind],
        firm: judged.line.firm,
        state: judged.state,
        now: nowText(judged, set),
        wanted: [wanted(judged.line, judged.target, set), byHowMuch(judged, set)].filter(Boolean).join(', '),
      })),
  };
}
