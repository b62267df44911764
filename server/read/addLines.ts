import { stateOfNewLine, type WantedPart } from '../../core/stores/partMove.ts';
import type { Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import { partLine } from '../db/schema/index.ts';
import { freeStockLocked } from './freeStock.ts';

type NewLine = Omit<WantedPart, 'from'> & { readonly from: 'kit' | 'design' | 'added' };

/** Adds lines, holding what is free. Components are locked in one order, so that two lists never wait for each other. */
export async function addLines(tx: Tx, jobId: string, lines: readonly NewLine[]) {
  const added = [];
  for (const line of lines.toSorted((a, b) => (a.componentId < b.componentId ? -1 : 1))) {
    const state = stateOfNewLine(line.quantity, await freeStockLocked(tx, line.componentId));
    added.push(
      made(
        await tx
          .insert(partLine)
          .values({ ...line, jobId, state })
          .returning(),
      ),
    );
  }
  return added;
}
