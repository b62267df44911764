import { Drawer } from 'antd';
import { STEPS } from './steps.ts';

const KEYS: readonly (readonly [string, string])[] = [
  ['/', 'find a job, vehicle or part'],
  ['Alt F, Alt J', 'Floor, Jobs'],
  [STEPS.map((step) => step.key).join(' '), STEPS.map((step) => step.name).join(', ')],
  ['B', 'bench of this job'],
  ['C', 'clock on or off'],
  ['U', 'units: metric, UK road, US'],
  ['W', 'show working of the focused figure'],
  ['Ctrl Z, Ctrl ⇧ Z', 'step back and forth in a design'],
  ['arrows', 'move the focused box by 10 mm, with ⇧ by 50'],
  ['?', 'this list'],
];

export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Drawer open={open} title="Keys" onClose={onClose} destroyOnHidden>
      <table className="list">
        <tbody>
          {KEYS.map(([key, does]) => (
            <tr key={key}>
              <td className="strong">{key}</td>
              <td>{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft small">Keys rest while you are typing.</p>
    </Drawer>
  );
}
