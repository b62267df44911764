import { FilePdfOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { fileUrl } from '../../data/client.ts';
import { useWorkshop } from '../../data/session.tsx';
import { Panel } from '../../widgets/Panel.tsx';

/** How the kit left, what was let pass and by whom, and its papers. */
export function HowItLeft({ order }: { order: OrderSheet }) {
  const { timeZone } = useWorkshop();
  const { dispatch, sign } = order;
  if (!dispatch) return null;
  return (
    <Panel title="How it left">
      <div className="in stack small">
        <div>
          {dayAndTime(dispatch.at, timeZone)}, with {dispatch.carrier}, sent by {dispatch.by}
        </div>
        {dispatch.missing.length > 0 && (
          <div className="wait" data-let-pass>
            Let pass: {dispatch.missing.join('; ')}. {dispatch.why}.
          </div>
        )}
        {sign && (
          <div className="strong">
            Signed back by {sign.by}, {dayAndTime(sign.at, timeZone)}
            {sign.remark && <div className="soft">{sign.remark}</div>}
          </div>
        )}
        <div className="row">
          <Button
            size="small"
            icon={<FilePdfOutlined />}
            href={fileUrl(orderAddress.packing, { order: order.number })}
            target="_blank"
          >
            Packing list
          </Button>
          <Button
            size="small"
            icon={<FilePdfOutlined />}
            href={fileUrl(orderAddress.fitting, { order: order.number })}
            target="_blank"
          >
            Fitting sheet
          </Button>
        </div>
      </div>
    </Panel>
  );
}
