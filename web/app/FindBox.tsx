import { AutoComplete, type GetRef } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { clientAddress, vehiclesAddress } from '../../contract/clients.ts';
import { componentAddress } from '../../contract/components.ts';
import { numbersAddress } from '../../contract/numbers.ts';
import { KIND_NAME } from '../../core/component/kinds/index.ts';
import { placeSays } from '../../wording/stores.ts';
import { JOB_STATE_NAME } from '../../wording/work.ts';
import { useFloor, useJobs, useLibrary, useOfAddress } from '../data/resources.ts';

const MOST = 10;
/** From so many letters on the catalogue is searched too. */
const LEAST_WORD = 2;
/** From so many on, things with a number of their own are; so many of them are shown. */
const LEAST_NUMBER = 3;
const MOST_NUMBERS = 4;

interface Found {
  readonly value: string;
  readonly label: string;
}

/**
 * Finds jobs by number, vehicle, client or model, parts by the jobs that wait for them, vehicles, clients, components, and
 * where a thing with a number of its own is now. What it looks in is fetched only once it was entered; the box itself stays
 * the same one, so that no letter typed at once is lost.
 */
export function FindBox() {
  const navigate = useNavigate();
  const box = useRef<GetRef<typeof AutoComplete>>(null);
  const [text, setText] = useState('');
  const [asked, setAsked] = useState(false);
  const [found, setFound] = useState<readonly Found[] | null>(null);
  return (
    <div className="find">
      {asked ? <Finder text={text} onFound={setFound} /> : null}
      <AutoComplete
        id="find"
        aria-label="Find a job, part or vehicle"
        ref={box}
        defaultActiveFirstOption
        placeholder={asked ? 'Number, vehicle, client or part' : 'Find a job, part or vehicle  /'}
        value={text}
        options={[...(found ?? [])]}
        onFocus={() => setAsked(true)}
        onSearch={setText}
        onSelect={(path: string) => {
          setText('');
          setAsked(false);
          setFound(null);
          // Leaving the box at once lets the keys work in the place gone to.
          box.current?.blur();
          navigate(path);
        }}
        notFoundContent={text && found ? 'Nothing found.' : null}
        style={{ width: '100%' }}
      />
    </div>
  );
}

/** Looks in everything for what is typed and tells what it found. */
function Finder({ text, onFound }: { text: string; onFound: (found: readonly Found[]) => void }) {
  const { data: jobs } = useJobs();
  const { data: floor } = useFloor();
  const { shelves } = useLibrary();
  const { data: clients } = useOfAddress(clientAddress.list, {});
  const { data: vehicles } = useOfAddress(vehiclesAddress.list, {});
  const word = text.trim();
  const { data: components } = useOfAddress(componentAddress.find, word.length < LEAST_WORD ? null : { word });
  // A number of its own has a digit: words without one are names.
  const { data: numbers } = useOfAddress(
    numbersAddress.find,
    word.length >= LEAST_NUMBER && /\d/.test(word) ? { word, page: '0' } : null,
  );
  const options = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    if (!wanted) return [];
    const found = (jobs ?? [])
      .filter((job) => `${job.number} ${job.title} ${job.client} ${job.variantName}`.toLowerCase().includes(wanted))
      .map((job) => ({
        value: `/jobs/${job.number}/brief`,
        label: `${job.number} ${job.title}, ${JOB_STATE_NAME[job.state].toLowerCase()}`,
      }));
    const parts = (floor?.jobs ?? []).flatMap((job) =>
      job.waitingParts
        .map((part) => ({ job, name: shelves?.components.get(part.componentId)?.name ?? part.componentId }))
        .filter(({ name }) => name.toLowerCase().includes(wanted))
        .map(({ name }) => ({
          value: `/jobs/${job.number}/parts?${name}`,
          label: `${name}: wanted by ${job.number} ${job.title}`,
        })),
    );
    const known = [
      ...(vehicles ?? [])
        .filter((one) => `${one.name} ${one.registration} ${one.chassisNumber}`.toLowerCase().includes(wanted))
        .map((one) => ({
          value: `/vehicles/${one.id}`,
          label: `${one.name}, the vehicle${one.registration ? `, ${one.registration}` : ''}`,
        })),
      ...(clients ?? [])
        .filter((one) => `${one.name} ${one.contact}`.toLowerCase().includes(wanted))
        .map((one) => ({ value: `/clients/${one.id}`, label: `${one.name}, client` })),
    ];
    const shelf = (components ?? []).map(({ id, kind, name, supplier }) => ({
      value: `/components/${kind}?${id}`,
      label: `${name}, ${KIND_NAME[kind]} of ${supplier}`,
    }));
    const numbered = (numbers?.rows ?? []).slice(0, MOST_NUMBERS).map((one) => ({
      value: `/stores/numbers/${one.id}`,
      // Where it is comes first: the box is narrow, and that is what was asked.
      label: `${one.serial}: ${placeSays(one.place)}, ${one.component}`,
    }));
    return [...found, ...parts, ...known, ...numbered, ...shelf].slice(0, MOST);
  }, [text, jobs, floor, shelves, clients, vehicles, components, numbers]);
  useEffect(() => onFound(options), [options, onFound]);
  return null;
}
