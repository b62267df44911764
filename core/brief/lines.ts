import type { FigureId } from '../figures/index.ts';
import type { VehicleFunction } from '../fit/functions.ts';
import type { QuantityKind } from '../quantity/kinds.ts';

/** What is said of a kind of brief line, in one place for form, schema, tally and search. */
interface BriefKindAbout {
  readonly name: string;
  /** The figure it is held against; null for words that a person ticks. */
  readonly figure: FigureId | null;
  /**
   * `atLeast`/`atMost` compare the amount; `share` holds the front axle share to a school within a tolerance; `plate`
   * compares with the vehicle's own plate.
   */
  readonly compare: 'atLeast' | 'atMost' | 'plate' | 'share' | 'cover' | 'drive' | 'ticked' | 'free';
  /** With `cover`: the function that must be covered. */
  readonly cover?: VehicleFunction;
  /** What it says when nothing but a person can decide it: where to look. */
  readonly look?: string;
  readonly kind: QuantityKind;
  /** Whether it carries an amount; `optional`: the vehicle's plate stands in. */
  readonly amount: 'needed' | 'optional' | 'none';
  /** Least and most an amount can sensibly be, base unit. */
  readonly span?: readonly [number, number];
  /** What a new line starts with: a round figure that a person then changes. */
  readonly start?: number;
  /** What is left of it with 80 % of the battery, in frost: a range is never one proud number. */
  readonly worst?: FigureId;
  /** No choice of the search changes it: the kit decides about holes, the shop about the day. @default false */
  readonly beyondSearch?: true;
}

/** A wish that no figure decides: a person ticks it, and says where it was seen. */
const ticked = (name: string, look: string) =>
  ({ name, look, figure: null, compare: 'ticked', kind: 'count', amount: 'none', beyondSearch: true }) as const;

/** A wish that is met when a function of the vehicle is covered, by the kit or by a choice of the job. */
const covered = (name: string, cover: VehicleFunction) =>
  ({ name, cover, figure: null, compare: 'cover', kind: 'count', amount: 'none', beyondSearch: true }) as const;

/** The kinds of brief line. */
export const BRIEF_KINDS = {
  rangeRound: {
    name: 'Range on the round',
    figure: 'rangeRound',
    compare: 'atLeast',
    kind: 'distance',
    amount: 'needed',
    span: [1, 2000],
    start: 100,
    worst: 'rangeRoundAgedFrost',
  },
  rangeCycle: {
    name: 'Range on the R83 cycle',
    figure: 'rangeCycle',
    compare: 'atLeast',
    kind: 'distance',
    amount: 'needed',
    span: [1, 2000],
    start: 100,
    worst: 'rangeCycleAgedFrost',
  },
  rangeRoute: {
    name: 'Range on the recorded route',
    figure: 'rangeRoute',
    compare: 'atLeast',
    kind: 'distance',
    amount: 'needed',
    span: [1, 2000],
    start: 100,
    worst: 'rangeRouteAgedFrost',
  },
  rangeConstant: {
    name: 'Range at steady speed',
    figure: 'rangeConstant',
    compare: 'atLeast',
    kind: 'distance',
    amount: 'needed',
    span: [1, 2000],
    start: 100,
    worst: 'rangeConstantAgedFrost',
  },
  time0to20: {
    name: '0 to 20 km/h',
    figure: 'time0to20',
    compare: 'atMost',
    kind: 'duration',
    amount: 'needed',
    span: [0.5, 120],
    start: 5,
  },
  time0to50: {
    name: '0 to 50 km/h',
    figure: 'time0to50',
    compare: 'atMost',
    kind: 'duration',
    amount: 'needed',
    span: [1, 120],
    start: 12,
  },
  time0to60mph: {
    name: '0 to 60 mph',
    figure: 'time0to60mph',
    compare: 'atMost',
    kind: 'duration',
    amount: 'needed',
    span: [2, 120],
    start: 15,
  },
  time0to100: {
    name: '0 to 100 km/h',
    figure: 'time0to100',
    compare: 'atMost',
    kind: 'duration',
    amount: 'needed',
    span: [2, 120],
    start: 18,
  },
  topSpeed: {
    name: 'Top speed',
    figure: 'topSpeed',
    compare: 'atLeast',
    kind: 'speed',
    amount: 'needed',
    span: [5, 250],
    start: 90,
  },
  hillStart: {
    name: 'Hill start, laden',
    figure: 'hillStart',
    compare: 'atLeast',
    kind: 'grade',
    amount: 'needed',
    span: [0.01, 1],
    start: 0.16,
  },
  gradeHeld50: {
    name: 'Hill held at 50 km/h',
    figure: 'gradeHeld50',
    compare: 'atLeast',
    kind: 'grade',
    amount: 'needed',
    span: [0.005, 0.5],
    start: 0.08,
  },
  grossMass: {
    name: 'Gross mass within plate',
    figure: 'grossMassNow',
    compare: 'plate',
    kind: 'mass',
    amount: 'optional',
    span: [200, 40_000],
  },
  axleShare: { name: 'Front axle share', figure: 'frontShare', compare: 'share', kind: 'share', amount: 'none' },
  overnightCharge: {
    name: 'Full charge overnight',
    figure: 'chargeTime',
    compare: 'atMost',
    kind: 'hours',
    amount: 'needed',
    span: [0.2, 72],
    start: 10,
  },
  rapidCharge: {
    name: 'Rapid charge, 10 to 80 %',
    figure: 'dcTime10to80',
    compare: 'atMost',
    kind: 'hours',
    amount: 'needed',
    span: [0.1, 12],
    start: 0.75,
  },
  reversible: {
    name: 'Reversible: no new holes',
    figure: 'newHoles',
    compare: 'atMost',
    kind: 'count',
    amount: 'none',
    beyondSearch: true,
  },
  priceCeiling: {
    name: 'Price ceiling',
    figure: 'salePrice',
    compare: 'atMost',
    kind: 'money',
    amount: 'needed',
    span: [10_000, 100_000_000],
    start: 2_500_000,
  },
  readyBy: {
    name: 'Ready by',
    figure: 'readyDate',
    compare: 'atMost',
    kind: 'date',
    amount: 'needed',
    span: [20_000, 60_000],
    beyondSearch: true,
  },
  luggage: {
    name: 'Luggage room',
    figure: 'luggage',
    compare: 'atLeast',
    kind: 'volume',
    amount: 'optional',
    span: [1, 100_000],
  },
  keepsGearbox: {
    name: 'Keeps gearbox and clutch',
    figure: null,
    compare: 'drive',
    kind: 'count',
    amount: 'none',
    beyondSearch: true,
  },
  keepsAllWheels: ticked('Keeps four-wheel drive', 'transfer case, both propeller shafts'),
  keepsLevers: ticked('Keeps its levers and switches', 'dash sheet'),
  keepsDials: ticked('Keeps its dials', 'dash sheet'),
  keepsSeats: ticked('Keeps its seats', 'register of changes'),
  keepsHatch: ticked('Keeps hatch and flaps', 'boxes against the hatch, seen on the vehicle'),
  keepsSpareWheel: ticked('Keeps the spare wheel', 'register of changes'),
  direction: covered('Direction by its own control', 'direction'),
  heat: covered('Cabin heat', 'heatCabin'),
  demist: covered('Demisting', 'demist'),
  airConditioning: ticked('Air conditioning', 'option of the kit, outside firm'),
  brakeServo: covered('Brake servo kept working', 'assistBrakes'),
  powerSteering: covered('Power steering kept working', 'assistSteering'),
  outlet: covered('Mains outlet', 'mainsOutlet'),
  regeneration: ticked('Regeneration as wished', 'settings of the controller'),
  modes: ticked('Drive modes', 'settings of the controller'),
  timer: ticked('Preheating and charge timer', 'charger and controller'),
  clientParts: ticked('Parts the client brings', 'cover of functions'),
  whoDoes: ticked('Who does which work', 'stages'),
  serviceLater: ticked('Can be serviced later', 'sheets of drive and pack'),
  free: { name: 'In words', figure: null, compare: 'free', kind: 'count', amount: 'none', beyondSearch: true },
} as const satisfies Record<string, BriefKindAbout>;

/** What is said of a kind, whichever it is. */
export const briefKind = (kind: BriefKind): BriefKindAbout => BRIEF_KINDS[kind];

export type BriefKind = keyof typeof BRIEF_KINDS;
export const BRIEF_KIND_IDS = Object.keys(BRIEF_KINDS) as BriefKind[];

/** Two schools of weight distribution (trade §5.7). */
export type ShareSchool = 'equal' | 'original';

/** One line of a brief. `amount` is in the base unit of its kind; `tolerance` is a fraction of one for shares. */
export interface BriefLine {
  readonly id: string;
  readonly kind: BriefKind;
  readonly firm: boolean;
  readonly amount: number | null;
  readonly school: ShareSchool | null;
  readonly tolerance: number | null;
  readonly text: string;
  /** Free lines are ticked by a person; measurable ones are computed. */
  readonly done: boolean;
  /** Where whoever ticked it has seen it. @default '' */
  readonly seen?: string;
}
