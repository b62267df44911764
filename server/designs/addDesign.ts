import type { DesignInputs } from '../../core/design/inputs.ts';
import type { Change } from '../change.ts';
import { design } from '../db/schema/index.ts';

interface NewDesign {
  readonly jobId: string;
  readonly name: string;
  readonly inputs: DesignInputs;
  /** The sold design it follows. @default null */
  readonly followsId?: string | null;
}

/** Puts a design beside the others of its job and logs it in the words given. */
export async function addDesign({ tx, log }: Change, job: string, made: NewDesign, what: string, before?: unknown) {
  const [row] = await tx.insert(design).values(made).returning();
  await log({ what, resource: 'design', id: row!.id, job, before, after: row });
  return row!;
}
