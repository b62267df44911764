import { Table, type TableColumnType } from 'antd';
import { createContext, type ReactNode, type TableHTMLAttributes, use, useMemo } from 'react';

/** Above so many rows only those in sight are drawn. */
const VIRTUAL_FROM = 80;
const VIRTUAL_HEIGHT = 560;

interface ColumnOptions<R> {
  readonly width?: number | string;
  /** Sorts by this column when its head is pressed. */
  readonly order?: (a: R, b: R) => number;
  /** How many columns a cell of this row takes; 0 leaves it out. @default 1 */
  readonly span?: (row: R) => number;
}

export interface Column<R> extends ColumnOptions<R> {
  readonly title: ReactNode;
  readonly cell: (row: R, index: number) => ReactNode;
  /** To the right, never broken. @default false */
  readonly figures?: boolean;
}

type MakeColumn<R> = (title: ReactNode, cell: Column<R>['cell'], more?: ColumnOptions<R>) => Column<R>;

/** Makers of columns, for rows of one kind. */
export interface ColumnMakers<R> {
  /** A column of words. */
  readonly words: MakeColumn<R>;
  /** A column of figures. */
  readonly figures: MakeColumn<R>;
  /** A column of things to press: its head is read out, not shown. */
  readonly actions: (say: string, cell: Column<R>['cell']) => Column<R>;
}
const makers = <R,>(): ColumnMakers<R> => ({
  words: (title, cell, more = {}) => ({ title, cell, ...more }),
  figures: (title, cell, more = {}) => ({ title, cell, ...more, figures: true }),
  actions: (say, cell) => ({ title: <span className="hidden-label">{say}</span>, cell, figures: true }),
});

const drawn = <R,>({ title, cell, figures, width, order, span }: Column<R>): TableColumnType<R> => ({
  title,
  render: (_, row, index) => cell(row, index),
  ...(figures ? { className: 'num', align: 'right' as const } : {}),
  ...(width === undefined ? {} : { width }),
  ...(order ? { sorter: order } : {}),
  ...(span ? { onCell: (row: R) => ({ colSpan: span(row) }) } : {}),
});

const Label = createContext<string | undefined>(undefined);
function LabelledTable(props: TableHTMLAttributes<HTMLTableElement>) {
  return <table aria-label={use(Label)} {...props} />;
}
const COMPONENTS = { table: LabelledTable };

interface Props<R extends object> {
  /** What the table shows, for those who do not see it. */
  readonly label: string;
  readonly rows: readonly R[];
  readonly columns: (make: ColumnMakers<NoInfer<R>>) => readonly Column<NoInfer<R>>[];
  /** What tells rows apart; their place without it. */
  readonly rowKey?: (row: NoInfer<R>) => string;
  /** Attributes of a row: what it stands for, its class. */
  readonly rowMark?: (
    row: NoInfer<R>,
    index: number,
  ) => { readonly [name: `data-${string}`]: string; readonly className?: string };
  readonly head?: boolean;
  /** In place of rows when there are none. */
  readonly empty?: string;
  readonly className?: string;
  /** How wide a long table is at least, before it is scrolled across. @default 900 */
  readonly least?: number;
  /** Row to be picked by a radio button; its place and what is done. */
  readonly pick?: {
    readonly key: string;
    readonly say: (row: NoInfer<R>, index: number) => string;
    readonly onPick: (row: NoInfer<R>) => void;
  };
}

/** A table of the house: close rows, figures to the right; long ones draw what is in sight. */
export function DataTable<R extends object>({
  label,
  rows,
  columns,
  rowKey,
  rowMark,
  head = true,
  empty,
  className,
  least = 900,
  pick,
}: Props<R>) {
  // Only a table without keys or with radio buttons asks for them, and a long one has keys.
  const places = useMemo(
    () => new Map(rowKey && !pick ? [] : rows.map((row, index) => [row, index])),
    [rows, rowKey, pick],
  );
  const long = rows.length > VIRTUAL_FROM;
  return (
    <Label value={label}>
      <Table<R>
        // A long table is no table element, so that its name stands on what is round it.
        {...(long ? { role: 'group', 'aria-label': label } : {})}
        size="small"
        pagination={false}
        components={COMPONENTS}
        dataSource={rows}
        columns={columns(makers<R>()).map((column) => drawn(column))}
        rowKey={rowKey ?? ((row) => String(places.get(row)))}
        showHeader={head}
        tableLayout="auto"
        {...(className ? { className } : {})}
        {...(long ? { virtual: true, scroll: { x: least, y: VIRTUAL_HEIGHT } } : {})}
        {...(rowMark ? { onRow: (row: R, index?: number) => rowMark(row, index ?? 0) } : {})}
        {...(empty ? { locale: { emptyText: empty } } : {})}
        {...(pick
          ? {
              rowSelection: {
                type: 'radio' as const,
                columnTitle: <span className="hidden-label">Picked</span>,
                selectedRowKeys: [pick.key],
                onChange: (_: unknown, [row]: R[]) => row && pick.onPick(row),
                getCheckboxProps: (row: R) => ({ 'aria-label': pick.say(row, places.get(row) ?? 0) }) as object,
              },
            }
          : {})}
      />
    </Label>
  );
}
