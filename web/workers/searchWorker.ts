import { expose } from 'comlink';
import type { Candidate } from '../../core/search/candidate.ts';
import type { SearchTask } from '../../core/search/combination.ts';
import { type Ranked, rankFront } from '../../core/search/rank.ts';
import { type SearchState, search } from '../../core/search/search.ts';

export interface SearchRequest {
  readonly task: Omit<SearchTask, 'library' | 'free'> & {
    readonly components: readonly (SearchTask['library'] extends ReadonlyMap<string, infer C> ? C : never)[];
    readonly free: readonly (readonly [string, number])[];
  };
  readonly weights: readonly (readonly [string, number])[];
}

export interface SearchReport extends Omit<SearchState, 'front'> {
  readonly ranked: readonly Ranked[];
  readonly perSecond: number;
}

/** Time between two reports, ms: often enough to look alive, seldom enough not to slow the search. */
const REPORT_MS = 120;

/** Runs a search and tells what it has so far until it is done; ending the worker cancels it. */
export function run(request: SearchRequest, tell: (report: SearchReport) => void): void {
  const { components, free, ...rest } = request.task;
  const task: SearchTask = {
    ...rest,
    library: new Map(components.map((part) => [part.id, part])),
    free: new Map(free),
  };
  const weights = new Map(request.weights);
  const known = new Map<Candidate, Ranked>();
  const begun = performance.now();
  let last = begun;
  const report = ({ front, ...state }: SearchState) => {
    const seconds = (performance.now() - begun) / 1000;
    const message: SearchReport = {
      ...state,
      ranked: rankFront(task, front, weights, known),
      perSecond: seconds > 0 ? state.looked / seconds : 0,
    };
    tell(message);
  };
  const looking = search(task);
  let step = looking.next();
  while (!step.done) {
    if (performance.now() - last > REPORT_MS) {
      report(step.value);
      last = performance.now();
    }
    step = looking.next();
  }
  report(step.value);
}

expose({ run });
