import { hash } from '@node-rs/argon2';
import { BASICS } from '../../contract/basics.ts';
import { type Beginning, USUAL_SETTINGS } from '../../contract/workshop.ts';
import { initialsOf } from '../../wording/initials.ts';
import type { Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import { event, installation, person, workshop } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';
import { lendBasics } from '../read/basics.ts';

/**
 * Begins a workshop in an empty database: its record, its first manager, and the starter catalogues where they are
 * wanted. Of several who begin at once the first has it, the others are told. Answers the manager's id.
 */
export async function beginWorkshop(tx: Tx, { person: first, lend, word: _, ...settings }: Beginning): Promise<string> {
  const [begun] = await tx
    .insert(workshop)
    .values({ ...USUAL_SETTINGS, ...settings, own: Object.keys(settings) as (keyof typeof settings)[] })
    .onConflictDoNothing()
    .returning({ id: workshop.id });
  if (!begun) throw new RuleBroken('A workshop has been begun here already. Sign in to it.');
  await tx.insert(installation).values({ sample: false }).onConflictDoNothing();
  const { id } = made(
    await tx
      .insert(person)
      .values({
        signIn: first.signIn,
        name: first.name,
        initials: initialsOf(first.name),
        role: 'manager',
        unitSet: settings.unitSet,
        passwordHash: await hash(first.password),
      })
      .returning({ id: person.id }),
  );
  if (lend) await lendBasics(tx, BASICS);
  await tx.insert(event).values({
    personId: id,
    what: `began ${settings.name}`,
    resource: 'workshop',
    resourceId: '1',
    after: settings,
  });
  return id;
}
