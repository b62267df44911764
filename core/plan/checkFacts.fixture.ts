import type { FactJob, FactStage, PlanFacts } from './facts.ts';
import type { StoredPlan, StoredStage } from './storedPlan.ts';

/**
 * What is wrong with a plan as it is stored, against the facts as they are stored: by the clock on the wall, with none of
 * the code that makes plans. Durations are not looked at here: `wrongs` counts their minutes.
 */
export function factWrongs(facts: PlanFacts, plan: StoredPlan): string[] {
  const found: string[] = [];
  const say = (id: string, what: string) => found.push(`${id}: ${what}`);
  const wall = (local: string) => Date.parse(`${local.replace(' ', 'T')}Z`) / 60_000;
  const dayOf = (local: string) => local.slice(0, 10);
  const now = wall(`${facts.now.day} 00:00`) + facts.now.minute;
  const planned = new Map(plan.stages.map((one) => [one.id, one]));
  if (planned.size !== plan.stages.length) say('plan', 'a stage twice');
  const never = new Set(plan.impossible.map(({ stageId }) => stageId));
  const rows: { job: FactJob; stage: FactStage; at: StoredStage; from: number; to: number; there: boolean }[] = [];
  const firmNames = new Map(facts.firms.map(({ id, name }) => [id, name]));
  const personOf = new Map(facts.people.map((one) => [one.id, one]));

  for (const job of facts.jobs)
    for (const stage of job.stages) {
      const at = planned.get(stage.id);
      const open = stage.state !== 'done';
      if (!open && at) say(stage.id, 'is done and planned');
      if (open && !at && !never.has(stage.id)) say(stage.id, 'is neither planned nor said to be impossible');
      if (at && never.has(stage.id)) say(stage.id, 'is both planned and impossible');
      if (!at) continue;
      const named = firmNames.get(stage.firm?.id ?? '');
      const before = stage.after.every((key) => job.stages.find((one) => one.key === key)?.state !== 'waiting');
      const there = stage.firm !== null && job.out !== null && job.out.holder === named && before;
      rows.push({ job, stage, at, from: wall(at.from), to: wall(at.to), there });
    }

  /** Has it begun: people enough at work on it, or its firm has the vehicle. */
  const hasBegun = ({ stage, there }: (typeof rows)[number]) =>
    there || (stage.firm === null && stage.onIt.length > 0 && stage.onIt.length >= stage.people);

  for (const row of rows) {
    const { job, stage, at, from, to } = row;
    const begun = hasBegun(row);
    if (from < now && !row.there) say(stage.id, 'begins before now');
    if (to < from) say(stage.id, 'ends before it begins');
    for (const id of at.people) {
      const person = personOf.get(id);
      if (!person) say(stage.id, `${id} is not there`);
      // Work rests while somebody is away; it neither begins nor ends then.
      for (const away of person?.away ?? [])
        for (const day of [dayOf(at.from), dayOf(at.to)])
          if (day >= away.from && day <= away.to) say(stage.id, `${id} is away on ${day}`);
    }
    if (new Set(at.people).size < at.people.length) say(stage.id, 'one person twice');
    if (stage.liveHv && stage.firm === null) {
      const until = dayOf(at.to);
      if (at.people.length < 2) say(stage.id, 'live work of one');
      if (!at.people.some((id) => (personOf.get(id)?.hvUntil ?? '') >= until))
        say(stage.id, 'live work outlasts the authorisation of its pair');
    } else if (begun && stage.firm === null && [...at.people].sort().join() !== [...stage.onIt].sort().join())
      say(stage.id, 'is taken from those who are at work on it');
    if (stage.firm === null) {
      const kinds = at.tools?.map((id) => facts.tools.find((tool) => tool.id === id)?.kind) ?? [];
      const wants = [...stage.tools].sort().join();
      const has = [...kinds].sort().join();
      const usable = stage.tools.every((kind) =>
        facts.tools.some((tool) => tool.kind === kind && (tool.until === null || tool.until >= dayOf(at.to))),
      );
      if (has !== wants && (!begun || usable)) say(stage.id, `holds ${has || 'nothing'} of ${wants}`);
      for (const id of at.tools ?? []) {
        const until = facts.tools.find((tool) => tool.id === id)?.until ?? null;
        if (until !== null && dayOf(at.to) > until) say(stage.id, `${id} is out of calibration`);
      }
    }
    if (begun) continue;
    if (stage.notBefore !== null && dayOf(at.from) < stage.notBefore) say(stage.id, 'is not held');
    for (const key of stage.after) {
      const first = job.stages.find((one) => one.key === key);
      if (!first || first.state === 'done') continue;
      const over = planned.get(first.id);
      if (!over) say(stage.id, `is planned without ${key}`);
      else if (wall(over.to) > from) say(stage.id, `begins before ${key} is over`);
    }
    const outdoors = stage.firm !== null || stage.traits.includes('away') || stage.traits.includes('beside');
    if (!outdoors && job.out) {
      if (job.out.dueBack === null) say(stage.id, 'its vehicle is out, and nobody has said until when');
      else if (dayOf(at.from) <= job.out.dueBack) say(stage.id, 'its vehicle is not back');
    }
    if (stage.state === 'waiting' && job.follows) {
      const { number, over, stages, open, lessons } = job.follows;
      const through = over || (stages > 0 && open === 0);
      if (through && lessons > 0) say(stage.id, 'is begun before the lessons of its first are settled');
      const lead = facts.jobs.find((one) => one.number === number)?.stages ?? [];
      if (!through && lead.length === 0) say(stage.id, 'is begun before its first is staged');
      for (const one of through ? [] : lead)
        if (one.state !== 'done' && !(wall(planned.get(one.id)?.to ?? '9999-01-01 00:00') <= from))
          say(stage.id, `is begun before ${one.key} of its first is over`);
    }
  }

  // No two at once of what can only be once.
  rows.forEach((a, i) => {
    for (const b of rows.slice(i + 1)) {
      const together = a.from < b.to && b.from < a.to;
      const names = `${a.stage.id} and ${b.stage.id}`;
      if (together && a.at.people.some((id) => b.at.people.includes(id))) say(names, 'one person at once');
      if (together && a.at.tools?.some((id) => b.at.tools?.includes(id))) say(names, 'one tool at once');
      const [p, q] = [a.at.placeId, b.at.placeId];
      if (together && p !== null && p === q && a.job !== b.job) say(names, `two vehicles in ${p}`);
      const isOut = ({ stage }: typeof a) => stage.firm !== null || stage.traits.includes('away');
      if (together && a.job === b.job && p !== q && p !== null && q !== null) say(names, 'one vehicle in two bays');
      if (together && a.job === b.job && ((isOut(a) && q !== null) || (isOut(b) && p !== null)))
        say(names, 'one vehicle in a bay and away');
    }
  });
  // Where a vehicle stands it is until it has been moved.
  for (const job of facts.jobs) {
    if (job.standsIn === null) continue;
    for (const { stage, from, job: of } of rows) {
      const isOut = stage.firm !== null || stage.traits.includes('away');
      const elsewhere = of === job ? isOut : planned.get(stage.id)?.placeId === job.standsIn;
      if (elsewhere && from < now + facts.moveMinutes && !(of === job && job.out))
        say(stage.id, `begins while ${job.number} stands in ${job.standsIn}`);
    }
  }
  // Of a firm no more begin than it takes, those it has already among them.
  for (const { id, slots } of facts.firms) {
    const its = rows.filter(({ stage }) => stage.firm?.id === id);
    for (const row of its.filter((one) => !one.there)) {
      // What is there is there from now on, on whatever day its work goes on.
      const at = its.filter((other) => (other.there ? now : other.from) <= row.from && other.to > row.from).length;
      if (slots !== null && at > slots) say(row.stage.id, `${id} has ${at} at once and takes ${slots}`);
    }
  }
  return found;
}
