import { chainPeak } from '../drive/chain.ts';
import { heldWords } from '../drive/held.ts';
import { type Entry, type FigureAbout, figure } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { hardestRun, mainRun, type NamedRun } from './useRuns.ts';

function current(
  about: FigureAbout,
  run: Entry<NamedRun>,
  read: 'meanPowerW' | 'rmsPowerW' | 'peak30sPowerW',
  what: string,
) {
  return figure({
    ...about,
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

export const meanCurrent = current(
  { id: 'meanCurrent', name: 'Mean current on the main use', group: 'range' },
  mainRun,
  'meanPowerW',
  'mean power',
);
export const rmsCurrent = current(
  { id: 'rmsCurrent', name: 'rms current, hardest use', group: 'range' },
  hardestRun,
  'rmsPowerW',
  'rms power',
);
export const peak30sCurrent = current(
  { id: 'peak30sCurrent', name: '30 s peak current, hardest use', group: 'range' },
  hardestRun,
  'peak30sPowerW',
  'highest mean power over 30 s',
);

/** What the pack gives while the drive takes all it may. */
export const fullCurrent = figure({
  id: 'fullCurrent',
  name: 'Current at full throttle',
  group: 'range',
  kind: 'current',
  needs: { packFacts, chainPeak },
  compute: ({ packFacts: pack, chainPeak: { full, limitA, ask } }) => ({
    value: full.amps + ask.besideA,
    formula: 'I of the drive at its full power P, every link from cell to shaft asked + I beside it',
    terms: [
      { symbol: 'P', value: full.batteryW, kind: 'electricPower' },
      { symbol: 'I of the drive', value: full.amps, kind: 'current' },
      { symbol: 'I beside it, accessories and heating', value: ask.besideA, kind: 'current' },
      { symbol: 'V nominal', value: pack.nominalV, kind: 'voltage' },
      { symbol: 'V under load', value: full.volts, kind: 'voltage' },
      { symbol: 'R', value: pack.resistanceOhm, kind: 'resistance' },
      { symbol: 'battery side leaves to the drive', value: limitA, kind: 'current' },
    ],
    source: 'Ohm; sheets of the parts',
    held: heldWords(full.heldBy),
  }),
});

/** Share of the energy taken that came back. */
export const recoveredShare = figure({
  id: 'recoveredShare',
  name: 'Put back by regeneration',
  group: 'range',
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
