import { FileTextOutlined, PlusOutlined, TableOutlined, UploadOutlined } from '@ant-design/icons';
import { Button, Input, Menu } from 'antd';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Basic } from '../../../contract/basics.ts';
import { COMPONENT_KINDS, componentAddress, FIRST_OF_KIND } from '../../../contract/components.ts';
import { hasRole } from '../../../contract/rights.ts';
import { columnsOf, type SheetColumn, valueAt } from '../../../core/component/cells.ts';
import { KIND_NAME, KINDS } from '../../../core/component/kinds/index.ts';
import type { Component, ComponentKind } from '../../../core/component/sheets.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { optionText } from '../../../wording/components.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { ComponentDifferences } from '../../widgets/ComponentDifferences.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { LendBasics } from '../../widgets/LendBasics.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { ComponentForm } from './ComponentForm.tsx';
import { TableIn } from './TableIn.tsx';

/** Kinds of which typical ones ship with Dajo. */
const LENT: Partial<Record<ComponentKind, Basic>> = { cable: 'cables', fuse: 'fuses', resistor: 'resistors' };

/** A value of a sheet in the person's units; rows and maps by how many there are. */
function shownText(column: SheetColumn, sheet: unknown, set: UnitSet): string {
  const value = valueAt(sheet, column);
  if (value === undefined) return '';
  const { field } = column;
  if (field.type === 'number') return formatQuantity(value as number, field.quantity, set);
  if (field.type === 'flag') return value ? 'yes' : 'no';
  if (field.type === 'choice') return optionText(value as string | number);
  return Array.isArray(value) ? (value.length > 0 ? `${value.length} rows` : '') : String(value);
}

/** The components of the library, a kind at a time, by the columns of the kind's own descriptor. */
export default function ComponentsPlace() {
  const { kind: asked } = useParams();
  const kind: ComponentKind = COMPONENT_KINDS.find((one) => one === asked) ?? 'module';
  // A screen of them at once, the others when they are there.
  const { data: first, error } = useOfAddress(componentAddress.firstOfKind, { kind });
  const more = first && first.length >= FIRST_OF_KIND;
  const { data: whole } = useOfAddress(componentAddress.ofKind, more ? { kind } : null);
  const all = (more && whole) || first;
  const { data: counts } = useOfAddress(componentAddress.counts, {});
  const [word, setWord] = useState('');
  const { role } = usePerson();
  const set = useUnitSet();
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const [takingIn, setTakingIn] = useState(false);
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [changing, setChanging] = useState<string | null>(null);
  const wanted = word.trim().toLowerCase();
  const rows = (all ?? []).filter((one) =>
    `${one.name} ${one.supplier} ${one.partNumber ?? ''}`.toLowerCase().includes(wanted),
  );
  const changed = (all ?? []).find((one) => one.id === changing);
  const mayTakeIn = hasRole(role, componentAddress.takeIn.may);
  const mayChange = hasRole(role, componentAddress.change.may);
  const pick = (id: string) =>
    setPicked((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now.slice(-1), id]));
  const [a, b] = picked.flatMap((id) => rows.find((row) => row.id === id) ?? []);
  const size = (one: Component) => [one.lengthMm, one.widthMm, one.heightMm].map(Math.round).join(' × ');
  return (
    <div className="page components">
      <h1 className="hidden-label">Components</h1>
      <Menu
        aria-label="Kinds of components"
        selectedKeys={[kind]}
        onClick={({ key }) => navigate(`/components/${key}`)}
        items={COMPONENT_KINDS.map((one) => ({
          key: one,
          label: KIND_NAME[one],
          extra: counts?.[one] ?? '',
        }))}
      />
      <div className="stack">
        {a && b && (
          <Panel title="What differs" aside="only that">
            <div className="in">
              <ComponentDifferences components={[a, b]} />
            </div>
          </Panel>
        )}
        <Panel
          title={KIND_NAME[kind]}
          aside={
            <span className="row">
              <Input
                size="small"
                style={{ width: 190 }}
                aria-label={`Find among ${KIND_NAME[kind]}`}
                placeholder="name, supplier, number"
                value={word}
                onChange={({ target }) => setWord(target.value)}
                allowClear
              />
              <Button size="small" icon={<TableOutlined />} href={fileUrl(componentAddress.table, { kind })}>
                As CSV
              </Button>
              <Button size="small" href={fileUrl(componentAddress.list, { kind })}>
                As JSON
              </Button>
              <Button size="small" icon={<FileTextOutlined />} href={fileUrl(componentAddress.schema, { kind })}>
                Its JSON Schema
              </Button>
              {mayTakeIn && (
                <Button size="small" icon={<UploadOutlined />} onClick={() => setTakingIn(true)}>
                  Take in a table
                </Button>
              )}
              {hasRole(role, componentAddress.add.may) && (
                <Button size="small" type="primary" icon={<PlusOutlined />} onClick={() => setAdding(true)}>
                  Add one
                </Button>
              )}
            </span>
          }
        >
          <div className="in" style={{ overflowX: 'auto' }}>
            {error && <p className="stop">{error.message}</p>}
            {mayTakeIn && all?.length === 0 && LENT[kind] && <LendBasics key={kind} first={[LENT[kind]]} />}
            {!all && !error && <p className="soft">One moment …</p>}
            {all && (
              <DataTable
                label={KIND_NAME[kind]}
                className="wide"
                rows={rows}
                rowKey={(one) => one.id}
                rowMark={(one) => ({ 'data-kind': one.kind, className: '' })}
                empty={
                  wanted
                    ? 'None is like that.'
                    : `The library has none yet${hasRole(role, componentAddress.add.may) ? ': add the first.' : '.'}`
                }
                columns={({ words, figures, actions }) => [
                  words(
                    'Name',
                    (one) => (
                      <div style={{ minWidth: 170 }}>
                        {mayChange ? (
                          <button type="button" className="link-like strong" onClick={() => setChanging(one.id)}>
                            {one.name}
                          </button>
                        ) : (
                          <span className="strong">{one.name}</span>
                        )}
                        <div className="soft small">
                          {one.supplier}
                          {one.partNumber ? `, ${one.partNumber}` : ''}
                          {one.lent ? ', library' : ''}
                        </div>
                      </div>
                    ),
                    { order: (a, b) => a.name.localeCompare(b.name) },
                  ),
                  figures('Free', (one) => one.free),
                  figures('Price', (one) => formatQuantity(one.priceCents, 'money', set), {
                    order: (a, b) => a.priceCents - b.priceCents,
                  }),
                  figures('Mass', (one) => formatQuantity(one.massKg, 'mass', set, { digits: 1 })),
                  ...columnsOf(KINDS[kind]).map((column) =>
                    column.field.type === 'number'
                      ? figures(column.label, (one) => shownText(column, one.sheet, set), {
                          order: (a, b) =>
                            Number(valueAt(a.sheet, column) ?? 0) - Number(valueAt(b.sheet, column) ?? 0),
                        })
                      : words(column.label, (one) => shownText(column, one.sheet, set)),
                  ),
                  figures('Size, mm', size),
                  figures('Days to get', (one) => one.leadDays),
                  actions('Compare', (one) => (
                    // Plain ones: a thousand rows are scrolled past.
                    <button
                      type="button"
                      className="link"
                      aria-label={`Compare ${one.name}`}
                      aria-pressed={picked.includes(one.id)}
                      onClick={() => pick(one.id)}
                    >
                      {picked.includes(one.id) ? 'Picked' : 'Compare'}
                    </button>
                  )),
                ]}
              />
            )}
          </div>
        </Panel>
      </div>
      {takingIn && <TableIn key={kind} kind={kind} onClose={() => setTakingIn(false)} />}
      {adding && <ComponentForm key={kind} kind={kind} stored={null} onClose={() => setAdding(false)} />}
      {changed && (
        <ComponentForm
          key={`${changed.id} ${changed.version}`}
          kind={kind}
          stored={changed}
          onClose={() => setChanging(null)}
        />
      )}
    </div>
  );
}
