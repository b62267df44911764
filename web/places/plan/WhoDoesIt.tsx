import { Button } from 'antd';
import { useState } from 'react';
import type { FactFirm, FactStage } from '../../../core/plan/facts.ts';
import type { PlanChange } from '../../../core/plan/planChange.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';

const OWN = '';

interface Props {
  readonly stage: FactStage;
  readonly firms: readonly FactFirm[];
  readonly onHand: (changes: readonly PlanChange[]) => void;
}

/** Whether a stage is done here or at a firm outside, and how many of its days that has the vehicle. */
export function WhoDoesIt({ stage, firms, onHand }: Props) {
  const [firmId, setFirm] = useState(stage.firm?.id ?? OWN);
  const [days, setDays] = useState<number | null>(stage.firm?.days ?? 1);
  const same = firmId === (stage.firm?.id ?? OWN) && (firmId === OWN || days === stage.firm?.days);
  return (
    <div className="row" style={{ alignItems: 'end', flexWrap: 'nowrap' }}>
      <div style={{ flex: 1 }}>
        <Choice
          label="Done by"
          value={firmId}
          options={[
            { value: OWN, label: 'our own people' },
            ...firms.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(next) => setFirm(next ?? OWN)}
        />
      </div>
      {firmId !== OWN && (
        <div style={{ width: 72 }}>
          <QuantityInput label="Days there" kind="count" value={days} onChange={setDays} />
        </div>
      )}
      <Button
        disabled={same || (firmId !== OWN && days === null)}
        onClick={() =>
          onHand([{ kind: 'firm', stageId: stage.id, firmId: firmId || null, days: firmId === OWN ? null : days }])
        }
      >
        Show it
      </Button>
    </div>
  );
}
