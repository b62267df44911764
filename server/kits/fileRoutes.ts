import { eq, inArray, sql } from 'drizzle-orm';
import { KIT_FILE, type KitFile, kitFileAddress } from '../../contract/kitFile.ts';
import type { KitContent } from '../../core/kit/kit.ts';
import { rootOf } from '../../core/vehicle/revisions.ts';
import { formOf } from '../../wording/tableVerdict.ts';
import type { Tx } from '../db/connect.ts';
import { component, kit, kitRevision, variant } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, NotFound } from '../problems.ts';
import { addComponent, lockCatalogue } from '../read/catalogue.ts';
import { libraryOf } from '../read/components.ts';
import { freeId } from '../read/freeId.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';
import { namedVariants } from '../read/variants.ts';
import { putLines } from './store.ts';

export const kitFileEndpoints = [
  serve(kitFileAddress.out, async ({ db, params, res }) => {
    const revision = await kitRevisionOf(db, params.revision);
    if (!revision) throw new NotFound('kit revision');
    const variants = (await namedVariants(db)).flatMap((one) =>
      one.modelName === revision.modelName ? [{ ...one, id: rootOf(one.id) }] : [],
    );
    const { lines, options, layout, torqueCapNm, gear, cover, exclusions, stages } = revision;
    const used = [...new Set(lines.map(({ componentId }) => componentId))];
    const library = await libraryOf(db, used);
    const file: KitFile = {
      ...KIT_FILE,
      name: revision.kitName,
      revision: revision.revision,
      model: [variants[0]?.makerName, revision.modelName].filter(Boolean).join(' '),
      variants: variants.map(({ id, name }) => ({ id, name })),
      note: '',
      content: { lines, options, layout, torqueCapNm, gear, cover, exclusions, stages },
      // Alternatives name other parts of this catalogue: they mean nothing elsewhere.
      components: used.flatMap((id) => {
        const part = library.get(id);
        return part ? [{ id, component: { ...formOf(part), alternatives: [] } }] : [];
      }),
    };
    res
      .type('application/json')
      .setHeader('Content-Disposition', `attachment; filename="${revision.id}.json"`)
      .send(`${JSON.stringify(file, null, 2)}\n`);
    return undefined;
  }),
  serve(kitFileAddress.takeIn, ({ change, body, person, now }) =>
    change(async ({ tx, log }) => {
      const { file, own } = body;
      await lockCatalogue(tx);
      await tx.execute(sql`select pg_advisory_xact_lock(4417032)`);
      const [same] = await tx.select().from(kit).where(sql`lower(${kit.name}) = lower(${body.name})`);
      if (same) throw new BadInput({ name: 'There is a kit of this name.' });
      const [of] = await tx.select({ modelId: variant.modelId }).from(variant).where(eq(variant.id, body.variantId));
      if (!of) throw new BadInput({ variantId: 'There is no such model.' });
      const idOf = await ownIds(tx, file, own);
      const kitId = await freeId(body.name, async (id) => (await tx.$count(kit, eq(kit.id, id))) > 0);
      const revision = `${kitId}-a`;
      const { lines, ...content } = translated(file.content, idOf.ids);
      await tx.insert(kit).values({ id: kitId, name: body.name, modelId: of.modelId });
      await tx.insert(kitRevision).values({
        ...{ id: revision, kitId, revision: 'A', state: 'draft', body: content },
        ...{ note: `taken in from a file: ${file.name} ${file.revision}`, changedById: person.id, changedAt: now() },
      });
      await putLines(tx, revision, lines);
      await log({
        what: `took in the kit ${body.name} from a file, ${idOf.added} components with it`,
        resource: 'kit',
        id: revision,
        after: { name: file.name, revision: file.revision, own, added: idOf.added },
      });
      return { kit: kitId, revision, added: idOf.added };
    }),
  ),
];

/** The own id of every component of the file: one a person named, or a new one in the catalogue. */
async function ownIds(tx: Tx, file: KitFile, own: Readonly<Record<string, string>>) {
  const named = [...new Set(Object.values(own))];
  const known =
    named.length > 0
      ? await tx.select({ id: component.id, kind: component.kind }).from(component).where(inArray(component.id, named))
      : [];
  const kindOf = new Map(known.map(({ id, kind }) => [id, kind]));
  const ids = new Map<string, string>();
  let added = 0;
  for (const { id, component: form } of file.components) {
    const mine = own[id];
    if (mine !== undefined) {
      if (kindOf.get(mine) !== form.kind)
        throw new BadInput({ [`own.${id}`]: `There is no ${form.kind} of this id in the catalogue.` });
      ids.set(id, mine);
    } else {
      ids.set(id, await addComponent(tx, form));
      added++;
    }
  }
  return { ids, added };
}

const translated = (content: KitContent, ids: ReadonlyMap<string, string>): KitContent => ({
  ...content,
  lines: content.lines.map((line) => ({ ...line, componentId: ids.get(line.componentId) ?? line.componentId })),
});
