import { type ReactNode, useEffect, useMemo } from 'react';
import type { Pages } from '../data/usePages.tsx';
import { type Column, type ColumnMakers, DataTable } from './DataTable.tsx';

/** Beside another panel at 1280. */
const LEAST = 700;

interface Place {
  readonly index: number;
}

const keyOf = ({ index }: Place) => String(index);

interface Props<R, A extends { readonly rows: readonly R[]; readonly count: number }> {
  readonly label: string;
  readonly pages: Pages<R, A>;
  readonly columns: (make: ColumnMakers<R>) => readonly Column<R>[];
  readonly empty: string;
  readonly rowMark?: (row: R) => { readonly [name: `data-${string}`]: string; readonly className?: string };
}

/** A table of a list that may be longer than anybody loads: rows come as they are scrolled to. */
export function PagedTable<R, A extends { readonly rows: readonly R[]; readonly count: number }>({
  label,
  pages,
  columns,
  empty,
  rowMark,
}: Props<R, A>) {
  const count = pages.first?.count ?? 0;
  const places = useMemo(() => Array.from({ length: count }, (_, index): Place => ({ index })), [count]);
  return (
    <>
      {pages.loaders}
      <DataTable<Place>
        label={label}
        rows={places}
        rowKey={keyOf}
        empty={empty}
        least={LEAST}
        rowMark={({ index }) => {
          const row = pages.at(index);
          return row && rowMark ? rowMark(row) : { className: '' };
        }}
        columns={(make) =>
          columns(make as unknown as ColumnMakers<R>).map(
            ({ cell, order: _, span: __, ...column }, nth): Column<Place> => ({
              ...column,
              cell: ({ index }) => {
                const row = pages.at(index);
                return (
                  <>
                    {nth === 0 && <InSight index={index} want={pages.want} />}
                    {row ? cell(row, index) : nth === 0 ? <Coming /> : null}
                  </>
                );
              },
            }),
          )
        }
      />
    </>
  );
}

const Coming = (): ReactNode => <span className="soft">…</span>;

function InSight({ index, want }: { index: number; want: (index: number) => void }) {
  useEffect(() => want(index), [index, want]);
  return null;
}
