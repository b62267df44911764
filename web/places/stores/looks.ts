/** The looks at stores, in the order of the day's questions. */
export const LOOKS = [
  { value: 'counted', label: 'Counted' },
  { value: 'numbers', label: 'By serial number' },
] as const;
export type Look = (typeof LOOKS)[number]['value'];
