/** The looks at stores, in the order of the day's questions. */
export const LOOKS = [
  { value: 'needs', label: 'Needs' },
  { value: 'counted', label: 'Counted' },
  { value: 'numbers', label: 'By serial number' },
  { value: 'orders', label: 'Orders' },
  { value: 'grading', label: 'Grading' },
  { value: 'suppliers', label: 'Suppliers' },
  { value: 'tools', label: 'Tools' },
  { value: 'counter', label: 'Counter' },
] as const;
export type Look = (typeof LOOKS)[number]['value'];
