import { useMemo, useState } from 'react';
import { toolAddress } from '../../../../contract/tools.ts';
import { toolProblem } from '../../../../core/toolbox/tool.ts';
import { dayText } from '../../../../wording/dates.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useToday } from '../../../data/session.tsx';

const KEPT = 'dajo-tool ';

/** Tools of a kind that may be used today, and the one this browser used last: it is offered again. */
export function useToolChoice(kind: string | null) {
  const { data } = useOfAddress(toolAddress.list, kind === null ? null : {});
  const today = useToday();
  const [chosen, setChosen] = useState(() => (kind === null ? null : localStorage.getItem(KEPT + kind)));
  const tools = useMemo(
    () =>
      (data ?? [])
        .filter((tool) => kind !== null && toolProblem(tool, kind, today) === null)
        .map(({ id, name, number, calibratedUntil }) => ({
          value: id,
          label: [name, number, calibratedUntil && `until ${dayText(calibratedUntil)}`].filter(Boolean).join(' '),
        })),
    [data, kind, today],
  );
  const setToolId = (id: string | null) => {
    setChosen(id);
    if (kind !== null && id !== null) localStorage.setItem(KEPT + kind, id);
  };
  // The only one there is need not be chosen.
  const toolId = tools.find(({ value }) => value === chosen)?.value ?? (tools.length === 1 ? tools[0]!.value : null);
  return { toolId, setToolId, tools };
}
