import { and, eq, sql } from 'drizzle-orm';
import { newPartSchema, partChangeSchema } from '../../contract/parts.ts';
import { type DesignInputs, designComponents } from '../../core/design/inputs.ts';
import { kitParts } from '../../core/kit/kit.ts';
import type { Tx } from '../db/connect.ts';
import { component, design, job, partLine, vehicle } from '../db/schema/index.ts';
import { endpoint } from '../endpoint.ts';
import { jobByNumber } from '../jobs/queries.ts';
import { allComponents, allKitRevisions } from '../library/queries.ts';
import { badInput, notFound, ruleBroken, stale } from '../problems.ts';
import { freeStock, partsOfJob } from './queries.ts';

interface Wanted {
  readonly componentId: string;
  readonly quantity: number;
  readonly from: 'kit' | 'design';
  readonly packedIn: string;
}

/** The job's list: the kit's lines first, then whatever the chosen design names beyond them. */
async function wantedParts(tx: Tx, stored: Awaited<ReturnType<typeof jobByNumber>>): Promise<Wanted[]> {
  const library = new Map((await allComponents(tx)).map((part) => [part.id, part]));
  const [own] = await tx.select({ variantId: vehicle.variantId }).from(vehicle).where(eq(vehicle.id, stored.vehicleId));
  const revision = (await allKitRevisions(tx)).find((candidate) => candidate.id === stored.kitRevisionId);
  const fromKit: Wanted[] = revision
    ? kitParts(revision, library, own?.variantId ?? '', stored.kitOptions).map(
        ({ component: part, quantity, packedIn }) => ({
          componentId: part.id,
          quantity,
          from: 'kit',
          packedIn,
        }),
      )
    : [];
  const [chosen] = stored.chosenDesignId
    ? await tx.select().from(design).where(eq(design.id, stored.chosenDesignId))
    : [];
  const inputs: DesignInputs | null = chosen?.inputs ?? null;
  const inKit = (id: string) =>
    fromKit.filter((line) => line.componentId === id).reduce((sum, line) => sum + line.quantity, 0);
  const beyond = (inputs ? designComponents(inputs) : [])
    .map(({ componentId, quantity }) => ({
      componentId,
      quantity: quantity - inKit(componentId),
      from: 'design' as const,
      packedIn: '',
    }))
    .filter((line) => line.quantity > 0 && library.has(line.componentId));
  return [...fromKit, ...beyond];
}

async function addLine(tx: Tx, jobId: string, wanted: Omit<Wanted, 'from'> & { from: 'kit' | 'design' | 'added' }) {
  const free = await freeStock(tx, wanted.componentId);
  const [row] = await tx
    .insert(partLine)
    .values({ ...wanted, jobId, state: free >= wanted.quantity ? 'inStores' : 'missing' })
    .returning();
  return row!;
}

async function partById(tx: Tx, id: string) {
  const [row] = await tx
    .select({ line: partLine, number: job.number, name: component.name })
    .from(partLine)
    .innerJoin(job, eq(job.id, partLine.jobId))
    .innerJoin(component, eq(component.id, partLine.componentId))
    .where(eq(partLine.id, id));
  if (!row) throw notFound('line of the parts list');
  return row;
}

export const partEndpoints = [
  endpoint({
    method: 'post',
    path: '/jobs/:number/parts/fill',
    may: 'technician',
    answer: ({ change, params }) =>
      change(async ({ tx, log }) => {
        const stored = await jobByNumber(tx, params.number!);
        const wanted = await wantedParts(tx, stored);
        if (wanted.length === 0)
          throw ruleBroken('Take a kit in Match or choose a design in Size first: the list is made from them.');
        const there = await partsOfJob(tx, stored.id);
        const added = [];
        for (const line of wanted) {
          const have = there
            .filter((p) => p.componentId === line.componentId && p.packedIn === line.packedIn)
            .reduce((sum, p) => sum + p.quantity, 0);
          if (line.quantity > have)
            added.push(await addLine(tx, stored.id, { ...line, quantity: line.quantity - have }));
        }
        await log({
          what: 'filled the parts list',
          resource: 'parts',
          id: stored.id,
          job: stored.number,
          after: { added: added.length },
        });
        return { added: added.length };
      }),
  }),
  endpoint({
    method: 'post',
    path: '/jobs/:number/parts',
    may: 'technician',
    body: newPartSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        const stored = await jobByNumber(tx, params.number!);
        const [known] = await tx.select({ id: component.id }).from(component).where(eq(component.id, body.componentId));
        if (!known) throw badInput({ componentId: 'Choose a component from the library.' });
        const row = await addLine(tx, stored.id, { ...body, from: 'added', packedIn: '' });
        await log({ what: 'added a part', resource: 'parts', id: row.id, job: stored.number, after: row });
        return { id: row.id };
      }),
  }),
  endpoint({
    method: 'put',
    path: '/parts/:id',
    may: 'technician',
    body: partChangeSchema,
    answer: ({ change, params, body: { version, fromShelf, ...body }, person, today, now }) =>
      change(async ({ tx, log }) => {
        const { line, number, name } = await partById(tx, params.id!);
        if (line.version !== version) throw stale(line);
        if (line.state === 'fitted' && body.state !== 'fitted' && person.role !== 'manager') {
          throw ruleBroken('A fitted part is taken out again by a manager.');
        }
        if (body.state === 'ordered' && (body.due ?? '') < today && body.due !== line.due) {
          throw badInput({ due: `The due day is in the past: today is ${today}.` });
        }
        if (body.state === 'inStores' && line.state !== 'inStores') {
          // Goods that come in for this line are counted in before the line holds them.
          const free = await freeStock(tx, line.componentId);
          if ((line.state === 'ordered' && !fromShelf) || line.state === 'fitted') {
            await tx
              .update(component)
              .set({ onHand: sql`${component.onHand} + ${line.quantity}` })
              .where(eq(component.id, line.componentId));
          } else if (free < line.quantity) {
            throw ruleBroken(
              `Stores have ${Math.max(0, free)} free of ${name}; this line needs ${line.quantity}. Order it, or take one held for another job.`,
            );
          }
        }
        if (body.state === 'fitted' && line.state !== 'fitted') {
          if (line.state !== 'inStores')
            throw ruleBroken(`${name} is not in stores yet. Book it in before it is fitted.`);
          await tx
            .update(component)
            .set({ onHand: sql`${component.onHand} - ${line.quantity}` })
            .where(eq(component.id, line.componentId));
        }
        const fitted =
          body.state !== 'fitted'
            ? { fittedById: null, fittedAt: null }
            : line.state === 'fitted'
              ? {}
              : { fittedById: person.id, fittedAt: now() };
        const [after] = await tx
          .update(partLine)
          .set({
            ...body,
            due: body.state === 'ordered' ? body.due : null,
            ...fitted,
            version: sql`${partLine.version} + 1`,
          })
          .where(and(eq(partLine.id, line.id), eq(partLine.version, version)))
          .returning();
        if (!after) throw stale((await partById(tx, line.id)).line);
        await log({ what: `${name}: ${body.state}`, resource: 'parts', id: line.id, job: number, before: line, after });
        return { version: after.version };
      }),
  }),
];
