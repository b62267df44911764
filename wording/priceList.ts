import { FAR_CHANGE, type JudgedPrice, type ListedPrice } from '../core/buying/priceList.ts';
import { formatNumber } from '../core/quantity/format.ts';
import type { UnitSet } from '../core/quantity/units.ts';
import { fromCell } from './csv.ts';
import { money } from './offers.ts';
import { divide, splitHead } from './tableReading.ts';

export interface ReadPriceList {
  readonly rows: readonly ListedPrice[];
  readonly fault: string | null;
}

/** As many rows as are taken at a time. */
const MOST_PRICES = 20_000;

/** How suppliers head their lists; heads beside these are left alone. */
const HEADS = {
  number: /^(part ?(number|no\.?)|number|no\.?|item( no\.?)?|code|article( no\.?)?|sku|ref(erence)?)$/,
  price: /^((unit |net |list )?price( each)?|each|net|cost)$/,
  currency: /^(currency|cur\.?)$/,
  lead: /^(lead( time)?|lead days|delivery days|days)$/,
} as const;

/**
 * An amount as lists write it: "1 234.50", "€ 1.234,50", "1,234.50". Where a lone comma or point stands before three
 * figures nobody can tell a thousand from a fraction: null, and a person writes it otherwise.
 *
 * @returns minor units, or null
 */
export function readAmount(cell: string): number | null {
  const text = cell.replace(/[\s\u00a0\u202f'’]/g, '').replace(/^[^\d.,+-]+|[^\d.,]+$/g, '');
  if (!/^\d[\d.,]*$/.test(text)) return null;
  const [comma, point] = [text.lastIndexOf(','), text.lastIndexOf('.')];
  const decimal = Math.max(comma, point);
  const both = comma >= 0 && point >= 0;
  const sign = decimal < 0 ? null : text[decimal]!;
  const times = sign === null ? 0 : text.split(sign).length - 1;
  if (sign === null) return Number(text) * 100;
  const after = text.length - decimal - 1;
  // One sign for thousands, again and again, and no fraction.
  if (!both && times > 1) return /^\d{1,3}([.,]\d{3})+$/.test(text) ? Number(text.replaceAll(sign, '')) * 100 : null;
  if (times > 1 || (!both && after === 3)) return null;
  const whole = text.slice(0, decimal);
  const fraction = text.slice(decimal + 1);
  if (!/^\d+$/.test(whole.replace(/[.,]/g, '')) || !/^\d{0,4}$/.test(fraction)) return null;
  if (/[.,]/.test(whole) && !/^\d{1,3}([.,]\d{3})+$/.test(whole)) return null;
  return Math.round(Number(`${whole.replace(/[.,]/g, '')}.${fraction || '0'}`) * 100);
}

/** Reads a price list (CSV, whatever divides it) by its heads. */
export function readPriceList(text: string): ReadPriceList {
  const none = (fault: string): ReadPriceList => ({ rows: [], fault });
  const table = divide(text, MOST_PRICES, 'prices');
  if (typeof table === 'string') return none(table);
  const heads = table.heads.map((head) => splitHead(fromCell(head)));
  const at = (which: keyof typeof HEADS) => heads.findIndex(({ label }) => HEADS[which].test(label));
  const [number, price, currency, lead] = [at('number'), at('price'), at('currency'), at('lead')];
  if (number < 0) return none('No column of part numbers: one is headed “Part number”, “Item” or “Code”.');
  if (price < 0) return none('No column of prices: one is headed “Price”, “Net price” or “Each”.');
  const unit = heads[price]!.unit?.toUpperCase() ?? null;
  const rows = table.lines.map((cells, i): ListedPrice => {
    const cell = (column: number) => (column < 0 ? '' : fromCell(cells[column] ?? '').trim());
    const cents = readAmount(cell(price));
    const days = cell(lead) === '' ? null : Number(cell(lead));
    const fault =
      cell(number) === ''
        ? 'no part number'
        : cents === null
          ? `“${cell(price)}” is not a price that can be read one way`
          : cents === 0
            ? 'the price is nothing'
            : days !== null && !(Number.isInteger(days) && days >= 0 && days <= 2000)
              ? `“${cell(lead)}” is no number of days`
              : null;
    return {
      ...{ line: i + 2, partNumber: cell(number), cents, fault },
      currency: cell(currency) || unit,
      leadDays: fault === null ? days : null,
    };
  });
  return { rows, fault: null };
}

/** What a row of a price list would do, in words. */
export function priceSays(
  { row, verdict, part, priceCents, change }: JudgedPrice,
  currency: string,
  set: UnitSet,
): string {
  switch (verdict) {
    case 'fault':
      return row.fault ?? 'cannot be read';
    case 'unknown':
      return `no part of this supplier has the number ${row.partNumber}`;
    case 'manyParts':
      return `more than one part has the number ${row.partNumber}`;
    case 'twice':
      return 'the list has this number more than once';
    case 'otherCurrency':
      return `is in ${row.currency}, the list is taken in ${currency}`;
    case 'alike':
      return money(priceCents!, set);
    case 'changed': {
      const share = change === null ? '' : `, ${change > 0 ? '+' : '−'}${formatNumber(Math.abs(change) * 100, 1)} %`;
      const far = change !== null && Math.abs(change) > FAR_CHANGE ? ': another unit, or a slip?' : '';
      const lead =
        row.leadDays === null || row.leadDays === part!.leadDays ? '' : `; ${part!.leadDays} → ${row.leadDays} days`;
      return `${money(part!.priceCents, set)} → ${money(priceCents!, set)}${share}${far}${lead}`;
    }
  }
}
