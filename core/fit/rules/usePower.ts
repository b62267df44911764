import { chainContinuous } from '../../figures/drive/chain.ts';
import { pull } from '../../figures/drive/pull.ts';
import { FIGURES } from '../../figures/index.ts';
import { roadVehicle } from '../../figures/road/roadVehicle.ts';
import { hardestRun, leftBehind, mainRun } from '../../figures/road/useRuns.ts';
import { isUsualUse } from '../../job/usualUse.ts';
import { roadForces } from '../../road/roadLoad.ts';
import type { Finding, FitRule, Verdict } from '../finding.ts';

/** Grade a laden vehicle starts on where the brief names none, rise ÷ run (trade §5.5). */
const USUAL_START = 0.12;

/** A use that the drive falls behind in: there is no spare to tell. */
const refusedFor = (subject: string, askedKmh: number | null): Finding => ({
  ...{ rule: 'usePower', subject, verdict: 'doesNotFit', margin: null, unmeasured: [], work: null },
  left: { value: askedKmh, kind: 'speed', source: 'design' },
  right: { value: null, kind: 'speed', source: 'design' },
});

/**
 * The drive against what it is for: the main use is kept up with, the hardest use stays within what it gives without end, it
 * starts laden on the grade of the brief, and without end it holds the speed of the use on the level.
 */
export const usePower: FitRule = {
  id: 'usePower',
  judge: ({ sheet }): Finding[] => {
    const { drive, use, wishes } = sheet.slots;
    if (!drive.unit) return [];
    const name = drive.unit.name;
    const findings: Finding[] = [];
    const add = (
      subject: string,
      kind: 'current' | 'grade' | 'force',
      asked: number | null,
      gives: number | null,
      short: Verdict = 'doesNotFit',
    ) => {
      const margin = asked === null || gives === null ? null : gives - asked;
      findings.push({
        rule: 'usePower',
        subject: `${name}, ${subject}`,
        verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : short,
        left: { value: asked, kind, source: 'design' },
        right: { value: gives, kind, source: 'design' },
        margin: margin === null ? null : { value: margin, kind },
        unmeasured: [],
        work: null,
      });
    };
    const main = sheet.get(mainRun).value;
    const hardest = sheet.get(hardestRun).value;
    // The cycle stands in where nobody has said a use: a vehicle that was never so fast is not asked to be.
    const stated = main && main.use !== 'cycle' ? main : null;
    const behind = stated && leftBehind(stated.run);
    if (stated && behind) {
      findings.push(refusedFor(`${name}, the ${stated.use}`, stated.run.behind?.askedKmh ?? null));
    }
    const asked = hardest && (hardest.use !== 'cycle' || !leftBehind(hardest.run)) ? hardest : stated;
    const good = sheet.get(chainContinuous).value;
    const nominal = sheet.get(FIGURES.packVoltageNominal).value;
    if (asked && nominal)
      add(
        'hardest use, for good',
        'current',
        (asked.run.asked ?? asked.run).rmsPowerW / nominal,
        good ? good.full.amps + good.ask.besideA : null,
      );
    add('start laden', 'grade', wishes.startGrade ?? USUAL_START, sheet.get(FIGURES.hillStart).value);
    const p = sheet.get(pull).value;
    const road = sheet.get(roadVehicle).value;
    if (p && road && use.constantKmh > 0) {
      const v = use.constantKmh / 3.6;
      const { tyresN, airN } = roadForces(road, v, 0);
      add(
        `${Math.round(use.constantKmh)} km/h for good`,
        'force',
        tyresN + airN,
        Math.max(p.engaged.continuousN(v), ...p.upper.map((gear) => gear.continuousN(v))),
        isUsualUse(use) ? 'measureFirst' : 'doesNotFit',
      );
    }
    return findings;
  },
};
