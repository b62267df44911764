import { Fragment } from 'react';
import { type ClientSheet, clientPageAddress } from '../../../contract/clientPage.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { dayText } from '../../../wording/dates.ts';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { fileUrl } from '../../data/client.ts';
import { useDraft } from '../../data/draft.ts';
import { useLinked } from '../../data/linked.ts';
import { Panel } from '../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { AskWorkshop } from './AskWorkshop.tsx';
import { ChangeCard } from './ChangeCard.tsx';
import { OfferCard } from './OfferCard.tsx';

/** The page of a client: made for a telephone, opened by its link alone. */
export default function ClientPage() {
  const { token, data: sheet, error } = useLinked(clientPageAddress.look);
  return (
    <main className="fitter client-page">
      {error && (
        <div className="stack">
          <h1>This page is closed</h1>
          <p>{error.message}</p>
        </div>
      )}
      {sheet && !error && <Looking token={token} sheet={sheet} />}
    </main>
  );
}

const STAGE_MARK: Record<ClientSheet['stages'][number]['state'], Mark> = {
  waiting: 'open',
  inHand: 'half',
  stopped: 'waiting',
  done: 'done',
};
const LINE_MARK: Record<ClientSheet['brief'][number]['state'], Mark> = {
  met: 'pass',
  broken: 'stop',
  unknown: 'waiting',
  open: 'open',
};

/** What waits for the client stands first. */
const waits = ({ state, over }: ClientSheet['offers'][number]): boolean => state === 'sent' && !over;

function Looking({ token, sheet }: { token: string; sheet: ClientSheet }) {
  const [name, setName] = useDraft<string>(`client ${token}`);
  const set = `${sheet.unitSet} ${sheet.currency}` as UnitSet;
  const done = sheet.stages.filter(({ state }) => state === 'done').length;
  const waiting = sheet.offers.some(waits) || sheet.changes.some(({ state }) => state === 'priced');
  return (
    <div className="stack">
      <header className="stack" style={{ gap: 4 }}>
        <h1>{sheet.title}</h1>
        <div className="soft">
          {sheet.vehicle}, for {sheet.client}
        </div>
        <div className="soft small">
          {sheet.workshop}, {sheet.number}: {JOB_STATE_NAME[sheet.state].toLowerCase()}
          {sheet.promised && `, promised for ${dayText(sheet.promised)}`}
        </div>
      </header>
      {waiting && (
        <TextField label="Your name, under what you answer" value={name ?? ''} onChange={setName} autoComplete="name" />
      )}
      {[true, false].map((first) => (
        <Fragment key={String(first)}>
          {sheet.offers
            .filter((offer) => waits(offer) === first)
            .map((offer) => (
              <OfferCard key={offer.id} token={token} offer={offer} set={set} name={name ?? ''} />
            ))}
          {sheet.changes
            .filter((change) => (change.state === 'priced') === first)
            .map((change) => (
              <ChangeCard key={change.id} token={token} change={change} set={set} name={name ?? ''} />
            ))}
        </Fragment>
      ))}
      {sheet.stages.length > 0 && (
        <Panel title={`${done} of ${sheet.stages.length} stages done`}>
          <ul className="in plain" data-stages>
            {sheet.stages.map((stage, i) => (
              <li key={`${i} ${stage.name}`} className="row">
                <StateMark mark={STAGE_MARK[stage.state]} />
                <span className={stage.state === 'waiting' ? 'soft' : ''}>{stage.name}</span>
              </li>
            ))}
          </ul>
        </Panel>
      )}
      {sheet.specification.length > 0 && (
        <Panel title={sheet.agreed ? 'What was agreed' : 'As it is worked out now'}>
          <div className="in">
            {sheet.specification.map((figure) => (
              <div key={figure.name} className="figure">
                <span>{figure.name}</span>
                <strong>{figure.text}</strong>
              </div>
            ))}
          </div>
        </Panel>
      )}
      {sheet.brief.length > 0 && (
        <Panel title="What you asked for, and now">
          <div className="in">
            {sheet.brief.map((line, i) => (
              <div key={`${i} ${line.name}`} className="figure" style={{ alignItems: 'start' }} data-brief={line.state}>
                <span className="row" style={{ flexWrap: 'nowrap', alignItems: 'start' }}>
                  <StateMark mark={LINE_MARK[line.state]} />
                  <span>
                    {line.name}
                    <div className="soft small">{line.wanted}</div>
                  </span>
                </span>
                <strong className={line.state === 'broken' ? 'stop num' : 'num'}>{line.now}</strong>
              </div>
            ))}
          </div>
        </Panel>
      )}
      {sheet.pictures.length > 0 && (
        <Panel title="Pictures">
          <div className="in stack">
            {sheet.pictures.map(({ id, caption }) => (
              <figure key={id} className="client-picture">
                <img
                  src={fileUrl(clientPageAddress.picture, { token, id })}
                  alt={caption || 'Picture of the vehicle'}
                />
                {caption && <figcaption className="small soft">{caption}</figcaption>}
              </figure>
            ))}
          </div>
        </Panel>
      )}
      <AskWorkshop token={token} sheet={sheet} name={name ?? ''} setName={setName} asksName={!waiting} />
      <p className="soft small">
        Local rules on vehicle approval, electrical work and refrigerants come first; what stands here is work in hand,
        not an approval.
      </p>
    </div>
  );
}
