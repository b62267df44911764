import { Link } from 'react-router';
import type { VehicleRow } from '../../../contract/clients.ts';
import { dayAndTime, dayText } from '../../../wording/dates.ts';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';

/** Every job of a vehicle, the newest first. */
export function JobsOfVehicle({ vehicle }: { vehicle: VehicleRow }) {
  const { timeZone } = useWorkshop();
  return (
    <DataTable
      label={`Jobs of ${vehicle.name}`}
      rows={vehicle.jobs}
      rowKey={({ number }) => number}
      empty="No job yet."
      columns={({ words, figures }) => [
        words('Job', ({ number }) => (
          <Link to={`/jobs/${number}/brief`} className="strong">
            {number}
          </Link>
        )),
        words('State', ({ state }) => JOB_STATE_NAME[state]),
        words('Opened', ({ openedAt }) => dayAndTime(openedAt, timeZone)),
        figures('Promised', ({ promised }) => (promised ? dayText(promised) : '–')),
        figures('Hours', ({ hoursClocked }) => hoursClocked.toFixed(1)),
      ]}
    />
  );
}
