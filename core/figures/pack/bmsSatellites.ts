import { satelliteCount } from '../../pack/satellites.ts';
import { figure, missing } from '../figure.ts';

export const bmsSatellites = figure({
  id: 'bmsSatellites',
  kind: 'count',
  reads: ['pack'],
  compute: (_, { pack }) => {
    const channels = pack.module?.sheet.channels;
    if (channels === undefined) return missing('noModule');
    if (pack.boxes.length === 0) return missing('noModules');
    return {
      value: satelliteCount(
        pack.boxes.map((box) => box.modules * channels),
        pack.satelliteChannels,
      ),
      formula: 'Σ over boxes of (channels in box ÷ channels per satellite), each rounded up',
      terms: [
        ...pack.boxes.map((box) => ({
          symbol: `channels, ${box.bay.name}`,
          value: box.modules * channels,
          kind: 'count' as const,
        })),
        { symbol: 'channels per satellite', value: pack.satelliteChannels, kind: 'count' as const },
      ],
      source: 'common practice: satellites are not shared between boxes',
    };
  },
});
