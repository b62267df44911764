import { and, eq, sql } from 'drizzle-orm';
import { type NumberRow, numbersAddress, type RecallAnswer } from '../../contract/numbers.ts';
import { toCsv } from '../../wording/csv.ts';
import { ORIGIN_NAME, placeSays } from '../../wording/stores.ts';
import type { StoredJob } from '../change.ts';
import { one } from '../db/one.ts';
import { job, pack, serialItem } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { sendPdf } from '../documents/sendPdf.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { hourCostOf } from '../read/madeGood.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { lockStock, newSerial, notInUse, placeOf, withoutNumber } from '../read/stock.ts';
import { binOf } from './bins.ts';
import { allNumbers, numberPage, numberSheet, numbersInBins } from './numbers.ts';
import { jobsOfPack, lockPack, makePack, movePack, packRows, putInto, takeOutOf } from './packs.ts';
import { recall } from './recall.ts';

const NUMBER_HEAD = [
  ...[
    'Number',
    'What',
    'Batch',
    'Came',
    'Where',
    'Job',
    'Pack',
    'Capacity Ah',
    'Resistance ohm',
    'Graded on',
    'Warranty until',
    'Being refurbished',
  ],
];
const numberCells = (row: NumberRow) => [
  ...[
    row.serial,
    row.component,
    row.batch,
    `${ORIGIN_NAME[row.origin]} ${row.originNote}`.trim(),
    placeSays(row.place),
  ],
  ...[row.forJob, row.pack, row.graded?.capacityAh, row.graded?.resistanceOhm, row.graded?.day, row.warrantyUntil],
  row.beingRefurbished ? 'yes' : '',
];

const RECALL_HEAD = ['Client', 'Contact', 'Vehicle', 'Job', 'Kit order', 'Where', 'What', 'Numbers'];
const recallCells = (row: RecallAnswer['rows'][number]) => [
  ...[row.client, row.contact, row.vehicle, row.jobNumber, row.orderNumber],
  ...[row.where === 'house' ? 'here' : 'with the client', row.component, row.serials.join(' ')],
];

export const numberEndpoints = [
  serve(numbersAddress.page, ({ db, params }) => numberPage(db, Number(params.page), null)),
  serve(numbersAddress.find, ({ db, params }) => numberPage(db, Number(params.page), params.word)),
  serve(numbersAddress.table, async ({ db, res }) =>
    sendCsv(res, 'numbers.csv', toCsv(NUMBER_HEAD, (await allNumbers(db)).map(numberCells))),
  ),
  serve(numbersAddress.one, ({ db, params, workshop }) => numberSheet(db, params.id, hourCostOf(workshop))),
  serve(numbersAddress.label, async ({ db, params, workshop, person, now, press, res }) => {
    const row = await numberSheet(db, params.id, hourCostOf(workshop));
    const label = {
      ...{ title: row.serial, says: row.component, code: row.serial, for: row.forJob ? `for ${row.forJob}` : '' },
      beside: [row.batch && `batch ${row.batch}`, row.graded && `${row.graded.capacityAh} Ah, ${row.graded.day}`]
        .filter(Boolean)
        .join(', '),
    };
    const print = printFor(workshop, person, now());
    const pdf = await press.print({ paper: 'stockLabels', title: `Label ${row.serial}`, labels: [label], print });
    return sendPdf(res, 'label.pdf', pdf);
  }),
  serve(numbersAddress.change, ({ change, params, workshop, body: { version: seen, ...body } }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(serialItem).where(eq(serialItem.id, params.id)).for('update'),
        'number',
      );
      if (stored.version !== seen) throw new Stale(await numberSheet(tx, stored.id, hourCostOf(workshop)));
      const version = stored.version + 1;
      await tx
        .update(serialItem)
        .set({ ...body, version })
        .where(eq(serialItem.id, stored.id));
      await log({ what: `changed what is noted of ${stored.serial}`, resource: 'stock', id: stored.id, after: body });
      return { version };
    }),
  ),
  serve(numbersAddress.inBins, ({ db, params }) => numbersInBins(db, params.component)),
  serve(numbersAddress.give, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      const { name, unitSize } = await lockStock(tx, params.component);
      if (unitSize > 1) throw new RuleBroken(`${name} is kept by length: its pieces carry no numbers.`);
      const bin = await binOf(tx, body.binId);
      const plain = await withoutNumber(tx, params.component, bin.id);
      if (body.serials.length > plain)
        throw new BadInput({ serials: `${plain} of ${name} in ${bin.name} carry no number yet.` });
      for (const serial of body.serials) {
        const [known] = await tx
          .select({ serial: serialItem.serial })
          .from(serialItem)
          .where(
            and(eq(serialItem.componentId, params.component), sql`lower(${serialItem.serial}) = lower(${serial})`),
          );
        if (known) throw new BadInput({ serials: `${known.serial} is in the books already.` });
        await newSerial(tx, {
          ...{ componentId: params.component, serial, batch: body.batch, origin: 'unknown', placeId: bin.id },
        });
      }
      await log({
        what: `numbered ${body.serials.length} of ${name}`,
        resource: 'stock',
        id: params.component,
        after: body,
      });
      return { numbers: body.serials.length };
    }),
  ),
  serve(numbersAddress.recall, ({ db, params }) => recall(db, params.word)),
  serve(numbersAddress.recallTable, async ({ db, params, res }) =>
    sendCsv(res, 'recall.csv', toCsv(RECALL_HEAD, (await recall(db, params.word)).rows.map(recallCells))),
  ),
  serve(numbersAddress.packs, ({ db }) => packRows(db)),
  serve(numbersAddress.makePack, ({ change, body, person, now }) =>
    change(async ({ tx, log }) => {
      const id = await makePack(tx, body, person.id, now());
      await log({
        what: `made pack ${body.name} of ${body.serialIds.length} modules`,
        resource: 'stock',
        id,
        after: body,
      });
      return { id };
    }),
  ),
  serve(numbersAddress.splitPack, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const from = await lockPack(tx, params.id, body.version);
      const { serialIds, intoPackId, newName } = body;
      if (intoPackId === from.id) throw new BadInput({ intoPackId: 'That is the pack they are in.' });
      await takeOutOf(tx, from.id, serialIds, now());
      let into = intoPackId;
      if (intoPackId !== null) {
        const other = one(await tx.select().from(pack).where(eq(pack.id, intoPackId)).for('update'), 'pack');
        if (other.endedAt) throw new BadInput({ intoPackId: `${other.name} was split up.` });
        await putInto(tx, other.id, serialIds, now());
        await tx
          .update(pack)
          .set({ version: other.version + 1 })
          .where(eq(pack.id, other.id));
      } else if (newName !== '') {
        into = await makePack(tx, { name: newName, note: `out of ${from.name}`, serialIds }, person.id, now());
      }
      const what = `took ${serialIds.length} modules out of ${from.name}`;
      await log({ what, resource: 'stock', id: from.id, after: body });
      return { id: into ?? from.id };
    }),
  ),
  serve(numbersAddress.movePack, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      if ((body.binId === null) === (body.jobNumber === null))
        throw new BadInput({ binId: 'Choose where it goes: a bin, or the vehicle of a job.' });
      // Jobs before stock, in one order: the one it goes to, and those that lose what they had of it.
      const toJobId =
        body.jobNumber === null
          ? null
          : one(await tx.select({ id: job.id }).from(job).where(eq(job.number, body.jobNumber)), 'job').id;
      const locked = new Map<string, StoredJob>();
      const having = await jobsOfPack(tx, params.id);
      for (const id of [...new Set(toJobId === null ? having : [...having, toJobId])].sort())
        locked.set(id, await lock({ id }));
      const to = toJobId === null ? null : locked.get(toJobId)!;
      if (to && (to.state === 'handedOver' || to.state === 'cancelled' || to.state === 'enquiry'))
        throw new BadInput({ jobNumber: `Nothing is fitted in ${to.number} now.` });
      const stored = await lockPack(tx, params.id, body.version);
      if (body.binId !== null && (await notInUse(tx, [body.binId])).size > 0)
        throw new BadInput({ binId: 'Choose a bin that is in use.' });
      const toId = to === null ? body.binId! : await placeOf(tx, 'vehicle', to.vehicleId);
      const touched = await movePack(tx, {
        ...{ packId: stored.id, toId, jobId: toJobId, locked: new Set(locked.keys()) },
        ...{ mayTakeOut: person.role === 'manager', byId: person.id, at: now(), why: body.why },
      });
      const what = `moved pack ${stored.name}: ${body.why}`;
      await log({ what, resource: 'stock', id: stored.id, job: to?.number ?? null, after: body });
      for (const number of touched)
        await log({
          what: `${stored.name} left: ${body.why}`,
          resource: 'parts',
          id: stored.id,
          job: number,
          after: body,
        });
      return { version: stored.version + 1 };
    }),
  ),
];
