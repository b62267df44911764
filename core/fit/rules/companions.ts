import { companionsIn } from '../cover.ts';
import type { Finding, FitRule } from '../finding.ts';

/** Hours to fit what a part needs beside it; common practice. */
const FIT_HOURS = 0.5;

/**
 * What a component itself needs to work, by its own sheet: there, by itself or an alternative, or settled in the cover as
 * local, the client's, made here or kept; else a gap that is named.
 */
export const companions: FitRule = {
  id: 'companions',
  judge: ({ parts, library, cover }) =>
    companionsIn(parts, library).map(({ component, what, id, one, found }): Finding => {
      const settled = cover[`companion:${id}`];
      const good = found || settled !== undefined;
      return {
        rule: 'companions',
        subject: `${component} needs ${what}`,
        verdict: good ? 'fits' : 'afterWork',
        left: { value: good ? settled?.why || what : 'not in the kit', kind: null, source: 'design' },
        right: { value: what, kind: null, source: 'sheet' },
        margin: null,
        unmeasured: [],
        work: good ? null : { hours: FIT_HOURS, ...(one && { parts: [{ componentId: one.id, quantity: 1 }] }) },
      };
    }),
};
