import { signSchema } from '../../contract/prove.ts';
import { judgeCheck } from '../../core/prove/check.ts';
import { checkById } from '../../core/prove/index.ts';
import { checkResult } from '../db/schema/index.ts';
import { signOffPdf } from '../documents/signOffPdf.ts';
import { endpoint } from '../endpoint.ts';
import { jobByNumber, jobSheet } from '../jobs/queries.ts';
import { badInput, ProblemError, ruleBroken } from '../problems.ts';
import { sheetOfJob } from './sheetOfJob.ts';

export const proveEndpoints = [
  endpoint({
    method: 'post',
    path: '/jobs/:number/checks',
    may: 'technician',
    body: signSchema,
    answer: ({ change, params, body, person, config, today, now }) =>
      change(async ({ tx, log }) => {
        const stored = await jobByNumber(tx, params.number!);
        const check = checkById(body.checkId)!;
        if (check.liveHv && (!person.hvUntil || person.hvUntil < today)) {
          throw new ProblemError(
            'notAllowed',
            `“${check.title}” is live high-voltage work: only a person with a current HV authorisation signs it.`,
          );
        }
        if (check.kind === null && body.value !== 0 && body.value !== 1)
          throw badInput({ value: 'This check is confirmed, not measured.' });
        const { sheet, design } = await sheetOfJob(tx, stored, config, today);
        const { verdict, limit } = judgeCheck(check, body.value, sheet);
        if (verdict === 'noLimit' || !limit)
          throw ruleBroken(
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
  }),
  endpoint({
    method: 'get',
    path: '/jobs/:number/sign-off.pdf',
    may: 'viewer',
    answer: async ({ db, params, res, config, person, now }) => {
      const sheet = await jobSheet(db, params.number!);
      const pdf = await signOffPdf(sheet, {
        workshop: config.workshopName,
        timeZone: config.timeZone,
        unitSet: person.unitSet,
        printedAt: now(),
      });
      res
        .type('application/pdf')
        .setHeader('Content-Disposition', `attachment; filename="sign-off-${sheet.number}.pdf"`);
      res.send(pdf);
      return undefined;
    },
  }),
];
