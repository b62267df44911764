import type { TableCell } from 'pdfmake/interfaces.js';
import type { RegisterRow } from '../../contract/register.ts';
import { standsInTheWay } from '../../core/vehicle/register.ts';
import { dayTimeAndYear } from '../../wording/dates.ts';
import { PART_GOES_NAME, REGISTER_KIND_NAME } from '../../wording/kits.ts';
import { heading, type Print, paper, plain, RED, SOFT, table } from './paper.ts';

export interface WayBackVehicle {
  readonly name: string;
  readonly variantName: string;
  readonly chassisNumber: string;
  readonly registration: string;
  readonly client: string;
}

const HEAD = ['What was done, and where', 'How it is undone', 'Agreed by', 'Entered'];

/** The way-back sheet: everything that was changed on a vehicle, how each is undone, and what cannot be. */
export async function wayBackPdf(
  vehicle: WayBackVehicle,
  entries: readonly RegisterRow[],
  print: Print,
): Promise<Buffer> {
  const standing = entries.filter(({ undoneAt }) => undoneAt === null);
  const inTheWay = standing.filter(standsInTheWay);
  const undone = entries.filter(({ undoneAt }) => undoneAt !== null);
  return paper(
    `Way back, ${vehicle.name}`,
    [
      vehicle.variantName,
      `chassis ${vehicle.chassisNumber}`,
      vehicle.registration,
      `client ${vehicle.client}`,
      print.workshop,
    ],
    [
      {
        text:
          inTheWay.length === 0
            ? 'By this register the vehicle can be put back as it was.'
            : `${inTheWay.length} ${inTheWay.length === 1 ? 'entry stands' : 'entries stand'} in the way of putting it back as it was; marked below.`,
        bold: true,
        fontSize: 10,
        margin: [0, 4, 0, 4],
        ...(inTheWay.length > 0 ? { color: RED } : {}),
      },
      heading('To be undone'),
      standing.length === 0
        ? { text: 'Nothing is on the register.', color: SOFT }
        : table(
            ['*', 170, 78, 92],
            HEAD,
            standing.map((entry) => row(entry, print)),
          ),
      ...(undone.length === 0
        ? []
        : [
            heading('Undone already'),
            table(
              ['*', 170, 78, 92],
              HEAD,
              undone.map((entry) => row(entry, print)),
            ),
          ]),
      {
        text: 'Printed from the register of changes. Local rules on approval and identity of vehicles come first; this is a working aid, not an approval. High voltage kills: before anything of the drive is taken out, licensed people isolate, lock, wait and prove dead.',
        fontSize: 8.5,
        color: SOFT,
        margin: [0, 12, 0, 0],
      },
    ],
    print,
  );
}

function row(entry: RegisterRow, print: Print): TableCell[] {
  const marked = standsInTheWay(entry) ? { color: RED } : {};
  const goes = entry.goes ? `, ${PART_GOES_NAME[entry.goes]}` : '';
  return [
    {
      stack: [
        { text: plain(`${REGISTER_KIND_NAME[entry.kind]}: ${entry.what}${goes}`), ...marked },
        { text: plain(entry.place), fontSize: 7.5, color: SOFT },
      ],
    },
    { text: plain(entry.undoneHow ? `Undone by ${entry.undoneBy}: ${entry.undoneHow}` : entry.undo) },
    { text: plain(entry.agreedBy) },
    {
      text: plain(`${entry.by}, ${dayTimeAndYear(entry.at, print.timeZone)}, ${entry.jobNumber}`),
      fontSize: 7.5,
      color: SOFT,
    },
  ];
}
