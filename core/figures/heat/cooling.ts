import type { ComponentOf } from '../../component/sheets.ts';
import { coolantFlow, packRise as rise } from '../../cooling/coolant.ts';
import { figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { packUsable } from '../pack/packUsable.ts';
import { hardestRun } from '../road/useRuns.ts';

/** Temperature rise of the coolant through motor and inverter, and through a battery, K; common practice. */
const DRIVE_RISE_K = 5;
const PACK_RISE_K = 3;

export const driveHeatMean = figure({
  id: 'driveHeatMean',
  name: 'Heat of the drive, mean',
  group: 'cooling',
  kind: 'watts',
  needs: { hardestRun },
  compute: ({ hardestRun: { run, use } }) => ({
    value: (run.driveLossWh * 3600) / run.durationS,
    formula: 'Q = Σ losses of motor, inverter and gears ÷ time',
    terms: [
      { symbol: 'losses', value: run.driveLossWh, kind: 'energy' },
      { symbol: 'time', value: run.durationS, kind: 'duration' },
    ],
    source: `second by second over the ${use}`,
  }),
});

export const driveHeatWorst = figure({
  id: 'driveHeatWorst',
  name: 'Heat of the drive, worst 10 min',
  group: 'cooling',
  kind: 'watts',
  needs: { hardestRun },
  compute: ({ hardestRun: { run, use } }) => ({
    value: run.worstLossW,
    formula: 'highest mean of (1 − η)·P over ten minutes',
    terms: [{ symbol: 'rms battery power', value: run.rmsPowerW, kind: 'electricPower' }],
    source: `second by second over the ${use}`,
  }),
});

export const driveFlow = figure({
  id: 'driveFlow',
  name: 'Coolant flow, drive loop',
  group: 'cooling',
  kind: 'flow',
  needs: { driveHeatWorst },
  compute: ({ driveHeatWorst: heat }) => ({
    value: coolantFlow(heat, DRIVE_RISE_K),
    formula: 'm·c_p·ΔT = Q; 50 % glycol, c_p 3.4 kJ/kgK, 1.07 kg/l',
    terms: [
      { symbol: 'Q', value: heat, kind: 'watts' },
      { symbol: 'ΔT', value: DRIVE_RISE_K, kind: 'warming' },
    ],
    source: 'heat balance; glycol figures common practice',
  }),
});

export const packHeat = figure({
  id: 'packHeat',
  name: 'Heat of the pack',
  group: 'cooling',
  kind: 'watts',
  needs: { hardestRun, packFacts },
  compute: ({ hardestRun: { run }, packFacts: pack }) => {
    const amps = run.rmsPowerW / pack.nominalV;
    return {
      value: amps * amps * pack.resistanceOhm,
      formula: 'Q = I²·R with I rms',
      terms: [
        { symbol: 'I rms', value: amps, kind: 'current' },
        { symbol: 'R', value: pack.resistanceOhm, kind: 'resistance' },
      ],
      source: 'Joule; module sheet',
    };
  },
});

/** How much the pack warms from full to empty if nothing is carried away: long bursts are out of reach of air. */
export const packRise = figure({
  id: 'packRise',
  name: 'Pack warms, full to empty',
  group: 'cooling',
  kind: 'warming',
  needs: { packHeat, packUsable, hardestRun },
  reads: ['pack'],
  compute: ({ packHeat: heat, packUsable: usable, hardestRun: { run } }, { pack }) => {
    const hours = usable / run.meanPowerW;
    const massKg = pack.boxes.reduce((sum, box) => sum + box.modules * (box.module?.massKg ?? 0), 0);
    if (!(run.meanPowerW > 0)) return missing('neverReached');
    return {
      value: rise(heat * hours, massKg),
      formula: 'ΔT = Q·t ÷ (m·c), from full to empty, nothing carried away; c 0.95 kJ/kgK',
      terms: [
        { symbol: 'Q', value: heat, kind: 'watts' },
        { symbol: 't', value: hours, kind: 'hours' },
        { symbol: 'm of the modules', value: massKg, kind: 'mass' },
      ],
      source: 'heat balance; specific heat common practice',
    };
  },
});

export const packFlow = figure({
  id: 'packFlow',
  name: 'Coolant flow, battery loop',
  group: 'cooling',
  kind: 'flow',
  needs: { packHeat },
  compute: ({ packHeat: heat }) => ({
    value: coolantFlow(heat, PACK_RISE_K),
    formula: 'm·c_p·ΔT = Q in a loop of its own; the battery likes 20–25 °C',
    terms: [
      { symbol: 'Q', value: heat, kind: 'watts' },
      { symbol: 'ΔT', value: PACK_RISE_K, kind: 'warming' },
    ],
    source: 'heat balance; glycol figures common practice',
  }),
});

/** The smallest pump that moves this much, l/min; null: none does. */
const pumpFor = (pumps: readonly ComponentOf<'coolantPump'>[], litresPerMin: number) =>
  [...pumps]
    .sort((a, b) => a.sheet.litresPerMin - b.sheet.litresPerMin)
    .find((part) => part.sheet.litresPerMin >= litresPerMin) ?? null;

/** Pump of the shelf for the battery's loop. */
export const packPumpChoice = interim({
  id: 'packPumpChoice',
  needs: { packFlow },
  reads: ['shelf'],
  compute: ({ packFlow: flow }, { shelf }) => interimAnswer(pumpFor(shelf.pumps, flow), 'component sheets'),
});

/** Radiator and pump of the shelf for the drive's loop. Null where none is big enough. */
export const driveLoopChoice = interim({
  id: 'driveLoopChoice',
  needs: { driveHeatWorst, driveFlow },
  reads: ['shelf'],
  compute: ({ driveHeatWorst: heat, driveFlow: flow }, { shelf }) =>
    interimAnswer(
      {
        radiator:
          [...shelf.radiators].sort((a, b) => a.sheet.heatW - b.sheet.heatW).find((part) => part.sheet.heatW >= heat) ??
          null,
        pump: pumpFor(shelf.pumps, flow),
      },
      'component sheets',
    ),
});
