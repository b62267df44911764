import type { PlannedStage, PlanProblem, Span } from './problem.ts';

/**
 * What is wrong with a plan, minute by minute and rule by rule. Shares nothing with what makes plans but the words a
 * problem is told in.
 */
export function wrongs(problem: PlanProblem, planned: readonly PlannedStage[]): string[] {
  const found: string[] = [];
  const say = (text: string) => found.push(text);
  const at = new Map(planned.map((one) => [one.id, one]));
  const inside = (minute: number, spans: readonly Span[]) =>
    spans.some(({ from, to }) => minute >= from && minute < to);
  const rows = problem.stages.flatMap((stage) => {
    const plan = at.get(stage.id);
    return plan ? [{ stage, plan }] : [];
  });
  if (rows.length !== planned.length) say('a stage is planned that is not in the problem, or twice');
  for (const { stage, plan } of rows) {
    const { start, end, people } = plan;
    const who = people.map((id) => problem.people.find((one) => one.id === id));
    if (who.some((one) => one === undefined)) say(`${stage.id}: somebody who is not there`);
    if (new Set(people).size !== people.length) say(`${stage.id}: one person twice`);
    if (!Number.isInteger(start) || start < 0) say(`${stage.id}: begins at ${start}`);
    if (start > problem.horizon) say(`${stage.id}: beyond the horizon`);
    // Minutes of work, counted one by one.
    const offs =
      stage.firmId !== null ? [problem.firms.find(({ id }) => id === stage.firmId)!.off] : who.map((one) => one!.off);
    const each = Math.max(
      1,
      Math.ceil(stage.firmId !== null ? stage.minutes : stage.minutes / Math.max(people.length, 1)),
    );
    let worked = 0;
    for (let minute = start; minute < end; minute++) if (!offs.some((off) => inside(minute, off))) worked++;
    const due = stage.begun?.until;
    if (due !== undefined) {
      if (start !== 0 || end !== due) say(`${stage.id}: is there until ${due}, not ${start} to ${end}`);
      continue;
    }
    if (worked !== each) say(`${stage.id}: ${worked} minutes of ${each} worked`);
    if (end > start && offs.some((off) => inside(end - 1, off))) say(`${stage.id}: ends while nobody is there`);
    // Live work that outlasts the authorisation of those who began it is for others to go on with.
    const theirs = stage.begun?.people.map((id) => problem.people.find((one) => one.id === id)?.hvUntil ?? 0) ?? [];
    const same = stage.begun && [...people].sort().join() === [...stage.begun.people].sort().join();
    const goesOn = same || (stage.begun && (!stage.liveHv || theirs.some((until) => until > problem.horizon)));
    if (same && stage.liveHv && !theirs.some((until) => until >= end)) say(`${stage.id}: live work without its pair`);
    if (stage.begun && goesOn) {
      if (!same) say(`${stage.id}: begun by others`);
      continue;
    }
    if (end > start && offs.some((off) => inside(start, off))) say(`${stage.id}: begins while somebody is away`);
    if (start < stage.earliest) say(`${stage.id}: too early`);
    for (const id of stage.begun ? [] : stage.after) {
      const before = at.get(id);
      if (!before && problem.stages.some((one) => one.id === id)) say(`${stage.id}: planned without ${id}`);
      if (before && before.end > start) say(`${stage.id}: begins before ${id} is over`);
    }
    if (people.length < stage.people || people.length > Math.max(stage.people, stage.mostPeople))
      say(`${stage.id}: ${people.length} people`);
    const able = who.filter((one) => stage.skill === null || one!.skills.includes(stage.skill)).length;
    if (stage.people > 0 && able < people.length - (stage.people - 1)) say(`${stage.id}: ${able} of them can do it`);
    if (stage.liveHv && (people.length < 2 || !who.some((one) => one!.hvUntil >= end)))
      say(`${stage.id}: live work without its pair`);
    const place = problem.places.find(({ id }) => id === plan.placeId);
    if (stage.at === 'vehicle' && !(place && stage.traits.every((trait) => place.traits.includes(trait))))
      say(`${stage.id}: in ${plan.placeId}, which lacks ${stage.traits.join()}`);
    if (stage.at !== 'vehicle' && plan.placeId !== null) say(`${stage.id}: is in a place it has no need of`);
    if (place?.off.some(({ from, to }) => from < end && to > start)) say(`${stage.id}: in a place that is closed`);
    const kinds = plan.tools.map((id) => problem.tools.find((one) => one.id === id)?.kind);
    if ([...kinds].sort().join() !== [...stage.tools].sort().join()) say(`${stage.id}: has ${kinds.join()}`);
    for (const id of plan.tools)
      if (problem.tools.find((one) => one.id === id)?.off.some(({ from, to }) => from < end && to > start))
        say(`${stage.id}: ${id} is away`);
  }
  // No two at once of what can only be once.
  const pairs = rows.flatMap((a, i) => rows.slice(i + 1).map((b) => [a, b] as const));
  for (const [a, b] of pairs) {
    const [p, q] = [a.plan, b.plan];
    const together = p.start < q.end && q.start < p.end;
    const names = `${p.id} and ${q.id}`;
    if (together && p.people.some((id) => q.people.includes(id))) say(`${names}: one person at once`);
    if (together && p.tools.some((id) => q.tools.includes(id))) say(`${names}: one tool at once`);
    const near = p.start < q.end + problem.moveMinutes && q.start < p.end + problem.moveMinutes;
    const where = (row: (typeof rows)[number]) => (row.stage.at === 'away' ? 'away' : row.plan.placeId);
    const moved = [where(a), where(b)];
    if (moved.includes(null)) continue;
    if (a.stage.jobId === b.stage.jobId && moved[0] !== moved[1] && near) say(`${names}: one vehicle in two places`);
    if (a.stage.jobId !== b.stage.jobId && moved[0] === moved[1] && moved[0] !== 'away' && near)
      say(`${names}: two vehicles in ${moved[0]}`);
  }
  // Where vehicles stand to begin with.
  for (const { stage, plan } of rows) {
    if (stage.begun || plan.placeId === null || plan.start >= problem.moveMinutes) continue;
    const other = problem.jobs.find(({ id, standsIn }) => id !== stage.jobId && standsIn === plan.placeId);
    if (other) say(`${stage.id}: in ${plan.placeId} while ${other.id} stands there`);
    const own = problem.jobs.find(({ id }) => id === stage.jobId);
    if (own?.standsIn && own.standsIn !== plan.placeId) say(`${stage.id}: its vehicle is on its way`);
  }
  for (const firm of problem.firms) {
    const its = rows.filter(({ stage }) => stage.firmId === firm.id);
    for (const { plan } of its) {
      const at = its.filter((other) => other.plan.start <= plan.start && other.plan.end > plan.start).length;
      const begun = its.some((one) => one.plan === plan && one.stage.begun);
      if (at > firm.capacity && !begun) say(`${firm.id}: ${at} at once`);
    }
  }
  return found;
}
