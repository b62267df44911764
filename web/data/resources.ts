import { useEffect, useLayoutEffect, useMemo, useState } from 'react';
import useSWR, { mutate } from 'swr';
import { type Address, type Params, pathOf } from '../../contract/address.ts';
import { componentAddress } from '../../contract/components.ts';
import { type FloorData, floorAddress } from '../../contract/floor.ts';
import { hoursAddress } from '../../contract/hours.ts';
import { type JobRow, type JobSheet, jobsAddress } from '../../contract/job.ts';
import { type LibraryComponent, type LibraryData, libraryAddress } from '../../contract/library.ts';
import { peopleAddress } from '../../contract/people.ts';
import { variantAddress } from '../../contract/variants.ts';
import type { Library } from '../../core/design/resolve.ts';
import { upgradeDesign } from '../../core/design/upgrade.ts';
import type { KitRevision } from '../../core/kit/kit.ts';
import type { Variant } from '../../core/vehicle/variant.ts';
import { ask } from './client.ts';

export const keys = {
  floor: pathOf(floorAddress.now, {}),
  jobs: pathOf(jobsAddress.list, {}),
  job: (number: string) => pathOf(jobsAddress.whole, { number }),
  library: pathOf(libraryAddress.atHand, {}),
  people: pathOf(peopleAddress.list, {}),
  clock: pathOf(hoursAddress.mine, {}),
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

const shelvesOf = (data: LibraryData): Shelves => ({
  data,
  components: new Map(data.components.map((part) => [part.id, part])),
  free: new Map(data.components.map((part) => [part.id, part.free])),
  variants: new Map(data.variants.map((variant) => [variant.id, variant])),
  kits: new Map(data.kits.map((kit) => [kit.id, kit])),
});

/** Components this page has named beyond what was at hand: they stay at hand while it is open. */
const named = new Map<string, LibraryComponent>();

const askOne = (id: string) => ask<LibraryComponent>(pathOf(componentAddress.one, { component: id }));

/** One that was named, as it is now; what cannot be had stays as it was known. */
async function lookUp(id: string): Promise<void> {
  const now = await askOne(id).catch(() => null);
  if (now) named.set(id, now);
}

const withNamed = (data: LibraryData): LibraryData => {
  const there = new Set(data.components.map(({ id }) => id));
  const more = [...named.values()].filter(({ id }) => !there.has(id));
  return more.length > 0 ? { ...data, components: [...data.components, ...more] } : data;
};

/** What is at hand, indexed; asked for once, and again only when it changed. */
export function useLibrary(): { shelves: Shelves | null; error: Error | undefined } {
  const { data, error } = useSWR<LibraryData, Error>(
    keys.library,
    async (path: string) => {
      const data = await ask<LibraryData>(path);
      // What was named beyond it may have changed since, or be gone.
      const there = new Set(data.components.map(({ id }) => id));
      await Promise.all([...named.keys()].filter((id) => !there.has(id)).map(lookUp));
      return withNamed(data);
    },
    { revalidateOnFocus: false, revalidateIfStale: false },
  );
  const shelves = useMemo(() => (data ? shelvesOf(data) : null), [data]);
  return { shelves, error };
}

/** Brings a component of the catalogue to hand; resolves when it is there. Throws where it cannot be had. */
export async function bringToHand(id: string): Promise<void> {
  if (named.has(id)) return;
  named.set(id, await askOne(id));
  await mutate<LibraryData>(keys.library, (data) => data && withNamed(data), { revalidate: false });
}

/** Variants that were asked for with the library anew, and whether the answer is there: one that is not in it, it does not have. */
const askedFor = new Map<string, 'onItsWay' | 'answered'>();

interface Naming {
  readonly variants?: readonly string[];
  readonly components?: readonly string[];
}

/**
 * Brings to hand what these name and is not there: a component by itself, a variant with the library anew, since a vehicle
 * of it has come. What the catalogue no longer has stays unknown. Answers whether a variant is still being asked for.
 */
export function useAtHand({ variants = [], components = [] }: Naming, shelves: Shelves | null): boolean {
  const unknown = shelves ? variants.filter((id) => !shelves.variants.has(id)) : [];
  const missing = shelves ? components.filter((id) => !shelves.components.has(id)).join(' ') : '';
  const [, setAnswered] = useState(0);
  useEffect(() => {
    if (missing) for (const id of missing.split(' ')) void bringToHand(id).catch(() => {});
  }, [missing]);
  const fresh = unknown.filter((id) => !askedFor.has(id)).join(' ');
  useEffect(() => {
    if (!fresh) return;
    const ids = fresh.split(' ');
    for (const id of ids) askedFor.set(id, 'onItsWay');
    void mutate(keys.library)
      .catch(() => {})
      .then(() => {
        for (const id of ids) askedFor.set(id, 'answered');
        setAnswered((n) => n + 1);
      });
  }, [fresh]);
  return unknown.some((id) => askedFor.get(id) !== 'answered');
}

/** What is at hand, with every variant of the library: for places that look at all of them. */
export function useLibraryWithVariants(): ReturnType<typeof useLibrary> {
  const { shelves, error } = useLibrary();
  const { data, error: other } = useOfAddress(variantAddress.list, {});
  const all = useMemo(() => (shelves && data ? shelvesOf({ ...shelves.data, variants: data }) : null), [shelves, data]);
  return { shelves: all, error: error ?? other };
}

/** All revisions of a variant; null asks for none. */
export const useFamily = (id: string | null) =>
  useOfAddress(variantAddress.family, id === null ? null : { variant: id });
