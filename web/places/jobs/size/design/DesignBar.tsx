import { CopyOutlined, PlusOutlined, RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { Button, Input, Modal, Popconfirm, Tooltip } from 'antd';
import { useState } from 'react';
import type { StoredDesign } from '../../../../../contract/design.ts';
import { designAddress } from '../../../../../contract/design.ts';
import { jobAddress } from '../../../../../contract/jobChange.ts';
import { type DesignInputs, EMPTY_DESIGN } from '../../../../../core/design/inputs.ts';
import { kitDesign, kitParts } from '../../../../../core/kit/kit.ts';
import { designDifferences } from '../../../../../wording/designDifferences.ts';
import { useMay } from '../../../../data/useMay.ts';
import { MergeDialog } from '../../../../widgets/MergeDialog.tsx';
import { type Sending, useSend } from '../../../../widgets/useSend.ts';
import { useShown } from '../../../../widgets/useShown.ts';
import { useOpenJob, useOpenJobNow } from '../../openJob.ts';
import { DesignPapers } from './DesignPapers.tsx';

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ';
/** The designs of a job: pick, make, copy, save, choose. */
export function DesignBar({ sending }: { sending: Sending }) {
  const { job, stored, designDirty, setInputs, pickDesign, draftVersion, shelves, kit, undo, redo } = useOpenJob(
    'job',
    'stored',
    'designDirty',
    'setInputs',
    'pickDesign',
    'draftVersion',
    'shelves',
    'kit',
    'undo',
    'redo',
  );
  const now = useOpenJobNow();
  const mayChoose = useMay(job, 'chooseDesign');
  const maySell = useMay(job, 'sellDesign');
  const [naming, setNaming] = useState<{ name: string; inputs: DesignInputs } | null>(null);
  const others = useSend();
  const shown = useShown();
  const may = useMay(job, 'design');
  const nextLetter = LETTERS[job.designs.length] ?? `${job.designs.length + 1}`;
  const fromKit = () =>
    kit
      ? kitDesign(
          kit,
          kitParts(kit, shelves.components, job.vehicle.variantId, job.kit?.options ?? []),
          job.vehicle.variantId,
          job.kit?.options ?? [],
        )
      : EMPTY_DESIGN;
  const make = async () => {
    if (!naming) return;
    const made = await others.go(designAddress.add, { number: job.number }, naming);
    if (made) {
      pickDesign(made.id);
      setNaming(null);
    }
  };
  const save = async (version: number) => {
    if (!stored) return;
    const saved = await sending.go(
      designAddress.change,
      { id: stored.id },
      {
        name: stored.name,
        inputs: now.current.inputs,
        version,
      },
    );
    if (!saved) return;
    setInputs(null);
    // A sold design stays as it was: what was saved is a new one that follows it.
    if (saved.id !== stored.id) pickDesign(saved.id);
  };
  const stale = sending.problem?.type === '/problems/stale' ? (sending.problem.current as StoredDesign) : null;
  return (
    <div className="design-bar">
      <div className="designs" role="group" aria-label="Designs of this job">
        {job.designs.map((design) => (
          <Button
            key={design.id}
            type={design.id === stored?.id ? 'primary' : 'default'}
            aria-pressed={design.id === stored?.id}
            onClick={() => pickDesign(design.id)}
          >
            {design.name}
            {design.id === job.chosenDesignId ? ', chosen' : ''}
            {design.frozenAt ? ', sold' : ''}
          </Button>
        ))}
        {may && (
          <Button
            icon={<PlusOutlined />}
            type="dashed"
            onClick={() =>
              setNaming({ name: `${nextLetter}, new`, inputs: job.designs.length === 0 ? fromKit() : EMPTY_DESIGN })
            }
          >
            New design
          </Button>
        )}
        {may && stored && (
          <Button
            icon={<CopyOutlined />}
            type="dashed"
            onClick={() =>
              setNaming({ name: `${nextLetter}, from ${stored.name.split(',')[0]}`, inputs: now.current.inputs })
            }
          >
            Copy
          </Button>
        )}
      </div>
      {!may && stored && <DesignPapers dirty={false} />}
      {may && !stored && <DesignPapers dirty={false} />}
      {may && stored && (
        <div className="row">
          {designDirty && (
            <>
              <Tooltip title="Step back">
                <Button icon={<UndoOutlined />} aria-label="Step back" disabled={!undo} onClick={() => undo?.()} />
              </Tooltip>
              {redo && (
                <Tooltip title="Step forth">
                  <Button icon={<RedoOutlined />} aria-label="Step forth" onClick={redo} />
                </Tooltip>
              )}
              <Button onClick={() => setInputs(null)}>Drop changes</Button>
              <Button type="primary" loading={sending.busy} onClick={() => void save(draftVersion ?? stored.version)}>
                {stored.frozenAt ? 'Save as a new version' : 'Save design'}
              </Button>
            </>
          )}
          {!designDirty && mayChoose && stored.id !== job.chosenDesignId && (
            <Button
              type="primary"
              onClick={() =>
                void others.go(
                  jobAddress.chooseDesign,
                  { number: job.number },
                  {
                    designId: stored.id,
                    version: job.version,
                  },
                )
              }
            >
              Choose this design
            </Button>
          )}
          {!designDirty && maySell && stored.id === job.chosenDesignId && !stored.frozenAt && (
            <Popconfirm
              title="The client has agreed to this design?"
              description="It is frozen as it stands. A later change makes a new version beside it."
              okText="Sold: freeze it"
              cancelText="Not yet"
              onConfirm={() => void others.go(designAddress.sell, { id: stored.id }, { version: stored.version })}
            >
              <Button>Mark as sold</Button>
            </Popconfirm>
          )}
          <DesignPapers dirty={designDirty} />
        </div>
      )}
      <Modal
        open={naming !== null}
        title="Name the design"
        okText="Make it"
        onOk={() => void make()}
        onCancel={() => setNaming(null)}
        confirmLoading={others.busy}
        destroyOnHidden
      >
        <Input
          aria-label="Name of the design"
          value={naming?.name ?? ''}
          onChange={(event) => naming && setNaming({ ...naming, name: event.target.value })}
          onPressEnter={() => void make()}
        />
        {others.faults.name && <div className="fault">{others.faults.name}</div>}
      </Modal>
      <MergeDialog
        rows={stale ? designDifferences([now.current.inputs, stale.inputs], shown) : null}
        onMine={() => {
          const version = stale?.version ?? 0;
          sending.clear();
          void save(version);
        }}
        onTheirs={() => {
          sending.clear();
          setInputs(null);
        }}
        onClose={sending.clear}
      />
    </div>
  );
}
