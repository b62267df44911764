import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { KitBox, KitContent } from '../../../core/kit/kit.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { AppliesWhen } from './AppliesWhen.tsx';

interface Props {
  readonly content: KitContent;
  readonly variants: readonly Variant[];
  readonly onChange: (part: Partial<KitContent>) => void;
  /** By "boxes.0.modules". */
  readonly faults: Readonly<Record<string, string>>;
  readonly disabled: boolean;
}

/** Where the modules go and what the drive is set to: boxes by bay, strings, gear, torque cap. */
export function BoxesEditor({ content, variants, onChange, faults, disabled }: Props) {
  const { layout } = content;
  const bays = new Map(variants.flatMap(({ bays: all }) => all.map(({ key, name }) => [key, name])));
  const put = (boxes: readonly KitBox[]) => onChange({ layout: { ...layout, boxes } });
  const change = (at: number, part: Partial<KitBox>) =>
    put(layout.boxes.map((box, i) => (i === at ? { ...box, ...part } : box)));
  const choices = [...bays].map(([value, label]) => ({ value, label }));
  return (
    <div className="stack">
      {layout.boxes.map((box, at) => (
        <div key={at} className="rows-editor" data-kit-box={box.bay}>
          <div className="fields">
            <Choice
              label="Bay"
              disabled={disabled}
              value={box.bay}
              options={bays.has(box.bay) ? choices : [...choices, { value: box.bay, label: `${box.bay}, not there` }]}
              onChange={(bay) => bay && change(at, { bay })}
              fault={faults[`boxes.${at}.bay`]}
            />
            <QuantityInput
              label="Modules"
              kind="count"
              disabled={disabled}
              value={box.modules}
              onChange={(modules) => modules !== null && change(at, { modules: Math.round(modules) })}
              fault={faults[`boxes.${at}.modules`]}
            />
            <QuantityInput
              label="Moved rearwards"
              kind="length"
              disabled={disabled}
              value={box.shiftMm ?? 0}
              onChange={(shiftMm) => shiftMm !== null && change(at, { shiftMm })}
              fault={faults[`boxes.${at}.shiftMm`]}
            />
            <QuantityInput
              label="Raised"
              kind="length"
              disabled={disabled}
              value={box.shiftZMm ?? 0}
              onChange={(shiftZMm) => shiftZMm !== null && change(at, { shiftZMm })}
              fault={faults[`boxes.${at}.shiftZMm`]}
            />
            <div style={{ alignSelf: 'end' }}>
              <AppliesWhen
                value={box.appliesWhen ?? null}
                onChange={(appliesWhen) => change(at, { appliesWhen })}
                variants={variants}
                options={content.options}
                of={`the box ${bays.get(box.bay) ?? box.bay}`}
                disabled={disabled}
              />
            </div>
            {!disabled && (
              <Button
                style={{ alignSelf: 'end' }}
                icon={<DeleteOutlined />}
                aria-label={`Drop the box ${bays.get(box.bay) ?? box.bay}`}
                onClick={() => put(layout.boxes.filter((_, i) => i !== at))}
              />
            )}
          </div>
        </div>
      ))}
      {!disabled && choices[0] && (
        <div>
          <Button
            size="small"
            icon={<PlusOutlined />}
            onClick={() => {
              const free = choices.find(({ value }) => !layout.boxes.some(({ bay }) => bay === value)) ?? choices[0]!;
              put([...layout.boxes, { bay: free.value, modules: 1 }]);
            }}
          >
            Add a box
          </Button>
        </div>
      )}
      <div className="fields">
        <QuantityInput
          label="Strings side by side"
          kind="count"
          disabled={disabled}
          value={layout.strings}
          onChange={(strings) => strings !== null && onChange({ layout: { ...layout, strings: Math.round(strings) } })}
          fault={faults.strings}
        />
        <QuantityInput
          label="Gear left engaged"
          kind="count"
          mayBeEmpty
          disabled={disabled}
          value={content.gear}
          onChange={(gear) => onChange({ gear: gear === null ? null : Math.round(gear) })}
        />
        <QuantityInput
          label="Torque cap"
          kind="torque"
          mayBeEmpty
          disabled={disabled}
          value={content.torqueCapNm}
          onChange={(torqueCapNm) => onChange({ torqueCapNm })}
        />
      </div>
    </div>
  );
}
