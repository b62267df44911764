import type { Component } from '../component/sheets.ts';
import { createSheet } from '../figures/evaluate.ts';
import type { Slots } from '../figures/slots.ts';
import { cradleSlides } from '../fit/cradleSlide.ts';
import type { Finding, FitContext, FitRule } from '../fit/finding.ts';
import type { KitPart, KitRevision } from '../kit/kit.ts';
import type { Variant } from '../vehicle/variant.ts';
import { DRIVE, slots, VEHICLE } from './wren.ts';

/** A part of a kind with what a rule reads of its sheet. */
export const part = (kind: string, sheet: object, more: object = {}): KitPart => ({
  component: { ...DRIVE, id: kind, name: kind, covers: [], kind, sheet, ...more } as unknown as Component,
  quantity: 1,
  packedIn: '',
});

interface On extends Partial<Omit<FitContext, 'vehicle' | 'sheet'>> {
  readonly variant?: Partial<Variant>;
  readonly on?: Slots;
}
/** The design that rules are tried on. */
export const ON = slots();

/** What a rule finds of these parts on this variant, with this design. */
export function found(rule: FitRule, { variant = {}, on = ON, parts = [], ...rest }: On = {}): Finding[] {
  const vehicle = { ...VEHICLE, variant: { ...VEHICLE.variant, ...variant } };
  return rule.judge({
    vehicle,
    sheet: createSheet({ ...on, vehicle }),
    revision: { stages: [] } as unknown as KitRevision,
    parts,
    cover: {},
    reversibleFirm: false,
    axleShare: null,
    slides: cradleSlides(vehicle.variant, vehicle.figures.wheelbase.value, parts, on.pack.boxes),
    options: [],
    library: new Map(),
    region: null,
    ...rest,
  });
}
