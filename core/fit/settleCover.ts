import type { CoverChoice } from '../kit/kit.ts';

type Cover = Readonly<Record<string, CoverChoice>>;

/** The cover of a job after one function was settled, or after its choice was taken back with null. */
export function settleCover(cover: Cover, settled: string, choice: CoverChoice | null): Cover {
  const { [settled]: _, ...rest } = cover;
  return choice ? { ...rest, [settled]: choice } : rest;
}

/** Is this still the choice that a person saw when they settled it anew? */
export const sameChoice = (a: CoverChoice | null, b: CoverChoice | null): boolean =>
  a?.way === b?.way && a?.why === b?.why;
