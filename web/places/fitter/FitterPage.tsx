import { useState } from 'react';
import { type FitterSheet, fitterAddress } from '../../../contract/fitting.ts';
import { fitterHours, fitterStages } from '../../../core/order/fitting.ts';
import { formatHours } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { useDraft } from '../../data/draft.ts';
import { useLinked } from '../../data/linked.ts';
import { Panel } from '../../widgets/Panel.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { AskPanel } from './AskPanel.tsx';
import { FilmsAndDrawings } from './FilmsAndDrawings.tsx';
import { FitterStageCard } from './FitterStageCard.tsx';
import { SignPanel } from './SignPanel.tsx';

/** The page of whoever fits a kit far away: made for a telephone, opened by its link alone. */
export default function FitterPage() {
  const { token, data: sheet, error } = useLinked(fitterAddress.look);
  return (
    <main className="fitter">
      {error && (
        <div className="stack">
          <h1>This page is closed</h1>
          <p>{error.message}</p>
        </div>
      )}
      {sheet && <Fitting token={token} sheet={sheet} />}
    </main>
  );
}

function Fitting({ token, sheet }: { token: string; sheet: FitterSheet }) {
  const [name, setName] = useDraft<string>(`fitter ${token}`);
  const stages = fitterStages(sheet.stages, sheet.fittedBy, sheet.done, sheet.readings);
  const own = stages.filter(({ by }) => by === 'fitter');
  const done = own.filter(({ state }) => state === 'done').length;
  const hours = fitterHours(stages);
  const next = own.find(({ state }) => state === 'ready')?.stage.key;
  const [open, setOpen] = useState<string | null>(null);
  const shown = open ?? next ?? null;
  const locked = sheet.sign !== null || sheet.sentAt === null;
  return (
    <div className="stack">
      <header className="stack">
        <h1>
          {sheet.kitName} {sheet.revision}
        </h1>
        <div className="soft">
          {sheet.variantName}
          {sheet.vehicle && `, ${sheet.vehicle}`}, for {sheet.client}
          {sheet.options.length > 0 && `; with ${sheet.options.join(', ')}`}
        </div>
        <div className="soft small">
          From {sheet.workshop}, order {sheet.number}
          {sheet.sentAt ? `, sent ${dayText(sheet.sentAt.slice(0, 10))}` : ', not sent yet'}
        </div>
      </header>
      {sheet.revisionState === 'withdrawn' && (
        <p className="note wait">
          <strong>This revision was withdrawn:</strong> {sheet.withdrawnWhy}. Stop and ring the workshop.
        </p>
      )}
      {sheet.sign && (
        <p className="note" data-signed>
          Signed by {sheet.sign.by}, {dayText(sheet.sign.at.slice(0, 10))}. Thank you.
        </p>
      )}
      <SafetyNote about="fitter" />
      {!sheet.sign && <TextField label="Your name" value={name ?? ''} onChange={setName} autoComplete="name" />}
      <Panel
        title={`${done} of ${own.length} stages done`}
        aside={`${formatHours(hours.planned)} expected, ${formatHours(hours.taken)} so far`}
      >
        {stages.map((stage) => (
          <FitterStageCard
            key={stage.stage.key}
            token={token}
            at={stage}
            name={name ?? ''}
            locked={locked}
            workshop={sheet.workshop}
            open={shown === stage.stage.key}
            onOpen={() => setOpen(shown === stage.stage.key ? '' : stage.stage.key)}
          />
        ))}
      </Panel>
      <FilmsAndDrawings token={token} files={sheet.files} />
      <AskPanel token={token} sheet={sheet} name={name ?? ''} />
      {!sheet.sign && sheet.sentAt && (
        <SignPanel token={token} stages={stages} name={name ?? ''} workshop={sheet.workshop} />
      )}
      <Panel title="Not included">
        <div className="in small">
          {sheet.exclusions.length > 0 ? sheet.exclusions.join(', ') : 'Nothing is named.'}
        </div>
      </Panel>
    </div>
  );
}
