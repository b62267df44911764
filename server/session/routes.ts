import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { eq } from 'drizzle-orm';
import express, { type Request, Router } from 'express';
import { invitationAddress } from '../../contract/people.ts';
import {
  type SessionInfo,
  SIGNED_OUT_TOKEN,
  type SignedIn,
  type SignIn,
  sessionAddress,
  signInSchema,
} from '../../contract/session.ts';
import { type Beginning, beginningSchema } from '../../contract/workshop.ts';
import { person } from '../db/schema/index.ts';
import { type House, readBody, serve } from '../endpoint.ts';
import { BadInput, ProblemError } from '../problems.ts';
import { lookAtInvitation, takeInvitation } from '../read/invitations.ts';
import { workshopNow } from '../read/workshop.ts';
import { beginWorkshop } from './begin.ts';
import { visitorById, visitorOf } from './signedIn.ts';

/** Verified against when nobody has the name, so that a wrong name takes as long as a wrong password. */
const NOBODY = '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$ytVp4eSJ5tMzqRcg7YYhbVd5pgMQG5vGQb7sZ3v9m7E';

export function sessionRouter(house: House): Router {
  const { db, transact, config, now, tries } = house;
  const router = Router();

  async function info(who: SignedIn | null, csrfToken = SIGNED_OUT_TOKEN): Promise<SessionInfo> {
    const demoPeople = config.demo
      ? await db.select().from(person).where(eq(person.active, true)).orderBy(person.name)
      : [];
    return {
      person: who,
      csrfToken,
      workshop: await workshopNow(db),
      asksWord: config.beginWord !== null,
      houses: config.houses && { here: config.houses.here, ownBegun: await config.houses.ownBegun() },
      demoSignIns: demoPeople.map((p) => ({ signIn: p.signIn, name: p.name, role: p.role, note: p.demoNote ?? '' })),
      demoPassword: config.demo ? config.demoPassword : null,
    };
  }

  /** Signs a person in: a new id with the new rights, so that one that was planted before is worth nothing. */
  async function signInAs(req: Request, personId: string): Promise<SessionInfo> {
    await new Promise<void>((done, fail) => req.session.regenerate((error) => (error ? fail(error) : done())));
    req.session.personId = personId;
    req.session.csrfToken = randomBytes(24).toString('base64url');
    req.session.since = new Date().toISOString();
    req.session.with = (req.get('User-Agent') ?? '').slice(0, 200);
    return info((await visitorById(db, personId))?.person ?? null, req.session.csrfToken);
  }

  router.get(sessionAddress.now.path, async (req, res) => {
    const who = await visitorOf(db, req);
    res.json(await info(who?.person ?? null, who ? req.session.csrfToken : undefined));
  });

  router.post(
    sessionAddress.signIn.path,
    express.json({ limit: sessionAddress.signIn.size.bytes }),
    async (req, res) => {
      const { signIn, password } = readBody<SignIn>(signInSchema, req.body ?? {}, sessionAddress.signIn.size.bounds);
      const address = req.ip ?? '';
      await tries.count(signIn, address);
      const [found] = await db.select().from(person).where(eq(person.signIn, signIn));
      const right = await verify(found?.passwordHash ?? NOBODY, password).catch(() => false);
      if (!found?.active || !found.passwordHash || !right)
        throw new ProblemError('signInWrong', 'Name and password do not belong together. Try again.');
      await tries.forgive(signIn, address);
      res.json(await signInAs(req, found.id));
    },
  );

  router.post(sessionAddress.begin.path, express.json({ limit: sessionAddress.begin.size.bytes }), async (req, res) => {
    const body = readBody<Beginning>(beginningSchema, req.body ?? {}, sessionAddress.begin.size.bounds);
    const address = req.ip ?? '';
    await tries.count('beginning', address);
    if (config.beginWord !== null && body.word !== config.beginWord)
      throw new BadInput({ word: 'This is not the word that the start has printed.' });
    const personId = await transact((tx) => beginWorkshop(tx, body));
    await tries.forgive('beginning', address);
    res.json(await signInAs(req, personId));
  });

  router.get(invitationAddress.look.path, async (req, res) => {
    res.json(await lookAtInvitation(db, String(req.params.token), now()));
  });

  router.post(
    invitationAddress.take.path,
    express.json({ limit: invitationAddress.take.size.bytes }),
    async (req, res) => {
      const { body: schema, size } = invitationAddress.take;
      const { password } = readBody(schema!, req.body ?? {}, size.bounds);
      const token = String(req.params.token);
      // A link that is no good costs nobody the work of a hash.
      await lookAtInvitation(db, token, now());
      const passwordHash = await hash(password);
      const personId = await transact((tx) => takeInvitation(tx, token, passwordHash, now()));
      res.json(await signInAs(req, personId));
    },
  );

  router.delete(sessionAddress.signOut.path, async (req, res) => {
    await new Promise<void>((done, fail) => req.session.destroy((error) => (error ? fail(error) : done())));
    res.clearCookie(config.cookieName).json(await info(null));
  });

  return router;
}

export const preferenceEndpoints = [
  serve(sessionAddress.prefer, ({ change, person: me, body }) =>
    change(async ({ tx }) => {
      // One person's own choice, shown to nobody else: the newest counts, and it is no event of the workshop.
      await tx.update(person).set({ unitSet: body.unitSet }).where(eq(person.id, me.id));
      return { unitSet: body.unitSet };
    }),
  ),
];
