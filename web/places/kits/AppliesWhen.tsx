import { Button, Popover, Select } from 'antd';
import { useId } from 'react';
import type { KitLine, KitOption } from '../../../core/kit/kit.ts';
import { rootOf } from '../../../core/vehicle/revisions.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { whenText } from '../../../wording/kits.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';

type When = KitLine['appliesWhen'];

interface Props {
  readonly value: When;
  readonly onChange: (when: When) => void;
  readonly variants: readonly Variant[];
  readonly options: readonly KitOption[];
  /** What it is of, for those who do not see it. */
  readonly of: string;
  readonly fault?: string | undefined;
  readonly disabled: boolean;
}

/** When a line, a box or a stage applies: always, for some variants, with an option, or without one. */
export function AppliesWhen({ value, onChange, variants, options, of, fault, disabled }: Props) {
  const id = useId();
  const said = whenText(
    value,
    (variantId) => variants.find((one) => rootOf(one.id) === rootOf(variantId))?.name ?? variantId,
    (option) => options.find((one) => one.id === option)?.name ?? option,
  );
  if (disabled) return <span className="small">{said}</span>;
  const set = (part: Partial<NonNullable<When>>) => {
    const next = Object.fromEntries(
      Object.entries({ ...value, ...part }).filter(([, one]) => one !== undefined && (one as string[]).length > 0),
    );
    onChange(Object.keys(next).length > 0 ? next : null);
  };
  const choices = options.map(({ id: key, name }) => ({ value: key, label: name }));
  return (
    <Popover
      trigger="click"
      destroyOnHidden
      content={
        <div className="stack" style={{ width: 260 }}>
          <Labelled label="Only for" id={id}>
            <Select
              id={id}
              mode="multiple"
              placeholder="every variant"
              value={[...(value?.variantIds ?? [])].map(rootOf)}
              options={variants.map((one) => ({ value: rootOf(one.id), label: one.name }))}
              onChange={(variantIds) => set({ variantIds })}
              style={{ width: '100%' }}
            />
          </Labelled>
          <Choice
            label="Only with"
            mayBeEmpty
            placeholder="any option or none"
            value={value?.option ?? null}
            options={choices}
            onChange={(option) => set({ option: option ?? '' })}
          />
          <Choice
            label="Not with"
            mayBeEmpty
            placeholder="left in with every option"
            value={value?.without ?? null}
            options={choices}
            onChange={(without) => set({ without: without ?? '' })}
          />
        </div>
      }
    >
      <Button
        size="small"
        type="text"
        className={fault ? 'stop' : said ? '' : 'soft'}
        aria-label={`When ${of} applies: ${said || 'always'}`}
      >
        {fault ?? (said || 'always')}
      </Button>
    </Popover>
  );
}
