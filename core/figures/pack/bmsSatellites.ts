import { satelliteCount } from '../../pack/satellites.ts';
import { figure, missing } from '../figure.ts';

export const bmsSatellites = figure({
  id: 'bmsSatellites',
  name: 'BMS satellites',
  group: 'pack',
  kind: 'count',
  reads: ['pack'],
  compute: (_, { pack }) => {
    if (pack.boxes.length === 0) return missing(pack.module ? 'noModules' : 'noModule');
    if (pack.boxes.some((box) => box.module === null)) return missing('noModule');
    const channels = pack.boxes.map((box) => box.modules * box.module!.sheet.channels);
    return {
      value: satelliteCount(channels, pack.satelliteChannels),
      formula: 'Σ over boxes of (channels in box ÷ channels per satellite), each rounded up',
      terms: [
        ...pack.boxes.map((box, i) => ({
          symbol: `channels, ${box.bay.name}`,
          value: channels[i]!,
          kind: 'count' as const,
        })),
        { symbol: 'channels per satellite', value: pack.satelliteChannels, kind: 'count' as const },
      ],
      source: 'common practice: satellites are not shared between boxes',
    };
  },
});
