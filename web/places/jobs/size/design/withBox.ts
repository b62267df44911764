import type { BoxChoice } from '../../../../../core/design/inputs.ts';

/** Changes one box of a design; a box without modules and without shift is none. */
export function withBox(boxes: readonly BoxChoice[], bay: string, change: Partial<BoxChoice>): BoxChoice[] {
  const old = boxes.find((box) => box.bay === bay) ?? { bay, modules: 0, shiftMm: 0 };
  const next = { ...old, ...change };
  const all = boxes.some((box) => box.bay === bay)
    ? boxes.map((box) => (box.bay === bay ? next : box))
    : [...boxes, next];
  return all.filter((box) => box.modules > 0 || box.shiftMm !== 0);
}
