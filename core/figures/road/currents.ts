import { loadedVoltage } from '../../pack/loadedVoltage.ts';
import { drivePower } from '../drive/drivePower.ts';
import { type Entry, figure } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { hardestRun, mainRun, type NamedRun } from './useRuns.ts';

function current(id: string, run: Entry<NamedRun>, read: 'meanPowerW' | 'rmsPowerW' | 'peak30sPowerW', what: string) {
  return figure({
    id,
    kind: 'current',
    needs: { packFacts, run },
    compute: ({ packFacts: pack, run: named }) => ({
      value: named.run[read] / pack.nominalV,
      formula: `I = ${what} ÷ V nominal`,
      terms: [
        { symbol: what, value: named.run[read], kind: 'electricPower' },
        { symbol: 'V nominal', value: pack.nominalV, kind: 'voltage' },
      ],
      source: `second by second over the ${named.use}`,
    }),
  });
}

export const meanCurrent = current('meanCurrent', mainRun, 'meanPowerW', 'mean power');
export const rmsCurrent = current('rmsCurrent', hardestRun, 'rmsPowerW', 'rms power');
export const peak30sCurrent = current('peak30sCurrent', hardestRun, 'peak30sPowerW', 'highest mean power over 30 s');

/** What the pack gives while the drive takes all it may. */
export const fullCurrent = figure({
  id: 'fullCurrent',
  kind: 'current',
  needs: { packFacts, drivePower },
  compute: ({ packFacts: pack, drivePower: power }) => {
    const { volts, amps } = loadedVoltage(pack.nominalV, pack.resistanceOhm, power);
    return {
      value: Math.min(amps, pack.peakA),
      formula: 'I with (V nominal − I·R)·I = P, held to the modules’ ten-second current',
      terms: [
        { symbol: 'P', value: power, kind: 'electricPower' },
        { symbol: 'V nominal', value: pack.nominalV, kind: 'voltage' },
        { symbol: 'V under load', value: volts, kind: 'voltage' },
        { symbol: 'R', value: pack.resistanceOhm, kind: 'resistance' },
      ],
      source: 'Ohm; drive and module sheets',
    };
  },
});

/** Share of the energy taken that came back. */
export const recoveredShare = figure({
  id: 'recoveredShare',
  kind: 'share',
  needs: { mainRun },
  compute: ({ mainRun: { run, use } }) => ({
    value: run.recoveredWh / (run.batteryWh + run.recoveredWh),
    formula: 'energy put back ÷ energy taken',
    terms: [
      { symbol: 'put back', value: run.recoveredWh, kind: 'energy' },
      { symbol: 'taken', value: run.batteryWh + run.recoveredWh, kind: 'energy' },
    ],
    source: `second by second over the ${use}`,
  }),
});
