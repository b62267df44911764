import { figure, missing } from '../figure.ts';

/** Room that a box takes from the luggage, l: its outside, where it has one. */
const takes = (outer: { lengthMm: number; widthMm: number; heightMm: number }) =>
  (outer.lengthMm * outer.widthMm * outer.heightMm) / 1e6;

/** Luggage room the maker left, l. */
export const luggageBefore = figure({
  id: 'luggageBefore',
  name: 'Luggage before',
  group: null,
  kind: 'volume',
  reads: ['vehicle'],
  compute: (_, { vehicle: { variant } }) => {
    if (!variant.luggage) return missing('noLuggage');
    return {
      value: variant.luggage.reduce((sum, { litres }) => sum + litres, 0),
      formula: 'Σ places where luggage goes',
      terms: variant.luggage.map(({ name, litres }) => ({ symbol: name, value: litres, kind: 'volume' as const })),
      source: 'the model, as its maker left it',
    };
  },
});

/** Luggage room left with the boxes in, l. A place loses what the box in its bay takes outside, at most all of it. */
export const luggage = figure({
  id: 'luggage',
  name: 'Luggage',
  group: 'weight',
  kind: 'volume',
  reads: ['vehicle', 'pack'],
  compute: (_, { vehicle: { variant }, pack }) => {
    if (!variant.luggage) return missing('noLuggage');
    const places = variant.luggage.map(({ name, litres, bay }) => {
      const boxes = pack.boxes.filter((box) => bay !== undefined && box.bay.key === bay);
      if (boxes.some(({ outer, modules }) => outer === null && modules > 0)) return { name, left: null };
      return {
        name,
        left: Math.max(0, litres - boxes.reduce((sum, { outer }) => sum + (outer ? takes(outer) : 0), 0)),
      };
    });
    if (places.some(({ left }) => left === null)) return missing('boxTooFull');
    return {
      value: places.reduce((sum, { left }) => sum + left!, 0),
      formula: 'Σ max(0, room of the place − outside of the box in its bay)',
      terms: places.map(({ name, left }) => ({ symbol: name, value: left!, kind: 'volume' as const })),
      source: 'luggage places of the model against the boxes; what is lost round a box is not counted',
    };
  },
});
