/** Bodies made to keep a server busy. Each is refused, or taken, without holding up the thread that answers. */
export interface WorstBody {
  readonly what: string;
  readonly method: 'POST' | 'PUT';
  readonly path: string;
  readonly body: string;
}

const nested = (depth: number) => `${'['.repeat(depth)}${']'.repeat(depth)}`;

/** @param number a job · @param inputs a design's, to be spoiled */
export function worstBodies(number: string, jobVersion: number, inputs: object): WorstBody[] {
  const job = `/api/jobs/${number}`;
  const faulty = (n: number) => ({
    name: 'x',
    inputs: { ...inputs, others: Array.from({ length: n }, () => ({ componentId: 'X Y', quantity: -1, xMm: 'a' })) },
  });
  const seconds = 43_201;
  const route = (speed: number) => ({
    route: {
      name: 'long',
      speedCms: Array.from({ length: seconds }, () => speed),
      gradeE4: Array.from({ length: seconds }, () => 0),
      startM: 0,
      distanceM: 1000,
      climbM: 0,
      track: [],
      notes: [],
    },
    version: jobVersion,
  });
  return [
    {
      what: '300 000 tiny items',
      method: 'POST',
      path: `${job}/designs`,
      body: JSON.stringify({ inputs: { boxes: new Array(300_000).fill(0) } }),
    },
    {
      what: 'as many as fit into its size',
      method: 'POST',
      path: `${job}/designs`,
      body: JSON.stringify({ inputs: { boxes: new Array(45_000).fill(0) } }),
    },
    {
      what: '90 000 keys at sign-in',
      method: 'POST',
      path: '/api/session',
      body: JSON.stringify(Object.fromEntries(Array.from({ length: 90_000 }, (_, i) => [`k${i}`, 0]))),
    },
    { what: 'nested as deep as fits', method: 'POST', path: `${job}/designs`, body: nested(49_000) },
    { what: 'nothing but faults', method: 'POST', path: `${job}/designs`, body: JSON.stringify(faulty(1100)) },
    {
      what: 'as many faults as are all told',
      method: 'POST',
      path: `${job}/designs`,
      body: JSON.stringify(faulty(160)),
    },
    { what: 'the longest route', method: 'PUT', path: `${job}/route`, body: JSON.stringify(route(500)) },
    {
      what: 'the longest route, wrong at its end',
      method: 'PUT',
      path: `${job}/route`,
      body: JSON.stringify(route(-1)),
    },
    { what: 'one long text', method: 'POST', path: `${job}/snags`, body: JSON.stringify({ text: 'a'.repeat(99_000) }) },
  ];
}
