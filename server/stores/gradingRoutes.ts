import { and, eq, inArray, sql } from 'drizzle-orm';
import { gradingAddress, type ModuleLine } from '../../contract/grading.ts';
import { partMove } from '../../core/stores/partMove.ts';
import { type GradingOfNumber, gradingTable } from '../../wording/storesTables.ts';
import { made, one } from '../db/one.ts';
import { component, file, grading, partLine, serialItem, stockPlace } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { lockStock } from '../read/stock.ts';

export const gradingEndpoints = [
  serve(gradingAddress.add, ({ change, params, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const item = one(
        await tx.select().from(serialItem).where(eq(serialItem.id, params.id)).for('no key update'),
        'number',
      );
      const { kind } = one(
        await tx.select({ kind: component.kind }).from(component).where(eq(component.id, item.componentId)),
        'component',
      );
      if (kind !== 'module') throw new RuleBroken(`${item.serial} is no module: only modules are graded.`);
      if (body.day > today) throw new BadInput({ day: `This day is still to come: today is ${today}.` });
      if (body.logFileId) {
        const [paper] = await tx
          .select({ id: file.id })
          .from(file)
          .where(and(eq(file.id, body.logFileId), eq(file.about, 'number'), eq(file.aboutId, item.id)));
        if (!paper) throw new BadInput({ logFileId: 'This log is not one of this module.' });
      }
      const { id } = made(
        await tx
          .insert(grading)
          .values({ ...body, serialId: item.id, byId: person.id, at: now() })
          .returning(),
      );
      await log({ what: `graded ${item.serial}: ${body.capacityAh} Ah`, resource: 'stock', id: item.id, after: body });
      return { id };
    }),
  ),
  serve(gradingAddress.table, async ({ db, res }) => {
    const { rows } = await db.execute<GradingOfNumber & Record<string, unknown>>(sql`
      select s.serial, c.name as component, s.batch, g.day::text as day, g.capacity_ah as "capacityAh", g.energy_wh as "energyWh",
        g.resistance_ohm as "resistanceOhm", g.temperature_c as "temperatureC", g.current_a as "currentA", g.from_v as "fromV",
        g.to_v as "toV", g.method, coalesce(w.name, '') as by
      from grading g join serial_item s on s.id = g.serial_id join component c on c.id = s.component_id
        left join person w on w.id = g.by_id order by g.day desc, s.serial, g.at desc`);
    return sendCsv(res, 'gradings.csv', gradingTable(rows));
  }),
  serve(gradingAddress.lines, async ({ db }) => {
    const { rows } = await db.execute<ModuleLine & Record<string, unknown>>(sql`
      select l.id as "lineId", j.number as "jobNumber", v.name as "jobTitle", c.id as "componentId", c.name as component,
        l.quantity, l.state, l.version
      from part_line l join job j on j.id = l.job_id join vehicle v on v.id = j.vehicle_id join component c on c.id = l.component_id
      where c.kind = 'module' and l.state in ('missing', 'ordered', 'inStores') and j.state not in ('handedOver', 'cancelled')
      order by j.promised nulls last, j.number, c.name`);
    return rows;
  }),
  serve(gradingAddress.hold, ({ change, body }) =>
    change(async ({ tx, log, job: lock }) => {
      const { jobId } = one(
        await tx.select({ jobId: partLine.jobId }).from(partLine).where(eq(partLine.id, body.lineId)),
        'line of a parts list',
      );
      const { number } = await lock({ id: jobId });
      const line = one(await tx.select().from(partLine).where(eq(partLine.id, body.lineId)), 'line of a parts list');
      if (line.version !== body.version) throw new Stale(line);
      const { name } = await lockStock(tx, line.componentId);
      if (line.state === 'picked' || line.state === 'fitted')
        throw new RuleBroken(`${number} has its modules already. Take them out there first.`);
      if (body.serialIds.length !== line.quantity)
        throw new BadInput({
          serialIds: `${number} wants ${line.quantity} of ${name}; these are ${body.serialIds.length}.`,
        });
      const items = await tx
        .select({
          id: serialItem.id,
          serial: serialItem.serial,
          componentId: serialItem.componentId,
          partLineId: serialItem.partLineId,
          place: stockPlace.kind,
        })
        .from(serialItem)
        .leftJoin(stockPlace, eq(stockPlace.id, serialItem.placeId))
        .where(inArray(serialItem.id, [...body.serialIds]))
        .for('update', { of: serialItem });
      for (const item of items) {
        if (item.componentId !== line.componentId) throw new BadInput({ serialIds: `${item.serial} is no ${name}.` });
        if (item.place !== 'bin') throw new BadInput({ serialIds: `${item.serial} is not in a bin any more.` });
        if (item.partLineId && item.partLineId !== line.id)
          throw new BadInput({ serialIds: `${item.serial} is held for another job.` });
      }
      if (items.length < body.serialIds.length)
        throw new BadInput({ serialIds: 'One of these modules is not there any more.' });
      const free = await freeStockLocked(tx, line.componentId);
      const move = partMove({
        ...{ from: line.state, to: 'inStores', quantity: line.quantity, free, fromShelf: true },
        ...{ due: null, dueBefore: null, today: '', mayTakeOut: false },
      });
      if ('problem' in move)
        throw new RuleBroken(`Stores have ${Math.max(0, free)} free of ${name}; ${line.quantity} are wanted.`);
      await tx.update(serialItem).set({ partLineId: null }).where(eq(serialItem.partLineId, line.id));
      await tx
        .update(serialItem)
        .set({ partLineId: line.id })
        .where(inArray(serialItem.id, [...body.serialIds]));
      await tx
        .update(partLine)
        .set({ state: 'inStores', due: null, purchaseLineId: null, version: line.version + 1 })
        .where(eq(partLine.id, line.id));
      const what = `held ${line.quantity} graded ${name} for ${number}`;
      await log({ what, resource: 'stock', id: line.id, job: number, after: body });
      return { held: line.quantity };
    }),
  ),
];
