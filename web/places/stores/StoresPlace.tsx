import { InboxOutlined, OrderedListOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { hasRole } from '../../../contract/rights.ts';
import { storesAddress } from '../../../contract/stores.ts';
import { usePerson } from '../../data/session.tsx';
import { CountBin } from './CountBin.tsx';
import { CountedLook } from './CountedLook.tsx';
import { CounterLook } from './CounterLook.tsx';
import { GoodsIn } from './GoodsIn.tsx';
import { GradingLook } from './GradingLook.tsx';
import { LOOKS, type Look } from './looks.ts';
import { NeedsLook } from './NeedsLook.tsx';
import { NumbersLook } from './NumbersLook.tsx';
import { PurchasesLook } from './PurchasesLook.tsx';
import { SuppliersLook } from './SuppliersLook.tsx';
import { ToolsLook } from './toolbox/ToolsLook.tsx';

const isLook = (text: string | undefined): text is Look => LOOKS.some(({ value }) => value === text);

/** Stores, by what one looks for: what is short, what is counted, what carries a number, what is on order, of whom. */
export default function StoresPlace() {
  const { look: asked, id } = useParams();
  const look: Look = isLook(asked) ? asked : 'needs';
  const navigate = useNavigate();
  const { role } = usePerson();
  const may = hasRole(role, storesAddress.goodsIn.may);
  const [doing, setDoing] = useState<'in' | 'count' | null>(null);
  return (
    <div className="page stack">
      <div className="spread" style={{ alignItems: 'center' }}>
        <span className="row" style={{ gap: 20 }}>
          <h1>Stores</h1>
          <Segmented
            aria-label="Look at"
            value={look}
            options={[...LOOKS]}
            onChange={(next) => navigate(`/stores/${next}`)}
          />
        </span>
        {may && (
          <span className="row">
            <Button icon={<OrderedListOutlined />} onClick={() => setDoing('count')}>
              Count a bin
            </Button>
            <Button type="primary" icon={<InboxOutlined />} onClick={() => setDoing('in')}>
              Goods in
            </Button>
          </span>
        )}
      </div>
      {look === 'needs' && <NeedsLook picked={id ?? null} />}
      {look === 'counted' && <CountedLook picked={id ?? null} />}
      {look === 'numbers' && <NumbersLook picked={id ?? null} />}
      {look === 'orders' && <PurchasesLook picked={id ?? null} />}
      {look === 'grading' && <GradingLook picked={id ?? null} />}
      {look === 'suppliers' && <SuppliersLook picked={id ?? null} />}
      {look === 'tools' && <ToolsLook picked={id ?? null} />}
      {look === 'counter' && <CounterLook picked={id ?? null} />}
      {doing === 'in' && <GoodsIn onClose={() => setDoing(null)} />}
      {doing === 'count' && <CountBin onClose={() => setDoing(null)} />}
    </div>
  );
}
