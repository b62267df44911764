import { useMemo } from 'react';
import { FIGURES } from '../../../../core/figures/index.ts';
import { kitOnVehicle } from '../../../../core/fit/kitSheet.ts';
import { kitDifference } from '../../../../core/kit/difference.ts';
import { applies, type KitRevision, kitHours } from '../../../../core/kit/kit.ts';
import { formatHours, formatQuantity } from '../../../../core/quantity/format.ts';
import type { QuantityKind } from '../../../../core/quantity/kinds.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { useOpenJob } from '../openJob.ts';

const SHOWN = [
  ['rangeConstant', 'range'],
  ['luggage', 'luggage'],
  ['unladenMass', 'unladen'],
  ['chargeTime', 'full charge'],
  ['salePrice', 'price with tax'],
] as const;

/** What another revision of the job's kit, or other options of it, would change here, before it is taken. */
export function UpgradeNote({ revision, options }: { revision: KitRevision; options: readonly string[] }) {
  const { job, shelves, vehicle, use, sheet } = useOpenJob('job', 'shelves', 'vehicle', 'use', 'sheet');
  const set = useUnitSet();
  const now = job.kit ? shelves.kits.get(job.kit.revisionId) : undefined;
  const nowOptions = job.kit?.options ?? [];
  const change = useMemo(() => {
    if (!now) return null;
    const on = (kit: KitRevision, chosen: readonly string[]) =>
      kitOnVehicle({
        revision: kit,
        options: chosen,
        library: shelves.components,
        vehicle,
        use,
        work: sheet.slots.work,
      });
    const here = (kit: KitRevision, chosen: readonly string[]) => ({
      ...kit,
      lines: kit.lines
        .filter(({ appliesWhen }) => applies(appliesWhen, vehicle.variant.id, chosen))
        .map((line) => ({ ...line, appliesWhen: null })),
    });
    return {
      lines: kitDifference(here(now, nowOptions), here(revision, options)).lines,
      hours: kitHours(revision, vehicle.variant.id, options) - kitHours(now, vehicle.variant.id, nowOptions),
      figures: SHOWN.flatMap(([id, name]) => {
        const [a, b] = [
          on(now, nowOptions).sheet.get(FIGURES[id]).value,
          on(revision, options).sheet.get(FIGURES[id]).value,
        ];
        return a === null || b === null || Math.abs(a - b) < 1e-6
          ? []
          : [{ id, name, diff: b - a, kind: FIGURES[id].kind! }];
      }),
    };
  }, [now, nowOptions, revision, options, shelves, vehicle, use, sheet]);
  if (!now || !change) return null;
  const signed = (diff: number, kind: QuantityKind) =>
    kind === 'hours'
      ? `${diff > 0 ? '+' : '−'}${formatHours(Math.abs(diff))}`
      : formatQuantity(diff, kind, set, { signed: true });
  const name = (id: string) => shelves.components.get(id)?.name ?? id;
  return (
    <Panel
      title={`From ${now.kitName} ${now.revision} to ${revision.revision}`}
      aside="parts nobody has ordered and stages nobody has begun follow; the rest stays"
    >
      <div className="in stack" data-upgrade>
        <p className="row">
          {change.hours !== 0 && <span>hours {signed(change.hours, 'hours')}</span>}
          {change.figures.map(({ id, name: said, diff, kind }) => (
            <span key={id} data-figure-change={id}>
              {said} <strong>{signed(diff, kind)}</strong>
            </span>
          ))}
          {change.hours === 0 && change.figures.length === 0 && <span className="soft">No figure changes.</span>}
        </p>
        {change.lines.length === 0 ? (
          <p className="soft small">The same parts.</p>
        ) : (
          <ul className="small">
            {change.lines.map(({ componentId, before, after }) => (
              <li key={componentId}>
                {name(componentId)}: {before?.quantity ?? 0} → <strong>{after?.quantity ?? 0}</strong>
              </li>
            ))}
          </ul>
        )}
      </div>
    </Panel>
  );
}
