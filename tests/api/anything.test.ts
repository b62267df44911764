import fc from 'fast-check';
import request from 'supertest';
import { beforeAll, describe, expect, test } from 'vitest';
import type { SessionInfo } from '../../contract/session.ts';
import { ENDPOINTS } from '../../server/endpoints.ts';
import { inDays } from '../day.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
let number = '';
const ids: Record<string, string> = {};

beforeAll(async () => {
  ilse = await shop.visitor('ilse');
  const job = await ilse.job('Bakery van');
  number = job.number;
  ids.brief = job.brief[0]!.id;
  ids.designs = job.designs[0]!.id;
  ids.parts = job.parts[0]!.id;
  ids.stages = job.stages[5]!.id;
  ids.steps = job.stages[5]!.steps[0]!.id;
  ids.snags = job.snags[0]!.id;
});

/** The address with real parts, so that a random body gets as far as it can. */
const addressOf = (path: string) => path.replace(':number', number).replace(':id', ids[path.split('/')[1] ?? ''] ?? '');

/** Names the schemas know, so that random bodies are nearly right now and then. */
const NAMES = [
  'version',
  'kind',
  'amount',
  'firm',
  'text',
  'value',
  'state',
  'due',
  'name',
  'inputs',
  'use',
  'reason',
  'checkId',
  'cause',
  'school',
  'tolerance',
  'done',
  'figure',
  'source',
  'revisionId',
  'options',
  'designId',
  'function',
  'way',
  'why',
  'quantity',
  'componentId',
  'serial',
  'note',
];
const leaf = fc.oneof(
  fc.string(),
  fc.integer(),
  fc.double(),
  fc.boolean(),
  fc.constant(null),
  fc.constantFrom(
    'rangeRound',
    'work',
    'rework',
    'fitted',
    'ordered',
    'clearance',
    'wren-kit-c',
    'module-n6',
    inDays(27),
    'measured',
    'wheelbase',
    '\u0000',
    '\ud800',
    "'; drop table job; --",
    1e308,
    -0,
    2 ** 53,
  ),
);
const bodies = fc.oneof(
  { weight: 3, arbitrary: fc.dictionary(fc.constantFrom(...NAMES), leaf) },
  {
    weight: 2,
    arbitrary: fc.dictionary(
      fc.constantFrom(...NAMES),
      fc.oneof(leaf, fc.array(leaf, { maxLength: 4 }), fc.dictionary(fc.constantFrom(...NAMES), leaf)),
    ),
  },
  { weight: 1, arbitrary: fc.oneof(fc.array(leaf), fc.object()) },
);

describe('nothing a client sends makes a 500', () => {
  test('there are routes to try', () => expect(ENDPOINTS.length).toBeGreaterThan(20));
  for (const { method, path } of ENDPOINTS) {
    test(`${method} ${path}`, async () => {
      await fc.assert(
        fc.asyncProperty(bodies, async (body) => {
          const address = addressOf(path);
          const answer = method === 'get' ? await ilse.get(address) : await ilse.send(method, address, body as object);
          expect(answer.status, JSON.stringify({ body, answer: answer.body })).toBeLessThan(500);
          if (answer.status >= 400) expect(answer.body.detail.length).toBeGreaterThan(5);
        }),
        { numRuns: method === 'get' ? 3 : 25 },
      );
    });
    test(`${method} ${path} with addresses that are none`, async () => {
      for (const wrong of ['x', '%00', '99-999', '00000000-0000-0000-0000-000000000000', '..%2f..', "1' or '1'='1"]) {
        const address = path.replace(/:number|:id/, wrong);
        const answer = method === 'get' ? await ilse.get(address) : await ilse.send(method, address, {});
        expect(answer.status, address).toBeLessThan(500);
      }
    });
  }
});

describe('bodies that are no bodies', () => {
  const raw = async (content: string, type = 'application/json') => {
    const agent = request.agent(shop.app());
    const { csrfToken } = (await agent.get('/api/session')).body as SessionInfo;
    return agent.post('/api/session').set('X-CSRF-Token', csrfToken).set('Content-Type', type).send(content);
  };
  test('5 MB is too large, and says so', async () => {
    const answer = await raw(JSON.stringify({ signIn: 'x'.repeat(5_000_000), password: '' }));
    expect(answer.status).toBe(413);
    expect(answer.body.detail).toContain('more than Dajo takes');
  });
  test.each(['{', 'null', '"text"', '[]', '{"signIn":', '\u0000'])('%j is answered with a 400', async (content) => {
    const answer = await raw(content);
    expect(answer.status).toBe(400);
    expect(answer.body.detail.length).toBeGreaterThan(5);
  });
  test('another content type and an unknown charset', async () => {
    expect((await raw('<a/>', 'text/xml')).status).toBe(400);
    expect((await raw('{}', 'application/json; charset=klingon')).status).toBeLessThan(500);
  });
  test('unknown addresses are 404 with a problem document', async () => {
    const answer = await ilse.get('/nothing/here');
    expect(answer.status).toBe(404);
    expect(answer.body.type).toBe('/problems/notFound');
  });
});
