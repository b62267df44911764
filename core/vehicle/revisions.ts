/** "wren-11.r3" is the third revision of "wren-11": kits and people mean all of them by the first one's id. */
const REVISION = /\.r(\d+)$/;

/** The id of the first revision of a variant, by which kits name it. */
export const rootOf = (variantId: string): string => variantId.replace(REVISION, '');

/** 1 for the first. */
export const revisionOf = (variantId: string): number => Number(REVISION.exec(variantId)?.[1] ?? 1);

/** The id of the revision after the newest of these. */
export const nextRevision = (variantId: string, ids: readonly string[]): string => {
  const root = rootOf(variantId);
  const newest = Math.max(1, ...ids.filter((id) => rootOf(id) === root).map(revisionOf));
  return `${root}.r${newest + 1}`;
};

/** The newest revision of a variant's kind among some; null where none is of it. */
export function newestOf<V extends { readonly id: string }>(variants: Iterable<V>, variantId: string): V | null {
  const root = rootOf(variantId);
  let newest: V | null = null;
  for (const one of variants)
    if (rootOf(one.id) === root && (newest === null || revisionOf(one.id) > revisionOf(newest.id))) newest = one;
  return newest;
}

/** Only the newest revision of each, in their order. */
export function newestOnly<V extends { readonly id: string }>(variants: readonly V[]): V[] {
  const newest = new Map<string, V>();
  for (const one of variants) {
    const root = rootOf(one.id);
    const known = newest.get(root);
    if (!known || revisionOf(one.id) > revisionOf(known.id)) newest.set(root, one);
  }
  return variants.filter((one) => newest.get(rootOf(one.id)) === one);
}
