import type { EntryKind } from '../core/stage/stageRules.ts';
import { pathOf } from './address.ts';
import { stageAddress } from './stages.ts';

/** What is done at the vehicle, and may be done while the server cannot be reached. Confirming live work is not among it. */
export type BenchAct =
  | {
      readonly act: 'clockOn';
      readonly stageId: string;
      /** Of its job, for whoever looks at what waits. */
      readonly number: string;
      readonly kind: EntryKind;
      readonly cause: string | null;
      readonly leave: boolean;
    }
  | { readonly act: 'clockOff'; readonly pause: boolean }
  | { readonly act: 'read'; readonly stepId: string; readonly value: number; readonly toolId: string | null }
  | { readonly act: 'finish'; readonly stageId: string; readonly version: number | null }
  | { readonly act: 'snag'; readonly number: string; readonly text: string };

/** The request an act is: always the same for the same act, so that it may be sent again. */
export function requestOf(act: BenchAct): { readonly path: string; readonly body: object } {
  switch (act.act) {
    case 'clockOn': {
      const { kind, cause, leave } = act;
      return { path: pathOf(stageAddress.clockOn, { id: act.stageId }), body: { kind, cause, leave } };
    }
    case 'clockOff':
      return { path: pathOf(stageAddress.clockOff, {}), body: { pause: act.pause } };
    case 'read':
      return { path: pathOf(stageAddress.read, { id: act.stepId }), body: { value: act.value, toolId: act.toolId } };
    case 'finish':
      return { path: pathOf(stageAddress.finish, { id: act.stageId }), body: { version: act.version } };
    case 'snag':
      return { path: pathOf(stageAddress.noteSnag, { number: act.number }), body: { text: act.text } };
  }
}

/** An act that waits to be sent, in the order it was made. */
export interface WaitingAct {
  /** Rises with each that is kept. */
  readonly seq: number;
  /** Marks it as the same one however often it is sent. */
  readonly key: string;
  readonly personId: string;
  /** For whoever else is here while it waits; acts of before names were kept say none. */
  readonly personName?: string;
  /** By the clock of the tablet, ISO. */
  readonly made: string;
  readonly act: BenchAct;
  /** What it is, in words, for whoever looks at what waits. */
  readonly says: string;
  /** Why the server did not take it, once it has said so. */
  readonly refused: string | null;
}
