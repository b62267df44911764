import { Select } from 'antd';
import { useId } from 'react';
import { type NewPerson, USUAL_SKILLS } from '../../../contract/people.ts';
import { ROLES } from '../../../contract/rights.ts';
import { ROLE_NAME, ROLE_SAY } from '../../../wording/people.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { TextField } from '../../widgets/TextField.tsx';

interface Props {
  readonly value: NewPerson;
  readonly onChange: (change: Partial<NewPerson>) => void;
  readonly faults: Readonly<Record<string, string>>;
}

/** Name, sign-in, role and skills of a person. */
export function PersonFields({ value, onChange, faults }: Props) {
  const skills = useId();
  return (
    <div className="fields">
      <TextField label="Name" value={value.name} onChange={(name) => onChange({ name })} fault={faults.name} />
      <TextField
        label="Name to sign in with"
        value={value.signIn}
        onChange={(signIn) => onChange({ signIn })}
        fault={faults.signIn}
      />
      <Choice
        label="Role"
        value={value.role}
        options={ROLES.map((role) => ({ value: role, label: ROLE_NAME[role] }))}
        onChange={(role) => role && onChange({ role })}
        fault={faults.role}
      />
      <Labelled label="Skills" id={skills} fault={faults.skills}>
        <Select
          id={skills}
          mode="tags"
          value={[...value.skills]}
          options={USUAL_SKILLS.map((skill) => ({ value: skill, label: skill }))}
          onChange={(next: string[]) => onChange({ skills: next.map((one) => one.trim().toLowerCase()) })}
          style={{ width: '100%' }}
        />
      </Labelled>
      <p className="soft small" style={{ gridColumn: '1 / -1' }}>
        {ROLE_NAME[value.role]}: {ROLE_SAY[value.role]}.
      </p>
    </div>
  );
}
