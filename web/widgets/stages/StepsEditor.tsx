import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox } from 'antd';
import type { StepTemplate } from '../../../core/kit/kit.ts';
import type { QuantityKind } from '../../../core/quantity/kinds.ts';
import { Choice } from '../Choice.tsx';
import { QuantityInput } from '../QuantityInput.tsx';
import { TextField } from '../TextField.tsx';
import { useToolKinds } from './useToolKinds.ts';

/** What is measured in a stage, by the names people use. */
const MEASURED: Partial<Record<QuantityKind, string>> = {
  torque: 'torque',
  length: 'clearance or length',
  voltage: 'voltage',
  resistance: 'resistance',
  insulation: 'insulation',
  mass: 'mass',
  temperature: 'temperature',
  current: 'current',
  duration: 'time',
  count: 'count',
};
const TICKED = 'ticked';
const KINDS = [
  { value: TICKED, label: 'ticked, not measured' },
  ...Object.entries(MEASURED).map(([value, label]) => ({ value, label })),
];

interface Props {
  readonly steps: readonly StepTemplate[];
  readonly onChange: (steps: readonly StepTemplate[]) => void;
  /** By "steps.2.text". */
  readonly faults: Readonly<Record<string, string>>;
  readonly disabled: boolean;
}

/** The steps of a stage: ticked, or measured within limits that somebody answers for. */
export function StepsEditor({ steps, onChange, faults, disabled }: Props) {
  const change = (at: number, part: Partial<StepTemplate>) =>
    onChange(steps.map((step, i) => (i === at ? { ...step, ...part } : step)));
  return (
    <div className="stack">
      <h3>Steps</h3>
      {steps.map((step, at) => (
        <div key={at} className="rows-editor" data-step-row={at + 1}>
          <div className="step-fields">
            <TextField
              label={`Step ${at + 1}`}
              value={step.text}
              onChange={(text) => change(at, { text })}
              fault={faults[`steps.${at}.text`]}
            />
            <TextField
              label="Note"
              value={step.note}
              onChange={(note) => change(at, { note })}
              fault={faults[`steps.${at}.note`]}
            />
            <Choice
              label="Measured"
              disabled={disabled}
              value={step.limit?.kind ?? TICKED}
              options={
                step.limit && !MEASURED[step.limit.kind]
                  ? [...KINDS, { value: step.limit.kind, label: step.limit.kind }]
                  : KINDS
              }
              onChange={(kind) =>
                change(at, {
                  limit:
                    kind === null || kind === TICKED
                      ? null
                      : { kind: kind as QuantityKind, min: null, max: null, source: step.limit?.source ?? '' },
                })
              }
              fault={faults[`steps.${at}.limit`]}
            />
            {step.limit ? (
              <>
                <QuantityInput
                  label="At least"
                  kind={step.limit.kind}
                  mayBeEmpty
                  value={step.limit.min}
                  onChange={(min) => change(at, { limit: { ...step.limit!, min } })}
                  fault={faults[`steps.${at}.limit.min`]}
                  disabled={disabled}
                />
                <QuantityInput
                  label="At most"
                  kind={step.limit.kind}
                  mayBeEmpty
                  value={step.limit.max}
                  onChange={(max) => change(at, { limit: { ...step.limit!, max } })}
                  fault={faults[`steps.${at}.limit.max`]}
                  disabled={disabled}
                />
                <TextField
                  label="Who says so"
                  value={step.limit.source ?? ''}
                  onChange={(source) => change(at, { limit: { ...step.limit!, source } })}
                  fault={faults[`steps.${at}.limit.source`]}
                />
              </>
            ) : (
              <span style={{ gridColumn: 'span 7' }} />
            )}
            {!disabled && (
              <Button
                icon={<DeleteOutlined />}
                aria-label={`Drop step ${at + 1}`}
                onClick={() => onChange(steps.filter((_, i) => i !== at))}
              />
            )}
          </div>
          <StepMore step={step} disabled={disabled} onChange={(part) => change(at, part)} at={at} faults={faults} />
        </div>
      ))}
      {!disabled && (
        <div>
          <Button
            size="small"
            icon={<PlusOutlined />}
            onClick={() => onChange([...steps, { text: '', note: '', limit: null }])}
          >
            Add a step
          </Button>
        </div>
      )}
    </div>
  );
}

/** With what a step is done, whether a second person signs, and how many bolts are tightened in turn. */
function StepMore({
  step,
  at,
  onChange,
  faults,
  disabled,
}: {
  step: StepTemplate;
  at: number;
  onChange: (part: Partial<StepTemplate>) => void;
  faults: Props['faults'];
  disabled: boolean;
}) {
  const kinds = useToolKinds();
  const options = [...new Set([...kinds, ...(step.tool ? [step.tool] : [])])];
  return (
    <div className="row" style={{ alignItems: 'flex-end', gap: 12 }}>
      <div style={{ width: 190 }}>
        <Choice
          label={`With what, step ${at + 1}`}
          mayBeEmpty
          placeholder="nothing to name"
          value={step.tool ?? null}
          options={options.map((kind) => ({ value: kind, label: kind }))}
          onChange={(tool) => onChange({ tool })}
          fault={faults[`steps.${at}.tool`]}
          disabled={disabled}
        />
      </div>
      <div style={{ width: 130 }}>
        <QuantityInput
          label="Bolts in turn"
          kind="count"
          mayBeEmpty
          value={step.bolts ?? null}
          onChange={(bolts) => onChange({ bolts: bolts === null ? null : Math.round(bolts) })}
          fault={faults[`steps.${at}.bolts`]}
          disabled={disabled}
        />
      </div>
      <Checkbox
        checked={step.second ?? false}
        disabled={disabled}
        onChange={({ target }) => onChange({ second: target.checked })}
        style={{ paddingBottom: 6 }}
      >
        a second person signs
      </Checkbox>
    </div>
  );
}
