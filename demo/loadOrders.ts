import { and, eq, isNull } from 'drizzle-orm';
import { kitParts, kitStages } from '../core/kit/kit.ts';
import { usualFittedBy, wantsSerials } from '../core/order/order.ts';
import { pickList } from '../core/order/packing.ts';
import type { Tx } from '../server/db/connect.ts';
import * as t from '../server/db/schema/index.ts';
import { freeStockLocked } from '../server/read/freeStock.ts';
import { allKitRevisions } from '../server/read/kitRevisions.ts';
import { componentsAtHand } from '../server/read/library.ts';
import { dayFrom } from './dayFrom.ts';
import type { OpenStock } from './stock.ts';

const DAY_MS = 86_400_000;

/** Kits that go out: one being packed, one at a far shop with a question, one signed back. */
export async function loadOrders(tx: Tx, now: Date, open: OpenStock): Promise<void> {
  const people = new Map((await tx.select().from(t.person)).map((one) => [one.signIn, one.id]));
  const [ilse, jory, mabel] = ['ilse', 'jory', 'mabel'].map((name) => people.get(name)!) as [string, string, string];
  const ago = (days: number) => new Date(now.getTime() - days * DAY_MS);
  const clients = await tx
    .insert(t.client)
    .values([
      { name: 'Ferry Yard Conversions', contact: 'workshop@ferryyard.example' },
      { name: 'Round Bay Grocers', contact: '+00 555 0177' },
    ])
    .returning();
  const [yard, grocers] = clients.map(({ id }) => id) as [string, string];
  await tx.insert(t.partnerApproval).values([
    {
      ...{ clientId: yard, kitId: 'wren-kit', validUntil: dayFrom(now, 240), byId: ilse, at: ago(120) },
      note: 'fitted two here, with Jory',
    },
    { ...{ clientId: yard, kitId: 'lantern-kit', validUntil: dayFrom(now, 240), byId: ilse, at: ago(120) } },
  ]);
  const library = new Map((await componentsAtHand(tx)).components.map((part) => [part.id, part]));
  const revisions = await allKitRevisions(tx);
  const year = `K${String(now.getUTCFullYear()).slice(2)}-`;

  /** An order with its pick list; answers what was made. */
  async function order(
    number: string,
    revisionId: string,
    variantId: string,
    more: Partial<typeof t.kitOrder.$inferInsert> & Pick<typeof t.kitOrder.$inferInsert, 'clientId' | 'promisedOn'>,
  ) {
    const revision = revisions.find(({ id }) => id === revisionId)!;
    const options = more.options ?? [];
    const stages = kitStages(revision, variantId, options);
    const [row] = await tx
      .insert(t.kitOrder)
      .values({
        ...{ number: `${year}${number}`, revisionId, variantId, options, kind: 'sent', fitter: 'client', fittedBy: {} },
        ...{ byId: ilse, orderedAt: ago(40) },
        ...more,
      })
      .returning();
    const lines = await tx
      .insert(t.orderLine)
      .values(
        pickList(kitParts(revision, library, variantId, options)).map((pick, position) => ({
          ...{ ...pick, position, orderId: row!.id },
        })),
      )
      .returning();
    return { order: row!, lines, stages };
  }
  type Made = Awaited<ReturnType<typeof order>>;

  /** Numbers in a bin that no job holds. */
  const freeNumbers = async (componentId: string, most: number) =>
    (
      await tx
        .select({ serial: t.serialItem.serial })
        .from(t.serialItem)
        .innerJoin(t.stockPlace, eq(t.stockPlace.id, t.serialItem.placeId))
        .where(
          and(eq(t.serialItem.componentId, componentId), eq(t.stockPlace.kind, 'bin'), isNull(t.serialItem.partLineId)),
        )
        .orderBy(t.serialItem.serial)
        .limit(most)
    ).map(({ serial }) => serial);

  /** Counts a line twice, with numbers where it carries them. */
  async function count({ order: { number } }: Made, line: Made['lines'][number], days: number, twice = true) {
    await tx
      .update(t.orderLine)
      .set({
        ...{ firstPieces: line.pieces, firstById: jory, firstAt: ago(days) },
        ...(twice ? { secondPieces: line.pieces, secondById: mabel, secondAt: ago(days) } : {}),
      })
      .where(eq(t.orderLine.id, line.id));
    const part = library.get(line.componentId)!;
    if (!wantsSerials(part.kind)) return;
    const own = Array.from(
      { length: line.pieces },
      (_, i) => `${number.slice(-3)}-${part.id.slice(0, 3).toUpperCase()}-${String(i + 1).padStart(2, '0')}`,
    );
    const serials = twice && number.endsWith('3') ? await freeNumbers(part.id, line.pieces) : own;
    if (!twice || serials.length < line.pieces) return;
    await tx
      .insert(t.orderSerial)
      .values(serials.map((serial) => ({ ...{ lineId: line.id, componentId: line.componentId }, serial })));
  }

  /** Everything in, and away. */
  async function send(made: Made, days: number) {
    for (const line of made.lines) await count(made, line, days + 1);
    const loads = new Map<string, number>();
    for (const { crate, componentId, pieces } of made.lines)
      loads.set(crate, (loads.get(crate) ?? 0) + (library.get(componentId)?.massKg ?? 0) * pieces);
    await tx.insert(t.orderCrate).values(
      [...loads].map(([name, massKg]) => ({
        ...{ orderId: made.order.id, name },
        ...(massKg > 5
          ? { lengthMm: 1200, widthMm: 800, heightMm: 620, massKg: Math.round(massKg + 18) }
          : { lengthMm: 400, widthMm: 300, heightMm: 100, massKg: Math.round((massKg + 1.5) * 10) / 10 }),
      })),
    );
    await tx.insert(t.orderPaper).values([
      {
        ...{ orderId: made.order.id, kind: 'lithium', reference: `UN 3481, note ${made.order.number}`, byId: ilse },
        ...{ givenBy: 'freight agent of the harbour', day: dayFrom(now, -days - 1), at: ago(days + 1) },
      },
      {
        ...{ orderId: made.order.id, kind: 'instructions', reference: 'binder and film', byId: jory },
        ...{ givenBy: 'Jory Opie', day: dayFrom(now, -days - 1), at: ago(days + 1) },
      },
      {
        ...{ orderId: made.order.id, kind: 'notIncluded', reference: 'sheet in crate 1', byId: jory },
        ...{ givenBy: 'Jory Opie', day: dayFrom(now, -days - 1), at: ago(days + 1) },
      },
    ]);
    await tx.insert(t.orderDispatch).values({
      ...{ orderId: made.order.id, carrier: 'Island freight, ferry of the morning', missing: [], byId: jory },
      at: ago(days),
    });
    for (const { id, componentId, pieces } of made.lines) {
      const packed = await tx.select().from(t.orderSerial).where(eq(t.orderSerial.lineId, id));
      const { kind } = library.get(componentId)!;
      const serials = packed.map(({ serial }) => serial);
      const to = { kind: 'client', of: made.order.clientId } as const;
      await open({ componentId, kind, quantity: pieces, to, serials, at: ago(days) });
    }
    await tx.update(t.kitOrder).set({ state: 'sent', version: 2 }).where(eq(t.kitOrder.id, made.order.id));
  }

  /** Stages done by a fitter, each reading in the middle of its limits. */
  async function fitStages(made: Made, keys: readonly string[], by: string, from: number) {
    for (const [i, key] of keys.entries()) {
      const stage = made.stages.find((one) => one.key === key)!;
      const measured = stage.steps.flatMap(({ limit }, step) => (limit ? [{ step, limit }] : []));
      if (measured.length > 0)
        await tx.insert(t.orderReading).values(
          measured.map(({ step, limit: { min, max } }) => ({
            ...{ orderId: made.order.id, stageKey: key, step, by, at: ago(from - i / 8) },
            value: min !== null && max !== null ? (min + max) / 2 : (min ?? max! / 2),
            instrument: 'own, calibrated in spring',
          })),
        );
      await tx.insert(t.orderStage).values({
        ...{ orderId: made.order.id, stageKey: key, by, at: ago(from - i / 8) },
        hours: Math.round(stage.hours * 11) / 10,
      });
    }
  }

  const back = await order('001', 'lantern-kit-a', 'lantern-rows', {
    ...{ clientId: yard, partnerId: yard, fitter: 'partner', promisedOn: dayFrom(now, -45) },
    ...{ vehicle: 'of 1969, in their yard', loanTool: '', orderedAt: ago(70) },
  });
  await send(back, 46);
  await fitStages(
    back,
    back.stages.map(({ key }) => key),
    'Senna Rowe',
    22,
  );
  await tx.insert(t.orderSign).values({
    ...{ orderId: back.order.id, by: 'Senna Rowe', address: '192.0.2.14', at: ago(18) },
    remark: 'The rear seat bracket wants a longer bolt.',
  });
  await tx.update(t.kitOrder).set({ state: 'signed', version: 3 }).where(eq(t.kitOrder.id, back.order.id));

  const away = await order('002', 'wren-kit-c', 'wren-11', {
    ...{ clientId: grocers, partnerId: yard, fitter: 'partner', promisedOn: dayFrom(now, -6) },
    ...{ vehicle: 'of 1972, at the Ferry Yard', loanTool: 'Crimp tool, 16 to 70 mm²', loanDue: dayFrom(now, 30) },
  });
  await send(away, 7);
  await fitStages(away, ['receive', 'strip', 'clean', 'run-looms'], 'Senna Rowe', 4);
  const front = away.stages.find(({ key }) => key === 'front-box')!;
  await tx.insert(t.orderReading).values({
    ...{ orderId: away.order.id, stageKey: 'front-box', by: 'Senna Rowe', at: ago(1), instrument: 'torque wrench' },
    ...{ step: front.steps.findIndex(({ limit }) => limit !== null), value: 39 },
  });
  await tx.insert(t.orderQuestion).values([
    {
      ...{ orderId: away.order.id, revisionId: 'wren-kit-c', stageKey: 'front-box', by: 'Senna Rowe', at: ago(1) },
      text: 'Two of the four studs stop at 39 N·m and creep. Helicoil them, or new studs?',
    },
    {
      ...{ orderId: away.order.id, revisionId: 'wren-kit-c', stageKey: 'run-looms', by: 'Senna Rowe', at: ago(3) },
      ...{ text: 'Which side of the tunnel do the orange cables take?', answer: 'Left, away from the brake pipe.' },
      ...{ answeredById: jory, answeredAt: ago(3) },
    },
  ]);

  const packing = await order('003', 'wren-kit-c', 'wren-11', {
    ...{ clientId: grocers, kind: 'sentThenHere', promisedOn: dayFrom(now, 5), comesOn: dayFrom(now, 33) },
    ...{ vehicle: 'of 1970, their second van', note: 'they do mechanical work themselves', orderedAt: ago(12) },
  });
  await tx
    .update(t.kitOrder)
    .set({ fittedBy: usualFittedBy(packing.stages) })
    .where(eq(t.kitOrder.id, packing.order.id));
  for (const [i, line] of packing.lines.entries())
    if (i < 8 && (await freeStockLocked(tx, line.componentId)) >= line.pieces) await count(packing, line, 1, i < 5);
}
