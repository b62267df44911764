import { FilePdfOutlined } from '@ant-design/icons';
import { type FitterSheet, fitterAddress } from '../../../contract/fitting.ts';
import { fileUrl } from '../../data/client.ts';
import { Panel } from '../../widgets/Panel.tsx';

/** Files of the revision and of this order. */
export function FilmsAndDrawings({ token, files }: { token: string; files: FitterSheet['files'] }) {
  if (files.length === 0) return null;
  return (
    <Panel title="Films and drawings" aside={`${files.length}`}>
      <div className="in stack">
        {files.map(({ id, name, caption, picture }) => {
          const href = fileUrl(fitterAddress.file, { token, id });
          return (
            <a key={id} href={href} target="_blank" rel="noreferrer" className="row">
              {picture ? (
                <img src={`${href}?small=1`} alt={caption || name} style={{ width: 96 }} />
              ) : (
                <FilePdfOutlined />
              )}
              {caption || name}
            </a>
          );
        })}
      </div>
    </Panel>
  );
}
