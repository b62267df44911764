import { componentAs } from '../../component/sheets.ts';
import { mainLinks } from '../../design/mainLinks.ts';
import type { KitPart } from '../../kit/kit.ts';
import { driveBay, wayBetween } from '../../vehicle/passes.ts';
import type { PassThrough } from '../../vehicle/variant.ts';
import { bundleMm } from '../../wiring/bundle.ts';
import type { Finding, FitRule } from '../finding.ts';

/** A little room to be pulled through; common practice. */
const PULL_MM = 2;
/** Hours to put an end on after its cable is through; common practice. */
const END_HOURS = 0.5;
/** Of what is pulled beside the cables, more than this many pieces of one kind do not pass one hole. */
const MOST_PIECES = 4;

/** Plus and minus of the traction cable, and what else of the kit states its outside: hoses, looms. */
function pulled(parts: readonly KitPart[]): number[] {
  const { cable } = mainLinks(parts.map(({ component }) => component));
  const beside = parts.flatMap(({ component, quantity }) => {
    const mm = componentAs(component, 'other')?.sheet.pulledMm;
    return mm === undefined ? [] : Array.from({ length: Math.min(quantity, MOST_PIECES) }, () => mm);
  });
  return cable ? [cable.sheet.outsideMm, cable.sheet.outsideMm, ...beside] : beside;
}

/**
 * The way of the HV cable from every box to where the drive stands, through the passes that lead there: plus and minus, with
 * the hoses and looms that go the same way, as one bundle in each hole; then the ends that hang on the cable.
 */
export const passThroughs: FitRule = {
  id: 'passThroughs',
  judge: ({ vehicle, parts, sheet }): Finding[] => {
    const { cable } = mainLinks(parts.map(({ component }) => component));
    if (!cable) return [];
    const { variant } = vehicle;
    const unit = sheet.slots.added.find((item) => item.drive);
    if (!unit) return [];
    const drive = driveBay(variant, unit.xMm);
    const all = pulled(parts);
    const needMm = bundleMm(all) + PULL_MM;
    const base = { rule: 'passThroughs', unmeasured: [] } as const;
    const left = { value: needMm, kind: 'length', source: 'sheet' } as const;
    const unknown = (subject: string): Finding => ({
      ...{ ...base, subject, verdict: 'measureFirst', left, margin: null, work: null },
      right: { value: null, kind: 'length', source: 'library' },
    });
    const holes = new Set<PassThrough>();
    const findings: Finding[] = [];
    for (const { bay } of sheet.slots.pack.boxes) {
      const way = drive && wayBetween(variant.passThroughs, drive, bay);
      if (!way) findings.push(unknown(`${cable.name} to the ${bay.name} box`));
      for (const hole of way ?? []) holes.add(hole);
    }
    for (const { name, diameterMm } of holes) {
      const subject = `${cable.name} through the ${name}`;
      const margin = diameterMm - needMm;
      const right = { value: diameterMm, kind: 'length', source: 'library' } as const;
      const endMm = cable.sheet.connectorMm;
      const sum = { ...base, subject, left, right, margin: { value: margin, kind: 'length' as const }, work: null };
      // The rest is through already when the last end comes.
      const endsMm = endMm === undefined ? null : bundleMm([...all.slice(1), endMm]) + PULL_MM;
      if (margin < 0) findings.push({ ...sum, verdict: 'doesNotFit' });
      else if (endsMm === null) findings.push(unknown(`${subject}, its connector`));
      else if (endsMm <= diameterMm) findings.push({ ...sum, verdict: 'fits' });
      else
        findings.push({
          ...sum,
          verdict: 'afterWork',
          work: { hours: END_HOURS, step: `Fit this end after pulling: ${cable.name}` },
        });
    }
    return findings;
  },
};
