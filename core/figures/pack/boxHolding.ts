import { type Held, holdBox } from '../../pack/holding.ts';
import { figure, interim, interimAnswer, missing } from '../figure.ts';

export interface BoxHeld extends Held {
  readonly box: string;
}

/** What holds each box whose fixing is stated, the weakest of all first. */
export const boxesHeld = interim({
  id: 'boxesHeld',
  reads: ['pack'],
  compute: (_, { pack }) => {
    const all = pack.boxes.flatMap(({ bay, massKg, hold }): BoxHeld[] =>
      hold ? holdBox(massKg, hold, pack.holdingG).map((held) => ({ ...held, box: bay.name })) : [],
    );
    if (all.length === 0) return missing('noHolding');
    return interimAnswer(
      all.sort((a, b) => a.margin - b.margin) as readonly BoxHeld[],
      'mass × acceleration against proof loads',
    );
  },
});

/** Spare strength of what holds the boxes: the weakest bolt set, strap or bracket in its hardest direction. */
export const boxHolding = figure({
  id: 'boxHolding',
  name: 'Spare strength of what holds the boxes',
  group: 'weight',
  kind: 'share',
  needs: { boxesHeld },
  compute: ({ boxesHeld: [worst] }) => {
    const { box, by, direction, forceN, holdsN, margin } = worst!;
    return {
      value: margin - 1,
      formula: `${by} of ${box} ÷ (mass × g ${direction}) − 1`,
      terms: [
        { symbol: `${by} hold`, value: holdsN, kind: 'force' },
        { symbol: `force ${direction}`, value: forceN, kind: 'force' },
      ],
      source: 'ISO 898-1 proof loads, from memory, halved; accelerations common practice: local rules first',
    };
  },
});
