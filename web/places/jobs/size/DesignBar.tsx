import { Button, Input, Modal } from 'antd';
import { useState } from 'react';
import type { StoredDesign } from '../../../../contract/design.ts';
import { type DesignInputs, EMPTY_DESIGN } from '../../../../core/design/inputs.ts';
import { kitDesign, kitParts } from '../../../../core/kit/kit.ts';
import { usePerson } from '../../../data/session.tsx';
import { MergeDialog, type MergeRow } from '../../../widgets/MergeDialog.tsx';
import { type Sending, useSend } from '../../../widgets/useSend.ts';
import { useBench } from '../jobBench.ts';

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ';
const MODULES = (inputs: DesignInputs) => inputs.boxes.map((box) => `${box.modules} ${box.bay}`).join(', ') || 'none';

function mergeRows(mine: DesignInputs, theirs: DesignInputs, name: (id: string | null) => string): MergeRow[] {
  return [
    { name: 'Module', mine: name(mine.moduleId), theirs: name(theirs.moduleId) },
    { name: 'Modules in bays', mine: MODULES(mine), theirs: MODULES(theirs) },
    { name: 'Strings', mine: String(mine.strings), theirs: String(theirs.strings) },
    { name: 'Drive', mine: name(mine.driveId), theirs: name(theirs.driveId) },
    { name: 'Gear', mine: String(mine.gear ?? 'none'), theirs: String(theirs.gear ?? 'none') },
    { name: 'Torque cap', mine: String(mine.torqueCapNm ?? 'none'), theirs: String(theirs.torqueCapNm ?? 'none') },
    { name: 'Charger', mine: name(mine.chargerId), theirs: name(theirs.chargerId) },
    { name: 'Inlet', mine: name(mine.inletId), theirs: name(theirs.inletId) },
  ];
}

/** The designs of a job: pick, make, copy, save, choose. */
export function DesignBar({ sending }: { sending: Sending }) {
  const bench = useBench();
  const { job, stored, inputs, designDirty, setInputs, pickDesign, draftVersion, shelves, kit } = bench;
  const person = usePerson();
  const [naming, setNaming] = useState<{ name: string; inputs: DesignInputs } | null>(null);
  const others = useSend();
  const may = person.role !== 'viewer';
  const nextLetter = LETTERS[job.designs.length] ?? `${job.designs.length + 1}`;
  const fromKit = () =>
    kit
      ? kitDesign(kit, kitParts(kit, shelves.components, job.vehicle.variantId, job.kit?.options ?? []))
      : EMPTY_DESIGN;
  const make = async () => {
    if (!naming) return;
    const made = await others.go<{ id: string }>('POST', `/jobs/${job.number}/designs`, naming);
    if (made) {
      pickDesign(made.id);
      setNaming(null);
    }
  };
  const save = async (version: number) => {
    if (stored && (await sending.go('PUT', `/designs/${stored.id}`, { name: stored.name, inputs, version })))
      setInputs(null);
  };
  const stale = sending.problem?.type === '/problems/stale' ? (sending.problem.current as StoredDesign) : null;
  const partName = (id: string | null) => (id ? (shelves.components.get(id)?.name ?? id) : 'none');
  return (
    <div className="row" style={{ justifyContent: 'space-between' }}>
      <div className="row" role="group" aria-label="Designs of this job">
        {job.designs.map((design) => (
          <Button
            key={design.id}
            type={design.id === stored?.id ? 'primary' : 'default'}
            aria-pressed={design.id === stored?.id}
            onClick={() => pickDesign(design.id)}
          >
            {design.name}
            {design.id === job.chosenDesignId ? ', chosen' : ''}
          </Button>
        ))}
        {may && (
          <Button
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
            type="dashed"
            onClick={() => setNaming({ name: `${nextLetter}, from ${stored.name.split(',')[0]}`, inputs })}
          >
            Copy
          </Button>
        )}
      </div>
      {may && stored && (
        <div className="row">
          {designDirty && (
            <>
              <Button onClick={() => setInputs(null)}>Undo changes</Button>
              <Button type="primary" loading={sending.busy} onClick={() => void save(draftVersion ?? stored.version)}>
                Save design
              </Button>
            </>
          )}
          {!designDirty && person.role === 'manager' && stored.id !== job.chosenDesignId && (
            <Button
              type="primary"
              onClick={() =>
                void others.go('PUT', `/jobs/${job.number}/chosen-design`, {
                  designId: stored.id,
                  version: job.version,
                })
              }
            >
              Choose this design
            </Button>
          )}
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
        rows={stale ? mergeRows(inputs, stale.inputs, partName) : null}
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
