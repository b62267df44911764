import { Choice } from './Choice.tsx';

/** Zones the browser knows; the one that is set, first of all where it knows none. */
const ZONES: readonly string[] = Intl.supportedValuesOf?.('timeZone') ?? [];

/** A labelled choice of a time zone; typing searches. */
export function TimeZoneChoice({
  value,
  onChange,
  fault,
}: {
  value: string;
  onChange: (zone: string) => void;
  fault?: string | undefined;
}) {
  const zones = ZONES.includes(value) ? ZONES : [value, ...ZONES];
  return (
    <Choice
      label="Time zone"
      value={value}
      options={zones.map((zone) => ({ value: zone, label: zone.replaceAll('_', ' ') }))}
      onChange={(next) => next && onChange(next)}
      fault={fault}
    />
  );
}
