import { DownloadOutlined } from '@ant-design/icons';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Address } from '../../contract/address.ts';
import type { JobEvent } from '../../contract/job.ts';
import { dayAndTime } from '../../wording/dates.ts';
import { fileUrl } from '../data/client.ts';
import { useOfAddress } from '../data/resources.ts';
import { useWorkshop } from '../data/session.tsx';
import { Choice } from './Choice.tsx';
import { DataTable } from './DataTable.tsx';

interface Props<P extends string> {
  readonly of: Address<P, undefined, JobEvent[]>;
  /** Where the whole of it is fetched as a table. */
  readonly table: Address<P, undefined, never>;
  readonly params: Parameters<typeof useOfAddress<P, JobEvent[]>>[1] & {};
  /** Events of several jobs: each names its own. @default false */
  readonly withJob?: boolean;
}

/** Who did what and when, the newest first: by person, by what it was about, by a word in it; the whole as a table. */
export function History<P extends string>({ of, table, params, withJob = false }: Props<P>) {
  const workshop = useWorkshop();
  const { data, error } = useOfAddress(of, params);
  const [who, setWho] = useState<string | null>(null);
  const [about, setAbout] = useState<string | null>(null);
  const [word, setWord] = useState('');
  if (error) return <p className="stop">{error.message}</p>;
  if (!data) return <p className="soft">One moment …</p>;
  const wanted = word.trim().toLowerCase();
  const rows = data.filter(
    (entry) =>
      (who === null || entry.by === who) &&
      (about === null || entry.resource === about) &&
      entry.what.toLowerCase().includes(wanted),
  );
  const choices = (values: readonly string[]) => [...new Set(values)].sort().map((value) => ({ value, label: value }));
  return (
    <div className="stack">
      <div className="row" style={{ alignItems: 'end' }}>
        <div style={{ width: 136 }}>
          <Choice
            label="Who"
            mayBeEmpty
            placeholder="everybody"
            value={who}
            options={choices(data.map(({ by }) => by))}
            onChange={setWho}
          />
        </div>
        <div style={{ width: 120 }}>
          <Choice
            label="About"
            mayBeEmpty
            placeholder="everything"
            value={about}
            options={choices(data.map(({ resource }) => resource))}
            onChange={setAbout}
          />
        </div>
        <Input
          style={{ width: 118 }}
          aria-label="Word in it"
          placeholder="a word in it"
          value={word}
          onChange={({ target }) => setWord(target.value)}
          allowClear
        />
        <Button icon={<DownloadOutlined />} href={fileUrl(table, params)}>
          As CSV
        </Button>
      </div>
      <DataTable
        label="What was done"
        rows={rows}
        rowKey={(entry) => String(entry.id)}
        empty={data.length === 0 ? 'Nothing was done to it yet.' : 'Nothing of the kind.'}
        columns={({ words }) => [
          words('When', (entry) => dayAndTime(entry.at, workshop.timeZone), { width: 120 }),
          words('Who', (entry) => entry.by, { width: 120 }),
          ...(withJob
            ? [words('Job', (entry: JobEvent) => entry.job && <Link to={`/jobs/${entry.job}/brief`}>{entry.job}</Link>)]
            : []),
          words('What', (entry) => entry.what),
        ]}
      />
    </div>
  );
}
