import { useState } from 'react';
import { offerAddress } from '../../../../contract/offers.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useOpenJob } from '../openJob.ts';
import { AsItGoes } from './AsItGoes.tsx';
import { BracketPanel } from './BracketPanel.tsx';
import { ChangesPanel } from './ChangesPanel.tsx';
import { ClientAccessPanel } from './ClientAccessPanel.tsx';
import { MoneyBars } from './MoneyBars.tsx';
import { OfferBar } from './OfferBar.tsx';
import { OfferEditor } from './OfferEditor.tsx';
import { OfferPanel } from './OfferPanel.tsx';
import { FRESH, offerBefore, offerShown } from './offerShown.ts';
import { WaysPanel } from './WaysPanel.tsx';

/** What a job comes to: its offers, ways to do it, changes since it was agreed, and what it takes against what was sold. */
export default function PriceStep() {
  const { job } = useOpenJob('job');
  const { data: sheet, error } = useOfAddress(offerAddress.sheet, { number: job.number });
  const [picked, setPicked] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  if (error) return <p className="fault">{error.message}</p>;
  if (!sheet) return <p className="soft">One moment …</p>;
  const shown = offerShown(sheet, picked);
  const agreed = sheet.offers.find(({ state }) => state === 'accepted') ?? null;
  const before = offerBefore(sheet, shown);
  return (
    <div className="stack">
      <OfferBar
        sheet={sheet}
        shown={shown}
        onPick={(id) => {
          setEditing(false);
          setPicked(id);
        }}
      />
      {editing && shown?.row?.state === 'draft' ? (
        <OfferEditor key={shown.row.id} row={shown.row} sheet={sheet} onClose={() => setEditing(false)} />
      ) : (
        <div className="price-columns">
          <OfferPanel
            sheet={sheet}
            shown={shown}
            before={before}
            onEdit={() => setEditing(true)}
            onMade={(id) => setPicked(id ?? FRESH)}
          />
          <div className="stack">
            {shown && <MoneyBars body={shown.body} />}
            {!agreed && <BracketPanel bracket={sheet.bracket} />}
          </div>
        </div>
      )}
      {agreed && <ChangesPanel sheet={sheet} />}
      <WaysPanel ways={sheet.ways} />
      {agreed && <AsItGoes />}
      <ClientAccessPanel />
    </div>
  );
}
