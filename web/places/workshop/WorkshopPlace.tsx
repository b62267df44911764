import { useState } from 'react';
import { peopleAddress } from '../../../contract/people.ts';
import { hasRole } from '../../../contract/rights.ts';
import { type SettingName, type Workshop, type WorkshopChange, workshopAddress } from '../../../contract/workshop.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TimeInput } from '../../widgets/TimeInput.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { WorkingDays } from '../../widgets/WorkingDays.tsx';
import { WorkshopFields } from '../../widgets/WorkshopFields.tsx';
import { Backups } from './Backups.tsx';
import { PracticeFields } from './PracticeFields.tsx';
import { PriceFields } from './PriceFields.tsx';

/** Settings that begin as common practice, as they are told. */
const RECKONED = {
  taxShare: 'tax',
  rateCents: 'an hour of work',
  hoursPerDay: 'person-hours a vehicle a day',
  dayStartH: 'when the day begins',
  dayEndH: 'when it ends',
  breakH: 'breaks',
} as const satisfies Partial<Record<SettingName, string>>;

const bodyOf = ({ own: _, ...settings }: Workshop): WorkshopChange => ({ ...settings });

/** What the workshop is and what it reckons with. */
export default function WorkshopPlace() {
  const workshop = useWorkshop();
  // A form of its own for each version: a change that came from elsewhere shows as soon as nothing is being typed.
  return <SettingsForm key={workshop.version} workshop={workshop} />;
}

function SettingsForm({ workshop }: { workshop: Workshop }) {
  const { role } = usePerson();
  const may = hasRole(role, workshopAddress.change.may);
  const people = useOfAddress(peopleAddress.list, {});
  const [draft, setDraft] = useState(() => bodyOf(workshop));
  const form = useChecked(workshopAddress.change, {}, draft);
  const { faults } = form;
  const set = (change: Partial<WorkshopChange>) => setDraft((now) => ({ ...now, ...change }));
  const usual = (Object.keys(RECKONED) as (keyof typeof RECKONED)[]).filter((name) => !workshop.own.includes(name));
  return (
    <div className="page stack">
      <h1>{workshop.name}</h1>
      <EntryForm
        {...(may ? { save: 'Save' } : {})}
        disabled={!may}
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void form.save()}
      >
        <Panel title="The workshop" aside="figures on papers and pages follow it">
          <div className="in">
            <WorkshopFields value={draft} onChange={set} faults={faults} />
          </div>
        </Panel>
        <Panel title="What it reckons with" aside="common practice until you set your own">
          <div className="in stack">
            <div className="fields">
              <QuantityInput
                label="An hour of work, as sold"
                kind="money"
                value={draft.rateCents}
                onChange={(rate) => rate !== null && set({ rateCents: Math.round(rate) })}
                fault={faults.rateCents}
              />
              <QuantityInput
                label="Hours a vehicle a day"
                kind="hours"
                value={draft.hoursPerDay}
                onChange={(hoursPerDay) => hoursPerDay !== null && set({ hoursPerDay })}
                fault={faults.hoursPerDay}
              />
              <TimeInput
                label="Day begins"
                value={draft.dayStartH}
                onChange={(dayStartH) => set({ dayStartH })}
                fault={faults.dayStartH}
              />
              <TimeInput
                label="Day ends"
                value={draft.dayEndH}
                onChange={(dayEndH) => set({ dayEndH })}
                fault={faults.dayEndH}
              />
              <QuantityInput
                label="Breaks"
                kind="hours"
                value={draft.breakH}
                onChange={(breakH) => breakH !== null && set({ breakH })}
                fault={faults.breakH}
              />
            </div>
            {usual.length > 0 && (
              <p className="soft small">
                Common practice until you set your own: {usual.map((name) => RECKONED[name]).join(', ')}.
              </p>
            )}
            <WorkingDays
              value={draft.workingDays}
              onChange={(workingDays) => set({ workingDays })}
              fault={faults.workingDays}
            />
          </div>
        </Panel>
        <Panel title="What it sells for" aside="before anything is agreed with a client">
          <div className="in">
            <PriceFields
              value={draft.practice}
              onChange={(practice) => set({ practice })}
              rateCents={draft.rateCents}
              skills={people.data?.flatMap(({ skills }) => skills) ?? []}
              faults={faults}
            />
          </div>
        </Panel>
        <Panel title="How it does things" aside="numbers, boxes, papers, closed days">
          <div className="in">
            <PracticeFields
              value={draft.practice}
              onChange={(practice) => set({ practice })}
              region={draft.region}
              faults={faults}
            />
          </div>
        </Panel>
      </EntryForm>
      {may && <Backups />}
      <Conflict
        of={workshopAddress.change}
        params={{}}
        sending={form.sending}
        theirs={(now: Workshop) => bodyOf(now)}
        done={() => setDraft(bodyOf(workshop))}
      />
    </div>
  );
}
