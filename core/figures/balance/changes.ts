import { rightLoad } from '../../balance/axleLoads.ts';
import { type FigureAbout, figure } from '../figure.ts';
import { ladenLoads } from './ladenLoads.ts';
import { unladenLoads } from './unladenLoads.ts';

/** Change of one axle against the vehicle before, as a share: over a tenth the ride height wants looking at. */
function change(about: FigureAbout, axle: 'front' | 'rear') {
  return figure({
    ...about,
    kind: 'share',
    needs: { unladenLoads },
    compute: ({ unladenLoads: loads }, _slots, read) => {
      const before = read(axle === 'front' ? 'frontAxleMass' : 'rearAxleMass');
      const now = axle === 'front' ? loads.frontKg : loads.rearKg;
      return {
        value: now / before - 1,
        formula: `${axle} axle now ÷ before − 1`,
        terms: [
          { symbol: 'now', value: now, kind: 'mass' },
          { symbol: 'before', value: before, kind: 'mass' },
        ],
        source: 'moments about the front axle line; weighing or library',
      };
    },
  });
}

export const frontAxleChange = change(
  { id: 'frontAxleChange', name: 'Front axle against before', group: 'weight' },
  'front',
);
export const rearAxleChange = change(
  { id: 'rearAxleChange', name: 'Rear axle against before', group: 'weight' },
  'rear',
);

/** Share of the mass on the right-hand wheels. */
export const rightShare = figure({
  id: 'rightShare',
  name: 'Share on the right wheels',
  group: 'weight',
  kind: 'share',
  needs: { unladenLoads },
  compute: ({ unladenLoads: loads }, _slots, read) => {
    const track = read('track');
    return {
      value: rightLoad(loads, track) / loads.totalKg,
      formula: 'Σ m·(y + track ÷ 2) ÷ track ÷ Σ m',
      terms: [
        { symbol: 'mass centre right of the middle', value: loads.centreYMm, kind: 'length' },
        { symbol: 'track', value: track, kind: 'length' },
        { symbol: 'Σ m', value: loads.totalKg, kind: 'mass' },
      ],
      source: 'moments about the left wheels; without corner weights the vehicle itself is taken as even',
    };
  },
});

/** What is left to a rating with the usual load; negative is over. */
function margin(
  about: FigureAbout,
  load: 'frontKg' | 'rearKg' | 'totalKg',
  rating: 'frontAxleRating' | 'rearAxleRating' | 'grossMass',
) {
  return figure({
    ...about,
    kind: 'mass',
    needs: { ladenLoads },
    compute: ({ ladenLoads: loads }, _slots, read) => ({
      value: read(rating) - loads[load],
      formula: 'rating − laden',
      terms: [
        { symbol: 'rating', value: read(rating), kind: 'mass' },
        { symbol: 'laden', value: loads[load], kind: 'mass' },
      ],
      source: 'plate; moments about the front axle line',
    }),
  });
}

export const frontAxleMargin = margin(
  { id: 'frontAxleMargin', name: 'Front axle, left to its rating', group: 'weight' },
  'frontKg',
  'frontAxleRating',
);
export const rearAxleMargin = margin(
  { id: 'rearAxleMargin', name: 'Rear axle, left to its rating', group: 'weight' },
  'rearKg',
  'rearAxleRating',
);
export const grossMargin = margin(
  { id: 'grossMargin', name: 'Left to the plate, laden', group: 'weight' },
  'totalKg',
  'grossMass',
);
