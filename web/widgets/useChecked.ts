import { useEffect, useRef, useState } from 'react';
import type { Address, Params, Sent } from '../../contract/address.ts';
import { check } from '../../contract/fields.ts';
import type { BodyOf } from '../data/client.ts';
import { type Sending, useSend } from './useSend.ts';

/** What a body holds at a path of a fault ("brief.0.amount"). */
const at = (body: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((inner, key) => (inner as Record<string, unknown> | undefined)?.[key], body);

/**
 * What is said at the fields of a form: what the schema finds in it now, and what only the server knew, which holds until
 * that field is changed.
 */
function faultsNow(
  schema: Address['body'],
  body: unknown,
  fromServer: Readonly<Record<string, string>>,
  sent: unknown,
): Readonly<Record<string, string>> {
  const problems = schema ? check(schema, body).problems : {};
  const serverOnly = Object.entries(fromServer).filter(
    ([field]) => !(field in problems) && at(body, field) === at(sent, field),
  );
  return { ...Object.fromEntries(serverOnly), ...problems };
}

export interface Checked<A> extends Pick<Sending, 'busy' | 'problem' | 'clear'> {
  /** For a view of both sides where somebody else was first. */
  readonly sending: Sending;
  /** Field path → sentence; empty until somebody has tried to save. */
  readonly faults: Readonly<Record<string, string>>;
  /** A refusal that belongs to no field. */
  readonly refusal: string | null;
  /** Sends what is in the form; null where a field is wrong, here or by what the server said. */
  readonly save: () => Promise<A | null>;
}

/**
 * A form over one address: held against the contract's own schema before it is sent and, once somebody has tried, with
 * every key. What is wrong is said at its field, and the first such field is focused.
 */
export function useChecked<P extends string, B, A>(
  address: Address<P, B, A>,
  params: Params<P>,
  body: Sent<B>,
): Checked<A> {
  const sending = useSend(true);
  const [sent, setSent] = useState<{ readonly body: Sent<B> } | null>(null);
  const tried = useRef(false);
  const faults = sent ? faultsNow(address.body, body, sending.faults, sent.body) : {};
  useEffect(() => {
    if (!tried.current) return;
    tried.current = false;
    if (Object.keys(faults).length > 0) focusFault();
  });
  return {
    sending,
    busy: sending.busy,
    problem: sending.problem,
    faults,
    refusal: sending.problem && !sending.problem.fields ? sending.problem.detail : null,
    clear: () => {
      setSent(null);
      sending.clear();
    },
    save: async () => {
      setSent({ body });
      tried.current = true;
      if (Object.keys(faultsNow(address.body, body, {}, body)).length > 0) return null;
      const answer = await sending.go(address, params, ...([body] as unknown as BodyOf<B>));
      tried.current = answer === null;
      if (answer !== null) setSent(null);
      return answer;
    },
  };
}

/** Focuses the first field with something wrong in the form somebody is in. */
function focusFault(): void {
  const form = document.activeElement?.closest('form') ?? document;
  form.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
}
