/** A stage as far as the traps of its order go. */
export interface TrapStage {
  readonly key: string;
  readonly name: string;
  readonly after: readonly string[];
  readonly traits: readonly string[];
}

export const TRAPS = [
  'loomsFirst',
  'frontBeforeRear',
  'connectorsAfterPulling',
  'airConBeforeCharger',
  'lidsAfterProving',
  'alignAtFullWeight',
  'powerAfterConnectors',
] as const;
export type Trap = (typeof TRAPS)[number];

const ORDER = 'order-';
/** As what a decision against a trap is kept. */
export const orderRule = (trap: Trap): string => `${ORDER}${trap}`;
/** The trap a decision was against; null where it was against something else. */
export const trapOfRule = (rule: string): Trap | null => TRAPS.find((trap) => rule === orderRule(trap)) ?? null;

interface Rule {
  readonly trap: Trap;
  /** What must be over first, and what comes after it. */
  readonly first: (stage: TrapStage) => boolean;
  readonly later: (stage: TrapStage) => boolean;
}

const keyed =
  (...keys: readonly string[]) =>
  ({ key }: TrapStage) =>
    keys.includes(key);
const moving =
  (...traits: readonly string[]) =>
  (stage: TrapStage) =>
    traits.some((trait) => stage.traits.includes(trait));

/** Common practice (trade §7.1), by the keys of the usual stages and by what a stage moves, whatever it is called. */
const RULES: readonly Rule[] = [
  { trap: 'loomsFirst', first: keyed('run-looms'), later: moving('frontBoxesIn', 'rearBoxesIn', 'boxesIn') },
  {
    trap: 'frontBeforeRear',
    first: (stage) => moving('frontBoxesIn')(stage) && !moving('rearBoxesIn')(stage),
    later: (stage) => moving('rearBoxesIn')(stage) && !moving('frontBoxesIn')(stage),
  },
  { trap: 'connectorsAfterPulling', first: keyed('run-looms'), later: keyed('connectors') },
  { trap: 'airConBeforeCharger', first: keyed('air-con', 'aircon', 'air-conditioning'), later: keyed('charger') },
  { trap: 'lidsAfterProving', first: keyed('prove'), later: keyed('panels', 'lids') },
  { trap: 'alignAtFullWeight', first: keyed('panels', 'lids'), later: moving('onAlignment') },
  { trap: 'powerAfterConnectors', first: keyed('connectors'), later: keyed('first-power') },
];

export interface TrapFound {
  readonly trap: Trap;
  readonly first: TrapStage;
  readonly later: TrapStage;
}

/**
 * Where the order of a job's stages walks into a trap of the trade: two stages of which one must be over before the other,
 * and nothing in the network says so. Stages in a circle are looked at like all others.
 */
export function stageTraps(stages: readonly TrapStage[]): TrapFound[] {
  const byKey = new Map(stages.map((stage) => [stage.key, stage]));
  const before = new Map<string, ReadonlySet<string>>();
  const allBefore = (key: string, met: ReadonlySet<string>): ReadonlySet<string> => {
    const known = before.get(key);
    if (known) return known;
    const own = new Set<string>();
    for (const one of byKey.get(key)?.after ?? []) {
      own.add(one);
      if (!met.has(one)) for (const far of allBefore(one, new Set([...met, one]))) own.add(far);
    }
    before.set(key, own);
    return own;
  };
  return RULES.flatMap(({ trap, first, later: isLater }) =>
    stages
      .filter(isLater)
      .flatMap((later) =>
        stages
          .filter((one) => one !== later && first(one) && !allBefore(later.key, new Set([later.key])).has(one.key))
          .map((one): TrapFound => ({ trap, first: one, later })),
      ),
  );
}

/** As what a decision is kept against: the stages a trap is about. */
export const trapSubject = ({ first, later }: TrapFound): string => `${first.key} ${later.key}`;

/**
 * The orders that hold though no network says so: every trap that nobody has overruled is kept out of, as the lift, the
 * looms and the charger want it. One that would make stages wait for each other in a circle is left as it stands: it can
 * only be told.
 *
 * @param overruled traps that somebody goes against with a reason, as `order-trap subject`
 */
export function heldOrders(stages: readonly TrapStage[], overruled: ReadonlySet<string>): TrapFound[] {
  const before = new Map(stages.map(({ key, after }) => [key, new Set(after)]));
  const waitsFor = (key: string, other: string, met = new Set<string>()): boolean => {
    if (met.has(key)) return false;
    met.add(key);
    return [...(before.get(key) ?? [])].some((one) => one === other || waitsFor(one, other, met));
  };
  return stageTraps(stages).filter((found) => {
    const { trap, first, later } = found;
    if (overruled.has(`${orderRule(trap)} ${trapSubject(found)}`) || waitsFor(first.key, later.key)) return false;
    before.get(later.key)?.add(first.key);
    return true;
  });
}
