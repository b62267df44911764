import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { memo, useCallback, useRef, useState } from 'react';
import { USUAL_SKILLS } from '../../../contract/people.ts';
import { groupOfPart, type OfferLine } from '../../../core/offer/offer.ts';
import { linePrice } from '../../../core/offer/sums.ts';
import { practiceOf, rateOf } from '../../../core/practice/practice.ts';
import { money } from '../../../wording/offers.ts';
import { useLibrary } from '../../data/resources.ts';
import { useUnitSet, useWorkshop } from '../../data/session.tsx';
import { Choice } from '../Choice.tsx';
import { ComponentChoice } from '../ComponentChoice.tsx';
import { QuantityInput } from '../QuantityInput.tsx';
import { TextField } from '../TextField.tsx';
import { ForeignLine } from './ForeignLine.tsx';

interface Props {
  readonly lines: readonly OfferLine[];
  /** Of lines that are added. */
  readonly taxShare: number;
  readonly onChange: (lines: readonly OfferLine[]) => void;
  /** By path of the body. */
  readonly faults: Readonly<Record<string, string>>;
  /** Where the lines stand in the body. */
  readonly at: string;
}

const newKey = (kind: string) => `${kind} ${crypto.randomUUID().slice(0, 8)}`;

/** The lines of an offer or a change: parts, hours, outside work, and what is typed by hand. */
export function LinesEditor({ lines, taxShare, onChange, faults, at }: Props) {
  const { shelves } = useLibrary();
  const workshop = useWorkshop();
  const now = useRef(lines);
  now.current = lines;
  // Rows are told apart by their keys and stay as they are while another one is typed in.
  const change = useCallback(
    (key: string, part: Partial<OfferLine>) =>
      onChangeNow.current(now.current.map((line) => (line.key === key ? { ...line, ...part } : line))),
    [],
  );
  const drop = useCallback((key: string) => onChangeNow.current(now.current.filter((line) => line.key !== key)), []);
  const onChangeNow = useRef(onChange);
  onChangeNow.current = onChange;
  const add = (line: Partial<OfferLine> & Pick<OfferLine, 'kind' | 'group' | 'key'>) =>
    onChange([
      ...lines.filter(({ key }) => key !== line.key),
      {
        ...{ text: '', componentId: null, skill: null, quantity: 1, unitCents: 0, addShare: 0, taxShare },
        ...{ foreign: null, estimate: null },
        ...line,
      },
    ]);
  const practice = practiceOf(workshop.practice);
  return (
    <div className="stack">
      <div className="offer-lines">
        {lines.map((line, i) => (
          <LineRow
            key={line.key}
            line={line}
            at={i}
            faults={faultsOf(faults, `${at}.${i}.`)}
            change={change}
            drop={drop}
          />
        ))}
      </div>
      <div className="row" style={{ alignItems: 'end' }}>
        {shelves && (
          <div style={{ width: 250 }}>
            <ComponentChoice
              label="Add a part"
              hideLabel
              placeholder="Add a part"
              value={null}
              shelves={shelves}
              onChange={(id) => {
                const part = id && shelves.components.get(id);
                if (part)
                  add({
                    ...{ key: `part ${part.id}`, kind: 'part', group: groupOfPart(part.kind), text: part.name },
                    ...{ componentId: part.id, unitCents: part.priceCents, addShare: practice.marginShare },
                  });
              }}
            />
          </div>
        )}
        <div style={{ width: 170 }}>
          <Choice
            label="Add hours"
            hideLabel
            placeholder="Add hours of"
            value={null}
            options={[...new Set([...USUAL_SKILLS, ...Object.keys(practice.ratesBySkill)])].map((skill) => ({
              value: skill as string,
              label: skill,
            }))}
            onChange={(skill) =>
              skill &&
              add({
                ...{ key: newKey(`work ${skill}`), kind: 'work', group: 'work', text: `Work, ${skill}`, skill },
                unitCents: rateOf(skill, workshop.rateCents, practice),
              })
            }
          />
        </div>
        <Button
          onClick={() =>
            add({ key: newKey('outside'), kind: 'outside', group: 'outside', addShare: practice.marginShare })
          }
        >
          Outside work
        </Button>
        <Button onClick={() => add({ key: newKey('own'), kind: 'own', group: 'own' })}>Own line</Button>
      </div>
    </div>
  );
}

const NONE: Readonly<Record<string, string>> = {};
/** Faults of one line, by field; the same object where there are none, so that the row is left alone. */
function faultsOf(faults: Readonly<Record<string, string>>, prefix: string): Readonly<Record<string, string>> {
  const own = Object.entries(faults).filter(([path]) => path.startsWith(prefix));
  return own.length === 0 ? NONE : Object.fromEntries(own.map(([path, said]) => [path.slice(prefix.length), said]));
}

interface RowProps {
  readonly line: OfferLine;
  readonly at: number;
  readonly faults: Readonly<Record<string, string>>;
  readonly change: (key: string, part: Partial<OfferLine>) => void;
  readonly drop: (key: string) => void;
}

const QUANTITY_NAME = { part: 'So many', work: 'Hours', outside: 'So many', own: 'So many' } as const;

const LineRow = memo(function LineRow({ line, at, faults, change, drop }: RowProps) {
  const set = useUnitSet();
  const { currency } = useWorkshop();
  const [more, setMore] = useState(line.foreign !== null);
  const { key, kind } = line;
  const costs = kind === 'part' || kind === 'outside';
  const hide = at > 0;
  return (
    <div className="offer-line" data-offer-line={key}>
      <TextField
        label={hide ? `What it is, line ${at + 1}` : 'What it is'}
        hideLabel={hide}
        value={line.text}
        onChange={(text) => change(key, { text })}
        fault={faults.text}
      />
      <QuantityInput
        label={hide ? `${QUANTITY_NAME[kind]}, ${line.text}` : 'So many'}
        hideLabel={hide}
        kind="coefficient"
        digits={2}
        value={line.quantity}
        onChange={(quantity) => change(key, { quantity: quantity ?? 0 })}
        fault={faults.quantity}
      />
      <QuantityInput
        label={hide ? `${costs ? 'Cost of one' : 'Price of one'}, ${line.text}` : 'Each'}
        hideLabel={hide}
        kind="money"
        digits={2}
        value={line.unitCents}
        onChange={(cents) => change(key, { unitCents: Math.round(cents ?? 0), foreign: null })}
        fault={faults.unitCents}
      />
      {costs ? (
        <QuantityInput
          label={hide ? `Added on ${line.text}` : 'Added'}
          hideLabel={hide}
          kind="share"
          value={line.addShare}
          onChange={(addShare) => change(key, { addShare: addShare ?? 0 })}
          fault={faults.addShare}
        />
      ) : (
        <span />
      )}
      <QuantityInput
        label={hide ? `Tax on ${line.text}` : 'Tax'}
        hideLabel={hide}
        kind="share"
        value={line.taxShare}
        onChange={(taxShare) => change(key, { taxShare: taxShare ?? 0 })}
        fault={faults.taxShare}
      />
      <span className="num sum">{money(linePrice(line).netCents, set)}</span>
      <span className="row" style={{ flexWrap: 'nowrap', gap: 0, alignSelf: 'end' }}>
        {kind !== 'work' && (
          <Button
            type="text"
            size="small"
            className="soft small"
            aria-expanded={more}
            aria-label={`Currency of ${line.text}`}
            onClick={() => setMore(!more)}
          >
            {line.foreign?.currency ?? currency}
          </Button>
        )}
        <Button
          type="text"
          size="small"
          icon={<DeleteOutlined />}
          aria-label={`Leave out ${line.text || `line ${at + 1}`}`}
          onClick={() => drop(key)}
        />
      </span>
      {more && (
        <ForeignLine
          line={line}
          faults={faults}
          onChange={(part) => change(key, part)}
          onClose={() => setMore(false)}
        />
      )}
    </div>
  );
});
