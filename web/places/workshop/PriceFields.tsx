import { USUAL_SKILLS } from '../../../contract/people.ts';
import { ROUNDINGS } from '../../../contract/workshop.ts';
import { TAX_RULES } from '../../../core/money/tax.ts';
import { type Practice, practiceOf } from '../../../core/practice/practice.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { TAX_RULE_NAME } from '../../../wording/offers.ts';
import { useUnitSet } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';

interface Props {
  readonly value: Partial<Practice>;
  readonly onChange: (practice: Partial<Practice>) => void;
  /** What an hour costs where its skill has no rate of its own. */
  readonly rateCents: number;
  readonly skills: readonly string[];
  readonly faults: Readonly<Record<string, string>>;
}

const USUAL = {
  marginShare: 'margin on parts',
  contingencyShare: 'contingency',
  roundToCents: 'rounding',
  taxRule: 'rounding of tax',
  offerDays: 'days an offer stands',
} as const satisfies Partial<Record<keyof Practice, string>>;

/** What comes on top of cost, and what an hour of each skill is sold for. */
export function PriceFields({ value, onChange, rateCents, skills, faults }: Props) {
  const set = useUnitSet();
  const now = practiceOf(value);
  const change = (part: Partial<Practice>) => onChange({ ...value, ...part });
  const all = [...new Set([...USUAL_SKILLS, ...skills, ...Object.keys(now.ratesBySkill)])];
  const usual = (Object.keys(USUAL) as (keyof typeof USUAL)[]).filter((name) => value[name] === undefined);
  return (
    <div className="stack">
      <h3>On top of cost</h3>
      <div className="fields">
        <QuantityInput
          label="Margin on parts"
          kind="share"
          value={now.marginShare}
          onChange={(share) => share !== null && change({ marginShare: share })}
          fault={faults['practice.marginShare']}
        />
        <QuantityInput
          label="Contingency"
          kind="share"
          value={now.contingencyShare}
          onChange={(share) => share !== null && change({ contingencyShare: share })}
          fault={faults['practice.contingencyShare']}
        />
        <Choice
          label="Prices are rounded to"
          value={String(now.roundToCents)}
          options={ROUNDINGS.map((cents) => ({
            value: String(cents),
            label: formatQuantity(cents, 'money', set, { digits: 2 }),
          }))}
          onChange={(cents) => cents && change({ roundToCents: Number(cents) })}
          fault={faults['practice.roundToCents']}
        />
        <Choice
          label="Tax is rounded"
          value={now.taxRule}
          options={TAX_RULES.map((rule) => ({ value: rule, label: TAX_RULE_NAME[rule] }))}
          onChange={(taxRule) => taxRule && change({ taxRule })}
          fault={faults['practice.taxRule']}
        />
        <QuantityInput
          label="Days an offer stands"
          kind="count"
          value={now.offerDays}
          onChange={(days) => days !== null && change({ offerDays: days })}
          fault={faults['practice.offerDays']}
        />
        <QuantityInput
          label="Cost of an hour"
          kind="money"
          digits={2}
          mayBeEmpty
          value={now.hourCostCents}
          onChange={(cents) => change({ hourCostCents: cents === null ? null : Math.round(cents) })}
          fault={faults['practice.hourCostCents']}
        />
      </div>
      {usual.length > 0 && (
        <p className="soft small">
          Common practice until you set your own: {usual.map((name) => USUAL[name]).join(', ')}.
        </p>
      )}
      <h3>An hour by skill</h3>
      <div className="fields">
        {all.map((skill) => (
          <QuantityInput
            key={skill}
            label={`Hour, ${skill}`}
            kind="money"
            mayBeEmpty
            value={now.ratesBySkill[skill] ?? null}
            onChange={(cents) => {
              const { [skill]: _, ...rest } = now.ratesBySkill;
              change({ ratesBySkill: cents === null ? rest : { ...rest, [skill]: Math.round(cents) } });
            }}
            fault={faults[`practice.ratesBySkill.${skill}`]}
          />
        ))}
      </div>
      <p className="soft small">Left empty: sold at the workshop’s hour, {formatQuantity(rateCents, 'money', set)}.</p>
    </div>
  );
}
