import { type FigureAbout, figure } from '../figure.ts';
import { ladenLoads } from './ladenLoads.ts';
import { massItems } from './massItems.ts';
import { unladenLoads } from './unladenLoads.ts';

const MOMENTS = 'moments about the front axle line';

/** Change in unladen mass: what goes in less what comes out. */
export const addedMass = figure({
  id: 'addedMass',
  name: 'Change in mass',
  group: 'weight',
  kind: 'mass',
  needs: { massItems },
  compute: ({ massItems: items }) => {
    const changes = items.slice(2);
    return {
      value: changes.reduce((sum, item) => sum + item.massKg, 0),
      formula: 'Σ parts in − Σ parts out',
      terms: changes.map(({ name, massKg }) => ({ symbol: name, value: massKg, kind: 'mass' as const })),
      source: 'component sheets, library masses of parts taken out',
    };
  },
});

export const unladenMass = figure({
  id: 'unladenMass',
  name: 'Mass, unladen',
  group: 'weight',
  kind: 'mass',
  needs: { unladenLoads },
  compute: ({ unladenLoads: loads }) => ({
    value: loads.totalKg,
    formula: 'front axle + rear axle',
    terms: [
      { symbol: 'front axle', value: loads.frontKg, kind: 'mass' },
      { symbol: 'rear axle', value: loads.rearKg, kind: 'mass' },
    ],
    source: MOMENTS,
  }),
});

export const frontAxleNow = figure({
  id: 'frontAxleNow',
  name: 'Front axle, unladen',
  group: null,
  kind: 'mass',
  needs: { unladenLoads },
  compute: ({ unladenLoads: loads }, _slots, read) => ({
    value: loads.frontKg,
    formula: 'front = Σ m − Σ m·x ÷ wheelbase',
    terms: [
      { symbol: 'Σ m', value: loads.totalKg, kind: 'mass' },
      { symbol: 'x of the mass centre', value: loads.centreXMm, kind: 'length' },
      { symbol: 'wheelbase', value: read('wheelbase'), kind: 'length' },
    ],
    source: MOMENTS,
  }),
});

export const rearAxleNow = figure({
  id: 'rearAxleNow',
  name: 'Rear axle, unladen',
  group: null,
  kind: 'mass',
  needs: { unladenLoads },
  compute: ({ unladenLoads: loads }, _slots, read) => ({
    value: loads.rearKg,
    formula: 'rear = Σ m·x ÷ wheelbase',
    terms: [
      { symbol: 'Σ m', value: loads.totalKg, kind: 'mass' },
      { symbol: 'x of the mass centre', value: loads.centreXMm, kind: 'length' },
      { symbol: 'wheelbase', value: read('wheelbase'), kind: 'length' },
    ],
    source: MOMENTS,
  }),
});

export const frontShare = figure({
  id: 'frontShare',
  name: 'Front share',
  group: 'weight',
  kind: 'share',
  needs: { unladenLoads },
  compute: ({ unladenLoads: loads }) => ({
    value: loads.frontShare,
    formula: 'front axle ÷ both axles, unladen',
    terms: [
      { symbol: 'front axle', value: loads.frontKg, kind: 'mass' },
      { symbol: 'both axles', value: loads.totalKg, kind: 'mass' },
    ],
    source: MOMENTS,
  }),
});

/** Front share before the conversion: what the school "as the maker had it" aims at. */
export const frontShareBefore = figure({
  id: 'frontShareBefore',
  name: 'Front share before',
  group: 'weight',
  kind: 'share',
  reads: ['vehicle'],
  compute: (_, __, read) => {
    const front = read('frontAxleMass');
    const rear = read('rearAxleMass');
    return {
      value: front / (front + rear),
      formula: 'front axle before ÷ both axles before',
      terms: [
        { symbol: 'front axle before', value: front, kind: 'mass' },
        { symbol: 'rear axle before', value: rear, kind: 'mass' },
      ],
      source: 'weighing or library',
    };
  },
});

function laden(about: FigureAbout, read: 'frontKg' | 'rearKg' | 'totalKg', formula: string) {
  return figure({
    ...about,
    kind: 'mass',
    needs: { ladenLoads },
    reads: ['use'],
    compute: ({ ladenLoads: loads }, { use: how }) => ({
      value: loads[read],
      formula,
      terms: [
        { symbol: 'unladen', value: loads.totalKg - how.payloadKg - (how.trailer?.ballKg ?? 0), kind: 'mass' as const },
        { symbol: 'load', value: how.payloadKg, kind: 'mass' as const },
        ...(how.trailer ? [{ symbol: 'on the tow ball', value: how.trailer.ballKg, kind: 'mass' as const }] : []),
      ],
      source: `${MOMENTS}; place of the load by body, common practice`,
    }),
  });
}

export const grossMassNow = laden(
  { id: 'grossMassNow', name: 'Mass, laden', group: 'weight' },
  'totalKg',
  'unladen mass + load',
);
export const frontAxleLaden = laden(
  { id: 'frontAxleLaden', name: 'Front axle, laden', group: 'weight' },
  'frontKg',
  'front axle with the load on board',
);
export const rearAxleLaden = laden(
  { id: 'rearAxleLaden', name: 'Rear axle, laden', group: 'weight' },
  'rearKg',
  'rear axle with the load on board',
);
