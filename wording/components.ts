/** Choices of sheets as a person reads them: "halfShafts" → "half shafts"; numbers and names of chemistries stay. */
export const optionText = (option: string | number): string =>
  typeof option === 'number' || option === option.toUpperCase()
    ? String(option)
    : option.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
