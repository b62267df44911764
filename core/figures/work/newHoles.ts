import { figure, missing } from '../figure.ts';

/**
 * Places where metal is worked on: cradle picks that find no mounting point of this variant, or what the register of the
 * vehicle tells already, whichever is more. A hole that was planned and is drilled now is one hole.
 */
export const newHoles = figure({
  id: 'newHoles',
  name: 'Holes and cuts',
  group: null,
  kind: 'count',
  reads: ['kit'],
  compute: (_, { kit }) => {
    const registered = kit.registered ?? 0;
    if (kit.newHoles === null && registered === 0) return missing('noKit');
    return {
      value: Math.max(kit.newHoles ?? 0, registered),
      formula: 'the larger of: picks without a mounting point within slot travel; holes, cuts, welds on the register',
      terms: [
        ...(kit.newHoles === null ? [] : [{ symbol: 'by the kit', value: kit.newHoles, kind: 'count' as const }]),
        { symbol: 'on the register', value: registered, kind: 'count' },
      ],
      source: 'cradle sheet against the variant’s mounting points; the register of this vehicle',
    };
  },
});
