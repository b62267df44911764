import type { JobSheet } from '../../contract/job.ts';
import type { CheckResult } from '../../contract/prove.ts';
import { CHECK_GROUP_NAME, CHECK_GROUPS, type Check } from '../../core/prove/check.ts';
import { CHECKS } from '../../core/prove/index.ts';
import { formatQuantity } from '../../core/quantity/format.ts';
import type { UnitSet } from '../../core/quantity/units.ts';
import { HAIRLINE, INK, newPaper, type Print, plain, RED, SOFT, timeText } from './paper.ts';

function limitText(check: Check, result: CheckResult, set: UnitSet): string {
  if (check.kind === null) return 'as described';
  const show = (value: number) => formatQuantity(value, check.kind!, set);
  const { limitMin, limitMax } = result;
  if (limitMin !== null && limitMax !== null) return `${show(limitMin)} to ${show(limitMax)}`;
  return limitMin !== null ? `at least ${show(limitMin)}` : `at most ${show(limitMax ?? 0)}`;
}

const valueText = (check: Check, value: number, set: UnitSet) =>
  check.kind === null ? (value === 1 ? 'seen' : 'not as it should be') : formatQuantity(value, check.kind, set);

/** The sign-off sheet as a PDF: every check, its newest signed result with limit, person and time, or "not signed". */
export async function signOffPdf(job: JobSheet, print: Print): Promise<Buffer> {
  const { doc, finish } = newPaper(`Sign-off sheet ${job.number}`, print);
  const when = (iso: string) => timeText(print, iso);
  const left = doc.page.margins.left;
  const columns = { title: left, value: left + 210, limit: left + 290, who: left + 400 };
  const right = doc.page.width - doc.page.margins.right;

  doc
    .fillColor(INK)
    .font('strong')
    .fontSize(18)
    .text(plain(`Sign-off sheet ${job.number}, ${job.title}`));
  const { vehicle } = job;
  const about = [
    `chassis ${vehicle.chassisNumber}`,
    vehicle.registration,
    `client ${job.client.name}`,
    print.workshop,
  ].filter(Boolean);
  doc
    .font('text')
    .fontSize(9.5)
    .fillColor(SOFT)
    .text(plain(about.join(' · ')))
    .moveDown(0.8);

  const newest = new Map<string, CheckResult>();
  for (const result of job.checks) if (!newest.has(result.checkId)) newest.set(result.checkId, result);

  for (const group of CHECK_GROUPS) {
    const checks = CHECKS.filter((check) => check.group === group);
    if (checks.length === 0) continue;
    if (doc.y > doc.page.height - 130) doc.addPage();
    doc
      .font('strong')
      .fontSize(11.5)
      .fillColor(INK)
      .text(CHECK_GROUP_NAME[group], left, doc.y + 6);
    for (const check of checks) {
      if (doc.y > doc.page.height - 90) doc.addPage();
      const y = doc.y + 3;
      const result = newest.get(check.id);
      doc.font('text').fontSize(9.5).fillColor(INK).text(check.title, columns.title, y, { width: 205 });
      let bottom = doc.y;
      if (result) {
        doc.font('strong').fillColor(result.verdict === 'passed' ? INK : RED);
        doc.text(plain(valueText(check, result.value, print.unitSet)), columns.value, y, { width: 76 });
        bottom = Math.max(bottom, doc.y);
        doc
          .font('text')
          .fillColor(SOFT)
          .text(plain(limitText(check, result, print.unitSet)), columns.limit, y, { width: 106 });
        bottom = Math.max(bottom, doc.y);
        const verdict = result.verdict === 'passed' ? '' : 'FAILED. ';
        doc
          .fillColor(INK)
          .text(plain(`${verdict}${result.by}, ${when(result.at)}`), columns.who, y, { width: right - columns.who });
        bottom = Math.max(bottom, doc.y);
        const design = result.designName ? `design ${result.designName}, version ${result.designVersion}; ` : '';
        const small = `${design}${result.limitSource}${result.note ? `. Note: ${result.note}` : ''}`;
        doc
          .fontSize(7.5)
          .fillColor(SOFT)
          .text(plain(small), columns.title, bottom, { width: right - left });
        bottom = doc.y;
      } else {
        doc.fillColor(SOFT).text('not signed', columns.who, y);
      }
      bottom += 3;
      doc.moveTo(left, bottom).lineTo(right, bottom).lineWidth(0.4).stroke(HAIRLINE);
      doc.y = bottom;
    }
  }
  const signed = CHECKS.filter((check) => newest.get(check.id)?.verdict === 'passed').length;
  doc
    .moveDown(1)
    .font('strong')
    .fontSize(10)
    .fillColor(INK)
    .text(
      `${signed} of ${CHECKS.length} checks signed as passed. Printed ${when(print.printedAt.toISOString())}.`,
      left,
    );
  doc.font('text').fontSize(8.5).fillColor(SOFT);
  doc.text(
    'This sheet records who checked what and when. Local rules on vehicle approval, electrical work and refrigerants come first; this is a working aid, not an approval.',
  );
  return finish();
}
