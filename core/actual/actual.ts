import { times } from '../money/exact.ts';
import type { OfferBody, QuotedStage } from '../offer/offer.ts';
import { linePrice, offerSums } from '../offer/sums.ts';
import { type Practice, rateOf } from '../practice/practice.ts';

/** A stage as it goes, hours as clocked. */
export interface StageGoing {
  readonly key: string;
  readonly name: string;
  readonly skill: string;
  readonly state: 'waiting' | 'inHand' | 'stopped' | 'done';
  /** Planned on the job. */
  readonly hours: number;
  readonly work: number;
  readonly rework: number;
  readonly waiting: number;
  readonly learning: number;
}

/** A line of the parts list with what its pieces cost: as ordered, else as the catalogue has them today. */
export interface PartGoing {
  readonly componentId: string;
  readonly name: string;
  readonly quantity: number;
  readonly unitCents: number;
  /** Ordered or here: the price does not move any more. */
  readonly bought: boolean;
}

export interface ActualGround {
  /** The accepted offer and the accepted changes after it. */
  readonly sold: readonly OfferBody[];
  readonly stages: readonly StageGoing[];
  readonly parts: readonly PartGoing[];
  /** What other firms and odd things have cost so far. */
  readonly spent: readonly { readonly text: string; readonly cents: number }[];
  readonly rework: readonly { readonly cause: string; readonly skill: string; readonly hours: number }[];
  /** What an hour costs the workshop; null: nobody has set it, and hours count at what they are sold for. */
  readonly hourCostCents: number | null;
  readonly rateCents: number;
  readonly practice: Pick<Practice, 'ratesBySkill'>;
}

export interface StageActual {
  readonly key: string;
  readonly name: string;
  /** Null: not in what was sold. */
  readonly quotedHours: number | null;
  readonly tookHours: number;
  readonly reworkHours: number;
  readonly forecastHours: number;
  readonly done: boolean;
}

export interface PartActual {
  readonly componentId: string;
  readonly name: string;
  readonly quotedQuantity: number;
  readonly quotedCents: number;
  readonly quantity: number;
  /** Bought so far. */
  readonly spentCents: number;
  readonly forecastCents: number;
}

interface Money {
  readonly quotedCents: number;
  readonly spentCents: number;
  readonly forecastCents: number;
}

export interface Actual {
  readonly stages: readonly StageActual[];
  readonly parts: readonly PartActual[];
  readonly hours: { readonly quoted: number; readonly took: number; readonly forecast: number };
  /** Hours as they cost. */
  readonly work: Money;
  readonly partsCost: Money;
  readonly outside: Money;
  readonly cost: Money;
  /** Sold for, before tax. */
  readonly soldCents: number;
  /** What is left of it: as quoted, and as it looks at completion. */
  readonly marginCents: { readonly quoted: number; readonly forecast: number };
  readonly rework: readonly { readonly cause: string; readonly hours: number; readonly cents: number }[];
}

const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0);

/** Hours done again and what they cost, each at the rate of its skill; the cause that took most first. */
function reworkOf({ rework, hourCostCents, rateCents, practice }: ActualGround): Actual['rework'] {
  return [...new Set(rework.map(({ cause }) => cause))]
    .map((cause) => {
      const own = rework.filter((one) => one.cause === cause);
      const worth = own.map(({ skill, hours }) => times(hourCostCents ?? rateOf(skill, rateCents, practice), hours));
      return { cause, hours: sum(own.map(({ hours }) => hours)), cents: sum(worth) };
    })
    .sort((a, b) => b.hours - a.hours);
}

/** What is reckoned for a stage when it is over: what it took once done; until then what is left is never below nothing. */
const forecastHours = (quoted: number | null, stage: StageGoing): number => {
  const took = stage.work + stage.rework + stage.waiting + stage.learning;
  if (stage.state === 'done') return took;
  return Math.max(took, (quoted ?? stage.hours) + stage.rework);
};

function stagesOf({ sold, stages }: ActualGround): StageActual[] {
  const quoted = new Map<string, QuotedStage>();
  for (const one of sold.flatMap((body) => body.stages)) {
    const before = quoted.get(one.key);
    quoted.set(one.key, before ? { ...before, hours: before.hours + one.hours } : one);
  }
  const here = stages.map((stage): StageActual => {
    const hours = quoted.get(stage.key)?.hours ?? null;
    return {
      ...{ key: stage.key, name: stage.name, quotedHours: hours, reworkHours: stage.rework },
      tookHours: stage.work + stage.rework + stage.waiting + stage.learning,
      forecastHours: forecastHours(hours, stage),
      done: stage.state === 'done',
    };
  });
  const known = new Set(stages.map(({ key }) => key));
  // Sold, and not among the stages of the job: still to come, unless everything is done, with it inside the others.
  const over = stages.length > 0 && stages.every(({ state }) => state === 'done');
  const missing = [...quoted.values()].filter(({ key }) => !known.has(key));
  return [
    ...here,
    ...missing.map(({ key, name, hours }) => ({
      ...{ key, name, quotedHours: hours, tookHours: 0, reworkHours: 0, forecastHours: over ? 0 : hours, done: over },
    })),
  ];
}

function partsOf({ sold, parts }: ActualGround): PartActual[] {
  const rows = new Map<string, PartActual>();
  const row = (componentId: string, name: string): PartActual =>
    rows.get(componentId) ?? {
      ...{ componentId, name, quotedQuantity: 0, quotedCents: 0, quantity: 0, spentCents: 0, forecastCents: 0 },
    };
  for (const line of sold.flatMap((body) => body.lines)) {
    if (line.componentId === null) continue;
    const before = row(line.componentId, line.text);
    rows.set(line.componentId, {
      ...before,
      quotedQuantity: before.quotedQuantity + line.quantity,
      quotedCents: before.quotedCents + linePrice(line).costCents,
    });
  }
  for (const part of parts) {
    const before = row(part.componentId, part.name);
    const cents = times(part.unitCents, part.quantity);
    rows.set(part.componentId, {
      ...before,
      quantity: before.quantity + part.quantity,
      spentCents: before.spentCents + (part.bought ? cents : 0),
      forecastCents: before.forecastCents + cents,
    });
  }
  // Sold and not on the list yet: it will cost what it was reckoned at.
  return [...rows.values()].map((one) =>
    one.quantity === 0 && one.quotedQuantity > 0 ? { ...one, forecastCents: one.quotedCents } : one,
  );
}

/**
 * What a job takes against what was sold, as it goes: hours by stage, parts by what was paid, outside work, and what it
 * will come to when the rest goes as it was reckoned. Rework never makes the rest shorter.
 */
export function actualOf(ground: ActualGround): Actual {
  const { sold, spent, hourCostCents, rateCents, practice } = ground;
  const stages = stagesOf(ground);
  const parts = partsOf(ground);
  const skillOf = new Map([
    ...sold.flatMap((body) => body.stages.map(({ key, skill }) => [key, skill] as const)),
    ...ground.stages.map(({ key, skill }) => [key, skill] as const),
  ]);
  const hourCents = (key: string) => hourCostCents ?? rateOf(skillOf.get(key), rateCents, practice);
  const worth = (hours: (stage: StageActual) => number) =>
    sum(stages.map((stage) => times(hourCents(stage.key), hours(stage))));
  const work: Money = {
    quotedCents: worth(({ quotedHours }) => quotedHours ?? 0),
    spentCents: worth(({ tookHours }) => tookHours),
    forecastCents: worth((stage) => stage.forecastHours),
  };
  const partsCost: Money = {
    quotedCents: sum(parts.map(({ quotedCents }) => quotedCents)),
    spentCents: sum(parts.map(({ spentCents }) => spentCents)),
    forecastCents: sum(parts.map((part) => part.forecastCents)),
  };
  const outsideQuoted = sum(
    sold.flatMap((body) => body.lines.map((line) => (line.kind === 'outside' ? linePrice(line).costCents : 0))),
  );
  const outsideSpent = sum(spent.map(({ cents }) => cents));
  const outside: Money = {
    quotedCents: outsideQuoted,
    spentCents: outsideSpent,
    forecastCents: Math.max(outsideQuoted, outsideSpent),
  };
  const all = (of: keyof Money) => work[of] + partsCost[of] + outside[of];
  const cost: Money = {
    quotedCents: all('quotedCents'),
    spentCents: all('spentCents'),
    forecastCents: all('forecastCents'),
  };
  const soldCents = sum(sold.map((body) => offerSums(body).netCents));
  return {
    ...{ stages, parts, work, partsCost, outside, cost, soldCents },
    hours: {
      quoted: sum(stages.map(({ quotedHours }) => quotedHours ?? 0)),
      took: sum(stages.map(({ tookHours }) => tookHours)),
      forecast: sum(stages.map((stage) => stage.forecastHours)),
    },
    marginCents: { quoted: soldCents - cost.quotedCents, forecast: soldCents - cost.forecastCents },
    rework: reworkOf(ground),
  };
}
