import { chainContinuous } from '../../figures/drive/chain.ts';
import { pull } from '../../figures/drive/pull.ts';
import { FIGURES } from '../../figures/index.ts';
import { roadVehicle } from '../../figures/road/roadVehicle.ts';
import { hardestRun, leftBehind, mainRun } from '../../figures/road/useRuns.ts';
import { roadForces } from '../../road/roadLoad.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Grade a laden vehicle starts on where the brief names none, rise ÷ run (trade §5.5). */
const USUAL_START = 0.12;

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
      kind: 'current' | 'grade' | 'force' | 'speed',
      asked: number | null,
      gives: number | null,
      refused = false,
    ) => {
      const margin = asked === null || gives === null ? null : gives - asked;
      findings.push({
        rule: 'usePower',
        subject: `${name}, ${subject}`,
        verdict: refused ? 'doesNotFit' : margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'doesNotFit',
        left: { value: asked, kind, source: 'design' },
        right: { value: gives, kind, source: 'design' },
        margin: margin === null ? null : { value: margin, kind },
        unmeasured: [],
        work: null,
      });
    };
    const main = sheet.get(mainRun).value;
    // The cycle stands in where nobody has said a use: a vehicle that was never so fast is not asked to be.
    if (main && main.use !== 'cycle' && leftBehind(main.run))
      add(`the ${main.use}`, 'speed', main.run.behind?.askedKmh ?? null, null, true);
    const hardest = sheet.get(hardestRun).value;
    const good = sheet.get(chainContinuous).value;
    const nominal = sheet.get(FIGURES.packVoltageNominal).value;
    const asked = hardest && nominal ? (hardest.run.asked ?? hardest.run).rmsPowerW / nominal : null;
    add('hardest use, for good', 'current', asked, good ? good.full.amps + good.ask.besideA : null);
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
      );
    }
    return findings;
  },
};
