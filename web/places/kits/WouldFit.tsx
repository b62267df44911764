import { useMemo } from 'react';
import { Link } from 'react-router';
import { vehiclesAddress } from '../../../contract/clients.ts';
import { widestChange } from '../../../core/fit/widen.ts';
import { type Judged, wouldFit } from '../../../core/fit/wouldFit.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import { newestOnly } from '../../../core/vehicle/revisions.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { RULE_NAME, VERDICT_NAME } from '../../../wording/fit.ts';
import { CHANGE_NAME } from '../../../wording/kits.ts';
import { type Shelves, useOfAddress } from '../../data/resources.ts';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { VERDICT_MARK } from '../../widgets/verdictMark.ts';
import { useKitWork } from './useKitWork.ts';

/** Vehicles named of a variant; the rest is counted. */
const MOST_NAMED = 4;
const MOST_RULES = 3;

interface Props {
  readonly revision: KitRevision;
  /** Clients who wait for the kit. */
  readonly waiting: ReadonlySet<string>;
  readonly variants: readonly Variant[];
  readonly shelves: Shelves;
}

const why = ({ verdict, rules }: Judged): string =>
  [
    VERDICT_NAME[verdict],
    rules
      .slice(0, MOST_RULES)
      .map((rule) => RULE_NAME[rule].toLowerCase())
      .join(', '),
  ].join(': ');

/** What the rules say of the kit on every variant of the library, its own model first, and on each client's vehicle by what was
 * measured on it; and the single change that would widen it most. */
export function WouldFit({ revision, variants, shelves, waiting }: Props) {
  const { data: vehicles } = useOfAddress(vehiclesAddress.list, {});
  const { data: known } = useOfAddress(vehiclesAddress.figures, {});
  const work = useKitWork();
  const names = useMemo(() => new Map(vehicles?.map(({ id, name }) => [id, name])), [vehicles]);
  const rows = useMemo(() => {
    const others = newestOnly(shelves.data.variants).filter(({ modelName }) => modelName !== revision.modelName);
    const measured = new Map(known?.map((one) => [one.id, one]));
    return wouldFit({
      ...{ revision, library: shelves.components, variants: [...variants, ...others], all: shelves.variants },
      vehicles: (vehicles ?? []).map(({ id, clientId, variantId }) => ({
        ...{ id, clientId, variantId, measured: {}, weighing: null },
        ...measured.get(id),
      })),
      ...{ waiting, work },
    });
  }, [revision, variants, shelves, work, vehicles, known, waiting]);
  const own = rows.filter(({ of }) => of.modelName === revision.modelName);
  const also = rows.filter(({ of, verdict }) => of.modelName !== revision.modelName && verdict !== 'doesNotFit');
  const widest = useMemo(() => widestChange(rows), [rows]);
  const not = rows.length - own.length - also.length;
  return (
    <Panel title="Would fit" aside="as the library has them">
      {[...own, ...also].map((row) => {
        const { of, verdict, findings, theirs, waiting: wait } = row;
        return (
          <div key={of.id} className="revision" data-would-fit={of.id} data-verdict={verdict}>
            <StateMark mark={VERDICT_MARK[verdict]} label={VERDICT_NAME[verdict]} />
            <div>
              <Link to={`/models/${of.id}`} className="strong">
                {of.modelName} {of.name}
              </Link>
              <div className="soft small">{verdict === 'fits' ? `all ${findings.length} findings` : why(row)}</div>
              {theirs.slice(0, MOST_NAMED).map(({ vehicle: { id }, judged, waits }) => (
                <div key={id} className="small" data-vehicle={id} data-verdict={judged.verdict}>
                  <StateMark mark={VERDICT_MARK[judged.verdict]} label={VERDICT_NAME[judged.verdict]} />{' '}
                  <Link className="in-text" to={`/vehicles/${id}`}>
                    {names.get(id)}
                  </Link>
                  {judged.findings !== findings && (
                    <span className="soft">
                      {' '}
                      by its own figures{judged.verdict === verdict ? '' : `: ${why(judged)}`}
                    </span>
                  )}
                  {waits && <span className="strong">, its owner waits</span>}
                </div>
              ))}
              {theirs.length > MOST_NAMED && (
                <div className="small soft">
                  and {theirs.length - MOST_NAMED} more{wait > 0 && `; ${wait} of all owners wait for the kit`}
                </div>
              )}
            </div>
          </div>
        );
      })}
      {widest && (
        <p className="in small" data-widest={widest.change}>
          With <strong>{CHANGE_NAME[widest.change]}</strong> it would take{' '}
          {widest.opens.map(({ modelName, name }) => `${modelName} ${name}`).join(', ')} too
          {widest.vehicles > 0 && `: ${widest.vehicles} of clients’ vehicles`}
          {widest.waiting > 0 && `, ${widest.waiting} whose owners wait`}.
        </p>
      )}
      <p className="in soft small">
        {not} {not === 1 ? 'variant' : 'variants'} of other models {not === 1 ? 'does' : 'do'} not fit.
      </p>
    </Panel>
  );
}
