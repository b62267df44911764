import { useMemo } from 'react';
import { settingCaps } from '../../../../core/figures/settingCaps.ts';
import type { SettingCap } from '../../../../core/vehicle/condition.ts';
import { useOpenJob } from '../openJob.ts';

/** What the chosen design holds settings to. */
export function useCaps(): readonly SettingCap[] {
  const { sheet } = useOpenJob('sheet');
  return useMemo(() => settingCaps(sheet), [sheet]);
}
