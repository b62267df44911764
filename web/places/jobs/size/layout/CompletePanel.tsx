import { Button, Spin } from 'antd';
import type { Package } from '../../../../../core/package/complete.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { VERDICT_NAME } from '../../../../../wording/fit.ts';
import { PACKAGE_AIM_NAME, requirementName } from '../../../../../wording/packages.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useMay } from '../../../../data/useMay.ts';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { StateMark } from '../../../../widgets/StateMark.tsx';
import { VERDICT_MARK } from '../../../../widgets/verdictMark.ts';
import { BeyondHand } from '../../BeyondHand.tsx';
import { useOpenJob } from '../../openJob.ts';
import { usePackages } from '../../usePackages.ts';

/** What the catalogue brings to make the main components run: the cheapest and the lightest way, each taken in one press. */
export function CompletePanel() {
  const { inputs, setInputs, job } = useOpenJob('inputs', 'setInputs', 'job');
  const may = useMay(job, 'design');
  const { packages, running, start } = usePackages(inputs, 'This design');
  return (
    <Panel title="What completes it" aside="every function of the vehicle, by parts that fit here">
      <div className="in stack">
        <div className="row">
          <Button onClick={() => void start()} disabled={running || !inputs.moduleId || !inputs.driveId}>
            Propose what completes it
          </Button>
          {running && <Spin size="small" />}
          {(!inputs.moduleId || !inputs.driveId) && (
            <span className="soft small">Choose module and drive first: they are yours to choose.</span>
          )}
          {packages?.length === 0 && (
            <span className="stop">The catalogue has no set of parts that the rules let stand together here.</span>
          )}
        </div>
        {packages && <BeyondHand />}
        {packages && packages.length > 0 && (
          <div className="layouts">
            {packages.map((one) => (
              <Proposal
                key={one.aim}
                proposal={one}
                {...(may && { onTake: () => setInputs({ ...inputs, ...taken(one) }) })}
              />
            ))}
          </div>
        )}
      </div>
    </Panel>
  );
}

/** What a proposal changes of a design. */
const taken = ({ design: { inverterId, chargerId, inletId, others } }: Package) => ({
  ...{ inverterId, chargerId, inletId, others },
});

function Proposal({ proposal, onTake }: { proposal: Package; onTake?: () => void }) {
  const set = useUnitSet();
  const { aim, both, parts, priceCents, unpriced, massKg, open, verdict } = proposal;
  return (
    <div className="layout-found" data-package={aim}>
      <div className="spread">
        <span className="strong">{both ? 'The cheapest and the lightest way' : PACKAGE_AIM_NAME[aim]}</span>
        <span className="row" style={{ flexWrap: 'nowrap' }}>
          <StateMark mark={VERDICT_MARK[verdict]} label={VERDICT_NAME[verdict]} /> {VERDICT_NAME[verdict]}
        </span>
      </div>
      <div>
        {parts.length} parts, {formatQuantity(priceCents, 'money', set)} at cost, {formatQuantity(massKg, 'mass', set)}
        {unpriced.length > 0 && <span className="wait">; without a price: {unpriced.join(', ')}</span>}
      </div>
      <Fold title="Which parts, and what each is for">
        <ul className="small plain-list">
          {parts.map(({ component, quantity, meets }) => (
            <li key={component.id}>
              {quantity > 1 && `${quantity} × `}
              {component.name}{' '}
              <span className="soft">
                {meets.length > 0 ? meets.map(requirementName).join(', ').toLowerCase() : 'another part needs it'}
              </span>
            </li>
          ))}
        </ul>
      </Fold>
      {open.length > 0 && (
        <div className="wait small">
          Nothing in the catalogue: {open.map(requirementName).join(', ').toLowerCase()}. Settle these in Match.
        </div>
      )}
      {onTake && (
        <div>
          <Button size="small" onClick={onTake}>
            Take these parts
          </Button>
        </div>
      )}
    </div>
  );
}
