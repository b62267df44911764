const slugOf = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50) || 'part';

/** The id a person can read that nothing else of its kind has: "quay-works", else "quay-works-2". */
export async function freeId(name: string, isTaken: (id: string) => Promise<boolean>): Promise<string> {
  const slug = slugOf(name);
  for (let n = 1; ; n++) {
    const id = n === 1 ? slug : `${slug}-${n}`;
    if (!(await isTaken(id))) return id;
  }
}
