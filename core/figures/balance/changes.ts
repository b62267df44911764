import { rightLoad } from '../../balance/axleLoads.ts';
import { figure } from '../figure.ts';
import { ladenLoads } from './ladenLoads.ts';
import { unladenLoads } from './unladenLoads.ts';

/** Change of one axle against the vehicle before, as a share: over a tenth the ride height wants looking at. */
function change(id: string, axle: 'front' | 'rear') {
  return figure({
    id,
    kind: 'share',
    needs: { unladenLoads },
    compute: ({ unladenLoads: loads }, _slots, use) => {
      const before = use(axle === 'front' ? 'frontAxleMass' : 'rearAxleMass');
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

export const frontAxleChange = change('frontAxleChange', 'front');
export const rearAxleChange = change('rearAxleChange', 'rear');

/** Share of the mass on the right-hand wheels. */
export const rightShare = figure({
  id: 'rightShare',
  kind: 'share',
  needs: { unladenLoads },
  compute: ({ unladenLoads: loads }, _slots, use) => {
    const track = use('track');
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
  id: string,
  read: 'frontKg' | 'rearKg' | 'totalKg',
  rating: 'frontAxleRating' | 'rearAxleRating' | 'grossMass',
) {
  return figure({
    id,
    kind: 'mass',
    needs: { ladenLoads },
    compute: ({ ladenLoads: loads }, _slots, use) => ({
      value: use(rating) - loads[read],
      formula: 'rating − laden',
      terms: [
        { symbol: 'rating', value: use(rating), kind: 'mass' },
        { symbol: 'laden', value: loads[read], kind: 'mass' },
      ],
      source: 'plate; moments about the front axle line',
    }),
  });
}

export const frontAxleMargin = margin('frontAxleMargin', 'frontKg', 'frontAxleRating');
export const rearAxleMargin = margin('rearAxleMargin', 'rearKg', 'rearAxleRating');
export const grossMargin = margin('grossMargin', 'totalKg', 'grossMass');
