import { useCallback } from 'react';
import type { VehicleState } from '../../../core/vehicle/state.ts';

/** What a bay of this vehicle is called, by the key designs go by. */
export const useBayName = ({ variant }: VehicleState): ((key: string) => string) =>
  useCallback((key) => variant.bays.find((bay) => bay.key === key)?.name ?? key, [variant]);
