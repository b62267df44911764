/** A stretch of working time, minutes on the axis; the end is not in it. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

export interface PlanPerson {
  readonly id: string;
  readonly skills: readonly string[];
  /** Minute up to which live work may be done; 0 without an authorisation, `Infinity` where it outlasts every plan. */
  readonly hvUntil: number;
  /** When the person is not there: leave, the end of a short day. In order, apart from each other. */
  readonly off: readonly Span[];
}

/** A place vehicles stand in to be worked on: one at a time. */
export interface PlanPlace {
  readonly id: string;
  /** What it has: `lift`, `alignment`. */
  readonly traits: readonly string[];
  readonly off: readonly Span[];
}

/** One tool or instrument; several of a kind stand for each other. */
export interface PlanTool {
  readonly id: string;
  readonly kind: string;
  /** When it is not to be had: away, or its calibration has run out. */
  readonly off: readonly Span[];
}

/** A firm outside: so many vehicles at a time, when it has slots. */
export interface PlanFirm {
  readonly id: string;
  readonly capacity: number;
  readonly off: readonly Span[];
}

/** What has begun stays as it is: where, and whose. */
export interface Begun {
  readonly placeId: string | null;
  readonly people: readonly string[];
  /** Of what a firm has: the minute it is due back, whatever the firm's days are. @default as long as its work takes */
  readonly until?: number;
}

/**
 * Where a stage is done: `vehicle` at the vehicle, in a bay; `beside` without it, at a bench; `away` with the vehicle out
 * of the house.
 */
export type StagePlace = 'vehicle' | 'beside' | 'away';

export interface PlanStage {
  readonly id: string;
  readonly jobId: string;
  /** Stages that must be over first, of this job or of others. */
  readonly after: readonly string[];
  /** Person-minutes still to do; of a firm's stage, minutes it has the vehicle. */
  readonly minutes: number;
  /** People it takes at least; 0 where a firm does it. */
  readonly people: number;
  /** People it can make use of: they share the hours. */
  readonly mostPeople: number;
  /** What whoever does it must be able to do; null: anybody. Of several, all but the helpers it takes at least. */
  readonly skill: string | null;
  /** Live high-voltage work: two people, one authorised until its end. */
  readonly liveHv: boolean;
  readonly at: StagePlace;
  /** What its place must have. */
  readonly traits: readonly string[];
  /** Kinds of tools it holds while it lasts. */
  readonly tools: readonly string[];
  readonly firmId: string | null;
  /** Not before this minute: a part comes, a person holds it. */
  readonly earliest: number;
  readonly begun: Begun | null;
  /** It cannot be planned whoever is there, and why: what it waits for has no day. */
  readonly barred?: Impossible | null;
}

export interface PlanJob {
  readonly id: string;
  /** How much its lateness counts against that of others. */
  readonly weight: number;
  /** Minute by which it is promised; null: not promised. */
  readonly due: number | null;
  /** Where its vehicle stands when the plan begins; null: parked, or not here. */
  readonly standsIn: string | null;
  /** Something of it is done already: it is not put off so that less lies about. */
  readonly underWay: boolean;
}

/** Everything a plan is made from. Minute 0 of the axis is now. */
export interface PlanProblem {
  readonly jobs: readonly PlanJob[];
  readonly stages: readonly PlanStage[];
  readonly people: readonly PlanPerson[];
  readonly places: readonly PlanPlace[];
  readonly tools: readonly PlanTool[];
  readonly firms: readonly PlanFirm[];
  /** Minutes it takes to move a vehicle from one place to another. */
  readonly moveMinutes: number;
  /** A vehicle that would stand longer than this without work is put aside meanwhile, minutes. */
  readonly parkMinutes: number;
  /** Nobody looks further ahead, minutes. */
  readonly horizon: number;
  /** Minutes of a working day. */
  readonly dayMinutes: number;
  /** What it costs that a job is over a day later than was told, weighted hours of lateness. */
  readonly toldHours: number;
}

/** What kept a stage from starting sooner. */
export type Cause =
  | { readonly kind: 'now' }
  | { readonly kind: 'begun' }
  | { readonly kind: 'earliest' }
  | { readonly kind: 'after'; readonly stageId: string }
  | { readonly kind: 'gate' }
  | { readonly kind: 'moving'; readonly from: string | null }
  | { readonly kind: 'place'; readonly placeId: string; readonly jobId: string | null }
  | { readonly kind: 'elsewhere'; readonly placeId: string }
  | { readonly kind: 'people'; readonly personId: string | null; readonly stageId: string | null }
  | { readonly kind: 'tool'; readonly tool: string; readonly stageId: string | null }
  | { readonly kind: 'firm'; readonly firmId: string; readonly stageId: string | null };

/** Why a stage cannot be planned at all. */
export type Impossible =
  | { readonly kind: 'circle' }
  | { readonly kind: 'noSkill'; readonly skill: string | null; readonly people: number }
  | { readonly kind: 'noPair' }
  | { readonly kind: 'noPlace'; readonly traits: readonly string[] }
  | { readonly kind: 'noTool'; readonly tool: string }
  | { readonly kind: 'noFirm'; readonly firmId: string }
  /** The first of its kind is not through, and has no stage of which anybody knows a day. */
  | { readonly kind: 'first'; readonly jobId: string }
  /** The first of its kind is through, and its lessons have been neither taken in nor set aside. */
  | { readonly kind: 'lessons'; readonly jobId: string; readonly lessons: number }
  /** The vehicle is out of the house, and nobody has said until when. */
  | { readonly kind: 'out' }
  | { readonly kind: 'tooFar' }
  | { readonly kind: 'before'; readonly stageId: string };

export interface PlannedStage {
  readonly id: string;
  readonly start: number;
  readonly end: number;
  readonly people: readonly string[];
  readonly placeId: string | null;
  readonly tools: readonly string[];
  /** The last thing it waited for, and what it waited for before that; the binding one first. */
  readonly causes: readonly Cause[];
  /** What its turn went by: the lower went first. It is kept, since the times that come out of an order do not give it back. */
  readonly key?: number;
  /** Minute before which its job was not to be begun. */
  readonly gate?: number;
}

export interface PlannedJob {
  readonly id: string;
  readonly start: number;
  readonly end: number;
  /** Minutes after its promise; 0 where it keeps it. */
  readonly late: number;
}

export interface WorkPlan {
  readonly stages: readonly PlannedStage[];
  readonly jobs: readonly PlannedJob[];
  readonly impossible: readonly { readonly stageId: string; readonly why: Impossible }[];
  /** What the plan is judged by, in weighted hours. */
  readonly cost: PlanCost;
}

export interface PlanCost {
  /** Lateness of all jobs, weighted hours. */
  readonly late: number;
  /** Ends of all jobs from now, weighted hours. */
  readonly ends: number;
  /** From the begin of each job to its end, hours: work in progress. */
  readonly inProgress: number;
  /** What moving told days costs, weighted hours of lateness. */
  readonly moved: number;
}

/** Lateness and days that were told first by far, then when jobs end, then how long they lie about; common practice. */
export const costSum = ({ late, ends, inProgress, moved }: PlanCost): number =>
  100 * (late + moved) + ends + inProgress / 4;
