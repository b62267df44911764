import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';

/** The button that takes a list out as a table. */
export function TableFile({ href, what }: { href: string; what: string }) {
  return (
    <Button size="small" icon={<TableOutlined />} href={href} aria-label={`${what} as CSV`}>
      CSV
    </Button>
  );
}
