import { REGIONS, type WorkshopSettings } from '../../contract/workshop.ts';
import { CURRENCIES, CURRENCY_IDS } from '../../core/quantity/currency.ts';
import { UNIT_SETS } from '../../core/quantity/units.ts';
import { REGION_NAME, UNIT_NAME } from '../../wording/workshop.ts';
import { Choice } from './Choice.tsx';
import { QuantityInput } from './QuantityInput.tsx';
import { TextField } from './TextField.tsx';
import { TimeZoneChoice } from './TimeZoneChoice.tsx';

type What = Pick<WorkshopSettings, 'name' | 'region' | 'timeZone' | 'currency' | 'taxShare' | 'unitSet'>;

interface Props {
  readonly value: What;
  readonly onChange: (change: Partial<What>) => void;
  readonly faults: Readonly<Record<string, string>>;
}

/** What a workshop is: asked when it is begun, and changed later. */
export function WorkshopFields({ value, onChange, faults }: Props) {
  return (
    <div className="fields">
      <TextField
        label="Name of the workshop"
        value={value.name}
        onChange={(name) => onChange({ name })}
        fault={faults.name}
      />
      <Choice
        label="Region"
        value={value.region}
        options={REGIONS.map((one) => ({ value: one, label: REGION_NAME[one] }))}
        onChange={(region) => region && onChange({ region })}
        fault={faults.region}
      />
      <TimeZoneChoice value={value.timeZone} onChange={(timeZone) => onChange({ timeZone })} fault={faults.timeZone} />
      <Choice
        label="Currency"
        value={value.currency}
        options={CURRENCY_IDS.map((one) => ({ value: one, label: CURRENCIES[one].name }))}
        onChange={(currency) => currency && onChange({ currency })}
        fault={faults.currency}
      />
      <QuantityInput
        label="Tax on what is sold"
        kind="share"
        value={value.taxShare}
        onChange={(taxShare) => taxShare !== null && onChange({ taxShare })}
        fault={faults.taxShare}
      />
      <Choice
        label="Units"
        value={value.unitSet}
        options={UNIT_SETS.map((one) => ({ value: one, label: UNIT_NAME[one] }))}
        onChange={(unitSet) => unitSet && onChange({ unitSet })}
        fault={faults.unitSet}
      />
    </div>
  );
}
