/** Other: what its sheet states. Masses, sizes and prices stand on the component itself. */
export const other = {} as const;
