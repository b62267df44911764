import type { VariantBody } from '../../../core/vehicle/variantProblems.ts';

/** What the parts of the form work on. */
export interface EditorPart {
  readonly variant: VariantBody;
  readonly set: (change: Partial<VariantBody>) => void;
  /** Field path → sentence. */
  readonly faults: Readonly<Record<string, string>>;
}

/** Faults below a path, by what is left of it: "bays.1.name" below "bays" is "1.name". */
export const faultsBelow = (faults: Readonly<Record<string, string>>, path: string): Record<string, string> =>
  Object.fromEntries(
    Object.entries(faults).flatMap(([at, text]) =>
      at.startsWith(`${path}.`) ? [[at.slice(path.length + 1), text]] : [],
    ),
  );
