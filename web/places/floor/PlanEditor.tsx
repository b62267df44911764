import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Checkbox, Dropdown } from 'antd';
import { useRef, useState } from 'react';
import type { FloorData } from '../../../contract/floor.ts';
import { type PlanBody, planAddress } from '../../../contract/plan.ts';
import {
  freeSpot,
  PLACE_KINDS,
  type PlaceKind,
  type Plan,
  type PlannedPlace,
  planProblems,
  USUAL_SIZE,
} from '../../../core/floor/plan.ts';
import { PLACE_KIND_NAME, planProblemText } from '../../../wording/plan.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { WorkingDays } from '../../widgets/WorkingDays.tsx';
import { PlanDrawing } from './PlanDrawing.tsx';

const bodyOf = ({ building: { version, ...building }, places }: FloorData): PlanBody => ({
  building,
  places: places.map(({ id, name, kind, lift, alignment, xM, yM, widthM, lengthM, slots, slotDays }) => ({
    ...{ id, name, kind, lift, alignment, xM, yM, widthM, lengthM, slots: slots ?? null, slotDays: slotDays ?? [] },
  })),
  version,
});

/** "Bay 3": the kind with the first number that is free. */
function newName(kind: PlaceKind, places: readonly PlannedPlace[]): string {
  const word = PLACE_KIND_NAME[kind].split(',')[0]!;
  const taken = new Set(places.map(({ name }) => name.toLowerCase()));
  if (kind !== 'bay' && !taken.has(word.toLowerCase())) return word;
  for (let n = 1; ; n++) if (!taken.has(`${word} ${n}`.toLowerCase())) return `${word} ${n}`;
}

/** The building drawn to scale, to be changed: places added, moved, resized, named, given up; saved as one plan. */
export function PlanEditor({ floor, onClose }: { floor: FloorData; onClose: () => void }) {
  const [draft, setDraft] = useState(() => bodyOf(floor));
  const [chosen, setChosen] = useState<number | null>(null);
  // What a drag began from: it tells how far it is from there, not from the last frame.
  const base = useRef<Plan>(draft);
  const take = (at: number) => {
    base.current = draft;
    setChosen(at);
  };
  const form = useChecked(planAddress.change, {}, draft);
  const problems = planProblems(draft);
  const place = chosen === null ? undefined : draft.places[chosen];
  const change = (at: number, next: Partial<PlannedPlace>) =>
    setDraft((now) => ({ ...now, places: now.places.map((one, i) => (i === at ? { ...one, ...next } : one)) }));
  const add = (kind: PlaceKind) => {
    const [widthM, lengthM] = USUAL_SIZE[kind];
    const spot = kind === 'outside' ? { xM: 0, yM: 0 } : (freeSpot(draft, [widthM, lengthM]) ?? { xM: 0, yM: 0 });
    const name = newName(kind, draft.places);
    const added = { id: null, name, kind, lift: false, alignment: false, ...spot, widthM, lengthM };
    setChosen(draft.places.length);
    setDraft((now) => ({ ...now, places: [...now.places, added] }));
  };
  const drop = (at: number) => {
    setChosen(null);
    setDraft((now) => ({ ...now, places: now.places.filter((_, i) => i !== at) }));
  };
  const faultOfChosen = (field: string) => (chosen === null ? undefined : form.faults[`places.${chosen}.${field}`]);
  return (
    <div className="floor">
      <div>
        <PlanDrawing
          plan={draft}
          chosen={chosen}
          faulty={new Set(problems.map(({ at }) => at))}
          onChoose={take}
          onChange={change}
          base={() => base.current}
        />
        <Outside places={draft.places} onChoose={setChosen} />
        <p className="soft small" style={{ paddingTop: 6 }}>
          Drag a place or its lower right corner, or focus it and use the arrows (with ⇧ half a metre).
        </p>
      </div>
      <EntryForm refusal={form.refusal} onSave={() => void form.save().then((saved) => saved && onClose())}>
        <div className="row">
          <Button type="primary" htmlType="submit" loading={form.busy}>
            Save the building
          </Button>
          <Button onClick={onClose}>Leave it as it was</Button>
        </div>
        <Panel title="The building">
          <div className="in fields pair">
            <Metres
              label="Width"
              value={draft.building.widthM}
              onChange={(widthM) => setDraft((now) => ({ ...now, building: { ...now.building, widthM } }))}
              fault={form.faults['building.widthM']}
            />
            <Metres
              label="Length"
              value={draft.building.lengthM}
              onChange={(lengthM) => setDraft((now) => ({ ...now, building: { ...now.building, lengthM } }))}
              fault={form.faults['building.lengthM']}
            />
          </div>
        </Panel>
        <Dropdown
          trigger={['click']}
          menu={{
            items: PLACE_KINDS.map((kind) => ({ key: kind, label: PLACE_KIND_NAME[kind] })),
            onClick: ({ key }) => add(key as PlaceKind),
          }}
        >
          <Button icon={<PlusOutlined />}>Add a place</Button>
        </Dropdown>
        {place && chosen !== null && (
          <Panel title={place.name || 'Place'}>
            <div className="in stack" data-chosen-place>
              <div className="fields pair">
                <TextField
                  label="Name of the place"
                  value={place.name}
                  onChange={(name) => change(chosen, { name })}
                  fault={faultOfChosen('name')}
                />
                <Choice
                  label="Kind"
                  value={place.kind}
                  options={PLACE_KINDS.map((kind) => ({ value: kind, label: PLACE_KIND_NAME[kind] }))}
                  onChange={(kind) => kind && change(chosen, { kind })}
                  fault={faultOfChosen('kind')}
                />
                {place.kind !== 'outside' &&
                  (
                    [
                      ['From the left', 'xM'],
                      ['From the top', 'yM'],
                      ['Across', 'widthM'],
                      ['Along', 'lengthM'],
                    ] as const
                  ).map(([label, field]) => (
                    <Metres
                      key={field}
                      label={label}
                      value={place[field]}
                      onChange={(value) => change(chosen, { [field]: value })}
                      fault={faultOfChosen(field)}
                    />
                  ))}
              </div>
              {place.kind === 'outside' && (
                <div className="stack">
                  <QuantityInput
                    label="Vehicles at a time, empty: as many as come"
                    kind="count"
                    value={place.slots ?? null}
                    onChange={(slots) => change(chosen, { slots })}
                    fault={faultOfChosen('slots')}
                  />
                  <WorkingDays
                    label="Works on them on; none: every working day"
                    value={place.slotDays ?? []}
                    onChange={(slotDays) => change(chosen, { slotDays })}
                    fault={faultOfChosen('slotDays')}
                  />
                </div>
              )}
              {place.kind === 'bay' && (
                <div className="row">
                  <Checkbox checked={place.lift} onChange={({ target }) => change(chosen, { lift: target.checked })}>
                    has a lift
                  </Checkbox>
                  <Checkbox
                    checked={place.alignment}
                    onChange={({ target }) => change(chosen, { alignment: target.checked })}
                  >
                    can align wheels
                  </Checkbox>
                </div>
              )}
              <div>
                <Button size="small" icon={<DeleteOutlined />} onClick={() => drop(chosen)}>
                  Give it up
                </Button>
              </div>
            </div>
          </Panel>
        )}
        {problems.length > 0 && (
          <ul className="stop small" aria-label="What is wrong with the plan">
            {problems.map((problem) => (
              <li key={`${problem.at} ${problem.problem}`}>
                {draft.places[problem.at]?.name}: {planProblemText(problem)}
              </li>
            ))}
          </ul>
        )}
        <Conflict
          of={planAddress.change}
          params={{}}
          sending={form.sending}
          theirs={(now: PlanBody) => now}
          done={onClose}
        />
      </EntryForm>
    </div>
  );
}

/** Firms outside stand nowhere in the building. */
function Outside({ places, onChoose }: { places: readonly PlannedPlace[]; onChoose: (at: number) => void }) {
  const outside = places.flatMap((place, at) => (place.kind === 'outside' ? [{ place, at }] : []));
  if (outside.length === 0) return null;
  return (
    <div className="row" style={{ paddingTop: 8 }}>
      <span className="soft">Outside:</span>
      {outside.map(({ place, at }) => (
        <Button key={at} size="small" onClick={() => onChoose(at)}>
          {place.name}
        </Button>
      ))}
    </div>
  );
}

/** Metres with a decimal, in the person's unit. */
function Metres({
  label,
  value,
  onChange,
  fault,
}: {
  label: string;
  value: number;
  onChange: (metres: number) => void;
  fault: string | undefined;
}) {
  return (
    <QuantityInput
      label={label}
      kind="height"
      digits={2}
      value={value}
      onChange={(next) => next !== null && onChange(next)}
      fault={fault}
    />
  );
}
