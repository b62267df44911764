import { FilePdfOutlined, TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { type OfferRow, offerAddress, type PriceSheet } from '../../../../contract/offers.ts';
import { dayText } from '../../../../wording/dates.ts';
import { OFFER_STATE_NAME } from '../../../../wording/offers.ts';
import { fileUrl } from '../../../data/client.ts';
import { FRESH, type OfferShown } from './offerShown.ts';

const nameOf = ({ number, state, sentAt }: OfferRow): string =>
  `Offer ${number}, ${state === 'sent' && sentAt ? `sent ${dayText(sentAt.slice(0, 10))}` : OFFER_STATE_NAME[state]}`;

interface Props {
  readonly sheet: PriceSheet;
  readonly shown: OfferShown | null;
  readonly onPick: (id: string) => void;
}

/** The offers of a job, the newest first, and what today's figures would make of the next one; the papers of the one shown. */
export function OfferBar({ sheet, shown, onPick }: Props) {
  const { offers, fresh } = sheet;
  const next = (offers[0]?.number ?? 0) + 1;
  const open = !offers.some(({ state }) => state === 'accepted' || state === 'draft');
  return (
    <div className="design-bar">
      <div className="designs">
        {offers.map((row) => (
          <Button
            key={row.id}
            type={shown?.id === row.id ? 'primary' : 'default'}
            aria-pressed={shown?.id === row.id}
            onClick={() => onPick(row.id)}
          >
            {nameOf(row)}
          </Button>
        ))}
        {fresh && open && (
          <Button
            type={shown?.id === FRESH ? 'primary' : 'dashed'}
            aria-pressed={shown?.id === FRESH}
            onClick={() => onPick(FRESH)}
          >
            Offer {next} from today’s figures
          </Button>
        )}
      </div>
      {shown?.row && (
        <div className="row">
          <Button icon={<FilePdfOutlined />} href={fileUrl(offerAddress.paper, { id: shown.row.id })} target="_blank">
            What the client sees
          </Button>
          <Button
            icon={<TableOutlined />}
            href={fileUrl(offerAddress.table, { id: shown.row.id })}
            aria-label={`Offer ${shown.row.number} as CSV`}
          >
            CSV
          </Button>
        </div>
      )}
    </div>
  );
}
