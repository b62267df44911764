import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { KitContent, KitLine, KitOption } from '../../../core/kit/kit.ts';
import { TextField } from '../../widgets/TextField.tsx';

interface Props {
  readonly options: readonly KitOption[];
  readonly content: KitContent;
  readonly onChange: (part: Partial<KitContent>) => void;
  readonly faults: Readonly<Record<string, string>>;
  readonly disabled: boolean;
}

/** The condition without an option that is there no more. */
function without(when: KitLine['appliesWhen'] | undefined, option: string): KitLine['appliesWhen'] {
  if (!when) return null;
  const { option: only, without: not, ...rest } = when;
  const next = {
    ...rest,
    ...(only && only !== option && { option: only }),
    ...(not && not !== option && { without: not }),
  };
  return Object.keys(next).length > 0 ? next : null;
}

/** The options of a kit; lines, boxes and stages say which they come with. */
export function OptionsEditor({ options, content, onChange, faults, disabled }: Props) {
  if (disabled)
    return options.length === 0 ? null : (
      <p className="soft small">Options: {options.map(({ name }) => name).join(', ')}.</p>
    );
  const freeId = () => {
    let n = options.length + 1;
    while (options.some(({ id }) => id === `option-${n}`)) n++;
    return `option-${n}`;
  };
  const drop = (id: string) =>
    // What came only with it goes with it; what was left out for it stays in.
    onChange({
      options: options.filter((one) => one.id !== id),
      lines: content.lines
        .filter(({ appliesWhen }) => appliesWhen?.option !== id)
        .map((line) => ({ ...line, appliesWhen: without(line.appliesWhen, id) })),
      layout: {
        ...content.layout,
        boxes: content.layout.boxes
          .filter(({ appliesWhen }) => appliesWhen?.option !== id)
          .map((box) => ({ ...box, appliesWhen: without(box.appliesWhen, id) })),
      },
      stages: content.stages
        .filter(({ appliesWhen }) => appliesWhen?.option !== id)
        .map((stage) => (stage.appliesWhen ? { ...stage, appliesWhen: without(stage.appliesWhen, id) } : stage)),
    });
  return (
    <div className="stack">
      <h3>Options</h3>
      {options.map(({ id, name }, at) => (
        <div key={id} className="row">
          <div style={{ width: 300 }}>
            <TextField
              label={`Option ${at + 1}`}
              hideLabel
              value={name}
              onChange={(next) =>
                onChange({ options: options.map((one) => (one.id === id ? { id, name: next } : one)) })
              }
              fault={faults[`${at}.name`]}
            />
          </div>
          <Button
            size="small"
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Drop the option ${name}`}
            onClick={() => drop(id)}
          />
        </div>
      ))}
      <div>
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() => onChange({ options: [...options, { id: freeId(), name: '' }] })}
        >
          Add an option
        </Button>
      </div>
    </div>
  );
}
