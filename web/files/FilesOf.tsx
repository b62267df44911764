import { CameraOutlined, FilePdfOutlined, FileTextOutlined, PlusOutlined } from '@ant-design/icons';
import { App, Button, Image, Upload } from 'antd';
import { type ClipboardEvent, useRef, useState } from 'react';
import { type FileAbout, type FileList, type FileRow, fileAddress, LARGEST_FILE } from '../../contract/files.ts';
import { hasRole } from '../../contract/rights.ts';
import { fileUrl, Refused, sendFile } from '../data/client.ts';
import { useOfAddress } from '../data/resources.ts';
import { usePerson } from '../data/session.tsx';
import { FileCaption } from './FileCaption.tsx';

interface Props {
  readonly about: FileAbout;
  readonly of: string;
  /** Files that were fetched with others; without it they are asked for. */
  readonly list?: FileList | undefined;
  /** What a person would call the thing, for labels: "Bakery van". */
  readonly name: string;
}

/** From here on the room that is left is said, share of the quota. */
const NEARLY_FULL = 0.8;
const mb = (bytes: number) =>
  bytes < 1e5 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;

/** Photographs and papers of one thing: dropped, pasted, chosen or taken by camera; shown small, opened large. */
export function FilesOf({ about, of, list, name }: Props) {
  const { data: asked } = useOfAddress(fileAddress.of, list ? null : { about, of });
  const { role } = usePerson();
  const { message } = App.useApp();
  const camera = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(0);
  const found = list ?? asked;
  const files = (found?.files ?? []).filter((file) => file.about === about && file.aboutId === of);
  const may = hasRole(role, fileAddress.add.may);
  const used = found ? found.usedBytes / found.quotaBytes : 0;

  const add = async (file: File) => {
    if (file.size > LARGEST_FILE) {
      void message.error(`${file.name} has ${mb(file.size)}; at most ${mb(LARGEST_FILE)} are taken.`, 6);
      return;
    }
    setBusy((now) => now + 1);
    try {
      await sendFile(fileAddress.add, { about, of, name: file.name || 'picture' }, file);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      void message.error(`${file.name}: ${error.problem.detail}`, 6);
    } finally {
      setBusy((now) => now - 1);
    }
  };
  const paste = (event: ClipboardEvent) => {
    const { files: pasted } = event.clipboardData;
    if (!may || pasted.length === 0) return;
    event.preventDefault();
    for (const file of pasted) void add(file);
  };
  return (
    <section aria-label={`Photographs and papers of ${name}`} className="files" data-files={about} onPaste={paste}>
      <Image.PreviewGroup>
        {files.map((file) => (
          <figure key={file.id} data-file={file.name}>
            {file.picture ? (
              <Image
                src={fileUrl(fileAddress.small, { id: file.id })}
                alt={file.caption || file.name}
                preview={{ src: fileUrl(fileAddress.whole, { id: file.id }) }}
                height={92}
              />
            ) : (
              <Paper file={file} />
            )}
            <FileCaption file={file} may={may} />
          </figure>
        ))}
      </Image.PreviewGroup>
      {may && (
        <div className="files-add">
          <Upload
            multiple
            showUploadList={false}
            beforeUpload={(file) => {
              void add(file);
              return false;
            }}
            type="drag"
            aria-label={`Add to ${name}`}
          >
            <PlusOutlined /> {busy > 0 ? `${busy} on the way …` : 'Drop, paste or choose'}
          </Upload>
          <input
            ref={camera}
            type="file"
            accept="image/*"
            capture="environment"
            hidden
            aria-label={`Photograph of ${name}`}
            onChange={({ target }) => {
              for (const file of target.files ?? []) void add(file);
              target.value = '';
            }}
          />
          <Button size="small" icon={<CameraOutlined />} onClick={() => camera.current?.click()}>
            Camera
          </Button>
        </div>
      )}
      {used > NEARLY_FULL && found && (
        <p className="wait small">
          Photographs and papers take {mb(found.usedBytes)} of {mb(found.quotaBytes)}: drop some, or let there be more.
        </p>
      )}
    </section>
  );
}

function Paper({ file }: { file: FileRow }) {
  return (
    <a className="files-paper" href={fileUrl(fileAddress.whole, { id: file.id })} target="_blank" rel="noreferrer">
      {file.type === 'application/pdf' ? <FilePdfOutlined /> : <FileTextOutlined />}
      <span>{file.name}</span>
      <span className="soft small">{mb(file.size)}</span>
    </a>
  );
}
