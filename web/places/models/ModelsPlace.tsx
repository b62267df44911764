import { CopyOutlined, FileTextOutlined, PlusOutlined, TableOutlined, UploadOutlined } from '@ant-design/icons';
import { Button, Dropdown, Input } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { hasRole } from '../../../contract/rights.ts';
import { variantAddress } from '../../../contract/variants.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { newestOnly, revisionOf } from '../../../core/vehicle/revisions.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { BODY_NAME, DRIVEN_NAME } from '../../../wording/variants.ts';
import { nameOfVariant } from '../../../wording/variantTable.ts';
import { fileUrl } from '../../data/client.ts';
import { useLibraryWithVariants } from '../../data/resources.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { CompareVariants } from './CompareVariants.tsx';
import { ModelsIn } from './ModelsIn.tsx';

/** Figures of a variant that nobody has measured or read anywhere. */
const guesses = (variant: Variant): number =>
  Object.values(variant.figures).filter(({ source }) => source === 'assumed').length;

const emptyKg = ({ figures }: Variant): number => figures.frontAxleMass.value + figures.rearAxleMass.value;

/** The vehicle models of the library, as they look from above; each opens to be seen or changed. */
export default function ModelsPlace() {
  const { shelves, error } = useLibraryWithVariants();
  const { role } = usePerson();
  const set = useUnitSet();
  const navigate = useNavigate();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const may = hasRole(role, variantAddress.add.may);
  const [word, setWord] = useState('');
  const [takingIn, setTakingIn] = useState(false);
  const all = newestOnly(shelves?.data.variants ?? []);
  const wanted = word.trim().toLowerCase();
  const rows = wanted ? all.filter((one) => nameOfVariant(one).toLowerCase().includes(wanted)) : all;
  const pick = (id: string) =>
    setPicked((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now.slice(-1), id]));
  const [a, b] = picked.map((id) => all.find((row) => row.id === id));
  return (
    <div className="page stack">
      <h1 className="hidden-label">Vehicle models</h1>
      {takingIn && <ModelsIn variants={all} onClose={() => setTakingIn(false)} />}
      {a && b && <CompareVariants variants={[a, b]} />}
      <Panel
        title="Vehicle models"
        aside={
          <span className="row">
            <Input
              size="small"
              style={{ width: 170 }}
              aria-label="Find among the models"
              placeholder="maker, model, variant"
              value={word}
              onChange={({ target }) => setWord(target.value)}
              allowClear
            />
            <Button size="small" icon={<TableOutlined />} href={fileUrl(variantAddress.csv, {})}>
              As CSV
            </Button>
            <Button size="small" icon={<FileTextOutlined />} href={fileUrl(variantAddress.file, {})}>
              As a file
            </Button>
            {may && (
              <Button size="small" icon={<UploadOutlined />} onClick={() => setTakingIn(true)}>
                Take in a file
              </Button>
            )}
            {may && (
              <Dropdown
                trigger={['click']}
                menu={{
                  items: Object.entries(BODY_NAME).map(([key, label]) => ({ key, label })),
                  onClick: ({ key }) => navigate(`/models/new?body=${key}`),
                }}
              >
                <Button size="small" type="primary" icon={<PlusOutlined />}>
                  New model
                </Button>
              </Dropdown>
            )}
          </span>
        }
      >
        <div className="in" style={{ overflowX: 'auto' }}>
          {error && <p className="stop">{error.message}</p>}
          <DataTable
            label="Vehicle models"
            rows={rows}
            rowKey={({ id }) => id}
            rowMark={(row) => ({ 'data-variant': row.id, className: '' })}
            empty={
              wanted
                ? 'None is like that.'
                : may
                  ? 'The library has none yet: make the first.'
                  : 'The library has none yet.'
            }
            columns={({ words, figures, actions }) => [
              words('From above', (row) => (
                <VehiclePlan
                  vehicle={vehicleState(row, {}, null)}
                  parts={[]}
                  perMm={0.026}
                  title={`${row.modelName} ${row.name}`}
                />
              )),
              words(
                'Model',
                (row) => (
                  <div style={{ minWidth: 150 }}>
                    <Link to={`/models/${row.id}`} className="strong">
                      {row.makerName} {row.modelName} {row.name}
                    </Link>
                    <div className="soft small">
                      {BODY_NAME[row.shape.style]}, {row.yearFrom} to {row.yearTo}
                      {revisionOf(row.id) > 1 ? `, revision ${revisionOf(row.id)}` : ''}
                    </div>
                  </div>
                ),
                { order: (one, other) => nameOfVariant(one).localeCompare(nameOfVariant(other)) },
              ),
              words('Driven', (row) => DRIVEN_NAME[row.drivenAxle]),
              figures('Empty', (row) => formatQuantity(emptyKg(row), 'mass', set), {
                order: (one, other) => emptyKg(one) - emptyKg(other),
              }),
              figures('Plate', (row) => formatQuantity(row.figures.grossMass.value, 'mass', set), {
                order: (one, other) => one.figures.grossMass.value - other.figures.grossMass.value,
              }),
              figures('Wheelbase', (row) => formatQuantity(row.figures.wheelbase.value, 'length', set), {
                order: (one, other) => one.figures.wheelbase.value - other.figures.wheelbase.value,
              }),
              figures('Bays', (row) => row.bays.length),
              figures('Points', (row) => row.mountingPoints.length),
              figures('Guessed', (row) => (guesses(row) > 0 ? <span className="wait">{guesses(row)}</span> : '–'), {
                order: (one, other) => guesses(one) - guesses(other),
              }),
              actions('Compare and copy', (row) => (
                <span className="row" style={{ justifyContent: 'flex-end' }}>
                  <Button
                    size="small"
                    type={picked.includes(row.id) ? 'primary' : 'default'}
                    onClick={() => pick(row.id)}
                  >
                    Compare
                  </Button>
                  {may && (
                    <Button size="small" icon={<CopyOutlined />} onClick={() => navigate(`/models/new?from=${row.id}`)}>
                      Copy
                    </Button>
                  )}
                </span>
              )),
            ]}
          />
        </div>
      </Panel>
    </div>
  );
}
