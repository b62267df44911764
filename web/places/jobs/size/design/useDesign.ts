import { useMemo } from 'react';
import {
  type BoxChoice,
  type DesignInputs,
  type DriveChoice,
  driveChoice,
  type ElectricChoice,
  electricChoice,
} from '../../../../../core/design/inputs.ts';
import { useOpenJob, useOpenJobNow } from '../../openJob.ts';
import { withBox } from './withBox.ts';

/** The draft of the design looked at, with setters for its parts, which stay the same while it changes. */
export function useDesign() {
  const { inputs, setInputs } = useOpenJob('inputs', 'setInputs');
  const now = useOpenJobNow();
  const setters = useMemo(() => {
    const set = (change: Partial<DesignInputs>) => setInputs({ ...now.current.inputs, ...change });
    return {
      set,
      setDrive: (change: Partial<DriveChoice>) => set({ drive: { ...now.current.inputs.drive, ...change } }),
      setElectric: (change: Partial<ElectricChoice>) =>
        set({ electric: { ...now.current.inputs.electric, ...change } }),
      setBox: (bay: string, change: Partial<BoxChoice>) =>
        set({ boxes: withBox(now.current.inputs.boxes, bay, change) }),
    };
  }, [setInputs, now]);
  return { inputs, drive: driveChoice(inputs), electric: electricChoice(inputs), ...setters };
}
