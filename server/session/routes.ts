import { randomBytes } from 'node:crypto';
import { verify } from '@node-rs/argon2';
import { eq } from 'drizzle-orm';
import { type Request, Router } from 'express';
import rateLimit, { ipKeyGenerator } from 'express-rate-limit';
import { check } from '../../contract/fields.ts';
import { preferencesSchema, type SessionInfo, type SignIn, signInSchema } from '../../contract/session.ts';
import { person } from '../db/schema/index.ts';
import { endpoint, type House } from '../endpoint.ts';
import { badInput, ProblemError } from '../problems.ts';
import { signedInPerson } from './signedIn.ts';

/** Verified against when nobody has the name, so that a wrong name takes as long as a wrong password. */
const NOBODY = '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$ytVp4eSJ5tMzqRcg7YYhbVd5pgMQG5vGQb7sZ3v9m7E';

export function sessionRouter(house: House): Router {
  const { db, config } = house;
  const router = Router();

  async function info(req: Parameters<typeof signedInPerson>[1]): Promise<SessionInfo> {
    req.session.csrfToken ??= randomBytes(24).toString('base64url');
    const demoPeople = config.demo
      ? await db.select().from(person).where(eq(person.active, true)).orderBy(person.name)
      : [];
    return {
      person: await signedInPerson(db, req),
      csrfToken: req.session.csrfToken,
      workshop: {
        name: config.workshopName,
        timeZone: config.timeZone,
        rateCents: config.rateCents,
        hoursPerDay: config.hoursPerDay,
      },
      demoSignIns: demoPeople.map((p) => ({ signIn: p.signIn, name: p.name, role: p.role, note: p.demoNote ?? '' })),
      demoPassword: config.demo ? config.demoPassword : null,
    };
  }

  /** Wrong tries count by address and name, so that one person's slips lock out nobody else, and by address overall. */
  const limiter = (limit: number, keyGenerator: (req: Request) => string) =>
    rateLimit({
      windowMs: 5 * 60_000,
      limit,
      keyGenerator,
      skipSuccessfulRequests: true,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: () => {
        throw new ProblemError('tooManyTries', 'Too many tries. Wait five minutes, then try again.');
      },
    });
  const address = (req: Request) => ipKeyGenerator(req.ip ?? '');
  const nameOf = (req: Request) =>
    String((req.body as { signIn?: unknown } | undefined)?.signIn)
      .slice(0, 80)
      .trim()
      .toLowerCase();
  const byName = limiter(config.signInTries, (req) => `${address(req)} ${nameOf(req)}`);
  const byAddress = limiter(config.signInTries * 10, address);

  router.get('/session', async (req, res) => {
    res.json(await info(req));
  });

  router.post('/session', byAddress, byName, async (req, res) => {
    const { value, problems } = check<SignIn>(signInSchema, req.body ?? {});
    if (Object.keys(problems).length > 0) throw badInput(problems);
    const [found] = await db.select().from(person).where(eq(person.signIn, value.signIn));
    const right = await verify(found?.passwordHash ?? NOBODY, value.password).catch(() => false);
    if (!found?.active || !right)
      throw new ProblemError('signInWrong', 'Name and password do not belong together. Try again.');
    await new Promise<void>((done, fail) => req.session.regenerate((error) => (error ? fail(error) : done())));
    req.session.personId = found.id;
    res.json(await info(req));
  });

  router.delete('/session', async (req, res) => {
    await new Promise<void>((done, fail) => req.session.regenerate((error) => (error ? fail(error) : done())));
    res.json(await info(req));
  });

  return router;
}

export const preferenceEndpoints = [
  endpoint({
    method: 'put',
    path: '/preferences',
    may: 'viewer',
    body: preferencesSchema,
    answer: async ({ db, person: me, body }) => {
      await db.update(person).set({ unitSet: body.unitSet }).where(eq(person.id, me.id));
      return { unitSet: body.unitSet };
    },
  }),
];
