import { useMemo } from 'react';
import { Link } from 'react-router';
import { vehiclesAddress } from '../../../contract/clients.ts';
import { fitKit } from '../../../core/fit/fitKit.ts';
import { widestChange } from '../../../core/fit/widen.ts';
import { USUAL_USE } from '../../../core/job/usualUse.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import { newestOnly, rootOf } from '../../../core/vehicle/revisions.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
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

interface Props {
  readonly revision: KitRevision;
  /** Clients who wait for the kit. */
  readonly waiting: ReadonlySet<string>;
  readonly variants: readonly Variant[];
  readonly shelves: Shelves;
}

/** What the rules say of the kit on every variant of the library, its own model first, with the clients' vehicles there are of
 * each; and the single change that would widen it most. */
export function WouldFit({ revision, variants, shelves, waiting }: Props) {
  const { data: vehicles } = useOfAddress(vehiclesAddress.list, {});
  const work = useKitWork();
  const rows = useMemo(() => {
    const others = newestOnly(shelves.data.variants).filter(({ modelName }) => modelName !== revision.modelName);
    return [...variants, ...others].map((variant) => {
      const { verdict, findings } = fitKit({
        ...{ revision, options: [], library: shelves.components, vehicle: vehicleState(variant, {}, null) },
        ...{ use: USUAL_USE, work, cover: {}, reversibleFirm: false },
      });
      const worst = findings.filter((one) => one.verdict === verdict);
      const theirs = (vehicles ?? []).filter(({ variantId }) => rootOf(variantId) === rootOf(variant.id));
      return {
        variant,
        verdict,
        findings,
        theirs,
        of: variant,
        vehicles: theirs.length,
        waiting: theirs.filter(({ clientId }) => waiting.has(clientId)).length,
        rules: [...new Set(worst.map(({ rule }) => RULE_NAME[rule].toLowerCase()))],
        n: findings.length,
      };
    });
  }, [revision, variants, shelves, work, vehicles, waiting]);
  const own = rows.filter(({ variant }) => variant.modelName === revision.modelName);
  const also = rows.filter(
    ({ variant, verdict }) => variant.modelName !== revision.modelName && verdict !== 'doesNotFit',
  );
  const widest = useMemo(() => widestChange(rows), [rows]);
  const not = rows.length - own.length - also.length;
  return (
    <Panel title="Would fit" aside="as the library has them">
      {[...own, ...also].map(({ variant, verdict, rules, n, theirs, waiting: wait }) => (
        <div key={variant.id} className="revision" data-would-fit={variant.id} data-verdict={verdict}>
          <StateMark mark={VERDICT_MARK[verdict]} label={VERDICT_NAME[verdict]} />
          <div>
            <Link to={`/models/${variant.id}`} className="strong">
              {variant.modelName} {variant.name}
            </Link>
            <div className="soft small">
              {verdict === 'fits' ? `all ${n} findings` : `${VERDICT_NAME[verdict]}: ${rules.slice(0, 3).join(', ')}`}
            </div>
            {theirs.length > 0 && (
              <div className="small">
                {theirs.slice(0, MOST_NAMED).map((one, i) => (
                  <span key={one.id}>
                    {i > 0 && ', '}
                    <Link className="in-text" to={`/vehicles/${one.id}`}>
                      {one.name}
                    </Link>
                  </span>
                ))}
                {theirs.length > MOST_NAMED && ` and ${theirs.length - MOST_NAMED} more`}
                {wait > 0 && <span className="strong">; {wait} of their owners wait for it</span>}
              </div>
            )}
          </div>
        </div>
      ))}
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
