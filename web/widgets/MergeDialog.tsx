import { Modal } from 'antd';
import type { DifferenceRow } from '../../wording/differences.ts';

/** Shown when somebody else saved first: both sides, only what differs, and a person decides. */
export function MergeDialog({
  rows,
  onMine,
  onTheirs,
  onClose,
}: {
  /** Mine first, theirs second; null while there is nothing to merge. */
  rows: readonly DifferenceRow[] | null;
  onMine: () => void;
  onTheirs: () => void;
  onClose: () => void;
}) {
  const differing = rows ?? [];
  return (
    <Modal
      open={rows !== null}
      title="Somebody saved this while you were writing"
      okText="Save mine over it"
      cancelText="Take theirs"
      onOk={onMine}
      onCancel={(event) => ((event.target as HTMLElement).closest('.ant-modal-close') ? onClose() : onTheirs())}
      maskClosable={false}
    >
      {differing.length === 0 ? (
        <p>Both say the same. Saving yours changes nothing.</p>
      ) : (
        <table className="list">
          <thead>
            <tr>
              <th>What</th>
              <th>Yours</th>
              <th>Theirs</th>
            </tr>
          </thead>
          <tbody>
            {differing.map((row) => (
              <tr key={row.name}>
                <td>{row.name}</td>
                <td>{row.values[0]}</td>
                <td>{row.values[1]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Modal>
  );
}
