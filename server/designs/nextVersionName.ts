/** The name of a design that follows a sold one: "A" → "A, version 2" → "A, version 3", past any that is taken. */
export function nextVersionName(name: string, taken: readonly string[]): string {
  const [, stem = name] = /^(.*?)(?:, version \d+)?$/.exec(name) ?? [];
  let next = 2;
  while (taken.includes(`${stem}, version ${next}`)) next++;
  // Names are held to 60 characters; the number must survive.
  return `${stem.slice(0, 46)}, version ${next}`;
}
