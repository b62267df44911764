import type { JobSheet } from '../../../../contract/job.ts';
import { tipping, tippingByStage } from '../../../../core/figures/balance/tipping.ts';
import type { FigureSheet } from '../../../../core/figures/evaluate.ts';
import { tipSentence } from '../../../../wording/balance.ts';
import { type Shelves, useAtHand, useLibrary } from '../../../data/resources.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useOpening } from '../useOpening.ts';

interface Props {
  readonly sheet: FigureSheet;
  readonly job: JobSheet;
  /** The stage, by its name. */
  readonly name: string;
}

/** Where this vehicle's mass centre lies on the lift once a stage is done; nothing where the stage moves nothing. */
export function LiftNote({ sheet, job, name }: Props) {
  const set = useUnitSet();
  const found = sheet.get(tipping).value;
  const after = found && tippingByStage(found, job.stages).find(({ step }) => step.name === name);
  if (!after) return null;
  const tone = after.state === 'tips' ? 'note stop' : after.state === 'near' ? 'note wait' : 'soft small';
  return <p className={tone}>{tipSentence(after, set)}</p>;
}

/** The same where no design is open: it is read from the library first. */
export function LiftNoteAlone({ job, name }: Omit<Props, 'sheet'>) {
  const { shelves } = useLibrary();
  useAtHand({ variants: [job.vehicle.variantId] }, shelves);
  return shelves?.variants.has(job.vehicle.variantId) ? <Opened job={job} name={name} shelves={shelves} /> : null;
}

function Opened({ shelves, ...about }: Omit<Props, 'sheet'> & { shelves: Shelves }) {
  const open = useOpening(about.job, shelves);
  return open && <LiftNote {...about} sheet={open.sheet} />;
}
