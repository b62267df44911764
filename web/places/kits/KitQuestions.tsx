import { Segmented } from 'antd';
import { useState } from 'react';
import { orderAddress } from '../../../contract/orders.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Panel } from '../../widgets/Panel.tsx';
import { Question } from '../orders/OrderQuestions.tsx';

/** What fitters asked about any revision of the kit: each is a place where its instructions were not clear. */
export function KitQuestions({ kit }: { kit: string }) {
  const { data } = useOfAddress(orderAddress.ofKit, { kit });
  const [all, setAll] = useState(false);
  if (!data || data.length === 0) return null;
  const open = data.filter(({ answer }) => answer === null);
  return (
    <Panel
      title="Questions of fitters"
      aside={
        <Segmented
          size="small"
          aria-label="Which questions"
          value={all ? 'all' : 'open'}
          options={[
            { value: 'open', label: `open ${open.length}` },
            { value: 'all', label: `all ${data.length}` },
          ]}
          onChange={(which) => setAll(which === 'all')}
        />
      }
    >
      {(all ? data : open).map((question) => (
        <Question key={question.id} question={question} about={question.orderNumber} />
      ))}
      {!all && open.length === 0 && <p className="in soft small">All answered.</p>}
    </Panel>
  );
}
