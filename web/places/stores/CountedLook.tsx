import { TableOutlined } from '@ant-design/icons';
import { Button, Input, Segmented } from 'antd';
import { useCallback, useState } from 'react';
import { Link } from 'react-router';
import { pathOf } from '../../../contract/address.ts';
import { ITEMS_A_PAGE, type ItemList, type ItemPage, type ItemRow, storesAddress } from '../../../contract/stores.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { stockText } from '../../../wording/stores.ts';
import { fileUrl } from '../../data/client.ts';
import { useUnitSet } from '../../data/session.tsx';
import { usePages } from '../../data/usePages.tsx';
import { PagedTable } from '../../widgets/PagedTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { BinsPanel } from './BinsPanel.tsx';
import { ItemPanel } from './ItemPanel.tsx';

const LISTS: readonly { readonly value: ItemList; readonly label: string }[] = [
  { value: 'kept', label: 'in bins' },
  { value: 'low', label: 'to order again' },
  { value: 'all', label: 'whole catalogue' },
];

/** What lies in bins: how much, where, held for whom; one of them beside it with all that came and went. */
export function CountedLook({ picked }: { picked: string | null }) {
  const [list, setList] = useState<ItemList>('kept');
  const [word, setWord] = useState('');
  const set = useUnitSet();
  const wanted = word.trim();
  const address = useCallback(
    (page: number) =>
      wanted === ''
        ? pathOf(storesAddress.items, { list, page: String(page) })
        : pathOf(storesAddress.findItems, { list, word: wanted, page: String(page) }),
    [list, wanted],
  );
  const pages = usePages<ItemRow, ItemPage>(address, ITEMS_A_PAGE);
  const { first } = pages;
  return (
    <div className="stores-columns">
      <Panel
        title="What lies in bins"
        aside={
          <span className="row">
            {first && `${first.count} parts, ${formatQuantity(first.worthCents, 'money', set, { digits: 0 })}`}
            <Segmented size="small" aria-label="Which parts" value={list} options={[...LISTS]} onChange={setList} />
            <Input
              size="small"
              style={{ width: 170 }}
              aria-label="Find a part"
              placeholder="part, number, bin"
              value={word}
              onChange={({ target }) => setWord(target.value)}
              allowClear
            />
            <Button size="small" icon={<TableOutlined />} href={fileUrl(storesAddress.table, {})}>
              CSV
            </Button>
          </span>
        }
      >
        <div className="in">
          {pages.error && <p className="stop">{pages.error.message}</p>}
          <PagedTable
            label="Parts"
            pages={pages}
            empty={wanted ? 'None is like that.' : 'Nothing yet. Goods in counts the first delivery into a bin.'}
            rowMark={(row) => ({ 'data-item': row.id, className: row.id === picked ? 'picked' : '' })}
            columns={({ words, figures }) => [
              words('Part', (row) => (
                <>
                  <Link to={`/stores/counted/${row.id}`}>{row.name}</Link>
                  <div className="soft small">
                    {row.supplier}
                    {row.partNumber ? `, ${row.partNumber}` : ''}
                  </div>
                </>
              )),
              words('Bin', (row) => <span className="soft">{row.bins.join(', ')}</span>, { width: 110 }),
              figures('On hand', (row) => stockText(row.onHand, row.unitSize), { width: 72 }),
              figures('Held', (row) => (row.held > 0 ? stockText(row.held, row.unitSize) : ''), { width: 60 }),
              figures('Free', (row) => <Free row={row} />, { width: 66 }),
              figures('Short', (row) => <Short row={row} />, { width: 66 }),
              figures('Again at', (row) => (row.reorderAt === null ? '' : stockText(row.reorderAt, row.unitSize)), {
                width: 70,
              }),
            ]}
          />
        </div>
      </Panel>
      <div className="stack">{picked ? <ItemPanel key={picked} id={picked} /> : <BinsPanel />}</div>
    </div>
  );
}

/** Promised to nobody; low where it is time to order again. */
function Free({ row }: { row: ItemRow }) {
  const free = row.onHand - row.held;
  const low = row.reorderAt !== null && free <= row.reorderAt;
  return <span className={low ? 'wait strong' : ''}>{stockText(Math.max(0, free), row.unitSize)}</span>;
}

/** What jobs want beyond what is free. */
function Short({ row }: { row: ItemRow }) {
  const short = row.wanted - Math.max(0, row.onHand - row.held);
  return short > 0 ? <span className="stop strong">{stockText(short, row.unitSize)}</span> : null;
}
