import type { DesignInputs } from './inputs.ts';

export interface DesignBeside {
  readonly id: string;
  readonly name: string;
  readonly followsId: string | null;
  readonly inputs: DesignInputs;
}

/** What a change of a sold design comes to. */
export type SoldChange =
  /** The same change has been made already: this is the design that follows. */
  | { readonly made: string }
  /** A design of this name is to be made beside the sold one. */
  | { readonly make: string };

/**
 * A sold design never changes: a change of it makes a design that follows, named after it and numbered past what is
 * there. The same change again (two people, or one who pressed twice) is the one that was made.
 */
export function changeOfSold(
  sold: Pick<DesignBeside, 'id'>,
  change: { readonly name: string; readonly inputs: DesignInputs },
  all: readonly DesignBeside[],
): SoldChange {
  const text = JSON.stringify(change.inputs);
  const stem = stemOf(change.name);
  const same = all.find(
    (one) => one.followsId === sold.id && stemOf(one.name) === stem && JSON.stringify(one.inputs) === text,
  );
  return same
    ? { made: same.id }
    : {
        make: nextVersionName(
          change.name,
          all.map((one) => one.name),
        ),
      };
}

const stemOf = (name: string) => /^(.*?)(?:, version \d+)?$/.exec(name)?.[1] ?? name;

/** Names are held to 60 characters; the number must survive. */
const STEM_LENGTH = 46;

/** The name of a design that follows a sold one: "A" → "A, version 2" → "A, version 3", past any that is taken. */
export function nextVersionName(name: string, taken: readonly string[]): string {
  const stem = stemOf(name).slice(0, STEM_LENGTH);
  let next = 2;
  while (taken.includes(`${stem}, version ${next}`)) next++;
  return `${stem}, version ${next}`;
}
