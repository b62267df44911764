import { TableOutlined } from '@ant-design/icons';
import { Button, Input, Segmented } from 'antd';
import { useCallback, useState } from 'react';
import { Link } from 'react-router';
import { pathOf } from '../../../contract/address.ts';
import { NUMBERS_A_PAGE, type NumberPage, type NumberRow, numbersAddress } from '../../../contract/numbers.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { placeSays } from '../../../wording/stores.ts';
import { fileUrl } from '../../data/client.ts';
import { useUnitSet } from '../../data/session.tsx';
import { usePages } from '../../data/usePages.tsx';
import { PagedTable } from '../../widgets/PagedTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { NumberPanel } from './NumberPanel.tsx';
import { PacksPanel } from './PacksPanel.tsx';
import { RecallPanel } from './RecallPanel.tsx';

type Question = 'where' | 'recall';

/** What carries a number of its own: where it is now, and which vehicles carry it. */
export function NumbersLook({ picked }: { picked: string | null }) {
  const [question, setQuestion] = useState<Question>('where');
  const [word, setWord] = useState('');
  const wanted = word.trim();
  return (
    <div className="stack">
      <div className="row">
        <Input
          style={{ width: 340 }}
          aria-label="Find by number, batch or part"
          placeholder={
            question === 'where' ? 'number, batch, donor or part' : 'whole number, batch, part or kit revision'
          }
          value={word}
          onChange={({ target }) => setWord(target.value)}
          allowClear
        />
        <Segmented
          aria-label="Question"
          value={question}
          options={[
            { value: 'where', label: 'Where is it now' },
            { value: 'recall', label: 'Which vehicles carry it' },
          ]}
          onChange={setQuestion}
        />
      </div>
      {question === 'recall' ? (
        <RecallPanel word={wanted} />
      ) : (
        <div className="stores-columns">
          <Found word={wanted} picked={picked} />
          <div className="stack">{picked ? <NumberPanel key={picked} id={picked} /> : <PacksPanel />}</div>
        </div>
      )}
    </div>
  );
}

function Found({ word, picked }: { word: string; picked: string | null }) {
  const set = useUnitSet();
  const address = useCallback(
    (page: number) =>
      word === ''
        ? pathOf(numbersAddress.page, { page: String(page) })
        : pathOf(numbersAddress.find, { word, page: String(page) }),
    [word],
  );
  const pages = usePages<NumberRow, NumberPage>(address, NUMBERS_A_PAGE);
  return (
    <Panel
      title="By serial number"
      aside={
        <span className="row">
          {pages.first && `${pages.first.count} ${word ? 'like that' : 'in the books'}`}
          <Button size="small" icon={<TableOutlined />} href={fileUrl(numbersAddress.table, {})}>
            CSV
          </Button>
        </span>
      }
    >
      <div className="in">
        {pages.error && <p className="stop">{pages.error.message}</p>}
        <PagedTable
          label="Numbers"
          pages={pages}
          empty={word ? 'None is like that.' : 'Nothing carries a number yet. Goods in asks for them.'}
          rowMark={(row) => ({ 'data-number': row.serial, className: row.id === picked ? 'picked' : '' })}
          columns={({ words, figures }) => [
            words('Number', (row) => <Link to={`/stores/numbers/${row.id}`}>{row.serial}</Link>, { width: 130 }),
            words('What', (row) => row.component),
            words('Where it is now', (row) => (
              <>
                {placeSays(row.place)}
                {row.forJob && row.place.kind === 'bin' && <span className="soft">{`, held for ${row.forJob}`}</span>}
                {row.beingRefurbished && <span className="soft">, being refurbished</span>}
              </>
            )),
            words('Batch', (row) => <span className="soft">{row.batch}</span>, { width: 70 }),
            figures(
              'Holds',
              (row) => (row.graded ? formatQuantity(row.graded.capacityAh, 'charge', set, { digits: 1 }) : ''),
              {
                width: 84,
              },
            ),
          ]}
        />
      </div>
    </Panel>
  );
}
