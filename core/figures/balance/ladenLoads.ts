import { axleLoads } from '../../balance/axleLoads.ts';
import { interim } from '../figure.ts';
import { massItems } from './massItems.ts';

/** Where a load sits, as a share of the wheelbase behind the front axle, by body; common practice. */
const LOAD_PLACE = { van: 0.75, bus: 0.55, lorry: 0.8, fourByFour: 0.7, tug: 0.5, open: 0.5 } as const;

/** Axle loads with the usual load of the brief on board. */
export const ladenLoads = interim({
  id: 'ladenLoads',
  needs: { massItems },
  reads: ['use', 'vehicle'],
  compute: ({ massItems: items }, { use: how, vehicle }, read) => {
    const wheelbase = read('wheelbase');
    const load = { name: 'load', massKg: how.payloadKg, xMm: wheelbase * LOAD_PLACE[vehicle.variant.shape.style] };
    // A tow ball sits at the tail; what of the trailer rests on it counts to the vehicle.
    const { trailer = null } = how;
    const ball = trailer
      ? [{ name: 'tow ball', massKg: trailer.ballKg, xMm: read('length') - vehicle.variant.shape.frontOverhangMm }]
      : [];
    return {
      value: axleLoads([...items, load, ...ball], wheelbase),
      formula: '',
      terms: [],
      source: 'moments about the front axle line',
    };
  },
});
