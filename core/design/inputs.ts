/** One battery box of a design: which bay, how many modules, how far it is shifted fore (−) or aft (+). */
export interface BoxChoice {
  readonly bay: string;
  readonly modules: number;
  readonly shiftMm: number;
}

/** A further component of a design; without a place it sits where the engine was. */
export interface OtherChoice {
  readonly componentId: string;
  readonly quantity: number;
  readonly xMm: number | null;
}

/** What a person chooses in a design. Stored as it is; figures are computed from it, never stored. */
export interface DesignInputs {
  readonly format: 1;
  readonly moduleId: string | null;
  readonly strings: number;
  readonly boxes: readonly BoxChoice[];
  readonly usableShare: number;
  readonly driveId: string | null;
  readonly inverterId: string | null;
  readonly gear: number | null;
  readonly torqueCapNm: number | null;
  readonly chargerId: string | null;
  readonly inletId: string | null;
  readonly others: readonly OtherChoice[];
}

export const EMPTY_DESIGN: DesignInputs = {
  format: 1,
  moduleId: null,
  strings: 1,
  boxes: [],
  usableShare: 0.9,
  driveId: null,
  inverterId: null,
  gear: null,
  torqueCapNm: null,
  chargerId: null,
  inletId: null,
  others: [],
};

/** Every component a design names, with how many of each: modules counted over all boxes. */
export function designComponents(inputs: DesignInputs): { componentId: string; quantity: number }[] {
  const modules = inputs.boxes.reduce((sum, box) => sum + box.modules, 0);
  const single = [inputs.driveId, inputs.inverterId, inputs.chargerId, inputs.inletId];
  return [
    ...(inputs.moduleId && modules > 0 ? [{ componentId: inputs.moduleId, quantity: modules }] : []),
    ...single.filter((id) => id !== null).map((componentId) => ({ componentId, quantity: 1 })),
    ...inputs.others.map(({ componentId, quantity }) => ({ componentId, quantity })),
  ];
}
