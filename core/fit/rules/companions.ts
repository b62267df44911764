import type { Component } from '../../component/sheets.ts';
import { componentAs } from '../../component/sheets.ts';
import type { Finding, FitRule } from '../finding.ts';

const KINDS = ['heater', 'hvPump', 'inlet', 'contactorBox', 'other'] as const;
/** What a component needs to work, by its sheet. */
export const companionsOf = (component: Component) =>
  KINDS.map((kind) => componentAs(component, kind)?.sheet.companions).find((list) => list !== undefined) ?? [];

/** What a component itself needs to work, by its own sheet: there, by itself or an alternative, or a gap that is named. */
export const companions: FitRule = {
  id: 'companions',
  judge: ({ parts, library }) => {
    const there = new Set(parts.flatMap(({ component }) => [component.id, ...(component.alternatives ?? [])]));
    return parts.flatMap(({ component }): Finding[] =>
      companionsOf(component).map(({ what, component: id }): Finding => {
        const one = library.get(id);
        const found = there.has(id) || (one?.alternatives ?? []).some((other) => there.has(other));
        return {
          rule: 'companions',
          subject: `${component.name} needs ${what}`,
          verdict: found ? 'fits' : 'afterWork',
          left: { value: found ? what : 'not in the kit', kind: null, source: 'design' },
          right: { value: what, kind: null, source: 'sheet' },
          margin: null,
          unmeasured: [],
          work: found ? null : { hours: 0.5, ...(one && { parts: [{ componentId: one.id, quantity: 1 }] }) },
        };
      }),
    );
  },
};
