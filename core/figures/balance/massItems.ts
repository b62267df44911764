import type { MassItem } from '../../balance/axleLoads.ts';
import { interim, missing } from '../figure.ts';

/** Every mass of the finished vehicle, unladen: the vehicle as weighed or by the library, less what comes out, plus what goes in. */
export const massItems = interim({
  id: 'massItems',
  reads: ['vehicle', 'pack', 'added'],
  compute: (_, { vehicle, pack, added }, read) => {
    const wheelbase = read('wheelbase');
    const track = read('track');
    const corners = vehicle.weighing;
    // Where an axle's own mass sits across the vehicle: known from the corner weights, else taken as the middle.
    const lean = (axle: 'front' | 'rear') => {
      if (!corners) return 0;
      const left = axle === 'front' ? corners.frontLeftKg : corners.rearLeftKg;
      const right = axle === 'front' ? corners.frontRightKg : corners.rearRightKg;
      return (((right - left) / (right + left)) * track) / 2;
    };
    const items: MassItem[] = [
      { name: 'front axle before', massKg: read('frontAxleMass'), xMm: 0, yMm: lean('front') },
      { name: 'rear axle before', massKg: read('rearAxleMass'), xMm: wheelbase, yMm: lean('rear') },
    ];
    const stripped = vehicle.weighing?.state === 'stripped';
    if (!stripped) {
      for (const { name, massKg, xMm, yMm } of vehicle.variant.removed)
        items.push({ name: `${name} out`, massKg: -massKg, xMm, yMm: yMm ?? 0 });
    }
    if (pack.boxes.some((box) => box.outer === null && pack.module)) return missing('boxTooFull');
    for (const box of pack.boxes)
      items.push({ box: true, name: `box, ${box.bay.name}`, massKg: box.massKg, xMm: box.xMm, yMm: box.yMm });
    items.push(...added);
    return {
      value: items as readonly MassItem[],
      formula: '',
      terms: [],
      source: 'weighing or library, component sheets',
    };
  },
});
