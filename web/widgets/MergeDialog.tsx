import { Modal } from 'antd';
import type { DifferenceRow } from '../../wording/differences.ts';
import { DataTable } from './DataTable.tsx';

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
        <DataTable
          label="What differs"
          rows={differing}
          rowKey={(row) => row.name}
          columns={({ words }) => [
            words('What', (row) => row.name),
            words('Yours', (row) => row.values[0]),
            words('Theirs', (row) => row.values[1]),
          ]}
        />
      )}
    </Modal>
  );
}
