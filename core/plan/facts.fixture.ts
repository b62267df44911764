import type { FactJob, FactPerson, FactPlace, FactStage, PlanFacts } from './facts.ts';

/** A stage by its key, of so many hours by one person anywhere, with what is otherwise. */
export const factStage = (key: string, hours = 4, change: Partial<FactStage> = {}): FactStage => ({
  ...{ id: key, key, name: key, traits: [], after: [], hours, hoursClocked: 0, people: 1, mostPeople: null },
  ...{ skill: '', liveHv: false, state: 'waiting', notBefore: null, onIt: [], tools: [], took: null, firm: null },
  ...change,
});

export const factJob = (number: string, stages: readonly FactStage[], change: Partial<FactJob> = {}): FactJob => ({
  ...{ number, title: `Van ${number}`, promised: null, priority: 'usual', standsIn: null, parts: [], stages },
  ...{ follows: null, out: null, overruled: [] },
  ...change,
});

export const factPerson = (id: string, change: Partial<FactPerson> = {}): FactPerson => ({
  ...{ id, name: id, initials: id, skills: [], dayHours: null, hvUntil: null, away: [] },
  ...change,
});

/** A bay with a lift. */
export const factBay = (id: string, change: Partial<FactPlace> = {}): FactPlace => ({
  ...{ id, name: id, lift: true, alignment: false },
  ...change,
});

/** A workshop of one person and one bay on Tuesday 24 November 2026, 8:00; days of 7½ hours with an hour's break at noon. */
export const planFactsOf = (jobs: readonly FactJob[], change: Partial<PlanFacts> = {}): PlanFacts => ({
  ...{ now: { day: '2026-11-24', minute: 480 }, workingDays: [1, 2, 3, 4, 5], closedDays: [], moveMinutes: 30 },
  ...{ open: { startMin: 480, breakMin: 60, endMin: 990 }, jobs, tools: [], firms: [], toldHours: 2 },
  ...{ people: [factPerson('a')], places: [factBay('bay')] },
  ...change,
});
