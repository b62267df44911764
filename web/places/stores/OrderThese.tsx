import { Button } from 'antd';
import { useNavigate } from 'react-router';
import type { NeedRow } from '../../../contract/needs.ts';
import { purchaseAddress } from '../../../contract/purchases.ts';
import { hasRole } from '../../../contract/rights.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { useSend } from '../../widgets/useSend.ts';

/** Writes an order of what is suggested; it is looked over before it is sent. */
export function OrderThese({ supplierId, rows }: { supplierId: string; rows: readonly NeedRow[] }) {
  const { role } = usePerson();
  const { currency } = useWorkshop();
  const navigate = useNavigate();
  const sending = useSend();
  if (!hasRole(role, purchaseAddress.add.may)) return null;
  const write = async () => {
    const made = await sending.go(
      purchaseAddress.add,
      {},
      {
        ...{ supplierId, currency, rateMillionths: 1_000_000, rateDay: null, wantedOn: null, note: '' },
        lines: rows.map((row) => ({ componentId: row.componentId, quantity: row.order, priceCents: row.priceCents })),
      },
    );
    if (made) navigate(`/stores/orders/${made.number}`);
  };
  return (
    <Button
      size="small"
      loading={sending.busy}
      onClick={() => void write()}
      aria-label={`Order of ${rows[0]?.supplier}`}
    >
      Write the order
    </Button>
  );
}
