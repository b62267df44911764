import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../../widgets/TextField.tsx';
import { useDesign } from '../design/useDesign.ts';

/** Things that are no components: taken out (negative) or put in, with their place. */
export function ItemsSheet() {
  const { inputs, set } = useDesign();
  const items = inputs.items ?? [];
  const change = (i: number, next: Partial<(typeof items)[number]>) =>
    set({ items: items.map((item, k) => (k === i ? { ...item, ...next } : item)) });
  return (
    <Panel title="Put in and taken out besides" aside="taken out counts negative">
      <div className="in stack">
        {items.map((item, i) => (
          <div key={i} className="item-row">
            <TextField label={`Item ${i + 1}`} value={item.name} onChange={(name) => change(i, { name })} />
            <QuantityInput
              label="Mass"
              kind="mass"
              value={item.massKg}
              onChange={(massKg) => massKg !== null && change(i, { massKg })}
            />
            <QuantityInput
              label="Behind front axle"
              kind="length"
              value={item.xMm}
              onChange={(xMm) => xMm !== null && change(i, { xMm })}
            />
            <QuantityInput
              label="Right of middle"
              kind="length"
              value={item.yMm}
              onChange={(yMm) => yMm !== null && change(i, { yMm })}
            />
            <Button
              icon={<DeleteOutlined />}
              size="small"
              type="text"
              aria-label={`Take ${item.name || `item ${i + 1}`} off the list`}
              onClick={() => set({ items: items.filter((_, k) => k !== i) })}
            >
              Drop
            </Button>
          </div>
        ))}
        <div>
          <Button
            icon={<PlusOutlined />}
            onClick={() => set({ items: [...items, { name: 'new item', massKg: 0, xMm: 0, yMm: 0 }] })}
          >
            Add an item
          </Button>
        </div>
      </div>
    </Panel>
  );
}
