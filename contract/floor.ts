import type { VehicleUse } from '../core/figures/slots.ts';
import type { PlannedPlace } from '../core/floor/plan.ts';
import type { JobState } from '../core/job/states.ts';
import type { CoverChoice, StageTrait } from '../core/kit/kit.ts';
import type { PackedRoute } from '../core/road/packedRoute.ts';
import type { RegisterFacts } from '../core/vehicle/register.ts';
import { address, answers } from './address.ts';
import type { StoredBriefLine } from './brief.ts';
import type { StoredDesign } from './design.ts';
import type { JobHead } from './job.ts';
import type { VehicleInfo } from './vehicle.ts';

/** A place vehicles stand in, or that is there for the work. */
export type Place = PlannedPlace & { readonly id: string };

/** The building's outline, metres. Places lie inside it; what is away lies below. */
export interface Building {
  readonly widthM: number;
  readonly lengthM: number;
  /** Of the plan as a whole: building and places are saved together. */
  readonly version: number;
}

export interface FloorStage {
  readonly name: string;
  readonly traits: readonly StageTrait[];
  readonly state: 'waiting' | 'inHand' | 'stopped' | 'done';
  readonly hours: number;
  readonly liveHv: boolean;
  readonly finishedAt: string | null;
}

/** A job that is not over yet, with just what the Floor draws and judges. */
export interface FloorJob {
  readonly number: string;
  readonly title: string;
  readonly state: JobState;
  readonly placeId: string | null;
  readonly promised: string | null;
  readonly version: number;
  readonly vehicle: VehicleInfo;
  readonly use: VehicleUse;
  /** The recorded route, only where a line of the brief asks for it. */
  readonly route: PackedRoute | null;
  readonly brief: readonly StoredBriefLine[];
  readonly design: Omit<StoredDesign, 'frozenAt' | 'followsId'> | null;
  readonly kit: { readonly revisionId: string; readonly options: readonly string[] } | null;
  readonly cover: Readonly<Record<string, CoverChoice>>;
  readonly stages: readonly FloorStage[];
  readonly hoursClocked: number;
  readonly waitingParts: readonly {
    readonly componentId: string;
    readonly due: string | null;
    readonly state: 'missing' | 'ordered';
  }[];
  readonly openSnags: number;
  readonly matchHours: number;
  readonly planned: JobHead['planned'];
  /** Who has the vehicle, and until when they said; null: it is here, or nobody has said otherwise. */
  readonly out: { readonly holder: string; readonly dueBack: string | null } | null;
  readonly region: string | null;
  readonly register: readonly RegisterFacts[];
  readonly checksSigned: number;
}

export interface OnTheClock {
  readonly personId: string;
  readonly initials: string;
  readonly name: string;
  readonly jobNumber: string;
  readonly stage: string;
  readonly since: string;
  readonly kind: string;
  readonly liveHv: boolean;
}

export interface PersonToday {
  readonly personId: string;
  readonly name: string;
  readonly initials: string;
  readonly role: string;
  readonly hvUntil: string | null;
  readonly hoursPlanned: number;
  readonly workHours: number;
  readonly liveHours: number;
  readonly reworkHours: number;
}

export interface FloorData {
  readonly now: string;
  readonly building: Building;
  readonly places: readonly Place[];
  readonly jobs: readonly FloorJob[];
  readonly onTheClock: readonly OnTheClock[];
  readonly people: readonly PersonToday[];
}

export const floorAddress = {
  now: address({ method: 'get', path: '/floor', may: 'viewer', answer: answers<FloorData>() }),
} as const;
