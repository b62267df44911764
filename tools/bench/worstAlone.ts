import { boundsProblem } from '../../contract/bounds.ts';
import { check } from '../../contract/fields.ts';
import { ENDPOINTS } from '../../server/endpoints.ts';
import { worstBodies } from '../soak/worstBodies.ts';
import type { Row } from './row.ts';

const RUNS = 9;
const MOST_MS = 50;

/** What the server does with a body before it knows what it means: reads, counts, checks. */
function takeIn(method: string, path: string, text: string): void {
  const address = ENDPOINTS.find(
    (one) =>
      one.method === method.toLowerCase() && new RegExp(`^/api${one.path.replace(/:\w+/g, '[^/]+')}$`).test(path),
  );
  // Larger ones are refused by their length, before they are read.
  if (!address?.body || text.length > address.size.bytes) return;
  const sent: unknown = JSON.parse(text);
  if (boundsProblem(sent, address.size.bounds) === null) check(address.body, sent);
}

/** Each of the worst bodies alone, in time of the processor, so that what else runs on the machine does not count. */
export function worstAlone(number: string, version: number, inputs: object): Row {
  let longest = { what: '', ms: 0 };
  for (const { what, method, path, body } of worstBodies(number, version, inputs)) {
    const times: number[] = [];
    for (let i = 0; i < RUNS; i++) {
      const before = process.cpuUsage();
      takeIn(method, path, body);
      const { user, system } = process.cpuUsage(before);
      times.push((user + system) / 1000);
    }
    // The first runs it before it is compiled; a busy server has done it before.
    const ms = Math.max(...times.slice(2));
    if (ms > longest.ms) longest = { what, ms };
  }
  return {
    what: 'The worst single body: read, counted and checked, time of the processor',
    figure: `${longest.ms.toFixed(1)} ms (${longest.what})`,
    aim: `≤ ${MOST_MS} ms`,
    held: longest.ms <= MOST_MS,
  };
}
