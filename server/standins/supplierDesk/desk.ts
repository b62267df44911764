import express, { type Express } from 'express';
import { check } from '../../../contract/fields.ts';
import { type DeskMessage, type DeskOrder, deskOrderSchema } from '../../../contract/supplierDesk.ts';
import type { Mood } from './moods.ts';

export interface DeskOptions {
  readonly moods: (number: string) => Mood;
  /** The clock, ms. */
  readonly now: () => number;
  /** The desk hurries: from one word to the next so many ms pass. */
  readonly stepMs: number;
}

interface Known {
  readonly order: DeskOrder;
  readonly mood: Mood;
  readonly since: number;
  readonly messages: readonly { readonly after: number; readonly message: DeskMessage }[];
}

const DAY_MS = 86_400_000;
const TAX = 0.23;
/** Days from order to promise where the buyer wished for no day. */
const USUAL_DAYS = 6;

/**
 * The desk of a supplier that is not there: takes orders, confirms, delays, sends off short or twice, invoices, repeats
 * itself and is away at times, all by the mood of the order. Speaks the contract of contract/supplierDesk.ts. What takes
 * days takes seconds; the days it names are real ones.
 */
export function createDesk({ moods, now, stepMs }: DeskOptions): Express {
  const known = new Map<string, Known>();
  const asked = new Map<string, number>();
  const app = express();
  app.disable('x-powered-by');
  app.use('/orders/:number', (req, res, next) => {
    const { number } = req.params;
    const times = (asked.get(number) ?? 0) + 1;
    asked.set(number, times);
    if (times <= moods(number).away) {
      res.status(503).json({ why: 'Nobody is at the desk.' });
      return;
    }
    next();
  });
  app.put('/orders/:number', express.json({ limit: 400_000 }), (req, res) => {
    const { value: order, problems } = check(deskOrderSchema, req.body);
    if (Object.keys(problems).length > 0 || order.number !== req.params.number) {
      res.status(400).json({ why: Object.values(problems)[0] ?? 'This is another order.' });
      return;
    }
    // The same order put again is the same order.
    if (!known.has(order.number)) {
      const mood = moods(order.number);
      known.set(order.number, { order, mood, since: now(), messages: story(order, mood, now()) });
    }
    res.json({ accepted: true });
  });
  app.get('/orders/:number/messages', (req, res) => {
    const one = known.get(req.params.number);
    if (!one) {
      res.status(404).json({ why: 'There is no such order.' });
      return;
    }
    const passed = (now() - one.since) / stepMs;
    const said = one.messages.filter(({ after }) => after <= passed).map(({ message }) => message);
    res.json({ messages: one.mood.repeats ? [...said, ...said] : said });
  });
  app.use((_req, res) => {
    res.status(404).json({ why: 'There is nothing here.' });
  });
  return app;
}

const isoOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
const later = (iso: string, days: number): string => isoOf(Date.parse(iso) + days * DAY_MS);

/** Everything a desk will say of an order, each with how many steps after it was taken. */
function story(order: DeskOrder, mood: Mood, at: number): Known['messages'] {
  const today = isoOf(at);
  const promisedOn = order.wantedOn !== null && order.wantedOn > today ? order.wantedOn : later(today, USUAL_DAYS);
  const first = order.lines[0]!;
  const note = (n: number) => `${order.number}/${n}`;
  const unit = first.unit === 'mm' ? 1000 : 1;
  const short = Math.min(mood.short * unit, first.quantity - unit);
  const sent = order.lines.map(({ line, quantity }) => ({
    line,
    quantity: line === first.line ? quantity - short : quantity,
  }));
  const invoiced = order.lines.map(({ line, quantity, priceCents }) => ({
    ...{ line, quantity },
    priceCents: line === first.line ? priceCents + mood.asksCents + mood.dearerCents : priceCents,
  }));
  const net = order.lines.reduce((sum, { line, unit: per }, i) => {
    const { quantity, priceCents } = invoiced[i]!;
    return line > 0 ? sum + Math.round((quantity * priceCents) / (per === 'mm' ? 1000 : 1)) : sum;
  }, 0);
  const taxCents = Math.round(net * TAX);
  const messages: { after: number; message: DeskMessage }[] = [
    {
      after: 1,
      message: {
        ...{ key: `${order.number} confirmed`, kind: 'confirmed' },
        lines: order.lines.map(({ line, priceCents }) => ({
          ...{ line, promisedOn },
          priceCents: line === first.line ? priceCents + mood.asksCents : priceCents,
        })),
      },
    },
  ];
  if (mood.delayDays > 0)
    messages.push({
      after: 2,
      message: {
        ...{ key: `${order.number} delayed`, kind: 'delayed', why: 'the maker has sent it late' },
        lines: [{ line: first.line, promisedOn: later(promisedOn, mood.delayDays) }],
      },
    });
  messages.push({
    after: 3,
    message: { key: `${order.number} sent 1`, kind: 'dispatched', note: note(1), arrivesOn: today, lines: sent },
  });
  if (mood.sendsTwice)
    messages.push({
      after: 4,
      message: {
        key: `${order.number} sent again`,
        kind: 'dispatched',
        note: `${note(1)}-B`,
        arrivesOn: today,
        lines: sent,
      },
    });
  if (short > 0)
    messages.push({
      after: 5,
      message: {
        ...{ key: `${order.number} sent 2`, kind: 'dispatched', note: note(2), arrivesOn: today },
        lines: [{ line: first.line, quantity: short }],
      },
    });
  messages.push({
    after: 6,
    message: {
      ...{ key: `${order.number} invoiced`, kind: 'invoiced', number: `R-${order.number}`, day: today },
      ...{ lines: invoiced, taxCents, totalCents: net + taxCents },
    },
  });
  return messages;
}
