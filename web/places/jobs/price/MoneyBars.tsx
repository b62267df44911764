import { useMemo } from 'react';
import type { ComponentKind } from '../../../../core/component/sheets.ts';
import type { OfferBody } from '../../../../core/offer/offer.ts';
import { offerSums } from '../../../../core/offer/sums.ts';
import { unitOf } from '../../../../core/quantity/units.ts';
import { CHART } from '../../../app/theme.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StackedBars } from '../../../widgets/StackedBars.tsx';
import { useOpenJob } from '../openJob.ts';

const PACK: ReadonlySet<ComponentKind> = new Set(['module', 'bmsMain', 'bmsSatellite', 'box', 'contactorBox'] as const);
const DRIVE: ReadonlySet<ComponentKind> = new Set(['drive', 'inverter', 'adapter', 'cradle'] as const);
const BARS = ['pack', 'drive', 'hours', 'rest', 'tax'] as const;

/** Where the money of an offer goes. */
export function MoneyBars({ body }: { body: OfferBody }) {
  const { shelves } = useOpenJob('shelves');
  const set = useUnitSet();
  const parts = useMemo(() => {
    const sums = offerSums(body);
    const of: Record<(typeof BARS)[number], number> = {
      ...{ pack: 0, drive: 0, hours: 0, tax: sums.taxCents },
      rest: sums.contingency.netCents + sums.rounding.netCents,
    };
    body.lines.forEach((line, i) => {
      const kind = line.componentId ? shelves.components.get(line.componentId)?.kind : undefined;
      const bar =
        line.kind === 'work' ? 'hours' : kind && PACK.has(kind) ? 'pack' : kind && DRIVE.has(kind) ? 'drive' : 'rest';
      of[bar] += sums.lines[i]!.netCents;
    });
    return [{ label: 'comes to', colour: CHART.primary, values: BARS.map((bar) => of[bar] / 100) }];
  }, [body, shelves]);
  return (
    <Panel title="Where the money goes">
      <div className="in">
        <StackedBars
          name="money"
          say="Where the money of this offer goes"
          bars={BARS}
          parts={parts}
          unit={unitOf('money', set).symbol}
          height={170}
        />
      </div>
    </Panel>
  );
}
