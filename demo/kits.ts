import type { CoverChoice, KitLine, KitRevision } from '../core/kit/kit.ts';
import { boltInStages } from './stages.ts';

type When = KitLine['appliesWhen'];
type Line = readonly [componentId: string, quantity: number, packedIn: string, when?: When];

const lines = (list: readonly Line[]): KitLine[] =>
  list.map(([componentId, quantity, packedIn, when]) => ({
    componentId,
    quantity,
    packedIn,
    appliesWhen: when ?? null,
  }));
const way = (w: CoverChoice['way'], why: string): CoverChoice => ({ way: w, why });

/** Parts that every kit of the higher voltage brings. */
const HIGH: readonly Line[] = [
  ['contactor-box-450', 1, 'crate 2'],
  ['service-switch', 1, 'crate 2'],
  ['hv-fuse-250', 1, 'crate 2'],
  ['bms-main', 1, 'crate 2'],
  ['vcu', 1, 'crate 3'],
  ['throttle', 1, 'crate 3'],
  ['direction-switch', 1, 'crate 3'],
  ['gauge-face', 1, 'crate 3'],
  ['heater-30', 1, 'crate 3'],
  ['lv-loom', 1, 'crate 3'],
  ['lv-battery-12', 1, 'crate 3'],
  ['hv-label-set', 1, 'crate 2'],
  ['drawing-set', 1, 'folder'],
  ['clamp-set', 1, 'crate 3'],
  ['fixing-set', 1, 'crate 3'],
  ['pump-drive', 1, 'crate 3'],
  ['radiator-small', 1, 'crate 3'],
  ['coolant-tank', 1, 'crate 3'],
];
const LOW: readonly Line[] = [
  ['contactor-box-180', 1, 'crate 2'],
  ['service-switch', 1, 'crate 2'],
  ['bms-main', 1, 'crate 2'],
  ['inverter-130', 1, 'crate 1'],
  ['dcdc-12-low', 1, 'crate 2'],
  ['vcu', 1, 'crate 3'],
  ['throttle', 1, 'crate 3'],
  ['direction-switch', 1, 'crate 3'],
  ['display-round', 1, 'crate 3'],
  ['lv-loom', 1, 'crate 3'],
  ['lv-battery-12', 1, 'crate 3'],
  ['hv-label-set', 1, 'crate 2'],
  ['drawing-set', 1, 'folder'],
  ['clamp-set', 1, 'crate 3'],
  ['fixing-set', 1, 'crate 3'],
  ['blower-box', 2, 'crate 3'],
];
const AIR_COOLED = {
  moveCoolant: way('notNeeded', 'air-cooled'),
  chargeDc: way('notNeeded', 'air-cooled pack: short bursts only'),
  assistBrakes: way('notNeeded', 'unassisted brakes kept'),
  assistSteering: way('notNeeded', 'manual steering'),
};
const EXCLUSIONS = ['seats and trim', 'tyres', 'brakes and suspension beyond a look', 'approval fees'];

const WREN_LINES: readonly Line[] = [
  ...HIGH,
  ['module-n6', 14, 'crate 1'],
  ['drive-h80', 1, 'crate 1'],
  ['shaft-pair', 1, 'crate 1'],
  ['cradle-wren', 1, 'crate 1'],
  ['charger-33', 1, 'crate 2', { without: 'larger-charger' }],
  ['charger-66', 1, 'crate 2', { option: 'larger-charger' }],
  ['dcdc-12', 1, 'crate 2'],
  ['inlet-t2', 1, 'crate 2'],
  ['bms-sat-32', 3, 'crate 2'],
  ['cable-35', 1, 'crate 2'],
  ['box-wren-front', 1, 'crate 1'],
  ['box-wren-floor', 1, 'crate 1'],
  ['box-wren-rear', 1, 'crate 1'],
];
const WREN_COVER = {
  coolBattery: way('notNeeded', 'light duty, boxes outside'),
  chargeDc: way('notNeeded', 'overnight charging only'),
  assistBrakes: way('notNeeded', 'unassisted drums kept'),
  assistSteering: way('notNeeded', 'manual steering'),
};
const wrenStages = boltInStages({
  cradleNm: [62, 70],
  boxNm: [42, 48],
  rearBox: true,
  liquid: true,
  size: 1,
  fullV: 353,
});

type Body = Omit<KitRevision, 'kitId' | 'kitName' | 'modelName'>;
export interface DemoKit {
  readonly id: string;
  readonly name: string;
  readonly modelId: string;
  readonly revisions: readonly Body[];
}

export const KITS: readonly DemoKit[] = [
  {
    id: 'wren-kit',
    name: 'Wren front-drive kit',
    modelId: 'ostrel-wren',
    revisions: [
      {
        id: 'wren-kit-c',
        revision: 'C',
        state: 'released',
        lines: lines(WREN_LINES),
        options: [{ id: 'larger-charger', name: 'Larger charger, 6.6 kW' }],
        layout: {
          boxes: [
            { bay: 'front', modules: 4 },
            { bay: 'floor', modules: 6 },
            { bay: 'rear', modules: 4 },
          ],
          strings: 1,
        },
        torqueCapNm: null,
        gear: null,
        cover: WREN_COVER,
        exclusions: EXCLUSIONS,
        stages: wrenStages,
      },
      {
        id: 'wren-kit-d',
        revision: 'D',
        state: 'draft',
        lines: lines([
          ...WREN_LINES.filter(([id]) => id !== 'cradle-wren'),
          ['cradle-wren', 1, 'crate 1', { variantIds: ['wren-11'] }],
          ['cradle-wren-13', 1, 'crate 1', { variantIds: ['wren-13'] }],
        ]),
        options: [{ id: 'larger-charger', name: 'Larger charger, 6.6 kW' }],
        layout: {
          boxes: [
            { bay: 'front', modules: 4 },
            { bay: 'floor', modules: 6 },
            { bay: 'rear', modules: 4 },
          ],
          strings: 1,
        },
        torqueCapNm: null,
        gear: null,
        cover: WREN_COVER,
        exclusions: EXCLUSIONS,
        stages: wrenStages,
      },
    ],
  },
  {
    id: 'fourteen-kit',
    name: 'Fourteen underfloor kit',
    modelId: 'pellow-fourteen',
    revisions: [
      {
        id: 'fourteen-kit-b',
        revision: 'B',
        state: 'released',
        lines: lines([
          ...HIGH,
          ['module-n6', 16, 'crate 1'],
          ['drive-shaft-110', 1, 'crate 1'],
          ['inverter-400', 1, 'crate 1'],
          ['prop-shaft', 1, 'crate 1'],
          ['cradle-fourteen', 1, 'crate 1'],
          ['combined-66', 1, 'crate 2'],
          ['inlet-t2', 1, 'crate 2'],
          ['bms-sat-18', 6, 'crate 2'],
          ['cable-50', 1, 'crate 2'],
          ['vacuum-pump', 1, 'crate 3'],
          ['battery-plate', 1, 'crate 2'],
          ['box-fourteen-seat', 1, 'crate 1'],
          ['box-fourteen-floor', 1, 'crate 1'],
          ['box-fourteen-tail', 1, 'crate 1', { option: 'tail-box' }],
        ]),
        options: [{ id: 'tail-box', name: 'Tail box, four more modules' }],
        layout: {
          boxes: [
            { bay: 'under front seats', modules: 6 },
            { bay: 'under floor', modules: 10 },
          ],
          strings: 1,
        },
        torqueCapNm: null,
        gear: null,
        cover: {
          chargeDc: way('notNeeded', 'overnight charging only'),
          assistSteering: way('notNeeded', 'manual steering'),
        },
        exclusions: EXCLUSIONS,
        stages: boltInStages({
          cradleNm: [85, 95],
          boxNm: [48, 54],
          rearBox: true,
          liquid: true,
          size: 1.25,
          fullV: 403,
        }),
      },
    ],
  },
  {
    id: 'lantern-kit',
    name: 'Lantern rear kit',
    modelId: 'pellow-lantern',
    revisions: [
      {
        id: 'lantern-kit-a',
        revision: 'A',
        state: 'released',
        lines: lines([
          ...LOW,
          ['module-f8', 5, 'crate 1'],
          ['motor-m35', 1, 'crate 1'],
          ['adapter-lantern', 1, 'crate 1'],
          ['cradle-lantern', 1, 'crate 1'],
          ['charger-130', 1, 'crate 2'],
          ['inlet-t2-16', 1, 'crate 2'],
          ['bms-sat-32', 2, 'crate 2'],
          ['cable-50', 1, 'crate 2'],
          ['heater-12', 1, 'crate 3', { option: 'heater' }],
          ['box-lantern-nose', 1, 'crate 1'],
          ['box-lantern-seats', 1, 'crate 1'],
        ]),
        options: [{ id: 'heater', name: 'Cabin heater 1.2 kW' }],
        layout: {
          boxes: [
            { bay: 'nose', modules: 2 },
            { bay: 'behind seats', modules: 3 },
          ],
          strings: 1,
        },
        torqueCapNm: null,
        gear: 3,
        cover: { ...AIR_COOLED, heatCabin: way('notNeeded', 'open car'), demist: way('notNeeded', 'open car') },
        exclusions: EXCLUSIONS,
        stages: boltInStages({
          cradleNm: [44, 50],
          boxNm: [24, 28],
          rearBox: true,
          liquid: false,
          size: 0.8,
          fullV: 146,
        }),
      },
    ],
  },
  {
    id: 'fell-package',
    name: 'Fell transfer-case package',
    modelId: 'hollin-fell',
    revisions: [
      {
        id: 'fell-package-a',
        revision: 'A',
        state: 'released',
        lines: lines([
          ...HIGH,
          ['module-n6', 14, 'crate 1'],
          ['motor-m95', 1, 'crate 1'],
          ['inverter-400', 1, 'crate 1'],
          ['adapter-fell', 1, 'crate 1'],
          ['cradle-fell', 1, 'crate 1'],
          ['charger-66', 1, 'crate 2'],
          ['dcdc-24', 1, 'crate 2', { variantIds: ['fell-hard'] }],
          ['dcdc-12', 1, 'crate 2', { variantIds: ['fell-canvas'] }],
          ['inlet-t2', 1, 'crate 2'],
          ['bms-sat-18', 5, 'crate 2'],
          ['cable-50', 1, 'crate 2'],
          ['vacuum-pump', 1, 'crate 3'],
          ['box-fell-bonnet', 1, 'crate 1'],
          ['box-fell-bed', 1, 'crate 1'],
        ]),
        options: [],
        layout: {
          boxes: [
            { bay: 'bonnet', modules: 6 },
            { bay: 'rear bed', modules: 8 },
          ],
          strings: 1,
        },
        torqueCapNm: null,
        gear: 2,
        cover: {
          coolBattery: way('made', 'ducted air from the cab'),
          chargeDc: way('notNeeded', 'station stands on mains'),
          assistSteering: way('notNeeded', 'manual steering'),
        },
        exclusions: EXCLUSIONS,
        stages: boltInStages({
          cradleNm: [70, 80],
          boxNm: [44, 52],
          rearBox: true,
          liquid: true,
          size: 1.3,
          fullV: 353,
        }),
      },
    ],
  },
  {
    id: 'packet-package',
    name: 'Packet in-line package',
    modelId: 'corvane-packet',
    revisions: [
      {
        id: 'packet-package-a',
        revision: 'A',
        state: 'released',
        lines: lines([
          ...HIGH,
          ['module-n6', 16, 'crate 1'],
          ['drive-shaft-125', 1, 'crate 1'],
          ['inverter-400', 1, 'crate 1'],
          ['prop-shaft', 1, 'crate 1'],
          ['cradle-packet', 1, 'crate 1'],
          ['charger-110', 1, 'crate 2'],
          ['dcdc-12', 1, 'crate 2'],
          ['inlet-t2', 1, 'crate 2'],
          ['bms-sat-18', 6, 'crate 2'],
          ['cable-70', 1, 'crate 2'],
          ['vacuum-pump', 1, 'crate 3'],
          ['box-packet-side', 2, 'crate 1'],
        ]),
        options: [],
        layout: {
          boxes: [
            { bay: 'frame left', modules: 8 },
            { bay: 'frame right', modules: 8 },
          ],
          strings: 1,
        },
        torqueCapNm: null,
        gear: null,
        cover: {
          coolBattery: way('made', 'side boxes stand in the wind'),
          chargeDc: way('notNeeded', 'depot charging'),
        },
        exclusions: EXCLUSIONS,
        stages: boltInStages({
          cradleNm: [90, 104],
          boxNm: [60, 68],
          rearBox: true,
          liquid: true,
          size: 1.5,
          fullV: 403,
        }),
      },
    ],
  },
];
