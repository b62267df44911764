import { seeded } from '../spread/seeded.ts';
import type { PlanJob, PlanPerson, PlanProblem, PlanStage } from './problem.ts';

/** Problems for tests: small ones by hand, random ones by number. */
export const stage = (id: string, change: Partial<PlanStage> = {}): PlanStage => ({
  ...{ id, jobId: 'j', after: [], minutes: 60, people: 1, mostPeople: 1, skill: null, liveHv: false },
  ...{ at: 'beside', traits: [], tools: [], firmId: null, earliest: 0, begun: null },
  ...change,
});
export const person = (id: string, change: Partial<PlanPerson> = {}): PlanPerson => ({
  ...{ id, skills: [], hvUntil: 0, off: [] },
  ...change,
});
export const job = (id: string, change: Partial<PlanJob> = {}): PlanJob => ({
  ...{ id, weight: 1, due: null, standsIn: null, underWay: false },
  ...change,
});
export const problem = (change: Partial<PlanProblem>): PlanProblem => ({
  ...{ jobs: [job('j')], stages: [], people: [person('a')], places: [], tools: [], firms: [] },
  ...{ moveMinutes: 30, parkMinutes: 450, horizon: 450 * 2000, dayMinutes: 450, toldHours: 2 },
  ...change,
});

const DAY = 450;

/** A workshop as it might be, from a source of random numbers: several jobs with their networks, people with leave. */
export function randomProblem(random: () => number, jobs = 1 + Math.floor(random() * 5)): PlanProblem {
  const upTo = (n: number) => Math.floor(random() * n);
  const some = <T>(all: readonly T[], share: number) => all.filter(() => random() < share);
  const skills = ['mechanical', 'electrical', 'trim'];
  const off = () => {
    const spans: { from: number; to: number }[] = [];
    for (let at = upTo(6 * DAY); spans.length < 3 && random() < 0.6; at = spans.at(-1)!.to + 1 + upTo(9 * DAY))
      spans.push({ from: at, to: at + DAY * (1 + upTo(4)) });
    return spans;
  };
  const people = Array.from({ length: 2 + upTo(4) }, (_, i) =>
    person(`p${i}`, {
      skills: i === 0 ? skills : some(skills, 0.5),
      hvUntil: i === 0 ? Number.POSITIVE_INFINITY : random() < 0.3 ? upTo(40 * DAY) : 0,
      off: off(),
    }),
  );
  const places = Array.from({ length: 1 + upTo(3) }, (_, i) => ({
    id: `bay${i}`,
    traits: i === 0 ? ['lift', 'alignment'] : some(['lift', 'alignment'], 0.4),
    off: random() < 0.2 ? [{ from: 5 * DAY, to: 7 * DAY }] : [],
  }));
  const tools = [
    { id: 'crimp-1', kind: 'crimp', off: random() < 0.3 ? [{ from: DAY, to: 2 * DAY }] : [] },
    { id: 'meter-1', kind: 'meter', off: [] },
    { id: 'meter-2', kind: 'meter', off: [{ from: 0, to: DAY }] },
  ];
  const firms = [{ id: 'paint', capacity: 1 + upTo(2), off: [{ from: 2 * DAY, to: 4 * DAY }] }];
  const stages: PlanStage[] = [];
  const allJobs = Array.from({ length: jobs }, (_, j): PlanJob => {
    const id = `j${j}`;
    const count = 2 + upTo(7);
    for (let s = 0; s < count; s++) {
      const firm = random() < 0.1;
      const least = firm ? 0 : 1 + (random() < 0.25 ? 1 : 0);
      const liveHv = !firm && random() < 0.15;
      const at = firm ? (random() < 0.5 ? 'away' : 'vehicle') : random() < 0.75 ? 'vehicle' : 'beside';
      stages.push(
        stage(`${id}s${s}`, {
          jobId: id,
          after: stages.filter((other) => other.jobId === id && random() < 0.35).map((other) => other.id),
          minutes: 20 + upTo(1200),
          people: liveHv ? 2 : least,
          mostPeople: (liveHv ? 2 : least) + (firm ? 0 : upTo(2)),
          skill: firm || random() < 0.4 ? null : skills[upTo(3)]!,
          ...{ liveHv, at },
          traits: at === 'vehicle' ? some(['lift', 'alignment'], 0.2) : [],
          tools: firm ? [] : some(['crimp', 'meter'], 0.15),
          firmId: firm ? 'paint' : null,
          earliest: random() < 0.15 ? upTo(10 * DAY) : 0,
          begun:
            s === 0 && random() < 0.15 && !firm && at === 'beside'
              ? { placeId: null, people: [`p${upTo(people.length)}`] }
              : null,
        }),
      );
    }
    return job(id, { weight: 1 + upTo(3), due: random() < 0.8 ? DAY * (2 + upTo(20)) : null });
  });
  // A vehicle that stands somewhere already, one to a place.
  const standing = allJobs.map((one, i) => ({ ...one, standsIn: random() < 0.5 ? (places[i]?.id ?? null) : null }));
  return problem({ jobs: standing, ...{ stages, people, places, tools, firms } });
}

/** The bolt-in network of the trade (§7.1) over as many vehicles as are asked for, one after another promised. */
export function bigWorkshop(vehicles: number): PlanProblem {
  const random = seeded(vehicles);
  const skills = ['mechanical', 'electrical', 'trim', 'fabrication'];
  const crews = Math.max(3, Math.round((vehicles * 25) / 60));
  const people = Array.from({ length: crews }, (_, i) =>
    person(`p${i}`, {
      skills: skills.filter((_skill, at) => (i + at) % 3 !== 0 || i % 5 === 0),
      hvUntil: i % 3 === 0 ? 1e9 : 0,
      off: i % 4 === 1 ? [{ from: DAY * (i % 20), to: DAY * ((i % 20) + 5) }] : [],
    }),
  );
  const places = Array.from({ length: Math.max(2, Math.round(vehicles / 6)) }, (_, i) => ({
    ...{ id: `bay${i}`, off: [], traits: i === 0 ? ['alignment', 'lift'] : i % 3 === 2 ? [] : ['lift'] },
  }));
  const network: [key: string, after: string[], hours: number, change?: Partial<PlanStage>][] = [
    ['receive', [], 2],
    ['strip', ['receive'], 8, { traits: ['lift'], mostPeople: 2, skill: 'mechanical' }],
    ['clean', ['strip'], 3],
    ['brackets', ['receive'], 6, { at: 'beside', skill: 'fabrication' }],
    ['looms', [], 8, { at: 'beside', skill: 'electrical' }],
    ['run', ['clean', 'looms'], 8, { skill: 'electrical', mostPeople: 2 }],
    ['front', ['run', 'brackets'], 3, { traits: ['lift'], people: 2, mostPeople: 2, skill: 'mechanical' }],
    ['rear', ['front'], 6, { traits: ['lift'], people: 2, mostPeople: 2, skill: 'mechanical' }],
    ['clearance', ['rear'], 2],
    ['connectors', ['clearance'], 10, { skill: 'electrical', tools: ['crimp'] }],
    ['cooling', ['connectors'], 2],
    ['aircon', ['rear'], 5, { people: 0, mostPeople: 0, firmId: 'cool' }],
    ['charger', ['aircon', 'connectors'], 3, { skill: 'electrical' }],
    ['power', ['charger'], 3, { liveHv: true, people: 2, mostPeople: 2, tools: ['meter'] }],
    ['interior', ['run'], 6, { skill: 'trim' }],
    ['prove', ['power', 'interior', 'cooling'], 5, { liveHv: true, people: 2, mostPeople: 2, tools: ['meter'] }],
    ['panels', ['prove'], 3],
    ['align', ['panels'], 2, { traits: ['alignment'] }],
    ['road', ['align'], 3],
    ['signoff', ['road'], 2],
  ];
  const jobs = Array.from({ length: vehicles }, (_, i) => job(`v${i}`, { due: DAY * (10 + i), weight: 1 + (i % 3) }));
  const stages = jobs.flatMap(({ id }) =>
    network.map(([key, after, hours, change = {}]) =>
      stage(`${id} ${key}`, {
        ...{ jobId: id, after: after.map((one) => `${id} ${one}`), at: 'vehicle', ...change },
        minutes: Math.round(hours * 60 * (0.8 + random() * 0.5)),
        earliest: random() < 0.1 ? Math.floor(random() * 20 * DAY) : 0,
      }),
    ),
  );
  const tools = [
    ...Array.from({ length: Math.ceil(vehicles / 30) }, (_, i) => ({ id: `crimp-${i}`, kind: 'crimp', off: [] })),
    ...Array.from({ length: Math.ceil(vehicles / 20) }, (_, i) => ({ id: `meter-${i}`, kind: 'meter', off: [] })),
  ];
  const firms = [{ id: 'cool', capacity: Math.ceil(vehicles / 30), off: [] }];
  return problem({ ...{ jobs, stages, people, places, tools, firms }, horizon: DAY * 4000 });
}
