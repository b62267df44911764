import { jobAddress, type PlaceBody } from '../../../../contract/jobChange.ts';
import { dayText } from '../../../../wording/dates.ts';
import { differences } from '../../../../wording/differences.ts';
import { useFloor } from '../../../data/resources.ts';
import { useMay } from '../../../data/useMay.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** Where the vehicle stands, as the Floor draws it, and the day it is promised for. One vehicle to a bay. */
export function PlacePanel() {
  const { job } = useOpenJob('job');
  const { data: floor } = useFloor();
  const manager = useMay(job, 'move');
  const sending = useSend(true);
  const places = (floor?.places ?? []).filter((place) => place.kind !== 'hvRoom');
  const here = places.find((place) => place.id === job.placeId);
  const save = (change: { placeId?: string | null; promised?: string | null }) =>
    void sending.go(
      jobAddress.move,
      { number: job.number },
      {
        placeId: job.placeId,
        promised: job.promised,
        ...change,
        version: job.version,
      },
    );
  return (
    <Panel title="Where it stands" aside={job.promised ? `promised for ${dayText(job.promised)}` : 'not promised yet'}>
      <div className="in fields">
        {manager ? (
          <>
            <Choice
              label="Place"
              value={job.placeId}
              options={places.map((place) => ({
                value: place.id,
                label: place.lift ? `${place.name}, lift` : place.name,
              }))}
              onChange={(placeId) => save({ placeId })}
              fault={sending.faults.placeId}
              placeholder="Not here yet"
              mayBeEmpty
            />
            <DayInput
              label="Promised day"
              shown
              value={job.promised ?? ''}
              onChange={(iso) => save({ promised: iso || null })}
              fault={sending.faults.promised}
            />
          </>
        ) : (
          <p>{here?.name ?? 'Not here yet'}</p>
        )}
        {sending.problem && !sending.problem.fields && <div className="fault">{sending.problem.detail}</div>}
        <Conflict
          of={jobAddress.move}
          params={{ number: job.number }}
          sending={sending}
          theirs={({ placeId, promised, version }: PlaceBody) => ({ placeId, promised, version })}
          tell={(bodies, shown) =>
            differences(
              jobAddress.move.body!,
              // By the names people know, not by what the database calls them.
              bodies.map((body) => ({
                ...body,
                placeId: places.find((place) => place.id === body.placeId)?.name ?? 'not here yet',
                promised: body.promised && dayText(body.promised),
              })),
              shown,
            )
          }
        />
      </div>
    </Panel>
  );
}
