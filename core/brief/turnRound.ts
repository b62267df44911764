import { unladenLoads } from '../figures/balance/unladenLoads.ts';
import { createSheet, type FigureSheet } from '../figures/evaluate.ts';
import type { Slots } from '../figures/slots.ts';
import type { QuantityKind } from '../quantity/kinds.ts';
import { rootBetween } from './bracket.ts';
import { judgeLine } from './judgeLine.ts';
import { BRIEF_KINDS, type BriefLine } from './lines.ts';

/** One input that a question can be turned round on. */
export interface TurnedInput {
  readonly id: 'modules' | 'mass' | 'reduction' | 'finalDrive' | 'dragArea' | 'rolling';
  readonly name: string;
  readonly kind: QuantityKind;
  /** It goes in whole numbers. */
  readonly whole: boolean;
}

export interface TurnedAnswer {
  readonly input: TurnedInput;
  readonly now: number;
  /** The amount that just meets the line, nearest to what there is now; null: no amount between `least` and `most` does. */
  readonly wanted: number | null;
  readonly least: number;
  readonly most: number;
}

interface Turnable extends TurnedInput {
  readonly now: number;
  readonly least: number;
  readonly most: number;
  readonly with: (slots: Slots, amount: number) => Slots;
}

const scaled = (slots: Slots, id: 'dragCoefficient' | 'rollingCoefficient', factor: number): Slots => {
  const { vehicle } = slots;
  const sourced = vehicle.figures[id];
  return {
    ...slots,
    vehicle: { ...vehicle, figures: { ...vehicle.figures, [id]: { ...sourced, value: sourced.value * factor } } },
  };
};

/** More or fewer modules, string by string, in the box that has most: with their mass, whether or not the bay takes them. */
function modulesOf(slots: Slots): Turnable | null {
  const { boxes } = slots.pack;
  const now = boxes.reduce((sum, box) => sum + box.modules, 0);
  const biggest = boxes.reduce((most, box, i) => (box.modules > (boxes[most]?.modules ?? 0) ? i : most), 0);
  const box = boxes[biggest];
  if (!box?.module || !box.outer) return null;
  const { module, parallel } = box;
  return {
    id: 'modules',
    name: 'Modules',
    kind: 'count',
    whole: true,
    now,
    least: now - box.modules + parallel,
    most: 4 * now,
    with: (given, amount) => {
      const more = Math.round((amount - now) / parallel) * parallel;
      return {
        ...given,
        pack: {
          ...given.pack,
          boxes: given.pack.boxes.map((one, i) =>
            i === biggest ? { ...one, modules: one.modules + more, massKg: one.massKg + more * module.massKg } : one,
          ),
        },
      };
    },
  };
}

/** Mass added (or taken out) where the mass centre is, so that only the mass changes. */
function massOf(sheet: FigureSheet): Turnable | null {
  const loads = sheet.get(unladenLoads).value;
  if (!loads) return null;
  const { totalKg, centreXMm, centreYMm } = loads;
  return {
    id: 'mass',
    name: 'Mass, unladen',
    kind: 'mass',
    whole: false,
    now: totalKg,
    least: totalKg * 0.4,
    most: totalKg * 2,
    with: (slots, amount) => ({
      ...slots,
      added: [...slots.added, { name: 'change of mass', massKg: amount - totalKg, xMm: centreXMm, yMm: centreYMm }],
    }),
  };
}

function ratioOf({ drive, vehicle }: Slots): Turnable | null {
  const unit = drive.unit?.sheet;
  if (!unit) return null;
  if (unit.output === 'halfShafts') {
    const now = drive.reduction !== null && drive.reduction > 0 ? drive.reduction : unit.ownRatio;
    return {
      id: 'reduction',
      name: 'Reduction of the drive',
      kind: 'ratio',
      whole: false,
      now,
      least: now / 5,
      most: now * 5,
      with: (slots, reduction) => ({ ...slots, drive: { ...slots.drive, reduction } }),
    };
  }
  const { gearbox } = vehicle.variant;
  const now = gearbox.finalDrive || 1;
  return {
    id: 'finalDrive',
    name: 'Final drive',
    kind: 'ratio',
    whole: false,
    now,
    least: now / 4,
    most: now * 4,
    with: (slots, finalDrive) => ({
      ...slots,
      vehicle: {
        ...slots.vehicle,
        variant: { ...slots.vehicle.variant, gearbox: { ...slots.vehicle.variant.gearbox, finalDrive } },
      },
    }),
  };
}

function turnables(sheet: FigureSheet): Turnable[] {
  const { slots } = sheet;
  const { frontalArea, dragCoefficient, rollingCoefficient } = slots.vehicle.figures;
  const area = frontalArea.value * dragCoefficient.value;
  const rolling = rollingCoefficient.value;
  const road: Turnable[] = [
    {
      id: 'dragArea',
      name: 'Drag area CdA',
      kind: 'area',
      whole: false,
      now: area,
      least: area / 4,
      most: area * 3,
      with: (given, amount) => scaled(given, 'dragCoefficient', amount / area),
    },
    {
      id: 'rolling',
      name: 'Rolling coefficient',
      kind: 'coefficient',
      whole: false,
      now: rolling,
      least: rolling / 4,
      most: rolling * 3,
      with: (given, amount) => scaled(given, 'rollingCoefficient', amount / rolling),
    },
  ];
  return [modulesOf(slots), massOf(sheet), ratioOf(slots), ...road].filter((one) => one !== null);
}

/** Whether any of these inputs could move a line: not what is drilled, paid or promised. */
export const canTurn = ({ kind }: BriefLine): boolean => {
  const { figure } = BRIEF_KINDS[kind];
  return figure !== null && figure !== 'newHoles' && figure !== 'salePrice' && figure !== 'readyDate';
};

/** Points looked at on either side of the present amount before a change of sign is followed up. */
const LOOKS = 5;

/**
 * The question turned round: for each input of the design, the amount of it alone that would just meet a line of the brief,
 * everything else as it is, by the same figures. Nearest to the present amount where several would. Free lines, and lines
 * without a target, have no answers. Whole inputs are answered on the side that meets the line.
 */
export function turnRound(line: BriefLine, sheet: FigureSheet): TurnedAnswer[] {
  if (!canTurn(line)) return [];
  const now = judgeLine(line, sheet);
  if (now.margin === null && now.state !== 'broken') return [];
  const scale = Math.max(Math.abs(now.target ?? 1), 1e-9);
  return turnables(sheet).map((input) => {
    const one = createSheet(sheet.slots, { compare: 'identity' });
    const margin = (amount: number): number => {
      one.update(input.with(sheet.slots, amount));
      const judged = judgeLine(line, one);
      // What cannot be worked out (cannot hold, no such pack) does not meet the line.
      return judged.margin === null ? -scale : judged.margin;
    };
    const found = nearestRoot(margin, input, now.margin ?? -scale);
    const { id, name, kind, whole, least, most } = input;
    return { input: { id, name, kind, whole }, now: input.now, wanted: found, least, most };
  });
}

function nearestRoot(margin: (amount: number) => number, input: Turnable, here: number): number | null {
  const { now, least, most, whole } = input;
  const sides = [most, least].map((end) => {
    let from = now;
    let before = here;
    for (let i = 1; i <= LOOKS; i++) {
      // Closer together near the present amount: small changes are likelier to be made.
      const to = now + (end - now) * (i / LOOKS) ** 2;
      const after = margin(to);
      if (Math.sign(after) !== Math.sign(before) || after === 0) {
        const root = rootBetween(margin, from, to, whole ? 0.25 : Math.abs(now) * 2e-4);
        return whole ? wholeRoot(margin, root) : root;
      }
      from = to;
      before = after;
    }
    return null;
  });
  return sides.reduce<number | null>((near, root) => {
    if (root === null) return near;
    return near === null || Math.abs(root - now) < Math.abs(near - now) ? root : near;
  }, null);
}

/** The whole amount next to a root that still (or first) meets the line. */
function wholeRoot(margin: (amount: number) => number, root: number): number {
  const around = [Math.floor(root) - 1, Math.floor(root), Math.ceil(root), Math.ceil(root) + 1];
  const meets = around.filter((amount) => margin(amount) >= 0);
  if (meets.length === 0) return Math.ceil(root);
  // From below the first that meets, from above the last that still does: both lie nearest to the root.
  return meets.reduce((near, amount) => (Math.abs(amount - root) < Math.abs(near - root) ? amount : near));
}
