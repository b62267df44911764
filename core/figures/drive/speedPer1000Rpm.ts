import { kmhPer1000Rpm } from '../../drive/pull.ts';
import { figure } from '../figure.ts';
import { gearing } from './gearing.ts';

export const speedPer1000Rpm = figure({
  id: 'speedPer1000Rpm',
  name: 'Road speed per 1000 rpm',
  group: 'driveline',
  kind: 'speed',
  needs: { gearing },
  compute: ({ gearing: g }) => ({
    value: kmhPer1000Rpm(g),
    formula: 'v = 2π·r·1000 ÷ 60 ÷ i',
    terms: [
      { symbol: 'r', value: g.wheelRadiusM * 1000, kind: 'length' },
      { symbol: 'i', value: g.ratio, kind: 'ratio' },
    ],
    source: 'geometry; tyre diameter by ETRTO / ISO 4000-1, rolling radius 0.97 of half of it',
  }),
});
