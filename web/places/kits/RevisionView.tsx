import { Button, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { type KitRevisionRow, type KitSheet, kitAddress } from '../../../contract/kits.ts';
import { hasRole } from '../../../contract/rights.ts';
import type { KitContent, KitRevision } from '../../../core/kit/kit.ts';
import { newestOnly } from '../../../core/vehicle/revisions.ts';
import type { Shelves } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { FilesOf } from '../../files/FilesOf.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StagesEditor } from '../../widgets/stages/StagesEditor.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { AppliesWhen } from './AppliesWhen.tsx';
import { BeforeRelease } from './BeforeRelease.tsx';
import { BoxesEditor } from './BoxesEditor.tsx';
import { DifferenceTable } from './DifferenceTable.tsx';
import { KitCover } from './KitCover.tsx';
import { LinesEditor } from './LinesEditor.tsx';
import { NeverIncluded } from './NeverIncluded.tsx';
import { OptionsPanel } from './OptionsPanel.tsx';
import { StagesFrom } from './StagesFrom.tsx';
import { WouldFit } from './WouldFit.tsx';

const LOOKS = ['lines', 'difference', 'boxes', 'cover', 'stages', 'never'] as const;
type Look = (typeof LOOKS)[number];

const contentOf = (revision: KitRevision): KitContent => ({
  lines: revision.lines,
  options: revision.options,
  layout: revision.layout,
  torqueCapNm: revision.torqueCapNm,
  gear: revision.gear,
  cover: revision.cover,
  exclusions: revision.exclusions,
  stages: revision.stages,
});

/** The faults of one part of the content, by their place in it. */
export const faultsOf = (faults: Readonly<Record<string, string>>, part: string): Record<string, string> =>
  Object.fromEntries(
    Object.entries(faults)
      .filter(([path]) => path.startsWith(`content.${part}.`) || path === `content.${part}`)
      .map(([path, sentence]) => [path.slice(`content.${part}.`.length), sentence]),
  );

/** One revision of a kit: a draft is changed in place, what is released is only looked at. */
export function RevisionView({
  kit,
  revision,
  shelves,
}: {
  kit: KitSheet;
  revision: KitRevisionRow;
  shelves: Shelves;
}) {
  const { role } = usePerson();
  const may = hasRole(role, kitAddress.changeDraft.may) && revision.state === 'draft';
  const [look, setLook] = useState<Look>('lines');
  const [content, setContent] = useState<KitContent>(() => contentOf(revision));
  const [note, setNote] = useState(revision.note);
  const form = useChecked(
    kitAddress.changeDraft,
    { revision: revision.id },
    { content, note, version: revision.version },
  );
  const set = (part: Partial<KitContent>) => setContent((now) => ({ ...now, ...part }));
  const stored = useMemo(() => JSON.stringify([contentOf(revision), revision.note]), [revision]);
  const dirty = JSON.stringify([content, note]) !== stored;
  const drawn = useMemo<KitRevision>(() => ({ ...revision, ...content }), [revision, content]);
  const variants = useMemo(
    () => newestOnly(shelves.data.variants.filter(({ modelName }) => modelName === kit.modelName)),
    [shelves, kit.modelName],
  );
  const waiting = useMemo(
    () =>
      new Set(
        kit.wishes.flatMap(({ kind, endedAt, client }) =>
          kind === 'waiting' && endedAt === null && client ? [client.id] : [],
        ),
      ),
    [kit.wishes],
  );
  const others = kit.revisions.filter(({ id }) => id !== revision.id);
  const named = {
    lines: 'What is in it',
    difference: 'Beside',
    boxes: 'Boxes',
    cover: 'Cover',
    stages: 'Stages',
    never: 'Not in it',
  };
  const faulty = (part: string) => Object.keys(faultsOf(form.faults, part)).length > 0;
  return (
    <>
      <div className="stack">
        <Panel
          title={`Revision ${revision.revision}`}
          aside={
            <Segmented
              size="small"
              aria-label="Look of the revision"
              value={look}
              options={LOOKS.map((value) => ({ value, label: named[value] }))}
              onChange={(next) => setLook(next as Look)}
            />
          }
        >
          <div className="in stack">
            {may && (
              <div className="draft-bar">
                <TextField label="What this revision is for" value={note} onChange={setNote} fault={form.faults.note} />
                <div className="row">
                  <Button type="primary" disabled={!dirty} loading={form.busy} onClick={() => void form.save()}>
                    Save the draft
                  </Button>
                  {dirty && (
                    <Button
                      type="text"
                      onClick={() => {
                        setContent(contentOf(revision));
                        setNote(revision.note);
                        form.clear();
                      }}
                    >
                      Take back
                    </Button>
                  )}
                </div>
              </div>
            )}
            {form.refusal && <p className="fault">{form.refusal}</p>}
            {Object.keys(form.faults).length > 0 && (
              <p className="fault">
                Not saved: {Object.values(form.faults)[0]}
                {(['lines', 'stages', 'cover'] as const).filter(faulty).map((part) => ` See ${named[part]}.`)}
              </p>
            )}
            {look === 'lines' && (
              <LinesEditor
                content={content}
                shelves={shelves}
                variants={variants}
                onChange={set}
                faults={faultsOf(form.faults, 'lines')}
                optionFaults={faultsOf(form.faults, 'options')}
                disabled={!may}
              />
            )}
            {look === 'difference' && (
              <DifferenceTable content={content} others={others} revision={revision} shelves={shelves} />
            )}
            {look === 'boxes' && (
              <BoxesEditor
                content={content}
                variants={variants}
                onChange={set}
                faults={faultsOf(form.faults, 'layout')}
                disabled={!may}
              />
            )}
            {look === 'cover' && (
              <KitCover revision={drawn} variants={variants} shelves={shelves} onChange={set} disabled={!may} />
            )}
            {look === 'stages' && (
              <>
                {may && content.stages.length === 0 && <StagesFrom onTake={(stages) => set({ stages })} />}
                <StagesEditor
                  stages={content.stages}
                  onChange={(stages) => set({ stages })}
                  faults={faultsOf(form.faults, 'stages')}
                  disabled={!may}
                  when={(stage, onChange) => (
                    <AppliesWhen
                      value={stage.appliesWhen ?? null}
                      onChange={onChange}
                      variants={variants}
                      options={content.options}
                      of={stage.name || 'the new stage'}
                      disabled={!may}
                    />
                  )}
                />
              </>
            )}
            {look === 'never' && (
              <NeverIncluded
                value={content.exclusions}
                onChange={(exclusions) => set({ exclusions })}
                faults={faultsOf(form.faults, 'exclusions')}
                disabled={!may}
              />
            )}
          </div>
        </Panel>
        <Panel title="Films, drawings and instructions" aside="fitters see them">
          <div className="in">
            <FilesOf about="kitRevision" of={revision.id} name={`revision ${revision.revision}`} />
          </div>
        </Panel>
        <OptionsPanel kit={kit} revision={drawn} variants={variants} shelves={shelves} />
      </div>
      <div className="stack">
        <WouldFit waiting={waiting} revision={drawn} shelves={shelves} variants={variants} />
        {revision.state === 'draft' ? (
          <BeforeRelease revision={revision} drawn={drawn} shelves={shelves} dirty={dirty} onLook={setLook} />
        ) : (
          <Withdrawing revision={revision} />
        )}
      </div>
      <Conflict
        of={kitAddress.changeDraft}
        params={{ revision: revision.id }}
        sending={form.sending}
        theirs={(now: KitRevisionRow) => ({ content: contentOf(now), note: now.note, version: now.version })}
        done={() => setContent(contentOf(revision))}
      />
    </>
  );
}

/** A released revision is taken back with a reason; vehicles that carry it are named. */
function Withdrawing({ revision }: { revision: KitRevisionRow }) {
  const { role } = usePerson();
  const may = hasRole(role, kitAddress.withdraw.may) && revision.state === 'released';
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  const form = useChecked(kitAddress.withdraw, { revision: revision.id }, { why });
  return (
    <Panel title={revision.state === 'released' ? 'Released' : 'Withdrawn'}>
      <div className="in stack">
        <p className="small">
          {revision.releasedBy
            ? `Released by ${revision.releasedBy}; it never changes.`
            : 'Released; it never changes.'}
        </p>
        {revision.state === 'withdrawn' && (
          <p className="stop small">
            Withdrawn{revision.withdrawnBy ? ` by ${revision.withdrawnBy}` : ''}: {revision.withdrawnWhy}. Carried by{' '}
            {revision.jobs.length} {revision.jobs.length === 1 ? 'vehicle' : 'vehicles'}.
          </p>
        )}
        {may &&
          (open ? (
            <>
              <TextField label="Why it is withdrawn" value={why} onChange={setWhy} fault={form.faults.why} />
              <div className="row">
                <Button danger loading={form.busy} onClick={() => void form.save()}>
                  Withdraw {revision.revision}
                </Button>
                <Button type="text" onClick={() => setOpen(false)}>
                  Not now
                </Button>
              </div>
              {form.refusal && <p className="fault">{form.refusal}</p>}
            </>
          ) : (
            <div>
              <Button size="small" onClick={() => setOpen(true)}>
                Withdraw {revision.revision} …
              </Button>
            </div>
          ))}
      </div>
    </Panel>
  );
}
