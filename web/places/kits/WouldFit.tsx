import { useMemo } from 'react';
import { Link } from 'react-router';
import { fitKit } from '../../../core/fit/fitKit.ts';
import { USUAL_USE } from '../../../core/job/usualUse.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import { newestOnly } from '../../../core/vehicle/revisions.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { RULE_NAME, VERDICT_NAME } from '../../../wording/fit.ts';
import type { Shelves } from '../../data/resources.ts';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { VERDICT_MARK } from '../../widgets/verdictMark.ts';
import { useKitWork } from './useKitWork.ts';

interface Props {
  readonly revision: KitRevision;
  readonly variants: readonly Variant[];
  readonly shelves: Shelves;
}

/** What the rules say of the kit on every variant of the library: its own model first. */
export function WouldFit({ revision, variants, shelves }: Props) {
  const work = useKitWork();
  const rows = useMemo(() => {
    const others = newestOnly(shelves.data.variants).filter(({ modelName }) => modelName !== revision.modelName);
    return [...variants, ...others].map((variant) => {
      const { verdict, findings } = fitKit({
        ...{ revision, options: [], library: shelves.components, vehicle: vehicleState(variant, {}, null) },
        ...{ use: USUAL_USE, work, cover: {}, reversibleFirm: false },
      });
      const worst = findings.filter((one) => one.verdict === verdict);
      return {
        variant,
        verdict,
        rules: [...new Set(worst.map(({ rule }) => RULE_NAME[rule].toLowerCase()))],
        n: findings.length,
      };
    });
  }, [revision, variants, shelves, work]);
  const own = rows.filter(({ variant }) => variant.modelName === revision.modelName);
  const also = rows.filter(
    ({ variant, verdict }) => variant.modelName !== revision.modelName && verdict !== 'doesNotFit',
  );
  const not = rows.length - own.length - also.length;
  return (
    <Panel title="Would fit" aside="as the library has them">
      {[...own, ...also].map(({ variant, verdict, rules, n }) => (
        <div key={variant.id} className="revision" data-would-fit={variant.id} data-verdict={verdict}>
          <StateMark mark={VERDICT_MARK[verdict]} label={VERDICT_NAME[verdict]} />
          <div>
            <Link to={`/models/${variant.id}`} className="strong">
              {variant.modelName} {variant.name}
            </Link>
            <div className="soft small">
              {verdict === 'fits' ? `all ${n} findings` : `${VERDICT_NAME[verdict]}: ${rules.slice(0, 3).join(', ')}`}
            </div>
          </div>
        </div>
      ))}
      <p className="in soft small">
        {not} {not === 1 ? 'variant' : 'variants'} of other models {not === 1 ? 'does' : 'do'} not fit.
      </p>
    </Panel>
  );
}
