import { and, desc, eq, sql } from 'drizzle-orm';
import { jobAddress } from '../../contract/jobChange.ts';
import { resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { packFacts } from '../../core/figures/pack/packFacts.ts';
import { closes } from '../../core/fit/closers.ts';
import type { CoverKey } from '../../core/fit/cover.ts';
import { type FitWork, type WorkEffects, workOf } from '../../core/fit/finding.ts';
import { sameChoice, settleCover } from '../../core/fit/settleCover.ts';
import { kitFromDesign } from '../../core/kit/fromDesign.ts';
import { linesOfJob, stagesOfJob } from '../../core/kit/fromJob.ts';
import type { CoverChoice } from '../../core/kit/kit.ts';
import { coverName, RULE_NAME } from '../../wording/fit.ts';
import { component, job, kit, kitLine, kitRevision, variant, verdictDecision } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { addLines } from '../read/addLines.ts';
import { refuseUnagreedKit } from '../read/agreed.ts';
import { figureInputOfJob } from '../read/figureInput.ts';
import { takeBack, takeIn } from '../read/fitWork.ts';
import { freeId } from '../read/freeId.ts';
import { partOf } from '../read/sheet.ts';
import { takeRevision } from '../read/takeKit.ts';
import { fitOfJob } from './fitOfJob.ts';
import { changeJob } from './versioned.ts';

export const matchEndpoints = [
  serve(jobAddress.makeKit, ({ change, params, body, person, now, workshop, today }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      if (!stored.chosenDesignId) throw new RuleBroken('Choose a design first: the kit is made from it.');
      const { input } = await figureInputOfJob(tx, stored, workshop, today);
      const slots = resolveDesign(input);
      const pack = createSheet(slots).get(packFacts).value;
      if (!pack) throw new RuleBroken('The design has no whole pack yet: a kit is made from one that has.');
      // Kits are named one at a time: a name is taken by the first.
      await tx.execute(sql`select pg_advisory_xact_lock(4417032)`);
      const [same] = await tx.select().from(kit).where(sql`lower(${kit.name}) = lower(${body.name})`);
      if (same) throw new BadInput({ name: 'There is a kit of this name.' });
      const [of] = await tx
        .select({ modelId: variant.modelId })
        .from(variant)
        .where(eq(variant.id, slots.vehicle.variant.id));
      const { lines: ofDesign, ...drawn } = kitFromDesign(input.design, slots.vehicle.variant, pack.fullV);
      // A vehicle that was built tells more than its design: the parts it got, and what each stage took.
      const onlyThis = new Set(body.onlyThis);
      const parts = await partOf(tx, { id: stored.id }, 'parts');
      const stages = await partOf(tx, { id: stored.id }, 'stages');
      const lines = linesOfJob(parts.length > 0 ? parts : ofDesign, onlyThis);
      const content = { ...drawn, ...(stages.length > 0 && { stages: stagesOfJob(stages) }) };
      const kitId = await freeId(body.name, async (id) => (await tx.$count(kit, eq(kit.id, id))) > 0);
      const id = `${kitId}-a`;
      await tx.insert(kit).values({ id: kitId, name: body.name, modelId: of!.modelId });
      await tx.insert(kitRevision).values({
        ...{ id, kitId, revision: 'A', state: 'draft', body: content, fromJob: stored.number },
        ...{ changedById: person.id, changedAt: now(), note: `grew out of ${stored.number}` },
      });
      if (lines.length > 0)
        await tx.insert(kitLine).values(lines.map((line, position) => ({ ...line, position, revisionId: id })));
      await log({
        what: `made the kit ${body.name} from it`,
        resource: 'kit',
        id,
        job: stored.number,
        after: { ...body, lines: lines.length },
      });
      return { id };
    }),
  ),
  serve(jobAddress.chooseKit, ({ change, params, body }) =>
    change(async (work) => {
      const { tx, log } = work;
      let revision: typeof kitRevision.$inferSelect | undefined;
      if (body.revisionId) {
        [revision] = await tx.select().from(kitRevision).where(eq(kitRevision.id, body.revisionId));
        if (!revision) throw new BadInput({ revisionId: 'There is no such kit revision.' });
        if (revision.state === 'withdrawn') throw new RuleBroken('This revision is withdrawn. Choose a released one.');
        const known = new Set(revision.body.options.map(({ id }) => id));
        const unknown = body.options.find((option) => !known.has(option));
        if (unknown) throw new BadInput({ options: 'This kit has no such option.' });
      }
      const set = { kitRevisionId: body.revisionId, kitOptions: [...body.options] };
      const { before, after } = await changeJob(work, params.number, body.version, async (stored) => {
        await refuseUnagreedKit(tx, stored, set);
        return set;
      });
      const told = revision ? await takeRevision(tx, after, revision, body.options) : [];
      const what = !body.revisionId
        ? 'dropped the kit'
        : before.kitRevisionId && before.kitRevisionId !== body.revisionId
          ? `took ${body.revisionId} in place of ${before.kitRevisionId}`
          : 'took a kit';
      await log({
        what: [what, ...told].join('; '),
        resource: 'took',
        id: after.id,
        job: after.number,
        before: before.kitRevisionId,
        after: set,
      });
      return { version: after.version };
    }),
  ),
  serve(jobAddress.settleCover, ({ change, params, body }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const before = stored.cover[body.function] ?? null;
      const choice = body.way ? { way: body.way, why: body.why } : null;
      // Each function is settled on its own: what must still be as it was is the choice of this one.
      if (sameChoice(before, choice)) return { function: body.function };
      if (!sameChoice(before, body.was)) throw new Stale(before);
      await tx
        .update(job)
        .set({ cover: settleCover(stored.cover, body.function, choice) })
        .where(eq(job.id, stored.id));
      await log({
        what: `settled how “${coverName({ function: body.function as CoverKey })}” is covered`,
        resource: 'job',
        id: stored.id,
        job: stored.number,
        before,
        after: choice,
      });
      return { function: body.function };
    }),
  ),
  serve(jobAddress.coverByPart, ({ change, params, body }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const before = stored.cover[body.function] ?? null;
      const [part] = await tx.select().from(component).where(eq(component.id, body.componentId));
      if (!part) throw new BadInput({ componentId: 'There is no such component in the catalogue.' });
      if (!closes(part, body.function as CoverKey))
        throw new BadInput({ componentId: `${part.name} does not do this.` });
      const choice: CoverChoice = { way: 'local', why: part.name };
      // Pressed twice, it is bought once.
      if (sameChoice(before, choice)) return { function: body.function };
      if (!sameChoice(before, body.was)) throw new Stale(before);
      const line = { componentId: part.id, quantity: 1, from: 'added', packedIn: '' } as const;
      const [added] = await addLines(tx, stored.id, [line]);
      await tx
        .update(job)
        .set({ cover: settleCover(stored.cover, body.function, choice) })
        .where(eq(job.id, stored.id));
      await log({
        what: `covered “${coverName({ function: body.function as CoverKey })}” by ${part.name}`,
        resource: 'match',
        id: stored.id,
        job: stored.number,
        before,
        after: { choice, line: added?.id },
      });
      return { function: body.function };
    }),
  ),
  serve(jobAddress.decide, ({ change, params, body, person, workshop, today, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const [last] = await tx
        .select()
        .from(verdictDecision)
        .where(
          and(
            eq(verdictDecision.jobId, stored.id),
            eq(verdictDecision.rule, body.rule),
            eq(verdictDecision.subject, body.subject),
          ),
        )
        .orderBy(desc(verdictDecision.at), desc(verdictDecision.id))
        .limit(1);
      const answer = { rule: body.rule };
      // Decided the same way for the same reason already: nothing to add.
      if (last && last.decision === body.decision && last.reason === body.reason) return answer;
      const standing = last && last.decision !== 'takenBack' ? last : null;
      if (body.decision === 'takenBack' && !standing)
        throw new RuleBroken('Nothing was decided here that could be taken back.');
      const stayed = standing?.effects && standing.work ? await takeBack(tx, standing.effects, standing.work) : [];
      let work: FitWork | null = null;
      let effects: WorkEffects | null = null;
      if (body.decision === 'accepted') {
        const finding = (await fitOfJob(tx, stored, workshop, today))?.findings.find(
          (one) => one.rule === body.rule && one.subject === body.subject,
        );
        work = finding ? workOf(finding, RULE_NAME[finding.rule]) : null;
        effects = work && (await takeIn(tx, stored, work, body.subject));
      }
      await tx.insert(verdictDecision).values({ ...body, work, effects, jobId: stored.id, byId: person.id, at: now() });
      const said = { accepted: 'accepted', overridden: 'overrode', takenBack: 'took back the decision on' }[
        body.decision
      ];
      await log({
        what: [`${said} ${body.rule}, ${body.subject}`, ...stayed].join('; '),
        resource: 'match',
        id: stored.id,
        job: stored.number,
        before: standing && { decision: standing.decision, work: standing.work },
        after: { ...body, work },
      });
      return answer;
    }),
  ),
];
