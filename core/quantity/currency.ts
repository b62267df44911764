/** Currencies a workshop can keep its books in: all have a hundred minor units. Symbol as it stands before an amount. */
export const CURRENCIES = {
  EUR: { name: 'Euro', symbol: '€' },
  GBP: { name: 'Pound sterling', symbol: '£' },
  USD: { name: 'US dollar', symbol: '$' },
  CHF: { name: 'Swiss franc', symbol: 'CHF' },
  SEK: { name: 'Swedish krona', symbol: 'SEK' },
  NOK: { name: 'Norwegian krone', symbol: 'NOK' },
  DKK: { name: 'Danish krone', symbol: 'DKK' },
  PLN: { name: 'Polish złoty', symbol: 'zł' },
  CZK: { name: 'Czech koruna', symbol: 'Kč' },
  CAD: { name: 'Canadian dollar', symbol: 'CA$' },
  AUD: { name: 'Australian dollar', symbol: 'A$' },
  NZD: { name: 'New Zealand dollar', symbol: 'NZ$' },
} as const satisfies Record<string, { name: string; symbol: string }>;
export type Currency = keyof typeof CURRENCIES;
export const CURRENCY_IDS = Object.keys(CURRENCIES) as Currency[];
