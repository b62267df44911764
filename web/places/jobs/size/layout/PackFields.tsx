import { packFacts } from '../../../../../core/figures/pack/packFacts.ts';
import { MISSING } from '../../../../../wording/figures.ts';
import { Choice } from '../../../../widgets/Choice.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';

const WIRING = [
  { value: 'one', label: 'one pack' },
  { value: 'series', label: 'two packs in series' },
  { value: 'parallel', label: 'two packs in parallel' },
] as const;

const COOLING = [
  { value: 'air', label: 'air: short bursts only' },
  { value: 'liquid', label: 'liquid' },
] as const;

/** How the modules become a pack: strings, one pack or two, capacity, usable share, cooling. */
export function PackFields({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { sheet } = useOpenJob('sheet');
  const { inputs, set } = useDesign();
  const total = inputs.boxes.reduce((sum, box) => sum + box.modules, 0);
  const { reason } = sheet.get(packFacts);
  const unequal = reason === 'unequalStrings' && `${total} modules do not make ${inputs.strings} equal strings.`;
  const wiring =
    reason === 'secondPackEmpty' || reason === 'packsDiffer' || reason === 'boxUneven'
      ? `${MISSING[reason].charAt(0).toUpperCase()}${MISSING[reason].slice(1)}.`
      : undefined;
  return (
    <div className="fields">
      <QuantityInput
        label="Parallel strings"
        kind="count"
        value={inputs.strings}
        onChange={(strings) => strings !== null && strings >= 1 && set({ strings: Math.round(strings) })}
        fault={unequal || faults['inputs.strings']}
      />
      <Choice
        label="Packs"
        value={inputs.packs ?? 'one'}
        options={WIRING}
        onChange={(packs) => set({ packs: packs ?? 'one' })}
        fault={wiring ?? faults['inputs.packs']}
      />
      <QuantityInput
        label="Usable share"
        kind="share"
        value={inputs.usableShare}
        onChange={(usableShare) => usableShare !== null && set({ usableShare })}
        fault={faults['inputs.usableShare']}
      />
      <QuantityInput
        label="Capacity measured"
        kind="charge"
        value={inputs.measuredAh ?? null}
        mayBeEmpty
        onChange={(measuredAh) => set({ measuredAh })}
        fault={faults['inputs.measuredAh']}
      />
      <QuantityInput
        label="Resistance measured"
        kind="resistance"
        value={inputs.measuredOhm ?? null}
        mayBeEmpty
        onChange={(measuredOhm) => set({ measuredOhm })}
        fault={faults['inputs.measuredOhm']}
      />
      <Choice
        label="Pack cooling"
        value={inputs.packCooling ?? 'air'}
        options={COOLING}
        onChange={(packCooling) => set({ packCooling: packCooling ?? 'air' })}
      />
    </div>
  );
}
