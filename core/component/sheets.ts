import type { RateCurve } from '../charge/dcCharge.ts';
import type { EfficiencyMap } from '../drive/efficiency.ts';
import type { CurvePoint } from '../drive/motorCurve.ts';

/** What a component sheet states per kind. Masses, sizes and prices stand on the component itself. */
export interface ModuleSheet {
  readonly chemistry: 'NMC' | 'LFP';
  readonly cellsSeries: number;
  readonly cellsParallel: number;
  readonly capacityAh: number;
  readonly minV: number;
  readonly nominalV: number;
  readonly maxV: number;
  readonly continuousA: number;
  readonly peakA: number;
  readonly resistanceOhm: number;
  readonly channels: number;
  /** Charging rates by state of charge where the maker states them. */
  readonly rates?: RateCurve;
}

export interface DriveSheet {
  readonly minV: number;
  readonly maxV: number;
  readonly peakTorqueNm: number;
  readonly continuousTorqueNm: number;
  readonly peakPowerW: number;
  readonly continuousPowerW: number;
  readonly maxRpm: number;
  /** Reduction inside the unit; 1 for a bare motor. */
  readonly ownRatio: number;
  /** Motor and inverter together, 0..1. */
  readonly efficiency: number;
  readonly maxCurrentA: number;
  readonly hasInverter: boolean;
  /** What it turns: half shafts (own differential), the propeller shaft, or the kept gearbox's input. */
  readonly output: 'halfShafts' | 'propShaft' | 'gearboxInput';
  readonly spline: string;
  readonly boltPattern: string;
  /** Pack voltage at which torque curve and peak power are stated; without it they hold at any voltage in the window. */
  readonly ratedV?: number;
  readonly curve?: readonly CurvePoint[];
  readonly efficiencyMap?: EfficiencyMap;
  /** Capacitance of the inverter's link, µF, where the inverter is built in. */
  readonly linkUf?: number;
}

export interface VoltageWindow {
  readonly minV: number;
  readonly maxV: number;
}

export interface ChargerSheet extends VoltageWindow {
  /** Rated power drawn from the supply, W. */
  readonly powerW: number;
  readonly phases: 1 | 3;
  readonly maxAmps: number;
  readonly efficiency: number;
}

export interface CradleSheet {
  /** Mounting points of the vehicle it picks up, by name, where the holes sit, and how far the slots let it slide. */
  readonly picks: readonly {
    readonly point: string;
    readonly xMm: number;
    readonly yMm: number;
    readonly zMm: number;
    readonly slotMm: number;
    readonly thread: string;
  }[];
}

export interface AdapterSheet {
  readonly fromSpline: string;
  readonly fromBoltPattern: string;
  readonly toSpline: string;
  readonly toBoltPattern: string;
}

export interface SheetByKind {
  module: ModuleSheet;
  drive: DriveSheet;
  inverter: VoltageWindow & { readonly maxCurrentA: number; readonly linkUf?: number };
  charger: ChargerSheet;
  combinedUnit: ChargerSheet & { readonly dcdcA: number; readonly lowVoltageV: number };
  dcdc: VoltageWindow & { readonly outputA: number; readonly lowVoltageV: number };
  heater: VoltageWindow & { readonly powerW: number };
  contactorBox: VoltageWindow & { readonly continuousA: number; readonly peakA: number };
  hvPump: VoltageWindow & { readonly powerW: number };
  box: { readonly holds: number; readonly bay: string };
  cradle: CradleSheet;
  adapter: AdapterSheet;
  bmsMain: { readonly maxSatellites: number };
  bmsSatellite: { readonly channels: number };
  inlet: {
    readonly standard: string;
    readonly maxAmps: number;
    readonly phases: 1 | 3;
    readonly dc: boolean;
    readonly openingMm: number;
  };
  cable: { readonly sectionMm2: number; readonly outsideMm: number; readonly continuousA: number };
  fuse: { readonly ratedA: number; readonly maxV: number; readonly breakingA: number };
  resistor: { readonly ohm: number; readonly pulseJ: number; readonly peakW: number };
  coolantPump: { readonly litresPerMin: number; readonly powerW: number };
  radiator: { readonly heatW: number };
  lvBattery: { readonly capacityAh: number; readonly lowVoltageV: 12 | 24 };
  other: Record<string, never>;
}

export type ComponentKind = keyof SheetByKind;

interface ComponentBase {
  readonly id: string;
  readonly name: string;
  readonly supplier: string;
  readonly massKg: number;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly priceCents: number;
  readonly leadDays: number;
  /** Vehicle functions (trade §6.2) that this component covers. */
  readonly covers: readonly string[];
  /** Live parts inside: drawn in the high-voltage colour. */
  readonly highVoltage: boolean;
}

export type ComponentOf<K extends ComponentKind> = ComponentBase & { readonly kind: K; readonly sheet: SheetByKind[K] };
export type Component = { [K in ComponentKind]: ComponentOf<K> }[ComponentKind];

/** Narrows a component to a kind; null when it is missing or another kind. */
export function componentAs<K extends ComponentKind>(component: Component | undefined, kind: K): ComponentOf<K> | null {
  return component?.kind === kind ? (component as unknown as ComponentOf<K>) : null;
}

/** Kinds with a high-voltage window that the pack must stay inside. */
export const WINDOW_KINDS = [
  'drive',
  'inverter',
  'charger',
  'combinedUnit',
  'dcdc',
  'heater',
  'contactorBox',
  'hvPump',
] as const;

/** The voltage window of a high-voltage component, or null for one that has none. */
export function voltageWindow(component: Component): VoltageWindow | null {
  return (WINDOW_KINDS as readonly string[]).includes(component.kind) ? (component.sheet as VoltageWindow) : null;
}
