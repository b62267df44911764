import type { BriefLine } from '../brief/lines.ts';
import type { Library } from '../design/resolve.ts';
import type { FigureSheet } from '../figures/evaluate.ts';
import type { CoverChoice, KitPart, KitRevision } from '../kit/kit.ts';
import type { QuantityKind } from '../quantity/kinds.ts';
import type { Source } from '../quantity/sourced.ts';
import type { VehicleState } from '../vehicle/state.ts';
import type { VehicleFigureId } from '../vehicle/vehicleFigures.ts';
import type { CradleSlide } from './cradleSlide.ts';

const VERDICTS = ['fits', 'afterWork', 'doesNotFit', 'measureFirst'] as const;
export type Verdict = (typeof VERDICTS)[number];

export type RuleId =
  | 'voltageWindow'
  | 'mountingPoints'
  | 'boxInBay'
  | 'bayMass'
  | 'grossMass'
  | 'axleMass'
  | 'coupling'
  | 'drivelineTorque'
  | 'newHoles'
  | 'functionCover'
  | 'commonSlide'
  | 'movingParts'
  | 'ownPrecharge'
  | 'linkCurrents'
  | 'packRate'
  | 'satellites'
  | 'shaftAngles'
  | 'lvBudget'
  | 'chargePhases'
  | 'passThroughs'
  | 'inletPlace'
  | 'systemVoltage'
  | 'heatAway'
  | 'boxSafety'
  | 'handedness'
  | 'boxRetention'
  | 'liftTipping'
  | 'groundClearance'
  | 'helpLost'
  | 'keptThere'
  | 'displaced'
  | 'luggageKept'
  | 'deadInstruments'
  | 'companions'
  | 'boxHolds'
  | 'revolutions'
  | 'usePower'
  | 'coolant'
  | 'mountLoad'
  | 'brakes'
  | 'weightSchool'
  | 'linkVoltage'
  | 'chargeRate'
  | 'takenOut'
  | 'buses';

/** One of the two things compared: a number or span in base units, or a name such as a spline. */
export interface Side {
  readonly value: number | string | null;
  /** Upper end of a span; `value` is then its lower end. */
  readonly to?: number;
  readonly kind: QuantityKind | null;
  readonly source: Source | 'sheet' | 'design' | 'plate';
}

/** What has to be done for it to fit, taken into the job by one action. */
export interface FitWork {
  readonly hours: number;
  /** Torque cap in software. */
  readonly capNm?: number;
  /** Functions to settle. */
  readonly functions?: readonly string[];
  /** Slide of the cradle, rearwards. */
  readonly slideMm?: number;
  /** Parts to add. */
  readonly parts?: readonly { readonly componentId: string; readonly quantity: number }[];
  /** A step for the stages. */
  readonly step?: string;
}

/** What accepting a work did to a job: what taking it back undoes. */
export interface WorkEffects {
  readonly stageId: string | null;
  readonly stepId: string | null;
  readonly partLineIds: readonly string[];
  readonly cap: { readonly designId: string; readonly before: number | null } | null;
}

/** Hours to measure one thing on a vehicle and write it down; common practice. */
const MEASURE_HOURS = 0.25;

/** What is taken into a job when a finding is accepted: its work, or the measuring of what it rests on. */
export const workOf = (finding: Pick<Finding, 'verdict' | 'work' | 'subject'>, name: string): FitWork | null =>
  finding.verdict === 'measureFirst'
    ? { hours: MEASURE_HOURS, step: `Measure: ${name.toLowerCase()}, ${finding.subject}` }
    : finding.work;

/** What a rule found about one subject (a component, a mounting point, a bay, an axle). */
export interface Finding {
  readonly rule: RuleId;
  readonly subject: string;
  readonly verdict: Verdict;
  /** What the kit or design brings. */
  readonly left: Side;
  /** What the vehicle or component allows. */
  readonly right: Side;
  /** Spare (positive) or short (negative). */
  readonly margin: { readonly value: number; readonly kind: QuantityKind } | null;
  readonly unmeasured: readonly VehicleFigureId[];
  /** What has to be done for it to fit. */
  readonly work: FitWork | null;
}

/** Everything a rule may look at. The sheet is of the kit's own design on this vehicle. */
export interface FitContext {
  readonly vehicle: VehicleState;
  readonly sheet: FigureSheet;
  readonly revision: KitRevision;
  readonly parts: readonly KitPart[];
  /** Choices of this job laid over the kit's own. */
  readonly cover: Readonly<Record<string, CoverChoice>>;
  readonly reversibleFirm: boolean;
  /** The line of the brief on where the weight lies. */
  readonly axleShare: BriefLine | null;
  /** Each cradle with the one slide that suits it. */
  readonly slides: readonly CradleSlide[];
  readonly options: readonly string[];
  readonly library: Library;
  /** Where it will be registered; null: nobody has said. */
  readonly region: string | null;
}

export interface FitRule {
  readonly id: RuleId;
  readonly judge: (context: FitContext) => Finding[];
}

/** How far a position of this source may be off, mm; common practice for old bodies. */
const POSITION_DOUBT_MM: Record<Source, number> = { measured: 0, drawing: 3, library: 5, assumed: 20 };

/** Verdict on a length margin: short is short, spare under the doubt of an unmeasured figure is measured first. */
export function lengthVerdict(marginMm: number, source: Source): Verdict {
  const doubt = POSITION_DOUBT_MM[source];
  if (marginMm < -doubt) return 'doesNotFit';
  return marginMm >= doubt ? 'fits' : 'measureFirst';
}
