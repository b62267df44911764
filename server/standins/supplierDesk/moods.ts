import { seeded } from '../../../core/spread/seeded.ts';

/** How a simulated supplier is about one order. */
export interface Mood {
  /** So many requests about it find nobody there. */
  readonly away: number;
  /** The first line comes so many days later than was said; 0 keeps the word. */
  readonly delayDays: number;
  /** So many pieces of the first line are missing from the first delivery. */
  readonly short: number;
  /** Every message is said twice. */
  readonly repeats: boolean;
  /** The first delivery comes a second time, with a note of its own. */
  readonly sendsTwice: boolean;
  /** The first line is invoiced at so many more minor units than it was confirmed at. */
  readonly dearerCents: number;
  /** The first line is confirmed, and invoiced, at so many more minor units than it was ordered at. */
  readonly asksCents: number;
}

export const FRIENDLY: Mood = {
  ...{ away: 0, delayDays: 0, short: 0, repeats: false, sendsTwice: false },
  ...{ dearerCents: 0, asksCents: 0 },
};

const hash = (text: string): number => [...text].reduce((sum, letter) => (sum * 31 + letter.codePointAt(0)!) >>> 0, 7);

/** A mood for each order, by the seed: the same order of the same seed is always met the same way. */
export const moodsOf =
  (seed: number) =>
  (number: string): Mood => {
    const random = seeded(hash(`${seed} ${number}`));
    const chance = (share: number) => random() < share;
    return {
      away: chance(0.4) ? 1 + Math.floor(random() * 3) : 0,
      delayDays: chance(0.35) ? 3 + Math.floor(random() * 8) : 0,
      short: chance(0.35) ? 1 : 0,
      repeats: chance(0.3),
      sendsTwice: chance(0.15),
      dearerCents: chance(0.2) ? 100 + Math.floor(random() * 900) : 0,
      asksCents: chance(0.15) ? 100 + Math.floor(random() * 900) : 0,
    };
  };
