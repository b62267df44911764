import type { Finding, FitRule } from '../finding.ts';

/** Hours to find a place for a radiator where there never was one, with its ducts and hoses; common practice. */
const PLACE_HOURS = 4;

/** A water-cooled drive on a vehicle that never had a radiator: the kit brings one, and a place for it has to be found. */
export const heatAway: FitRule = {
  id: 'heatAway',
  judge: ({ vehicle, parts }): Finding[] => {
    const water = parts.some(
      ({ component }) => component.kind === 'coolantPump' || component.covers.includes('moveCoolant'),
    );
    if (vehicle.variant.cooling !== 'air' || !water) return [];
    const radiator = parts.find(({ component }) => component.kind === 'radiator');
    return [
      {
        rule: 'heatAway',
        subject: radiator?.component.name ?? 'coolant loop',
        verdict: radiator ? 'afterWork' : 'doesNotFit',
        left: { value: radiator ? 'a radiator in the kit' : 'no radiator in the kit', kind: null, source: 'sheet' },
        right: { value: 'air-cooled, no radiator', kind: null, source: 'library' },
        margin: null,
        unmeasured: [],
        work: radiator ? { hours: PLACE_HOURS, step: 'Place, duct and hoses for the radiator' } : null,
      },
    ];
  },
};
