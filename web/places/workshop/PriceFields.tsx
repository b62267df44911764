import { USUAL_SKILLS } from '../../../contract/people.ts';
import { ROUNDINGS } from '../../../contract/workshop.ts';
import { type Practice, practiceOf } from '../../../core/practice/practice.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
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
