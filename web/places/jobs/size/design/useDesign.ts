import {
  type DesignInputs,
  type DriveChoice,
  driveChoice,
  type ElectricChoice,
  electricChoice,
} from '../../../../../core/design/inputs.ts';
import { useOpenJob } from '../../openJob.ts';

/** The draft of the design looked at, with setters for its parts. */
export function useDesign() {
  const { inputs, setInputs } = useOpenJob('inputs', 'setInputs');
  return {
    inputs,
    drive: driveChoice(inputs),
    electric: electricChoice(inputs),
    set: (change: Partial<DesignInputs>) => setInputs({ ...inputs, ...change }),
    setDrive: (change: Partial<DriveChoice>) => setInputs({ ...inputs, drive: { ...inputs.drive, ...change } }),
    setElectric: (change: Partial<ElectricChoice>) =>
      setInputs({ ...inputs, electric: { ...inputs.electric, ...change } }),
  };
}
