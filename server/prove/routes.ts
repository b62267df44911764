import { proveAddress } from '../../contract/prove.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { judgeCheck } from '../../core/prove/check.ts';
import { checkById } from '../../core/prove/index.ts';
import { checkResult } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotAllowed, RuleBroken } from '../problems.ts';
import { figureInputOfJob } from '../read/figureInput.ts';
import { jobSheet } from '../read/sheet.ts';

export const proveEndpoints = [
  serve(proveAddress.sign, ({ change, params, body, person, workshop, today, now }) =>
    change(async ({ tx, log, job }) => {
      const stored = await job({ number: params.number });
      const check = checkById(body.checkId)!;
      if (check.liveHv && (!person.hvUntil || person.hvUntil < today)) {
        throw new NotAllowed(
          `“${check.title}” is live high-voltage work: only a person with a current HV authorisation signs it.`,
        );
      }
      if (check.kind === null && body.value !== 0 && body.value !== 1)
        throw new BadInput({ value: 'This check is confirmed, not measured.' });
      const { input, design } = await figureInputOfJob(tx, stored, workshop, today);
      const { verdict, limit } = judgeCheck(check, body.value, createSheet(resolveDesign(input)));
      if (verdict === 'noLimit' || !limit)
        throw new RuleBroken(
          'The limit comes from the chosen design, which does not have this figure yet. Choose a design in Size.',
        );
      const [row] = await tx
        .insert(checkResult)
        .values({
          jobId: stored.id,
          checkId: check.id,
          value: body.value,
          verdict,
          limitMin: limit.min,
          limitMax: limit.max,
          limitSource: limit.source,
          designId: design?.id ?? null,
          designName: design?.name ?? null,
          designVersion: design?.version ?? null,
          note: body.note,
          byId: person.id,
          at: now(),
        })
        .returning();
      await log({
        what: `signed ${check.title}: ${verdict}`,
        resource: 'check',
        id: check.id,
        job: stored.number,
        after: row,
      });
      return { verdict };
    }),
  ),
  serve(proveAddress.paper, async ({ db, press, params, res, workshop, person, now }) => {
    const sheet = await jobSheet(db, params.number);
    const pdf = await press.print({ paper: 'signOff', job: sheet, print: printFor(workshop, person, now()) });
    res.type('application/pdf').setHeader('Content-Disposition', `attachment; filename="sign-off-${sheet.number}.pdf"`);
    res.send(pdf);
    return undefined;
  }),
];
