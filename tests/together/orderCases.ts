import type { OrderSheet } from '../../contract/orders.ts';
import { dispatchNeeds } from '../../core/order/dispatch.ts';
import { DISPATCH_NEED_NAME } from '../../wording/orders.ts';
import { putAllOnHand } from '../api/stock.ts';
import type { Visitor } from '../api/workshop.ts';
import { inDays } from '../day.ts';
import type { Case, Ground } from './case.ts';

const word = () => Math.random().toString(36).slice(2).padEnd(31, 'x').slice(0, 31);
const PROMISED = '2099-03-01';

/** Everything that is done to a kit order, fired ten times at once. */
export function orderCases({ pool, sql, ilse, jory }: Ground): Record<string, Case> {
  const partnerId = async () => (await sql("select id from client where name = 'Ferry Yard Conversions'")).rows[0]!.id!;
  const terms = async () => ({
    ...{ clientId: await partnerId(), clientName: '', clientContact: '', revisionId: 'wren-kit-c' },
    ...{ variantId: 'wren-11', options: [], kind: 'sent', fitter: 'partner', partnerId: await partnerId() },
    ...{ vehicle: '', promisedOn: PROMISED, comesOn: null, note: '' },
  });
  const order = async (): Promise<OrderSheet> => {
    await sql("update partner_approval set valid_until = '2099-12-31' where ended_on is null");
    await putAllOnHand(pool(), 200);
    const { body } = await ilse().send('post', '/orders', await terms());
    return (await ilse().get(`/orders/${body.number}`)).body as OrderSheet;
  };
  const onOrder = async (
    path: string,
    body: (own: OrderSheet, i: number) => object,
    who: () => Visitor = ilse,
  ): ReturnType<Case['prepare']> => {
    const own = await order();
    return { path: `/orders/${own.number}${path}`, body: (i) => body(own, i), who: who() };
  };
  const onModules = async (path: string, body: (i: number) => object): ReturnType<Case['prepare']> => {
    const { lines } = await order();
    const modules = lines.find(({ kind }) => kind === 'module')!;
    return { path: `/order-lines/${modules.id}${path}`, body, who: jory() };
  };
  /** A row of a table of the fitter's, put in by hand. */
  const byFitter = async (table: string, columns: string, values: string): Promise<string> => {
    const { id } = await order();
    await sql("update kit_order set state = 'sent' where id = $1", [id]);
    const { rows } = await sql(
      `insert into ${table} (order_id, stage_key, by, ${columns}) values ($1, 'clean', 'Senna', ${values}) returning id`,
      [id],
    );
    return rows[0]!.id!;
  };
  return {
    'post /orders': {
      same: 'all',
      different: 'all',
      prepare: async () => {
        await order();
        const body = await terms();
        return { path: '/orders', body: (i) => ({ ...body, vehicle: `of ${1960 + i}` }) };
      },
    },
    'put /orders/:order': {
      same: 'one',
      different: 'one',
      prepare: () =>
        onOrder('', (own, i) => ({
          ...{ fitter: own.fitter, partnerId: own.partner!.id, vehicle: own.vehicle, promisedOn: own.promisedOn },
          ...{ comesOn: null, fittedBy: {}, jobNumber: null, loanTool: '', loanDue: null, loanBack: null },
          ...{ note: `note ${i}`, version: own.version },
        })),
    },
    'post /orders/:order/cancel': {
      same: 'one',
      different: 'one',
      prepare: () => onOrder('/cancel', ({ version }, i) => ({ why: `reason ${i}`, version })),
    },
    'put /order-lines/:id/count': {
      same: 'all',
      different: 'all',
      prepare: () => onModules('/count', (i) => ({ which: 'first', pieces: i })),
    },
    'put /order-lines/:id/serials': {
      same: 'all',
      different: 'all',
      prepare: () => {
        const run = word();
        return onModules('/serials', (i) => ({ serials: [`${run}-${i}`] }));
      },
    },
    'put /orders/:order/crates': {
      same: 'all',
      different: 'all',
      prepare: () =>
        onOrder('/crates', ({ lines }, i) => ({
          ...{ name: lines[0]!.crate, lengthMm: 1200, widthMm: 800, heightMm: 600, massKg: 300 + i },
        })),
    },
    'put /orders/:order/papers': {
      same: 'all',
      different: 'all',
      prepare: () =>
        onOrder('/papers', (_, i) => ({
          ...{ kind: 'lithium', reference: `UN 3481, ${i}`, givenBy: 'freight agent', day: inDays(-326) },
        })),
    },
    'post /orders/:order/send': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const own = await order();
        // By nobody's word does lithium leave without its papers.
        await ilse().send('put', `/orders/${own.number}/papers`, {
          ...{ kind: 'lithium', reference: 'UN 3481', givenBy: 'freight agent', day: inDays(-326) },
        });
        const missing = dispatchNeeds({ ...own, papers: ['lithium'] }).flatMap(({ need, missing: what }) =>
          what.map((one) => `${DISPATCH_NEED_NAME[need]}: ${one}`),
        );
        const body = (i: number) => ({
          ...{ carrier: `carrier ${i}`, why: 'for this test', version: own.version, missing },
        });
        return { path: `/orders/${own.number}/send`, body, who: ilse() };
      },
    },
    'post /orders/:order/link': {
      same: 'once',
      different: 'all',
      prepare: () => {
        const run = word();
        return onOrder('/link', (_, i) => ({ token: `${run}${i}`, days: 30 }));
      },
    },
    'post /orders/:order/revoke': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const { number } = await order();
        await ilse().send('post', `/orders/${number}/link`, { token: `${word()}0`, days: 30 });
        return { path: `/orders/${number}/revoke`, body: () => ({}) };
      },
    },
    'post /order-readings/:id/allow': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const id = await byFitter('order_reading', 'step, value', '1, 2');
        return { path: `/order-readings/${id}/allow`, body: (i) => ({ why: `reason ${i}` }) };
      },
    },
    'post /order-questions/:id/answer': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        const id = await byFitter('order_question', 'revision_id, text', "'wren-kit-c', 'which side?'");
        return { path: `/order-questions/${id}/answer`, body: (i) => ({ answer: `answer ${i}` }) };
      },
    },
    'post /approvals': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await sql(
          "update partner_approval set ended_on = now(), ended_why = 'for this test' where kit_id = 'fourteen-kit'",
        );
        const clientId = await partnerId();
        return {
          path: '/approvals',
          body: (i) => ({ clientId, kitId: 'fourteen-kit', validUntil: '2099-01-01', note: `note ${i}` }),
        };
      },
    },
    'post /approvals/:id/end': {
      same: 'one',
      different: 'one',
      prepare: async () => {
        await sql(
          "update partner_approval set ended_on = now(), ended_why = 'for this test' where kit_id = 'fell-package'",
        );
        const clientId = await partnerId();
        const { body } = await ilse().send('post', '/approvals', {
          ...{ clientId, kitId: 'fell-package', validUntil: '2099-01-01', note: '' },
        });
        return { path: `/approvals/${body.id}/end`, body: (i) => ({ why: `reason ${i}` }) };
      },
    },
  };
}
