import type { BriefLineBody } from '../contract/brief.ts';
import type { JobState } from '../contract/job.ts';
import { USUAL_USE } from '../contract/use.ts';
import type { VehicleUse } from '../core/figures/slots.ts';

type Line = Partial<BriefLineBody> & Pick<BriefLineBody, 'kind'>;
const line = (l: Line): BriefLineBody => ({
  firm: false,
  amount: null,
  school: null,
  tolerance: null,
  text: '',
  done: false,
  ...l,
});

export interface DemoJob {
  readonly title: string;
  readonly client: string;
  readonly contact: string;
  readonly variantId: string;
  readonly year: number;
  readonly chassis: string;
  readonly registration: string;
  readonly colour: string;
  readonly state: JobState;
  readonly placeId: string | null;
  /** Corner weights kg: front left, front right, rear left, rear right. */
  readonly corners: readonly [number, number, number, number] | null;
  readonly use: VehicleUse;
  readonly kitRevisionId: string | null;
  readonly options: readonly string[];
  /** A second design beside the kit's, with modules changed in one bay. */
  readonly variation: { readonly name: string; readonly bay: string; readonly modules: number } | null;
  readonly chosen: boolean;
  /** Stages done; the next one is in hand when `inHand`. */
  readonly stagesDone: number;
  readonly inHand: boolean;
  readonly onIt: readonly string[];
  /** A component on order, with days from today until it is due (negative: late). */
  readonly onOrder: readonly (readonly [componentId: string, dueDays: number])[];
  readonly checksSigned: number;
  readonly promisedDays: number | null;
  readonly brief: readonly BriefLineBody[];
  readonly snags: readonly string[];
}

const round = (lengthKm: number, stops: number, meanKmh: number, climbM: number) => ({
  lengthKm,
  stops,
  meanKmh,
  climbM,
});
const use = (change: Partial<VehicleUse>): VehicleUse => ({ ...USUAL_USE, ...change });

const common = (rangeKm: number, price: number, promisedDays: number): BriefLineBody[] => [
  line({ kind: 'rangeRound', firm: true, amount: rangeKm, text: 'the daily round, with a tenth to spare' }),
  line({ kind: 'grossMass', firm: true }),
  line({ kind: 'reversible', firm: true, text: 'nothing drilled, nothing cut' }),
  line({ kind: 'axleShare', school: 'original', tolerance: 0.03 }),
  line({ kind: 'overnightCharge', amount: 12 }),
  line({ kind: 'priceCeiling', amount: price * 100 }),
  line({ kind: 'readyBy', amount: promisedDays }),
];

const blank = {
  options: [],
  variation: null,
  chosen: true,
  stagesDone: 0,
  inHand: false,
  onIt: [],
  onOrder: [],
  checksSigned: 0,
  promisedDays: null,
  snags: [],
  corners: null,
} as const;

/** Nine jobs at every point of the work, newest first. Day counts are from today. */
export const JOBS: readonly DemoJob[] = [
  {
    ...blank,
    title: 'Luggage tug',
    client: 'Harbour Stewards',
    contact: 'harbour office',
    variantId: 'tug-open',
    year: 1977,
    chassis: 'T8-10442',
    registration: '',
    colour: 'yellow',
    state: 'enquiry',
    placeId: 'parked',
    use: use({ round: round(14, 24, 11, 20), constantKmh: 15, payloadKg: 100, auxiliaryW: 120 }),
    kitRevisionId: null,
    chosen: false,
    brief: [
      line({ kind: 'hillStart', firm: true, amount: 0.12, text: 'slipway, with two trailers' }),
      line({ kind: 'topSpeed', amount: 20 }),
      line({ kind: 'overnightCharge', amount: 8 }),
      line({ kind: 'free', text: 'keep the old lever for direction' }),
    ],
  },
  {
    ...blank,
    title: 'Ice-cream van',
    client: 'Gale & Daughter Ices',
    contact: 'the kiosk at the slip',
    variantId: 'wren-13',
    year: 1971,
    chassis: '40117',
    registration: 'OS-71-20',
    colour: 'cream and mint',
    state: 'sizing',
    placeId: 'parked',
    use: use({
      round: round(38, 22, 27, 260),
      payloadKg: 380,
      auxiliaryW: 650,
      supply: { volts: 230, amps: 16, phases: 1 },
    }),
    kitRevisionId: 'wren-kit-c',
    variation: { name: 'B, rear box kept small', bay: 'rear', modules: 2 },
    promisedDays: 46,
    brief: [
      line({ kind: 'rangeRound', firm: true, amount: 120, text: 'the ice round, freezer on' }),
      line({ kind: 'grossMass', firm: true }),
      line({ kind: 'axleShare', firm: true, school: 'original', tolerance: 0.015 }),
      line({ kind: 'hillStart', firm: true, amount: 0.16, text: 'church hill, laden' }),
      line({ kind: 'reversible', firm: true }),
      line({ kind: 'time0to50', amount: 12 }),
      line({ kind: 'overnightCharge', amount: 12 }),
      line({ kind: 'priceCeiling', amount: 2_400_000 }),
      line({ kind: 'readyBy', amount: 46 }),
      line({ kind: 'free', text: 'keep the serving hatch and the chime' }),
    ],
  },
  {
    ...blank,
    title: 'Tour car',
    client: 'Lighthouse Rounds',
    contact: 'ticket hut',
    variantId: 'lantern-bench',
    year: 1964,
    chassis: 'L 2207',
    registration: 'LR-3',
    colour: 'red',
    corners: [148, 143, 205, 213],
    state: 'waitingForClient',
    placeId: 'parked',
    use: use({ round: round(18, 9, 22, 190), constantKmh: 40, payloadKg: 260, auxiliaryW: 90 }),
    kitRevisionId: 'lantern-kit-a',
    promisedDays: 60,
    brief: [
      ...common(40, 14_500, 60).map((l) => (l.kind === 'overnightCharge' ? { ...l, amount: 6 } : l)),
      line({ kind: 'free', text: 'the old dials must still move' }),
    ],
  },
  {
    ...blank,
    title: 'Hotel shuttle',
    client: 'Sound View Hotel',
    contact: 'front desk',
    variantId: 'fourteen-short',
    year: 1982,
    chassis: 'PF14S82A0CK004417',
    registration: 'SV-14',
    colour: 'dark blue',
    corners: [452, 460, 498, 489],
    state: 'waitingForPart',
    placeId: 'bay-3',
    use: use({
      round: round(46, 10, 34, 240),
      payloadKg: 640,
      auxiliaryW: 350,
      supply: { volts: 230, amps: 32, phases: 1 },
    }),
    kitRevisionId: 'fourteen-kit-b',
    stagesDone: 6,
    onOrder: [['contactor-box-450', -3]],
    promisedDays: 20,
    brief: common(110, 28_000, 20),
    snags: ['Left sill thinner than drawn at the cross point: plate made'],
  },
  {
    ...blank,
    title: 'Bakery van',
    client: 'Stone Oven Bakery',
    contact: 'the bakehouse',
    variantId: 'wren-11',
    year: 1970,
    chassis: '31876',
    registration: 'OS-70-08',
    colour: 'white',
    corners: [301, 298, 229, 226],
    state: 'building',
    placeId: 'bay-1',
    use: use({ round: round(42, 18, 30, 230), payloadKg: 320 }),
    kitRevisionId: 'wren-kit-c',
    stagesDone: 5,
    inHand: true,
    onIt: ['jory', 'mabel'],
    promisedDays: 16,
    brief: common(110, 24_500, 16),
    snags: ['Tunnel grommet torn, new one asked for'],
  },
  {
    ...blank,
    title: 'Mobile library',
    client: 'Island Library Service',
    contact: 'the reading room',
    variantId: 'packet-chassis',
    year: 1980,
    chassis: 'P35-80-1193',
    registration: 'LIB-1',
    colour: 'green',
    corners: [602, 594, 545, 538],
    state: 'building',
    placeId: 'bay-2',
    use: use({
      round: round(52, 8, 32, 320),
      payloadKg: 620,
      auxiliaryW: 420,
      supply: { volts: 230, amps: 16, phases: 3 },
    }),
    kitRevisionId: 'packet-package-a',
    stagesDone: 3,
    inHand: true,
    onIt: ['petra'],
    onOrder: [['charger-110', 9]],
    promisedDays: 38,
    brief: common(75, 34_000, 38).map((l) =>
      l.kind === 'axleShare' ? { ...l, school: 'equal' as const, tolerance: 0.08 } : l,
    ),
  },
  {
    ...blank,
    title: 'School minibus',
    client: 'Out Isles School',
    contact: 'school office',
    variantId: 'fourteen-long',
    year: 1985,
    chassis: 'PF14L85A8FK001102',
    registration: 'OIS-2',
    colour: 'orange and white',
    corners: [455, 449, 549, 553],
    state: 'building',
    placeId: 'outside',
    use: use({ round: round(34, 16, 30, 210), payloadKg: 780, auxiliaryW: 350 }),
    kitRevisionId: 'fourteen-kit-b',
    stagesDone: 7,
    promisedDays: 25,
    brief: common(85, 29_000, 25),
  },
  {
    ...blank,
    title: 'Fire tender',
    client: 'Volunteer Brigade',
    contact: 'station officer',
    variantId: 'fell-hard',
    year: 1984,
    chassis: 'HF84H0000EK770214',
    registration: 'FB-84',
    colour: 'red',
    corners: [459, 452, 411, 420],
    state: 'proving',
    placeId: 'bay-4',
    use: use({
      round: round(22, 2, 36, 260),
      constantKmh: 70,
      payloadKg: 520,
      auxiliaryW: 500,
      supply: { volts: 230, amps: 32, phases: 1 },
    }),
    kitRevisionId: 'fell-package-a',
    stagesDone: 13,
    inHand: true,
    onIt: ['soren'],
    checksSigned: 9,
    promisedDays: 8,
    brief: [
      ...common(70, 31_000, 8),
      line({ kind: 'hillStart', firm: true, amount: 0.25, text: 'pier ramp, full tank' }),
    ],
    snags: ['Rear lamp earth corroded'],
  },
  {
    ...blank,
    title: 'Post van',
    client: 'Island Mail',
    contact: 'sorting room',
    variantId: 'wren-11',
    year: 1972,
    chassis: '35501',
    registration: 'IM-07',
    colour: 'yellow',
    corners: [296, 299, 224, 229],
    state: 'handedOver',
    placeId: null,
    use: use({ round: round(36, 40, 22, 210), payloadKg: 260 }),
    kitRevisionId: 'wren-kit-c',
    stagesDone: 99,
    checksSigned: 99,
    promisedDays: -24,
    brief: common(100, 24_500, -24),
    snags: ['Next time: move the inlet 40 mm inwards'],
  },
];

/** Finished jobs of last year: they give the estimates their history. */
export const FINISHED: readonly {
  readonly title: string;
  readonly client: string;
  readonly variantId: string;
  readonly year: number;
  readonly kitRevisionId: string;
  readonly daysAgo: number;
}[] = [
  {
    title: 'Flower van',
    client: 'Hedge & Bloom',
    variantId: 'wren-11',
    year: 1969,
    kitRevisionId: 'wren-kit-c',
    daysAgo: 98,
  },
  {
    title: 'Ferry shuttle',
    client: 'North Ferry',
    variantId: 'fourteen-short',
    year: 1981,
    kitRevisionId: 'fourteen-kit-b',
    daysAgo: 86,
  },
  {
    title: 'Garden tour car',
    client: 'Walled Garden',
    variantId: 'lantern-rows',
    year: 1965,
    kitRevisionId: 'lantern-kit-a',
    daysAgo: 74,
  },
  {
    title: 'Fish van',
    client: 'Morning Catch',
    variantId: 'wren-11',
    year: 1971,
    kitRevisionId: 'wren-kit-c',
    daysAgo: 62,
  },
  {
    title: 'Beach patrol',
    client: 'Shore Watch',
    variantId: 'fell-canvas',
    year: 1986,
    kitRevisionId: 'fell-package-a',
    daysAgo: 52,
  },
  {
    title: 'Clinic bus',
    client: 'Island Clinic',
    variantId: 'fourteen-long',
    year: 1984,
    kitRevisionId: 'fourteen-kit-b',
    daysAgo: 44,
  },
  {
    title: 'Milk van',
    client: 'Clover Dairy',
    variantId: 'wren-11',
    year: 1973,
    kitRevisionId: 'wren-kit-c',
    daysAgo: 35,
  },
];
