import { turnRound } from '../../core/brief/turnRound.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_IDS, FIGURES } from '../../core/figures/index.ts';
import { figureSpread } from '../../core/spread/figureSpread.ts';
import { type Row, timed } from './row.ts';
import { sampleInput } from './size.ts';

const slots = resolveDesign(sampleInput);

/** All figures again after one number of the design has changed. */
export function afterOneInput(): Row {
  const sheet = createSheet(slots);
  const all = () => {
    for (const id of FIGURE_IDS) sheet.get(FIGURES[id]);
  };
  all();
  const ms = timed(200, (i) => {
    sheet.update(
      resolveDesign({ ...sampleInput, design: { ...sampleInput.design, usableShare: 0.8 + (i % 10) / 100 } }),
    );
    all();
  });
  return {
    what: 'All figures again after one number changed',
    figure: `${ms.toFixed(2)} ms median`,
    aim: '≤ 3 ms',
    held: ms <= 3,
  };
}

/** Ten thousand samples of a range, shares of every unmeasured input included. */
export function spreadOfRange(): Row {
  const seconds =
    timed(4, () => {
      const steps = figureSpread(slots, 'rangeRound');
      while (!steps.next().done);
    }) / 1000;
  return {
    what: 'Spread of a range: 10 000 samples with the share of every input',
    figure: `${seconds.toFixed(2)} s median`,
    aim: '≤ 3 s',
    held: seconds <= 3,
  };
}

/** One line of the brief turned round on every input. */
export function turned(): Row {
  const sheet = createSheet(slots);
  const now = sheet.get(FIGURES.rangeRound).value!;
  const line = {
    id: 'l',
    kind: 'rangeRound',
    amount: now * 1.2,
    firm: true,
    school: null,
    tolerance: null,
    text: '',
    done: false,
  } as const;
  const ms = timed(20, () => turnRound(line, sheet));
  return {
    what: 'A question turned round on five inputs',
    figure: `${ms.toFixed(1)} ms median`,
    aim: '≤ 60 ms',
    held: ms <= 60,
  };
}
