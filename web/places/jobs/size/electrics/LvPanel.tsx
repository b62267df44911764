import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { lvSide } from '../../../../../core/figures/electric/lowVoltage.ts';
import { LV_CASE_NAME, LV_CASES, type LvLoad, lvShare, USUAL_LV_LOADS } from '../../../../../core/lowvoltage/loads.ts';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../../widgets/TextField.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';

/** Loads of the low-voltage side with how much each runs in every mode. */
export function LvPanel() {
  const { sheet } = useOpenJob('sheet');
  const { electric, setElectric } = useDesign();
  const side = sheet.get(lvSide).value;
  const loads = electric.lvLoads ?? USUAL_LV_LOADS;
  const put = (next: readonly LvLoad[]) => setElectric({ lvLoads: next });
  const change = (i: number, next: Partial<LvLoad>) =>
    put(loads.map((load, k) => (k === i ? { ...load, ...next } : load)));
  return (
    <Panel
      title={`Loads at ${side?.nominal ?? 12} V`}
      aside={electric.lvLoads ? 'listed for this design' : 'usual loads: change what differs'}
    >
      <div className="in">
        <DataTable
          label="Low-voltage loads"
          className="close"
          rows={loads}
          columns={({ actions, words }) => [
            words('Load', (load, i) => (
              <TextField label={`Load ${i + 1}`} hideLabel value={load.name} onChange={(name) => change(i, { name })} />
            )),
            words(
              'Power',
              (load, i) => (
                <QuantityInput
                  label={`Watts of ${load.name}`}
                  hideLabel
                  kind="watts"
                  value={load.watts}
                  onChange={(watts) => watts !== null && change(i, { watts })}
                />
              ),
              { width: 84 },
            ),
            ...LV_CASES.map((which) =>
              words(
                LV_CASE_NAME[which],
                (load, i) => (
                  <QuantityInput
                    label={`${load.name}, ${which}`}
                    hideLabel
                    kind="share"
                    digits={0}
                    value={lvShare(load, which)}
                    onChange={(share) => share !== null && change(i, { [which]: share })}
                  />
                ),
                { width: 64 },
              ),
            ),
            actions('Change', (load, i) => (
              <Button
                size="small"
                type="text"
                icon={<DeleteOutlined />}
                aria-label={`Drop ${load.name}`}
                onClick={() => put(loads.filter((_, k) => k !== i))}
              />
            )),
          ]}
        />
        <span className="row">
          <Button
            icon={<PlusOutlined />}
            size="small"
            onClick={() => put([...loads, { name: 'another load', watts: 50, day: 0, nightWet: 0, worst: 1 }])}
          >
            Add a load
          </Button>
          {electric.lvLoads && (
            <Button size="small" type="text" onClick={() => setElectric({ lvLoads: null })}>
              Back to the usual
            </Button>
          )}
        </span>
      </div>
    </Panel>
  );
}
