import { judgeReading, type ReadingVerdict } from '../stage/limit.ts';
import { type EntryKind, isAtWork, type StageState } from '../stage/stageRules.ts';

/** The person whose acts they are. */
export interface Who {
  readonly personId: string;
  readonly initials: string;
  readonly name: string;
}

interface ReadingLike {
  readonly value: number;
  readonly verdict: ReadingVerdict;
  readonly by: string;
  readonly at: string;
  readonly decidedBy: string | null;
  readonly reason: string | null;
  readonly tool: string | null;
  readonly secondBy: string | null;
}
interface StepLike {
  readonly id: string;
  readonly limit: { readonly min: number | null; readonly max: number | null } | null;
  readonly reading: ReadingLike | null;
}
interface OnIt {
  readonly personId: string;
  readonly initials: string;
  readonly since: string;
  readonly kind: EntryKind;
}
interface StageLike {
  readonly id: string;
  readonly state: StageState;
  readonly liveHv: boolean;
  readonly onIt: readonly OnIt[];
  readonly steps: readonly StepLike[];
  readonly finishedBy: string | null;
  readonly finishedAt: string | null;
}

/** What was done, as far as it changes how a stage stands. */
export type DoneAct =
  | { readonly act: 'clockOn'; readonly stageId: string; readonly kind: EntryKind }
  | { readonly act: 'clockOff' }
  | { readonly act: 'read'; readonly stepId: string; readonly value: number }
  | { readonly act: 'finish'; readonly stageId: string }
  | { readonly act: 'snag' };

const off = <S extends StageLike>(stages: readonly S[], personId: string): S[] =>
  stages.map((stage) =>
    stage.onIt.some((one) => one.personId === personId)
      ? { ...stage, onIt: stage.onIt.filter((one) => one.personId !== personId) }
      : stage,
  );

/** One step read: out of limits stops its stage, within lets it go on where nothing else stops it. */
function withReading<S extends StageLike>(stage: S, stepId: string, value: number, who: Who, at: string): S {
  const steps = stage.steps.map((step) => {
    if (step.id !== stepId) return step;
    const verdict = step.limit ? judgeReading(value, step.limit) : value === 1 ? 'within' : 'under';
    return {
      ...step,
      reading: { value, verdict, by: who.initials, at, decidedBy: null, reason: null, tool: null, secondBy: null },
    };
  });
  const stops = steps.some(({ reading }) => reading !== null && reading.verdict !== 'within' && !reading.reason);
  return { ...stage, steps, state: stage.state === 'done' ? stage.state : stops ? 'stopped' : 'inHand' };
}

/**
 * How the stages of a job stand once what was done has been told: what waits to be sent, put on top of what the server
 * said last. It is shown, never stored: the server judges each act when it hears of it.
 */
export function standsAs<S extends StageLike>(
  stages: readonly S[],
  acts: readonly { readonly made: string; readonly act: DoneAct }[],
  who: Who,
): readonly S[] {
  let now: readonly S[] = stages;
  for (const { act, made } of acts) {
    switch (act.act) {
      case 'clockOn': {
        const { stageId, kind } = act;
        now = off(now, who.personId).map((stage) =>
          stage.id === stageId
            ? {
                ...stage,
                onIt: [...stage.onIt, { personId: who.personId, initials: who.initials, since: made, kind }],
                // Live work begins with its confirmation, which only the server takes.
                state: stage.state === 'waiting' && isAtWork(kind) && !stage.liveHv ? 'inHand' : stage.state,
              }
            : stage,
        );
        break;
      }
      case 'clockOff':
        now = off(now, who.personId);
        break;
      case 'read':
        now = now.map((stage) =>
          stage.steps.some(({ id }) => id === act.stepId)
            ? withReading(stage, act.stepId, act.value, who, made)
            : stage,
        );
        break;
      case 'finish':
        now = now.map((stage) =>
          stage.id === act.stageId
            ? { ...stage, state: 'done', onIt: [], finishedBy: who.name, finishedAt: made }
            : stage,
        );
    }
  }
  return now;
}
