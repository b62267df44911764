import type { Component, ComponentKind, ComponentOf, SheetByKind } from '../component/sheets.ts';
import type { Shelf } from '../figures/slots.ts';

/** What all made-up components of the tests share. */
export const PART = { supplier: 'S', priceCents: 30_000, leadDays: 10, covers: [], highVoltage: true };

/** A component of a kind in one line: 1 kg, 100 mm each way. */
export const fitting = <K extends ComponentKind>(kind: K, name: string, sheet: SheetByKind[K]): ComponentOf<K> =>
  ({
    ...PART,
    id: name.toLowerCase().replace(/ /g, '-'),
    kind,
    name,
    massKg: 1,
    lengthMm: 100,
    widthMm: 100,
    heightMm: 100,
    sheet,
  }) as ComponentOf<K>;

export const LV_BATTERY = fitting('lvBattery', 'LV battery', { capacityAh: 45, lowVoltageV: 12 });

export const SHELF: Shelf = {
  cables: [
    fitting('cable', 'Cable 35', { sectionMm2: 35, outsideMm: 14, continuousA: 180 }),
    fitting('cable', 'Cable 16', { sectionMm2: 16, outsideMm: 10, continuousA: 110 }),
    fitting('cable', 'Cable 70', { sectionMm2: 70, outsideMm: 18, continuousA: 285 }),
  ],
  fuses: [
    fitting('fuse', 'Fuse 250', { ratedA: 250, maxV: 500, breakingA: 20_000 }),
    fitting('fuse', 'Fuse 100', { ratedA: 100, maxV: 500, breakingA: 20_000 }),
    fitting('fuse', 'Fuse 20', { ratedA: 20, maxV: 500, breakingA: 20_000 }),
  ],
  resistors: [
    fitting('resistor', 'Resistor 100', { ohm: 100, pulseJ: 400, peakW: 20_000 }),
    fitting('resistor', 'Resistor 470', { ohm: 470, pulseJ: 300, peakW: 5000 }),
  ],
  radiators: [fitting('radiator', 'Radiator 8', { heatW: 8000 })],
  pumps: [fitting('coolantPump', 'Pump 15', { litresPerMin: 15, powerW: 45 })],
  heaters: [fitting('heater', 'Heater 3', { minV: 150, maxV: 420, powerW: 3000 })],
  converters: [fitting('dcdc', 'Converter 110', { minV: 150, maxV: 430, outputA: 110, lowVoltageV: 12 })],
};

export const shelfMap = (): Map<string, Component> =>
  new Map(
    Object.values(SHELF)
      .flat()
      .map((part) => [part.id, part as Component]),
  );
