import { Button } from 'antd';
import { useState } from 'react';
import { stageTemplateAddress } from '../../../contract/stageTemplates.ts';
import type { StageTemplate } from '../../../core/kit/kit.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';

/** Begins the stages of a kit from one of the workshop's lists. */
export function StagesFrom({ onTake }: { onTake: (stages: readonly StageTemplate[]) => void }) {
  const { data } = useOfAddress(stageTemplateAddress.list, {});
  const [chosen, setChosen] = useState<string | null>(null);
  if (!data || data.length === 0) return null;
  const template = data.find(({ id }) => id === chosen);
  return (
    <div className="row note">
      <span>Begin from a list of stages:</span>
      <div style={{ width: 260 }}>
        <Choice
          label="List of stages"
          hideLabel
          value={chosen}
          options={data.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setChosen}
        />
      </div>
      <Button disabled={!template} onClick={() => template && onTake(template.stages)}>
        Take it
      </Button>
    </div>
  );
}
