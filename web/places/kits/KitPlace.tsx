import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { type KitSheet, kitAddress } from '../../../contract/kits.ts';
import { lessonAddress } from '../../../contract/lessons.ts';
import { isOpen } from '../../../core/job/states.ts';
import { type Shelves, useLibraryWithVariants, useOfAddress } from '../../data/resources.ts';
import { KitHours } from './hours/KitHours.tsx';
import { KitFacts } from './KitFacts.tsx';
import { KitLessons } from './KitLessons.tsx';
import { KitQuestions } from './KitQuestions.tsx';
import { KitWishes } from './KitWishes.tsx';
import { NewKit } from './NewKit.tsx';
import { RevisionList } from './RevisionList.tsx';
import { RevisionView } from './RevisionView.tsx';
import { countSold } from './sold.ts';

/** One kit: its revisions, what each holds and what that does, where it would fit, what stops its release. */
export default function KitPlace() {
  const { kit: id = '' } = useParams();
  const { data: kit, error } = useOfAddress(kitAddress.whole, { kit: id });
  const { shelves, error: libraryError } = useLibraryWithVariants();
  const failed = error ?? libraryError;
  if (failed) return <p className="page stop">{failed.message}</p>;
  if (!kit || !shelves) return <p className="page soft">One moment …</p>;
  return <Kit key={kit.id} kit={kit} shelves={shelves} />;
}

function Kit({ kit, shelves }: { kit: KitSheet; shelves: Shelves }) {
  const [params, setParams] = useSearchParams();
  const [sister, setSister] = useState(false);
  const { data: lessons } = useOfAddress(lessonAddress.ofKit, { kit: kit.id });
  const wanted = params.get('rev');
  const revision =
    kit.revisions.find((one) => one.revision === wanted) ??
    kit.revisions.find(({ state }) => state === 'draft') ??
    kit.revisions[0];
  const sold = countSold(kit);
  const open = kit.revisions.flatMap(({ jobs }) => jobs).filter(({ state }) => isOpen(state)).length;
  const waiting = kit.wishes.filter(({ kind, endedAt }) => kind === 'waiting' && endedAt === null).length;
  return (
    <div className="page stack">
      <div className="spread">
        <h1>
          {kit.name}{' '}
          <span className="soft small">
            {kit.modelName} · sold {sold} {sold === 1 ? 'time' : 'times'}, {open} being worked on · {waiting}{' '}
            {waiting === 1 ? 'client waits' : 'clients wait'} for it
          </span>
        </h1>
        <Link to="/kits">All kits</Link>
      </div>
      {sister && revision && (
        <NewKit from={{ id: revision.id, name: `${kit.name} ${revision.revision}` }} done={() => setSister(false)} />
      )}
      <div className="kit-columns">
        <div className="stack">
          <RevisionList
            kit={kit}
            shown={revision?.id ?? null}
            onShow={(letter) => setParams({ rev: letter })}
            onSister={() => setSister(true)}
          />
          <KitLessons lessons={lessons ?? []} kit={kit} />
          <KitWishes kit={kit} />
          <KitQuestions kit={kit.id} />
          <KitFacts kit={kit} shelves={shelves} />
        </div>
        {revision ? (
          <RevisionView key={`${revision.id} ${revision.version}`} kit={kit} revision={revision} shelves={shelves} />
        ) : (
          <p className="soft">This kit has no revision.</p>
        )}
      </div>
      <KitHours kitId={kit.id} />
    </div>
  );
}
