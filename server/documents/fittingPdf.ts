import type { Content, TableCell } from 'pdfmake/interfaces.js';
import type { OrderSheet } from '../../contract/orders.ts';
import { type FitterStage, fitterHours, fitterStages } from '../../core/order/fitting.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import { dayTimeAndYear } from '../../wording/dates.ts';
import { FITTER_CAUTION } from '../../wording/orders.ts';
import { limitText } from '../../wording/work.ts';
import { heading, type Print, paper, plain, RED, SOFT, table } from './paper.ts';

/** The fitting sheet of a sent kit: stages, readings with limits, questions, and the signature that came back. */
export async function fittingPdf(order: OrderSheet, print: Print): Promise<Buffer> {
  const stages = fitterStages(order.stages, order.fittedBy, order.done, order.readings);
  const hours = fitterHours(stages);
  return paper(
    `Fitting sheet ${order.number}`,
    [`${order.kitName}, revision ${order.revision}`, order.variantName, order.vehicle, `client ${order.client.name}`],
    [
      {
        text: plain(
          order.sign
            ? `Signed by ${order.sign.by}, ${dayTimeAndYear(order.sign.at, print.timeZone)}, through the fitter’s page.`
            : 'Not signed yet.',
        ),
        bold: true,
        ...(order.sign ? {} : { color: RED }),
      },
      ...(order.sign?.remark ? [{ text: plain(order.sign.remark) }] : []),
      {
        text: plain(`Fitter’s hours: ${formatHours(hours.planned)} planned, ${formatHours(hours.taken)} taken.`),
        color: SOFT,
      },
      ...stages.flatMap((stage) => stageContent(stage, print)),
      ...(order.questions.length === 0
        ? []
        : [
            heading('Questions'),
            table(
              ['*', '*'],
              ['Asked', 'Answer'],
              order.questions.map(({ text, by, answer, answeredBy }) => [
                { text: plain(`${text} (${by})`) },
                { text: plain(answer ? `${answer} (${answeredBy})` : 'no answer yet') },
              ]),
            ),
          ]),
      { text: FITTER_CAUTION, fontSize: 8.5, color: SOFT, margin: [0, 12, 0, 0] },
    ],
    print,
  );
}

function stageContent({ stage, by, done, steps }: FitterStage, print: Print): Content[] {
  const said = done
    ? `${done.by}, ${dayTimeAndYear(done.at, print.timeZone)}${done.hours === null ? '' : `, ${formatHours(done.hours)}`}`
    : by === 'here'
      ? `done at ${print.workshop}`
      : 'not done';
  const measured = steps.filter(({ limit }) => limit !== null);
  return [
    heading(plain(stage.name)),
    { text: plain(said), color: done || by === 'here' ? SOFT : RED, fontSize: 8 },
    ...(measured.length === 0
      ? []
      : [
          table(
            ['*', 90, 70, 110],
            ['Reading', 'Limit', 'Value', 'By'],
            measured.map(({ text, limit, reading, verdict }): TableCell[] => [
              {
                stack: [
                  { text: plain(text) },
                  ...(reading?.allowedWhy
                    ? [
                        {
                          text: plain(`may stand: ${reading.allowedWhy} (${reading.allowedBy})`),
                          fontSize: 7.5,
                          color: SOFT,
                        },
                      ]
                    : []),
                ],
              },
              { text: plain(limitText(limit!, limit!.kind, print.unitSet)) },
              reading
                ? {
                    text: plain(formatQuantity(reading.value, limit!.kind, print.unitSet)),
                    ...(verdict === 'within' ? {} : { color: RED }),
                  }
                : { text: by === 'here' ? '' : 'not read', color: SOFT },
              {
                text: plain(reading ? [reading.by, reading.instrument].filter(Boolean).join(', ') : ''),
                fontSize: 7.5,
                color: SOFT,
              },
            ]),
          ),
        ]),
  ];
}
