import { Drawer } from 'antd';
import { KEYS } from './keys.ts';

export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Drawer open={open} title="Keys" onClose={onClose} destroyOnHidden>
      <table className="list">
        <tbody>
          {Object.values(KEYS).map(({ shown, does }) => (
            <tr key={shown}>
              <td className="strong">{shown}</td>
              <td>{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft small">Keys rest while you are typing.</p>
    </Drawer>
  );
}
