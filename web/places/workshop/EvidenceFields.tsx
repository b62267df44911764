import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { REGIONS, type Region } from '../../../contract/workshop.ts';
import type { Evidence } from '../../../core/practice/evidence.ts';
import { REGION_NAME } from '../../../wording/workshop.ts';
import { TextField } from '../../widgets/TextField.tsx';

type Lists = Readonly<Record<string, readonly Evidence[]>>;

interface Props {
  readonly value: Lists;
  readonly onChange: (lists: Lists) => void;
  /** Where the workshop stands: shown first. */
  readonly region: Region;
  readonly faults: Readonly<Record<string, string>>;
}

/** The first free key of a list: keys stay when a paper is reworded, so that jobs keep what they have. */
function freeKey(list: readonly Evidence[]): string {
  let n = list.length + 1;
  while (list.some(({ key }) => key === `paper-${n}`)) n++;
  return `paper-${n}`;
}

/** The papers each region wants to see before a vehicle is handed over. */
export function EvidenceFields({ value, onChange, region: home, faults }: Props) {
  const [region, setRegion] = useState<Region>(home);
  const list = value[region] ?? [];
  const put = (next: readonly Evidence[]) => onChange({ ...value, [region]: next });
  return (
    <div className="stack">
      <div className="spread">
        <h3>Papers a vehicle needs before it is handed over</h3>
        <Segmented
          size="small"
          aria-label="Region of the papers"
          value={region}
          options={REGIONS.map((one) => ({ value: one, label: REGION_NAME[one] }))}
          onChange={(one) => setRegion(one as Region)}
        />
      </div>
      {list.length === 0 && (
        <p className="soft small">None listed: nothing is asked for before handing over. Ask your licensing office.</p>
      )}
      {list.map(({ key, what, giver }, i) => (
        <div
          key={key}
          data-evidence={key}
          style={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 340px) minmax(0, 240px) auto',
            gap: 8,
            alignItems: 'end',
          }}
        >
          <TextField
            label={`Paper ${i + 1}`}
            hideLabel={i > 0}
            value={what}
            onChange={(next) => put(list.map((one, k) => (k === i ? { ...one, what: next } : one)))}
            fault={faults[`practice.evidence.${region}.${i}.what`]}
          />
          <TextField
            label={`Who gives paper ${i + 1}`}
            hideLabel={i > 0}
            value={giver}
            onChange={(next) => put(list.map((one, k) => (k === i ? { ...one, giver: next } : one)))}
            fault={faults[`practice.evidence.${region}.${i}.giver`]}
          />
          <Button
            icon={<DeleteOutlined />}
            aria-label={`Want ${what || `paper ${i + 1}`} no more`}
            onClick={() => put(list.filter((_, k) => k !== i))}
          />
        </div>
      ))}
      <div>
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() => put([...list, { key: freeKey(list), what: '', giver: '' }])}
        >
          Add a paper
        </Button>
      </div>
    </div>
  );
}
