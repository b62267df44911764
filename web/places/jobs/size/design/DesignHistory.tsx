import { Button, Drawer } from 'antd';
import { designAddress } from '../../../../../contract/design.ts';
import { dayAndTime } from '../../../../../wording/dates.ts';
import { designDifferences } from '../../../../../wording/designDifferences.ts';
import { useOfAddress } from '../../../../data/resources.ts';
import { useWorkshop } from '../../../../data/session.tsx';
import { useMay } from '../../../../data/useMay.ts';
import { useShown } from '../../../../widgets/useShown.ts';
import { useOpenJob } from '../../openJob.ts';

/** Every stored change of the design: who, when, what became different; any state can be brought back as a draft. */
export function DesignHistory({ onClose }: { onClose: () => void }) {
  const { job, stored, setInputs } = useOpenJob('job', 'stored', 'setInputs');
  const workshop = useWorkshop();
  const may = useMay(job, 'design');
  const { data, error } = useOfAddress(designAddress.history, stored && { id: stored.id });
  const shown = useShown();
  return (
    <Drawer open title={`What was changed in ${stored?.name ?? ''}`} onClose={onClose} size={520}>
      {error && <p className="stop">{error.message}</p>}
      {data?.length === 0 && <p className="soft">Nothing was changed since it was made.</p>}
      <div className="stack">
        {data?.map((change, i) => {
          const differences = change.before ? designDifferences([change.before, change.inputs], shown) : [];
          return (
            <section key={i} className="history-entry">
              <div className="spread">
                <span className="strong">{change.what}</span>
                <span className="soft small">
                  {change.by}, {dayAndTime(change.at, workshop.timeZone)}
                </span>
              </div>
              {differences.map((row) => (
                <div key={row.name} className="small">
                  {row.name}: {row.values[0]} → {row.values[1]}
                </div>
              ))}
              {may && change.before && (
                <Button
                  size="small"
                  onClick={() => {
                    setInputs(change.before);
                    onClose();
                  }}
                >
                  Bring back what was before
                </Button>
              )}
            </section>
          );
        })}
      </div>
    </Drawer>
  );
}
