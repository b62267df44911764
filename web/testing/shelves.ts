import type { FloorJob } from '../../contract/floor.ts';
import type { Component } from '../../core/component/sheets.ts';
import { USUAL_USE } from '../../core/job/usualUse.ts';
import type { KitRevision } from '../../core/kit/kit.ts';
import { CHARGER, DRIVE, MODULE, VARIANT } from '../../core/testing/wren.ts';
import type { Shelves } from '../data/resources.ts';

/** A cradle with a hole at `xMm` for the one mounting point of the test van, and one where it is: it cannot be slid. */
const cradleAt = (xMm: number): Component =>
  ({
    ...MODULE,
    id: 'cradle-t',
    kind: 'cradle',
    name: 'Cradle T',
    massKg: 10,
    sheet: {
      picks: [xMm, 300].map((x) => ({ point: 'lower', xMm: x, yMm: 200, zMm: 300, slotMm: 15, thread: 'M12' })),
    },
  }) as unknown as Component;

export const KIT: KitRevision = {
  id: 'kit-t-a',
  kitId: 'kit-t',
  kitName: 'Van kit',
  modelName: 'Van',
  revision: 'A',
  state: 'released',
  lines: [MODULE, DRIVE, CHARGER].map((part) => ({
    componentId: part.id,
    quantity: 1,
    packedIn: 'crate 1',
    appliesWhen: null,
  })),
  options: [],
  layout: { boxes: [{ bay: 'rear', modules: 12 }], strings: 1 },
  torqueCapNm: null,
  gear: null,
  cover: {},
  exclusions: [],
  stages: [
    {
      key: 'strip',
      name: 'Strip',
      traits: [],
      after: [],
      hours: 8,
      people: 1,
      liveHv: false,
      needs: '',
      note: '',
      steps: [],
    },
  ],
};

/** The library of tests: the van, its parts, and a kit whose cradle sits at `cradleX`. */
export function shelves(cradleX = 300, free: Record<string, number> = {}): Shelves {
  const parts: Component[] = [MODULE, DRIVE, CHARGER, cradleAt(cradleX)];
  const kit = {
    ...KIT,
    lines: [...KIT.lines, { componentId: 'cradle-t', quantity: 1, packedIn: 'crate 1', appliesWhen: null }],
  };
  return {
    data: {
      variants: [VARIANT],
      models: [VARIANT],
      beyond: {},
      components: parts.map((part) => ({ ...part, free: free[part.id] ?? 0, lent: false, version: 1 })),
      kits: [kit],
    },
    components: new Map(parts.map((part) => [part.id, part])),
    free: new Map(Object.entries(free)),
    variants: new Map([[VARIANT.id, VARIANT]]),
    kits: new Map([[kit.id, kit]]),
  };
}

export function floorJob(change: Partial<FloorJob> = {}): FloorJob {
  return {
    number: '26-050',
    title: 'Test van',
    state: 'sizing',
    promised: null,
    version: 1,
    placeId: 'bay-1',
    vehicle: {
      id: 'v',
      name: 'Test van',
      variantId: VARIANT.id,
      chassisNumber: '1',
      registration: '',
      builtYear: 1972,
      colour: '',
      weighings: [],
      measured: {},
    },
    use: USUAL_USE,
    route: null,
    brief: [],
    design: {
      id: 'd',
      name: 'A',
      version: 1,
      inputs: {
        format: 1,
        moduleId: MODULE.id,
        strings: 1,
        boxes: [{ bay: 'rear', modules: 12, shiftMm: 0 }],
        usableShare: 0.9,
        driveId: DRIVE.id,
        inverterId: null,
        gear: null,
        torqueCapNm: null,
        chargerId: CHARGER.id,
        inletId: null,
        others: [],
      },
    },
    kit: null,
    cover: {},
    stages: [],
    hoursClocked: 0,
    waitingParts: [],
    openSnags: 0,
    register: [],
    matchHours: 0,
    planned: null,
    out: null,
    region: null,
    checksSigned: 0,
    ...change,
  };
}
