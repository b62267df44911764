import { Checkbox, Select } from 'antd';
import { type ReactNode, useId } from 'react';
import { USUAL_SKILLS } from '../../../contract/people.ts';
import { DIFFICULTIES, STAGE_TRAITS, type StageTemplate } from '../../../core/kit/kit.ts';
import { DIFFICULTY_NAME } from '../../../wording/difficulty.ts';
import { TRAIT_NAME } from '../../../wording/kits.ts';
import { Choice } from '../Choice.tsx';
import { Labelled } from '../Labelled.tsx';
import { QuantityInput } from '../QuantityInput.tsx';
import { TextField } from '../TextField.tsx';
import { StepsEditor } from './StepsEditor.tsx';
import { useToolKinds } from './useToolKinds.ts';

interface Props {
  readonly stage: StageTemplate;
  readonly others: readonly StageTemplate[];
  readonly onChange: (stage: StageTemplate) => void;
  readonly faults: Readonly<Record<string, string>>;
  readonly disabled: boolean;
  /** A field for when it applies; a list that belongs to no kit has none. */
  readonly when?: ReactNode;
}

/** One stage: what it is called, how long it takes and whom, what comes before, what it moves, and its steps. */
export function StageFields({ stage, others, onChange, faults, disabled, when }: Props) {
  const [afterId, traitsId, toolsId] = [useId(), useId(), useId()];
  const kinds = useToolKinds();
  const set = (change: Partial<StageTemplate>) => onChange({ ...stage, ...change });
  const skills = [...new Set([...USUAL_SKILLS, ...(stage.skill ? [stage.skill] : [])])];
  return (
    <>
      <div className="fields">
        <TextField label="Stage" value={stage.name} onChange={(name) => set({ name })} fault={faults.name} />
        <QuantityInput
          label="Person-hours"
          kind="hours"
          value={stage.hours}
          onChange={(hours) => hours !== null && set({ hours })}
          fault={faults.hours}
          disabled={disabled}
        />
        <QuantityInput
          label="People at once"
          kind="count"
          value={stage.people}
          onChange={(people) => people !== null && set({ people: Math.round(people) })}
          fault={faults.people}
          disabled={disabled}
        />
        <QuantityInput
          label="People who can share"
          kind="count"
          mayBeEmpty
          value={stage.mostPeople ?? null}
          onChange={(most) => {
            const { mostPeople: _, ...rest } = stage;
            onChange(most === null ? rest : { ...rest, mostPeople: Math.round(most) });
          }}
          fault={faults.mostPeople}
          disabled={disabled}
        />
        <Choice
          label="Skill"
          mayBeEmpty
          placeholder="anybody’s"
          value={stage.skill || null}
          options={skills.map((skill) => ({ value: skill, label: skill }))}
          onChange={(skill) => {
            const { skill: _, ...rest } = stage;
            onChange(skill === null ? rest : { ...rest, skill });
          }}
          disabled={disabled}
        />
        <Choice
          label="How hard"
          value={stage.difficulty ?? 'plain'}
          options={DIFFICULTIES.map((value) => ({ value, label: DIFFICULTY_NAME[value] }))}
          onChange={(difficulty) => difficulty && set({ difficulty })}
          disabled={disabled}
        />
        {when && <Labelled label="Applies">{when}</Labelled>}
        <Labelled label="Tools" id={toolsId} fault={faults['tools.0'] ?? faults.tools}>
          <Select
            id={toolsId}
            mode="tags"
            disabled={disabled}
            value={[...(stage.tools ?? [])]}
            options={kinds.map((kind) => ({ value: kind, label: kind }))}
            onChange={(tools) => {
              const { tools: _, ...rest } = stage;
              onChange(tools.length === 0 ? rest : { ...rest, tools });
            }}
            placeholder="none that is asked for"
            style={{ width: '100%' }}
          />
        </Labelled>
        <TextField label="Needs" value={stage.needs} onChange={(needs) => set({ needs })} fault={faults.needs} />
        <Labelled label="High voltage">
          <Checkbox
            checked={stage.liveHv}
            disabled={disabled}
            onChange={({ target }) =>
              set({ liveHv: target.checked, ...(target.checked && { people: Math.max(2, stage.people) }) })
            }
          >
            live work
          </Checkbox>
        </Labelled>
      </div>
      <Labelled label="After" id={afterId} fault={faults.after ?? faults['after.0']}>
        <Select
          id={afterId}
          mode="multiple"
          disabled={disabled}
          value={[...stage.after]}
          options={others.map(({ key, name }) => ({ value: key, label: name || key }))}
          onChange={(after) => set({ after })}
          placeholder="may be begun at once"
        />
      </Labelled>
      <Labelled label="Where it is done, and what it moves" id={traitsId}>
        <Select
          id={traitsId}
          mode="multiple"
          disabled={disabled}
          value={[...stage.traits]}
          options={STAGE_TRAITS.map((trait) => ({ value: trait, label: TRAIT_NAME[trait] }))}
          onChange={(traits) => set({ traits })}
          placeholder="at the vehicle, moves nothing"
        />
      </Labelled>
      <TextField label="Note" value={stage.note} onChange={(note) => set({ note })} fault={faults.note} />
      <StepsEditor steps={stage.steps} onChange={(steps) => set({ steps })} faults={faults} disabled={disabled} />
    </>
  );
}
