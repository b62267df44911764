import { PlusOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { useRef, useState } from 'react';
import { closersOf } from '../../../core/fit/closers.ts';
import { type CoverLine, coverOf } from '../../../core/fit/cover.ts';
import { COVER_WAYS, type CoverWay, type KitContent, type KitRevision, kitParts } from '../../../core/kit/kit.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { coverName, WAY_NAME } from '../../../wording/fit.ts';
import type { Shelves } from '../../data/resources.ts';
import { useUnitSet } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { startIn } from '../../widgets/startIn.ts';
import { TextField } from '../../widgets/TextField.tsx';

interface Props {
  readonly revision: KitRevision;
  readonly variants: readonly Variant[];
  readonly shelves: Shelves;
  readonly onChange: (part: Partial<KitContent>) => void;
  readonly disabled: boolean;
}

/** How each function of a vehicle is covered by this kit; gaps with the catalogue's parts that would close them. */
export function KitCover({ revision, variants, shelves, onChange, disabled }: Props) {
  const variant = variants[0];
  const lines = coverOf(
    variant ? kitParts(revision, shelves.components, variant.id, []) : [],
    revision.cover,
    shelves.components,
  );
  const gaps = lines.filter(({ by }) => by === 'gap').length;
  return (
    <div className="stack">
      <p className="small">
        {lines.length - gaps} of {lines.length} covered
        {variant && <span className="soft">, on {variant.name}, without options</span>}
      </p>
      <div className="cover">
        {lines.map((line) => (
          <Tile
            key={line.function}
            line={line}
            revision={revision}
            shelves={shelves}
            onChange={onChange}
            disabled={disabled}
          />
        ))}
      </div>
    </div>
  );
}

interface TileProps extends Omit<Props, 'variants'> {
  readonly line: CoverLine;
}

function Tile({ line, revision, shelves, onChange, disabled }: TileProps) {
  const [open, setOpen] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const closers = line.by === 'gap' ? closersOf(line.function, shelves.components.values()).length : 0;
  const tile = (
    <button type="button" className={line.by === 'gap' ? 'gap' : ''} disabled={disabled} data-function={line.function}>
      <span className="strong">{coverName(line)}</span>
      <span className="small" style={{ display: 'block' }}>
        {line.by === 'gap'
          ? closers > 0
            ? `gap: ${closers} ${closers === 1 ? 'part' : 'parts'} would do`
            : 'gap'
          : line.by === 'kit'
            ? line.what
            : `${WAY_NAME[line.by]}${line.what ? `: ${line.what}` : ''}`}
      </span>
    </button>
  );
  if (disabled) return tile;
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      afterOpenChange={startIn(box)}
      destroyOnHidden
      title={coverName(line)}
      content={
        <div ref={box}>
          <Settle line={line} revision={revision} shelves={shelves} onChange={onChange} done={() => setOpen(false)} />
        </div>
      }
    >
      {tile}
    </Popover>
  );
}

function Settle({ line, revision, shelves, onChange, done }: Omit<TileProps, 'disabled'> & { done: () => void }) {
  const set = useUnitSet();
  const chosen = revision.cover[line.function] ?? null;
  const [way, setWay] = useState<CoverWay | null>(chosen?.way ?? null);
  const [why, setWhy] = useState(chosen?.why ?? '');
  const closers = closersOf(line.function, shelves.components.values()).slice(0, 6);
  const add = (componentId: string) => {
    const packedIn = revision.lines.at(-1)?.packedIn ?? 'crate 1';
    onChange({ lines: [...revision.lines, { componentId, quantity: 1, packedIn, appliesWhen: null }] });
    done();
  };
  return (
    <div className="stack" style={{ width: 300 }}>
      {line.by !== 'kit' && closers.length > 0 && (
        <div>
          <div className="soft small">Parts of the catalogue that do it</div>
          {closers.map((part) => (
            <div key={part.id} className="spread small">
              <span>
                {part.name}{' '}
                <span className="soft">
                  {part.priceCents > 0 ? formatQuantity(part.priceCents, 'money', set) : 'not priced'}
                </span>
              </span>
              <Button size="small" icon={<PlusOutlined />} aria-label={`Add ${part.name}`} onClick={() => add(part.id)}>
                Add
              </Button>
            </div>
          ))}
        </div>
      )}
      <Choice
        label="Or covered by"
        value={way}
        options={COVER_WAYS.map((value) => ({ value, label: WAY_NAME[value] }))}
        onChange={setWay}
      />
      <TextField label="What, or why not" value={why} onChange={setWhy} />
      <div className="row">
        <Button
          type="primary"
          disabled={!way || (way === 'notNeeded' && why.trim() === '')}
          onClick={() => {
            onChange({ cover: { ...revision.cover, [line.function]: { way: way!, why: why.trim() } } });
            done();
          }}
        >
          Settle
        </Button>
        {chosen && (
          <Button
            type="text"
            onClick={() => {
              const { [line.function]: _, ...rest } = revision.cover;
              onChange({ cover: rest });
              done();
            }}
          >
            Take back
          </Button>
        )}
      </div>
    </div>
  );
}
