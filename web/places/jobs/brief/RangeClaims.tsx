import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { claimClashes, type RangeClaim } from '../../../../core/brief/rangeClaims.ts';
import { ladenLoads } from '../../../../core/figures/balance/ladenLoads.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useOpenJob } from '../openJob.ts';
import type { useUse } from './useUse.tsx';

const START: RangeClaim = { modules: 10, km: 100, says: '' };

/** Ranges that others claim for so many modules, kept side by side; two that cannot both hold are said. */
export function RangeClaims({ use, set, fault }: Pick<ReturnType<typeof useUse>, 'use' | 'set' | 'fault'>) {
  const claims = use.rangeClaims ?? [];
  const change = (i: number, next: Partial<RangeClaim>) =>
    set({ rangeClaims: claims.map((claim, k) => (k === i ? { ...claim, ...next } : claim)) });
  return (
    <div className="stack">
      {claims.map((claim, i) => (
        <div key={i} className="fields" data-range-claim>
          <TextField
            label="Who says so"
            value={claim.says}
            onChange={(says) => change(i, { says })}
            fault={fault(`rangeClaims.${i}.says`)}
          />
          <QuantityInput
            label="With modules"
            kind="count"
            value={claim.modules}
            onChange={(modules) => modules !== null && change(i, { modules })}
            fault={fault(`rangeClaims.${i}.modules`)}
          />
          <QuantityInput
            label="Range claimed"
            kind="distance"
            value={claim.km}
            onChange={(km) => km !== null && change(i, { km })}
            fault={fault(`rangeClaims.${i}.km`)}
          />
          <Button
            style={{ alignSelf: 'end' }}
            icon={<DeleteOutlined />}
            onClick={() => set({ rangeClaims: claims.filter((_, k) => k !== i) })}
          >
            Drop the claim
          </Button>
        </div>
      ))}
      <div>
        <Button size="small" icon={<PlusOutlined />} onClick={() => set({ rangeClaims: [...claims, START] })}>
          A range somebody claims
        </Button>
      </div>
      {claims.length > 0 && <Clashes claims={claims} />}
    </div>
  );
}

function Clashes({ claims }: { claims: readonly RangeClaim[] }) {
  const { sheet } = useOpenJob('sheet');
  const units = useUnitSet();
  const modules = sheet.get(FIGURES.packModules).value;
  const laden = sheet.get(ladenLoads).value?.totalKg;
  const each = sheet.slots.pack.module?.massKg;
  if (modules === null || laden === undefined || each === undefined)
    return <p className="soft small">A design with modules is needed to hold these claims against each other.</p>;
  const km = (value: number) => formatQuantity(value, 'distance', units);
  const aModule = ({ km: range, modules: n }: RangeClaim) =>
    formatQuantity(range / n, 'distance', units, { digits: 1 });
  const clashes = claimClashes(
    claims.filter((claim) => claim.modules >= 1 && claim.km > 0),
    (n) => laden + (n - modules) * each,
  );
  if (clashes.length === 0)
    return (
      <p className="soft small">{claims.length === 1 ? 'One claim contradicts nothing.' : 'These can all hold.'}</p>
    );
  return (
    <ul className="stop small" aria-label="Claims that cannot both hold">
      {clashes.map(({ fewer, more, leastKm, mostKm }) => (
        <li key={`${fewer.modules} ${fewer.km} ${more.modules} ${more.km}`}>
          {who(fewer)} has {aModule(fewer)} a module, {who(more)} {aModule(more)}. Going by the first, {more.modules}{' '}
          modules do {km(leastKm)} to {km(mostKm)}, for a module adds its own energy and its own mass: they cannot both
          hold, or speak of different uses.
        </li>
      ))}
    </ul>
  );
}

const who = ({ says, modules }: RangeClaim): string => `${says || 'somebody'} (${modules} modules)`;
