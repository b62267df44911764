import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { type ReactNode, useState } from 'react';
import type { StageTemplate } from '../../../core/kit/kit.ts';
import { formatHours } from '../../../core/quantity/format.ts';
import { SortableRows } from '../SortableRows.tsx';
import { StageFields } from './StageFields.tsx';

interface Props {
  readonly stages: readonly StageTemplate[];
  readonly onChange: (stages: readonly StageTemplate[]) => void;
  /** By "3.name". */
  readonly faults: Readonly<Record<string, string>>;
  readonly disabled?: boolean;
  /** A field for when a stage applies, in a kit. */
  readonly when?: (stage: StageTemplate, onChange: (when: StageTemplate['appliesWhen']) => void) => ReactNode;
}

/** A key nobody has: stages are known by it, so that a new name does not make another stage of it. */
function freeKey(stages: readonly StageTemplate[]): string {
  let n = stages.length + 1;
  while (stages.some(({ key }) => key === `stage-${n}`)) n++;
  return `stage-${n}`;
}

const NEW: Omit<StageTemplate, 'key'> = {
  name: '',
  traits: [],
  after: [],
  hours: 1,
  people: 1,
  liveHv: false,
  needs: '',
  note: '',
  steps: [],
};

/** A list of stages: put in order at the left, the chosen one changed at the right. */
export function StagesEditor({ stages, onChange, faults, disabled = false, when }: Props) {
  const [chosen, setChosen] = useState<string | null>(null);
  const at = Math.max(
    0,
    stages.findIndex(({ key }) => key === chosen),
  );
  const stage = stages[at];
  const hours = stages.reduce((sum, one) => sum + one.hours, 0);
  const faulty = new Set(Object.keys(faults).map((path) => Number(path.split('.')[0])));
  return (
    <div className="stages-editor">
      <div>
        <div className="stage-list">
          <SortableRows
            rows={stages}
            keyOf={({ key }) => key}
            nameOf={({ name }) => name || 'the new stage'}
            onOrder={onChange}
            disabled={disabled}
          >
            {(one, i) => (
              <button
                type="button"
                className={`pick${i === at ? ' here' : ''}${faulty.has(i) ? ' stop' : ''}`}
                aria-pressed={i === at}
                onClick={() => setChosen(one.key)}
              >
                <span>{one.name || 'new stage'}</span>
                <span className={one.liveHv ? 'hv-text small' : 'soft small'}>{formatHours(one.hours)}</span>
              </button>
            )}
          </SortableRows>
        </div>
        <div className="spread" style={{ marginTop: 8 }}>
          {!disabled && (
            <Button
              size="small"
              icon={<PlusOutlined />}
              onClick={() => {
                const key = freeKey(stages);
                onChange([...stages, { ...NEW, key }]);
                setChosen(key);
              }}
            >
              Add a stage
            </Button>
          )}
          <span className="soft small">
            {stages.length} stages, {formatHours(hours)}
          </span>
        </div>
      </div>
      {stage ? (
        <div className="stack">
          <StageFields
            key={stage.key}
            stage={stage}
            others={stages.filter(({ key }) => key !== stage.key)}
            onChange={(next) => onChange(stages.map((one, i) => (i === at ? next : one)))}
            faults={Object.fromEntries(
              Object.entries(faults)
                .filter(([path]) => path.startsWith(`${at}.`))
                .map(([path, sentence]) => [path.slice(`${at}.`.length), sentence]),
            )}
            disabled={disabled}
            when={when?.(stage, (appliesWhen) => {
              const { appliesWhen: _, ...rest } = stage;
              onChange(stages.map((one, i) => (i === at ? (appliesWhen ? { ...rest, appliesWhen } : rest) : one)));
            })}
          />
          {!disabled && (
            <div>
              <Button
                size="small"
                danger
                icon={<DeleteOutlined />}
                onClick={() =>
                  // What waited for it waits for it no more.
                  onChange(
                    stages
                      .filter((_, i) => i !== at)
                      .map((one) => ({ ...one, after: one.after.filter((key) => key !== stage.key) })),
                  )
                }
              >
                Drop {stage.name || 'this stage'}
              </Button>
            </div>
          )}
        </div>
      ) : (
        <p className="soft">No stage yet: add the first, in the order the work is done.</p>
      )}
    </div>
  );
}
