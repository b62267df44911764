import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { dayNumber, isoDay } from '../quantity/format.ts';
import { seeded } from '../spread/seeded.ts';
import { factWrongs } from './checkFacts.fixture.ts';
import { wrongs } from './checkPlan.fixture.ts';
import { factBay, factJob, factPerson, factStage, planFactsOf } from './facts.fixture.ts';
import { type FactJob, type FactStage, type PlanFacts, PRIORITIES, planGround } from './facts.ts';
import { plannedAgain, planWorkshop } from './storedPlan.ts';

const TODAY = '2026-11-24';
const dayFrom = (days: number) => isoDay(dayNumber(TODAY) + days);

/** A workshop in the middle of its work: stages begun at the bench, in bays, away and at firms, live and with tools. */
function inTheMiddle(random: () => number): PlanFacts {
  const upTo = (n: number) => Math.floor(random() * n);
  const chance = (share: number) => random() < share;
  const people = Array.from({ length: 3 + upTo(3) }, (_, i) =>
    factPerson(`p${i}`, {
      skills: i === 0 ? ['electrical', 'mechanical'] : chance(0.6) ? ['mechanical'] : [],
      hvUntil: i < 2 ? dayFrom(i === 0 ? 4000 : upTo(4)) : null,
      away: chance(0.3) ? [{ from: dayFrom(2 + upTo(6)), to: dayFrom(9) }] : [],
    }),
  );
  const bays = Array.from({ length: 1 + upTo(3) }, (_, i) => factBay(`bay${i}`, { lift: i === 0 || chance(0.5) }));
  const firms = [
    { id: 'paint', name: 'Paint firm', slots: 1 + upTo(2), slotDays: chance(0.5) ? [1, 3] : [] },
    { id: 'trim', name: 'Trim firm', slots: null, slotDays: [] },
  ];
  const tools = [
    { id: 'crimp-1', kind: 'crimp', name: 'Crimp tool', until: chance(0.3) ? dayFrom(upTo(5)) : null },
    { id: 'meter-1', kind: 'meter', name: 'Meter', until: null },
    { id: 'crimp-2', kind: 'crimp', name: 'Crimp tool 2', until: dayFrom(3000) },
  ];
  const idle = new Set(people.map(({ id }) => id));
  const free = [...bays];
  const jobs: FactJob[] = [];
  for (let j = 0; j < 2 + upTo(5); j++) {
    const number = `26-10${j}`;
    const stages: FactStage[] = [];
    const standsIn = chance(0.6) ? (free.shift()?.id ?? null) : null;
    for (let s = 0; s < 2 + upTo(5); s++) {
      const firm = chance(0.2) ? { id: chance(0.6) ? 'paint' : 'trim', days: 1 + upTo(4) } : null;
      const live = !firm && chance(0.25);
      const where = chance(0.3) ? ['beside'] : chance(0.2) ? ['away'] : chance(0.4) ? ['onLift'] : [];
      stages.push(
        factStage(`s${s}`, 1 + upTo(30), {
          id: `${number} s${s}`,
          traits: where as FactStage['traits'],
          after: stages.filter(() => chance(0.4)).map(({ key }) => key),
          people: live ? 2 : 1,
          mostPeople: live ? 2 : 1 + upTo(2),
          skill: !live && chance(0.3) ? 'mechanical' : '',
          liveHv: live,
          tools: firm ? [] : chance(0.3) ? [chance(0.6) ? 'crimp' : 'meter'] : [],
          firm,
          notBefore: chance(0.1) ? dayFrom(upTo(6)) : null,
        }),
      );
    }
    // Some are done, and some of what could be is begun.
    const done = upTo(stages.length);
    const now = stages.map((stage, i): FactStage => {
      if (i < done) return { ...stage, state: 'done' };
      const ready = stage.after.every((key) => Number(key.slice(1)) < done);
      if (!ready || stage.firm || !chance(0.5)) return stage;
      const who = [...idle].filter((id) => !stage.liveHv || id !== 'p2').slice(0, stage.people);
      if (who.length < stage.people || (stage.liveHv && !who.includes('p0') && !who.includes('p1'))) return stage;
      for (const id of who) idle.delete(id);
      return { ...stage, state: 'inHand', onIt: who };
    });
    const atFirm = now.find(
      ({ firm, state, after }) => firm && state !== 'done' && after.every((key) => Number(key.slice(1)) < done),
    );
    const out =
      atFirm && chance(0.6) && now.every(({ onIt }) => onIt.length === 0)
        ? {
            holder: firms.find(({ id }) => id === atFirm.firm!.id)!.name,
            dueBack: chance(0.6) ? dayFrom(upTo(8)) : null,
          }
        : null;
    jobs.push(
      factJob(number, now, {
        standsIn: out ? null : standsIn,
        out,
        promised: chance(0.7) ? dayFrom(5 + upTo(20)) : null,
        priority: PRIORITIES[upTo(4)]!,
        follows:
          j > 0 && chance(0.25)
            ? { number: '26-100', over: false, stages: upTo(2) * 5, open: upTo(2), lessons: upTo(2) }
            : null,
      }),
    );
  }
  // What is said of the first of its kind is so.
  const lead = jobs[0]!;
  const open = lead.stages.filter(({ state }) => state !== 'done').length;
  return planFactsOf(
    jobs.map((one) => (one.follows ? { ...one, follows: { ...one.follows, stages: lead.stages.length, open } } : one)),
    { people, places: bays, firms, tools, now: { day: TODAY, minute: 480 + 15 * upTo(30) } },
  );
}

const check = (facts: PlanFacts, plan: ReturnType<typeof planWorkshop>) => {
  expect(factWrongs(facts, plan)).toEqual([]);
  const ground = planGround(facts);
  expect(wrongs(ground.problem, plannedAgain(plan, ground.axis))).toEqual([]);
};

describe('a workshop in the middle of its work', () => {
  test('is planned by every rule, begun work of every kind among it, by the clock on the wall', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const facts = inTheMiddle(seeded(seed));
        check(facts, planWorkshop(facts, null, { seed, passes: 12 }));
      }),
      { numRuns: 300 },
    );
  });
  test('and planned again after something came between', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const random = seeded(seed);
        const facts = inTheMiddle(random);
        const before = planWorkshop(facts, null, { seed, passes: 12 });
        // A rush, somebody away, an hour later.
        const [first, ...others] = facts.jobs;
        const since: PlanFacts = {
          ...facts,
          now: { ...facts.now, minute: facts.now.minute + 30 },
          jobs: [...others, { ...first!, priority: random() < 0.5 ? 'rush' : first!.priority }],
          people: facts.people.map((one) =>
            random() < 0.2 ? { ...one, away: [{ from: dayFrom(1), to: dayFrom(1 + Math.floor(random() * 5)) }] } : one,
          ),
        };
        check(since, planWorkshop(since, before, { seed, passes: 12 }));
      }),
      { numRuns: 200 },
    );
  });
});
