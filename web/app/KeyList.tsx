import { Descriptions, Drawer } from 'antd';
import { KEYS } from './keys.ts';

export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Drawer open={open} title="Keys" onClose={onClose} destroyOnHidden>
      <Descriptions
        column={1}
        size="small"
        colon={false}
        items={Object.values(KEYS).map(({ shown, does }) => ({
          key: shown,
          label: <span className="strong">{shown}</span>,
          children: does,
        }))}
      />
      <p className="soft small">Keys rest while you are typing.</p>
    </Drawer>
  );
}
