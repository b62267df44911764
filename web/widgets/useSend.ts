import { App } from 'antd';
import { useCallback, useState } from 'react';
import type { Address, Params } from '../../contract/address.ts';
import type { Problem } from '../../contract/problem.ts';
import { type BodyOf, Refused, send } from '../data/client.ts';
import { focusUnreadable } from './unreadable.ts';

export interface Sending {
  readonly busy: boolean;
  /** Field path → sentence, from the last answer. */
  readonly faults: Readonly<Record<string, string>>;
  readonly problem: Problem | null;
  readonly clear: () => void;
  /** The body last sent. */
  readonly sent: unknown;
  /** Sends a change; answers null when it was refused, and then `problem` says why. */
  readonly go: <P extends string, B, A>(
    address: Address<P, B, A>,
    params: Params<P>,
    ...body: BodyOf<B>
  ) => Promise<A | null>;
}

export interface SendOptions {
  /** What is sent comes from fields of this form; false for a button that sends nothing typed. @default true */
  readonly typed?: boolean;
}

/**
 * Sends changes and keeps what the server said about them. A refusal without fields is also shown as a message, so
 * that it is seen wherever the button was; stale ones are left to the merge view. A form with a field that cannot be
 * read is not sent: the field is focused instead.
 */
export function useSend(quiet = false, { typed = true }: SendOptions = {}): Sending {
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [sent, setSent] = useState<unknown>(null);
  const go = useCallback(
    async <P extends string, B, A>(
      address: Address<P, B, A>,
      params: Params<P>,
      ...body: BodyOf<B>
    ): Promise<A | null> => {
      if (typed && focusUnreadable()) return null;
      setBusy(true);
      setSent(body[0] ?? null);
      try {
        const answer = await send(address, params, ...body);
        setProblem(null);
        return answer;
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        setProblem(error.problem);
        if (!quiet && !error.problem.fields && error.problem.type !== '/problems/stale')
          void message.error(error.problem.detail, 6);
        return null;
      } finally {
        setBusy(false);
      }
    },
    [message, quiet, typed],
  );
  return { busy, problem, sent, faults: problem?.fields ?? {}, clear: () => setProblem(null), go };
}
