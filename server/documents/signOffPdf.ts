import type { TableCell } from 'pdfmake/interfaces.js';
import type { JobSheet } from '../../contract/job.ts';
import type { CheckResult } from '../../contract/prove.ts';
import { CHECK_GROUP_NAME, CHECK_GROUPS, type Check } from '../../core/prove/check.ts';
import { CHECKS } from '../../core/prove/index.ts';
import { checkValueText } from '../../wording/checks.ts';
import { dayTimeAndYear } from '../../wording/dates.ts';
import { overrideText, standingOverrides } from '../../wording/fit.ts';
import { limitText } from '../../wording/work.ts';
import { heading, type Print, paper, plain, printedAt, RED, SOFT, table } from './paper.ts';

const HEAD = ['Check', 'Value', 'Limit', 'Signed'];

/** The sign-off sheet: every check, its newest signed result with limit, person and time, or "not signed". */
export async function signOffPdf(job: JobSheet, print: Print): Promise<Buffer> {
  const { vehicle } = job;
  const newest = new Map<string, CheckResult>();
  for (const result of job.checks) if (!newest.has(result.checkId)) newest.set(result.checkId, result);
  const overridden = standingOverrides(job.decisions);
  const groups = CHECK_GROUPS.map((group) => ({ group, checks: CHECKS.filter((check) => check.group === group) }));
  const signed = CHECKS.filter((check) => newest.get(check.id)?.verdict === 'passed').length;
  return paper(
    `Sign-off sheet ${job.number}, ${job.title}`,
    [`chassis ${vehicle.chassisNumber}`, vehicle.registration, `client ${job.client.name}`, print.workshop],
    [
      ...groups.flatMap(({ group, checks }) =>
        checks.length === 0
          ? []
          : [
              heading(CHECK_GROUP_NAME[group]),
              table(
                ['*', 70, 108, 112],
                HEAD,
                checks.map((check) => row(check, newest.get(check.id), print)),
              ),
            ],
      ),
      ...(overridden.length === 0
        ? []
        : [
            heading('Taken all the same, against a rule'),
            table(
              ['*', 170, 112],
              ['What', 'Why', 'By'],
              overridden.map(({ rule, subject, reason, by, at }) => {
                const { name, about } = overrideText(rule, subject);
                return [
                  { text: plain(`${name}: ${about}`), color: RED },
                  { text: plain(reason) },
                  { text: plain(`${by}, ${dayTimeAndYear(at, print.timeZone)}`) },
                ];
              }),
            ),
          ]),
      {
        text: `${signed} of ${CHECKS.length} checks signed as passed. Printed ${printedAt(print)}.`,
        bold: true,
        fontSize: 10,
        margin: [0, 12, 0, 4],
      },
      {
        text: 'This sheet records who checked what and when. Local rules on vehicle approval, electrical work and refrigerants come first; this is a working aid, not an approval.',
        fontSize: 8.5,
        color: SOFT,
      },
    ],
    print,
  );
}

function row(check: Check, result: CheckResult | undefined, print: Print): TableCell[] {
  if (!result) return [check.title, '', '', { text: 'not signed', color: SOFT }];
  const failed = result.verdict === 'failed';
  const design = result.designName ? `design ${result.designName}, version ${result.designVersion}; ` : '';
  const small = `${design}${result.limitSource}${result.note ? `. Note: ${result.note}` : ''}`;
  const limit =
    check.kind === null
      ? 'as described'
      : limitText({ min: result.limitMin, max: result.limitMax }, check.kind, print.unitSet);
  return [
    { stack: [check.title, { text: plain(small), fontSize: 7.5, color: SOFT }] },
    { text: plain(checkValueText(check, result.value, print.unitSet)), bold: true, ...(failed ? { color: RED } : {}) },
    { text: plain(limit), color: SOFT },
    {
      text: plain(`${failed ? 'FAILED. ' : ''}${result.by}, ${dayTimeAndYear(result.at, print.timeZone)}`),
      ...(failed ? { color: RED } : {}),
    },
  ];
}
