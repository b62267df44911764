import { SwapOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { useMemo, useState } from 'react';
import type { LineJudgement } from '../../../core/brief/judgeLine.ts';
import { type TurnedAnswer, turnRound } from '../../../core/brief/turnRound.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { BRIEF_NAME, wanted } from '../../../wording/brief.ts';
import { useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { useOpenJob } from './openJob.ts';

/** The question turned round: how much of one thing, all else as it is, would just meet this line of the brief. */
export function TurnRound({ judged }: { judged: LineJudgement }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      placement="left"
      title={`${judged.state === 'met' ? 'How far each alone may go' : 'What alone would just meet it'}: ${BRIEF_NAME[judged.line.kind]}`}
      content={open ? <Answers judged={judged} /> : null}
    >
      <Button
        size="small"
        type="text"
        className="turn"
        icon={<SwapOutlined />}
        aria-label={`What would just meet ${BRIEF_NAME[judged.line.kind]}`}
        title="What would just meet it"
      />
    </Popover>
  );
}

function Answers({ judged: { line, target, state } }: { judged: LineJudgement }) {
  const none = state === 'met' ? 'no amount breaks it' : 'no amount does';
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const answers = useMemo(() => turnRound(line, sheet), [line, sheet]);
  return (
    <div style={{ maxWidth: 460 }} className="small">
      <p className="soft">{wanted(line, target, set)}; each thing alone, all else as it is.</p>
      <DataTable
        label="What would just meet the line"
        rows={answers}
        rowKey={({ input }) => input.id}
        columns={({ words, figures }) => [
          words('Of', ({ input }) => input.name),
          figures('Now', ({ input, now }) => formatQuantity(now, input.kind, set)),
          figures('Just meets it', (answer) => (answer.wanted === null ? none : <Wanted answer={answer} />)),
        ]}
      />
      <p className="soft">Modules with their mass, whether or not a bay takes them; voltages are for Layout to say.</p>
    </div>
  );
}

const change = ({ input, now, wanted: to }: TurnedAnswer, set: UnitSet): string => {
  if (to === null) return '';
  // A difference has no offset of its own.
  const sign = to >= now ? '+' : '−';
  return `${sign}${formatQuantity(Math.abs(to - now), input.kind, set)}`;
};

function Wanted({ answer }: { answer: TurnedAnswer }) {
  const set = useUnitSet();
  return (
    <span className="strong">
      {formatQuantity(answer.wanted!, answer.input.kind, set)} <span className="soft">({change(answer, set)})</span>
    </span>
  );
}
