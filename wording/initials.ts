/** Initials of a name, at most three: "Ilse Marrow" → "IM". */
export const initialsOf = (name: string): string =>
  name
    .trim()
    .split(/\s+/)
    .map((word) => [...word][0]?.toLocaleUpperCase() ?? '')
    .filter(Boolean)
    .filter((_, i, all) => i < 2 || i === all.length - 1)
    .join('');
