import { figure, missing } from '../figure.ts';

/** Holes that would have to be drilled: cradle picks that find no mounting point of this variant. */
export const newHoles = figure({
  id: 'newHoles',
  name: 'New holes',
  group: null,
  kind: 'count',
  reads: ['kit'],
  compute: (_, { kit }) => {
    if (kit.newHoles === null) return missing('noKit');
    return {
      value: kit.newHoles,
      formula: 'cradle picks without a mounting point of this variant within slot travel',
      terms: [],
      source: 'cradle sheet against the variant’s mounting points',
    };
  },
});
