import type { Address, Params, Sent } from '../../contract/address.ts';
import { type DifferenceRow, differences, type Shown } from '../../wording/differences.ts';
import type { BodyOf } from '../data/client.ts';
import { MergeDialog } from './MergeDialog.tsx';
import type { Sending } from './useSend.ts';
import { useShown } from './useShown.ts';

/** Fields of a body that say what it was made from, not what it should become. */
const STAMPS = ['version', 'since', 'was'] as const;

interface Props<P extends string, B, A, C> {
  readonly of: Address<P, B, A>;
  readonly params: Params<P>;
  readonly sending: Sending;
  /** Their side as the same body, stamped as now, from what the server says is stored. */
  readonly theirs: (current: C) => Sent<B>;
  /** What differs, where the schema alone cannot tell how it is read. */
  readonly tell?: (bodies: readonly [mine: Sent<B>, theirs: Sent<B>], shown: Shown) => readonly DifferenceRow[];
  /** Mine was saved over theirs after all, or theirs was taken. */
  readonly done?: () => void;
}

/** Shown when somebody else was first: both sides by the schema of what was sent, and a person decides. */
export function Conflict<P extends string, B, A, C>({ of, params, sending, theirs, tell, done }: Props<P, B, A, C>) {
  const shown = useShown();
  const stale = sending.problem?.type === '/problems/stale';
  const now = stale ? (theirs(sending.problem?.current as C) as Readonly<Record<string, unknown>>) : null;
  const stamps = Object.fromEntries(STAMPS.flatMap((name) => (now && name in now ? [[name, now[name]]] : [])));
  const mine = { ...(sending.sent as object), ...stamps };
  const over = async () => {
    sending.clear();
    if ((await sending.go(of, params, ...([mine] as unknown as BodyOf<B>))) !== null) done?.();
  };
  const rows = () =>
    tell ? tell([mine as Sent<B>, now as Sent<B>], shown) : of.body ? differences(of.body, [mine, now], shown) : [];
  return (
    <MergeDialog
      rows={now ? rows() : null}
      onMine={() => void over()}
      onTheirs={() => {
        sending.clear();
        done?.();
      }}
      onClose={sending.clear}
    />
  );
}
