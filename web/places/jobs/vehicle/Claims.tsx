import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type VehicleClaim, vehicleAddress } from '../../../../contract/vehicle.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { VEHICLE_FIGURES, type VehicleFigureId } from '../../../../core/vehicle/vehicleFigures.ts';
import { SOURCE_NAME } from '../../../../wording/figures.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

/** What other sources say of a figure, each with why it is not used; undecided ones ask to be settled. */
export function Claims({ id }: { id: VehicleFigureId }) {
  const { job } = useOpenJob('job');
  const set = useUnitSet();
  const may = useMay(job, 'measure');
  const says = job.vehicle.measured[id]?.says;
  const claims = job.vehicle.claims.filter((claim) => claim.figure === id);
  return (
    <>
      {says && <div className="small soft">by {says}</div>}
      {claims.map((claim) => (
        <div key={claim.id} className="small soft" data-claim={claim.whyNot === null ? 'open' : 'settled'}>
          {claim.whyNot === null && <StateMark mark="waiting" label="not settled" />} {claim.says} says{' '}
          {formatQuantity(claim.value, VEHICLE_FIGURES[id], set)} ({SOURCE_NAME[claim.source]})
          {claim.whyNot === null ? '' : `: not used, ${claim.whyNot}`}
          {may && claim.whyNot === null && <Settle claim={claim} />}
        </div>
      ))}
    </>
  );
}

function Settle({ claim }: { claim: VehicleClaim }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      title="Which one is used"
      content={<SettleForm claim={claim} done={() => setOpen(false)} />}
      destroyOnHidden
    >
      <Button size="small" type="link">
        Settle
      </Button>
    </Popover>
  );
}

function SettleForm({ claim, done }: { claim: VehicleClaim; done: () => void }) {
  const { job } = useOpenJob('job');
  const [why, setWhy] = useState('');
  const [since] = useState(job.vehicle.measured[claim.figure]?.at ?? null);
  const params = { number: job.number, id: claim.id };
  const body = { why, since, seen: claim.at };
  const using = useChecked(vehicleAddress.settleClaim, params, { ...body, use: true });
  const leaving = useChecked(vehicleAddress.settleClaim, params, { ...body, use: false });
  const decide = async (form: typeof using) => {
    if (await form.save()) done();
  };
  const problem = using.problem ?? leaving.problem;
  return (
    <form data-form className="stack" style={{ width: 280 }} onSubmit={(event) => event.preventDefault()}>
      <TextField
        label="Why the other one is not used"
        value={why}
        onChange={setWhy}
        fault={using.faults.why ?? leaving.faults.why}
      />
      <div className="row">
        <Button size="small" type="primary" loading={using.busy} onClick={() => void decide(using)}>
          Use this one
        </Button>
        <Button size="small" loading={leaving.busy} onClick={() => void decide(leaving)}>
          Set it aside
        </Button>
      </div>
      {problem && <p className="stop small">{problem.detail}</p>}
    </form>
  );
}
