import { App, Button } from 'antd';
import { useState } from 'react';
import type { Merge } from '../../../contract/clients.ts';
import { Choice } from '../../widgets/Choice.tsx';

interface One {
  readonly id: string;
  readonly name: string;
  readonly version: number;
}

interface Props {
  readonly gone: One;
  readonly others: readonly (One & { readonly label: string })[];
  /** What moves, for the question: "vehicles and jobs". */
  readonly moves: string;
  readonly fault: string | undefined;
  readonly busy: boolean;
  readonly onMerge: (merge: Merge) => void;
}

/** Two entries that are the same become one: asked before, since they cannot be told apart again. */
export function MergeInto({ gone, others, moves, fault, busy, onMerge }: Props) {
  const { modal } = App.useApp();
  const [into, setInto] = useState<string | null>(null);
  const stays = others.find(({ id }) => id === into);
  const askFirst = () => {
    if (!stays) return;
    modal.confirm({
      title: `Merge ${gone.name} into ${stays.name}?`,
      content: `All ${moves} of ${gone.name} become those of ${stays.name}. They cannot be told apart again.`,
      okText: 'Merge',
      cancelText: 'Leave them',
      onOk: () => onMerge({ into: stays.id, version: gone.version, intoVersion: stays.version }),
    });
  };
  return (
    <div className="row" style={{ alignItems: 'end' }}>
      <div style={{ width: 280 }}>
        <Choice
          label="It is the same as"
          mayBeEmpty
          value={into}
          options={others.map(({ id, label }) => ({ value: id, label }))}
          onChange={setInto}
          fault={fault}
        />
      </div>
      <Button disabled={!stays} loading={busy} onClick={askFirst}>
        Merge
      </Button>
    </div>
  );
}
