import { randomBytes } from 'node:crypto';
import { verify } from '@node-rs/argon2';
import { eq } from 'drizzle-orm';
import express, { Router } from 'express';
import {
  type SessionInfo,
  SIGNED_OUT_TOKEN,
  type SignedIn,
  type SignIn,
  sessionAddress,
  signInSchema,
} from '../../contract/session.ts';
import { person } from '../db/schema/index.ts';
import { type House, readBody, serve } from '../endpoint.ts';
import { ProblemError } from '../problems.ts';
import { personById, signedInPerson } from './signedIn.ts';
import type { Tries } from './tries.ts';

/** Verified against when nobody has the name, so that a wrong name takes as long as a wrong password. */
const NOBODY = '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$ytVp4eSJ5tMzqRcg7YYhbVd5pgMQG5vGQb7sZ3v9m7E';

export function sessionRouter(house: House, tries: Tries): Router {
  const { db, config } = house;
  const router = Router();

  async function info(who: SignedIn | null, csrfToken = SIGNED_OUT_TOKEN): Promise<SessionInfo> {
    const demoPeople = config.demo
      ? await db.select().from(person).where(eq(person.active, true)).orderBy(person.name)
      : [];
    return {
      person: who,
      csrfToken,
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

  router.get(sessionAddress.now.path, async (req, res) => {
    const who = await signedInPerson(db, req);
    res.json(await info(who, who ? req.session.csrfToken : undefined));
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
      if (!found?.active || !right)
        throw new ProblemError('signInWrong', 'Name and password do not belong together. Try again.');
      await tries.forgive(signIn, address);
      // A new id with the new rights, so that one that was planted before is worth nothing.
      await new Promise<void>((done, fail) => req.session.regenerate((error) => (error ? fail(error) : done())));
      req.session.personId = found.id;
      req.session.csrfToken = randomBytes(24).toString('base64url');
      res.json(await info(await personById(db, found.id), req.session.csrfToken));
    },
  );

  router.delete(sessionAddress.signOut.path, async (req, res) => {
    await new Promise<void>((done, fail) => req.session.destroy((error) => (error ? fail(error) : done())));
    res.clearCookie('dajo').json(await info(null));
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
