import type { SheetOf } from './field.ts';
import type { KINDS } from './kinds/index.ts';

/** What a component's sheet states, by kind; masses, sizes and prices stand on the component itself. */
export type SheetByKind = { readonly [K in keyof typeof KINDS]: SheetOf<(typeof KINDS)[K]> };
export type ModuleSheet = SheetByKind['module'];
export type DriveSheet = SheetByKind['drive'];
export type ChargerSheet = SheetByKind['charger'];
export type CradleSheet = SheetByKind['cradle'];
export type AdapterSheet = SheetByKind['adapter'];

export interface VoltageWindow {
  readonly minV: number;
  readonly maxV: number;
}

export type ComponentKind = keyof SheetByKind;

export interface ComponentBase {
  readonly id: string;
  readonly name: string;
  readonly supplier: string;
  readonly massKg: number;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly priceCents: number;
  readonly leadDays: number;
  /** The supplier's own number for it. @default '' */
  readonly partNumber?: string;
  /** ISO day its price was known on; null or absent: nobody has said. */
  readonly pricedOn?: string | null;
  /** Ids of components that do instead. @default [] */
  readonly alternatives?: readonly string[];
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
const WINDOW_KINDS = [
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
