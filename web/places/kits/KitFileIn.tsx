import { InboxOutlined } from '@ant-design/icons';
import { Button, Upload } from 'antd';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import useSWR from 'swr';
import { pathOf } from '../../../contract/address.ts';
import { componentAddress } from '../../../contract/components.ts';
import { check } from '../../../contract/fields.ts';
import { type KitFile, kitFileAddress, kitFileSchema } from '../../../contract/kitFile.ts';
import type { LibraryComponent, NamedVariant } from '../../../contract/library.ts';
import { type FileMatch, matchFile } from '../../../wording/kitFile.ts';
import { ask } from '../../data/client.ts';
import { useLibrary } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

const BY: Record<NonNullable<FileMatch['by']>, string> = {
  partNumber: 'same part number',
  sheet: 'same sheet, mass and size',
  name: 'same name only: look',
};

/** A kit from another workshop: every component of it is found here or shown as new, before anything is stored. */
export function KitFileIn({ done }: { done: () => void }) {
  const { shelves } = useLibrary();
  const [file, setFile] = useState<KitFile | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  // What is here is looked for in everything of these kinds, not only in what is at hand.
  const kinds = file ? [...new Set(file.components.map(({ component }) => component.kind))] : [];
  const { data: catalogue, error } = useSWR<readonly LibraryComponent[], Error>(
    file && ['catalogue of', ...kinds],
    async () =>
      (
        await Promise.all(kinds.map((kind) => ask<LibraryComponent[]>(pathOf(componentAddress.ofKind, { kind }))))
      ).flat(),
  );
  const read = async (picked: File) => {
    setFile(null);
    try {
      const { value, problems } = check(kitFileSchema, JSON.parse(await picked.text()));
      const [path, sentence] = Object.entries(problems)[0] ?? [];
      if (sentence) setFault(`${picked.name} is not taken: ${sentence} (${path})`);
      else {
        setFault(null);
        setFile(value as KitFile);
      }
    } catch {
      setFault(`${picked.name} is no kit file: it cannot be read as JSON.`);
    }
  };
  return (
    <Panel title="A kit from a file" aside="as another workshop wrote it">
      <div className="in stack">
        {!file && (
          <Upload.Dragger
            accept="application/json,.json"
            showUploadList={false}
            beforeUpload={(picked) => {
              void read(picked);
              return false;
            }}
          >
            <p>
              <InboxOutlined /> Drop the kit file here, or choose it
            </p>
          </Upload.Dragger>
        )}
        {(fault ?? error) && <p className="fault">{fault ?? error?.message}</p>}
        {file && shelves && catalogue && <Preview file={file} catalogue={catalogue} models={shelves.data.models} />}
        <div>
          <Button type="text" size="small" onClick={done}>
            Not now
          </Button>
        </div>
      </div>
    </Panel>
  );
}

interface PreviewProps {
  readonly file: KitFile;
  /** Everything the catalogue has of the file's kinds. */
  readonly catalogue: readonly LibraryComponent[];
  readonly models: readonly NamedVariant[];
}

function Preview({ file, catalogue, models: named }: PreviewProps) {
  const navigate = useNavigate();
  const matches = useMemo(() => matchFile(file.components, catalogue), [file, catalogue]);
  const models = new Map(named.map((one) => [`${one.makerName} ${one.modelName}`, one.id]));
  const [name, setName] = useState(file.name);
  const [variantId, setVariantId] = useState<string | null>(models.get(file.model) ?? null);
  const [own, setOwn] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(matches.flatMap(({ id, own: mine }) => (mine ? [[id, mine.id]] : []))),
  );
  const form = useChecked(kitFileAddress.takeIn, {}, { file, name, variantId: variantId ?? '', own });
  const fresh = matches.filter(({ id }) => own[id] === undefined).length;
  const take = async () => {
    const made = await form.save();
    if (made) navigate(`/kits/${made.kit}?rev=A`);
  };
  return (
    <EntryForm save="Take the kit in" busy={form.busy} refusal={form.refusal} onSave={() => void take()}>
      <div className="fields">
        <TextField label="Name of the kit here" value={name} onChange={setName} fault={form.faults.name} />
        <Choice
          label={`For the model (it was for ${file.model})`}
          value={variantId}
          options={[...models].map(([label, value]) => ({ value, label }))}
          onChange={setVariantId}
          fault={form.faults.variantId}
        />
      </div>
      <p className="small">
        {file.name} {file.revision}: {file.content.lines.length} lines, {file.content.stages.length} stages;{' '}
        {matches.length - fresh} components are here, <strong>{fresh} would be new in the catalogue</strong>.
      </p>
      <DataTable
        label="Components of the file"
        rows={matches}
        rowKey={({ id }) => id}
        rowMark={({ by }) => ({ 'data-match': by ?? 'new' })}
        columns={({ words }) => [
          words('In the file', ({ name: said }) => said),
          words('Found by', ({ by }) => (by ? BY[by] : <span className="wait">not here</span>)),
          words('Stands for it', ({ id, own: mine }) => {
            const kind = file.components.find((one) => one.id === id)!.component.kind;
            return (
              <Choice
                label={`Stands for ${id}`}
                hideLabel
                mayBeEmpty
                placeholder="taken in as new"
                value={own[id] ?? null}
                options={catalogue
                  .filter((one) => one.kind === kind || one.id === mine?.id)
                  .map((one) => ({ value: one.id, label: one.name }))}
                onChange={(next) => {
                  const { [id]: _, ...rest } = own;
                  setOwn(next === null ? rest : { ...rest, [id]: next });
                }}
                fault={form.faults[`own.${id}`]}
              />
            );
          }),
        ]}
      />
    </EntryForm>
  );
}
