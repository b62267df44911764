import { useLayoutEffect, useMemo } from 'react';
import useSWR from 'swr';
import { type Address, type Params, pathOf } from '../../contract/address.ts';
import { type FloorData, floorAddress } from '../../contract/floor.ts';
import { type JobRow, type JobSheet, jobsAddress } from '../../contract/job.ts';
import { type LibraryData, libraryAddress } from '../../contract/library.ts';
import { peopleAddress } from '../../contract/people.ts';
import type { Library } from '../../core/design/resolve.ts';
import { upgradeDesign } from '../../core/design/upgrade.ts';
import type { KitRevision } from '../../core/kit/kit.ts';
import type { Variant } from '../../core/vehicle/variant.ts';
import { ask } from './client.ts';

export const keys = {
  floor: pathOf(floorAddress.now, {}),
  jobs: pathOf(jobsAddress.list, {}),
  job: (number: string) => pathOf(jobsAddress.whole, { number }),
  library: pathOf(libraryAddress.whole, {}),
  people: pathOf(peopleAddress.list, {}),
};

export const useFloor = () => useSWR<FloorData, Error>(keys.floor, ask, { refreshInterval: 60_000 });
export const useJobs = () => useSWR<JobRow[], Error>(keys.jobs, ask);

/** Designs of a sheet in today's format, whichever they were stored in. */
export const withTodaysDesigns = <S extends Partial<JobSheet>>(sheet: S): S =>
  sheet.designs
    ? { ...sheet, designs: sheet.designs.map((one) => ({ ...one, inputs: upgradeDesign(one.inputs) })) }
    : sheet;

/** Jobs that a page has open: their sheet is there, or on its way. */
export const openJobs = new Map<string, 'settled' | 'onItsWay'>();

export function useJob(number: string) {
  const answer = useSWR<JobSheet, Error>(keys.job(number), async (path: string) =>
    withTodaysDesigns(await ask<JobSheet>(path)),
  );
  const settled = answer.data !== undefined && !answer.isValidating;
  useLayoutEffect(() => {
    openJobs.set(number, settled ? 'settled' : 'onItsWay');
    return () => {
      openJobs.delete(number);
    };
  }, [number, settled]);
  return answer;
}

/** What an address answers, asked for when it is first shown; null asks for nothing. */
export const useOfAddress = <P extends string, A>(address: Address<P, undefined, A>, params: Params<P> | null) =>
  useSWR<A, Error>(params && pathOf(address, params), ask);

export interface Shelves {
  readonly data: LibraryData;
  readonly components: Library;
  /** Free stock by component: on hand and promised to no job. */
  readonly free: ReadonlyMap<string, number>;
  readonly variants: ReadonlyMap<string, Variant>;
  readonly kits: ReadonlyMap<string, KitRevision>;
}

/** The library, indexed; fetched once and asked for again only when it changed. */
export function useLibrary(): { shelves: Shelves | null; error: Error | undefined } {
  const { data, error } = useSWR<LibraryData, Error>(keys.library, ask, {
    revalidateOnFocus: false,
    revalidateIfStale: false,
  });
  const shelves = useMemo(
    () =>
      data
        ? {
            data,
            components: new Map(data.components.map((part) => [part.id, part])),
            free: new Map(data.components.map((part) => [part.id, part.free])),
            variants: new Map(data.variants.map((variant) => [variant.id, variant])),
            kits: new Map(data.kits.map((kit) => [kit.id, kit])),
          }
        : null,
    [data],
  );
  return { shelves, error };
}
