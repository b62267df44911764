import { SwapOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { memo, useMemo, useState } from 'react';
import type { BriefLine } from '../../../core/brief/lines.ts';
import { type TurnedAnswer, turnRound } from '../../../core/brief/turnRound.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { BRIEF_NAME, wanted } from '../../../wording/brief.ts';
import { useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { useOpenJob } from './openJob.ts';

/**
 * The question turned round: how much of one thing, all else as it is, would just meet this line of the brief. Closed, it is
 * drawn again only when the line becomes met or broken.
 */
export const TurnRound = memo(function TurnRound({ line, met }: { line: BriefLine; met: boolean }) {
  const [open, setOpen] = useState(false);
  const name = BRIEF_NAME[line.kind];
  const button = (
    <Button
      size="small"
      type="text"
      className="turn"
      icon={<SwapOutlined />}
      aria-label={`What would just meet ${name}`}
      title="What would just meet it"
      onClick={() => setOpen(true)}
    />
  );
  if (!open) return button;
  return (
    <Popover
      open
      onOpenChange={setOpen}
      trigger="click"
      placement="left"
      title={`${met ? 'How far each alone may go' : 'What alone would just meet it'}: ${name}`}
      content={<Answers line={line} met={met} />}
    >
      {button}
    </Popover>
  );
});

function Answers({ line, met }: { line: BriefLine; met: boolean }) {
  const none = met ? 'no amount breaks it' : 'no amount does';
  const { sheet, lines } = useOpenJob('sheet', 'lines');
  const set = useUnitSet();
  const answers = useMemo(() => turnRound(line, sheet), [line, sheet]);
  const target = lines.find((one) => one.line.id === line.id)?.target ?? null;
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
