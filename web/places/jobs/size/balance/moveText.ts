import type { MoveAdvice } from '../../../../../core/balance/adviseMoves.ts';
import type { BoxChoice } from '../../../../../core/design/inputs.ts';
import { withBox } from '../design/withBox.ts';

/** "2 modules from floor to front, then 1 from rear to front". */
export const moveText = ({ moves }: MoveAdvice, bayName: (key: string) => string): string =>
  moves
    .map(
      ({ from, to, modules }, i) =>
        `${modules}${i === 0 ? (modules === 1 ? ' module' : ' modules') : ''} from ${bayName(from)} to ${bayName(to)}`,
    )
    .join(', then ');

/** Boxes after the moves. */
export function afterMoves(boxes: readonly BoxChoice[], { moves }: MoveAdvice): BoxChoice[] {
  const count = (all: readonly BoxChoice[], bay: string) => all.find((box) => box.bay === bay)?.modules ?? 0;
  return moves.reduce<BoxChoice[]>(
    (all, { from, to, modules }) => {
      const less = withBox(all, from, { modules: count(all, from) - modules });
      return withBox(less, to, { modules: count(less, to) + modules });
    },
    [...boxes],
  );
}
