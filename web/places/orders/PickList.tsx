import { Button } from 'antd';
import { useState } from 'react';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import type { OrderCount, OrderLine } from '../../../core/order/order.ts';
import { wantsSerials } from '../../../core/order/order.ts';
import { crateLoads } from '../../../core/order/packing.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { useSend } from '../../widgets/useSend.ts';
import { Serials } from './Serials.tsx';

/** What is picked, crate by crate: counted by one person, then by another, with the numbers of what carries one. */
export function PickList({ order, may }: { order: OrderSheet; may: boolean }) {
  const set = useUnitSet();
  return (
    <div className="in stack">
      {crateLoads(order.lines, order.crates).map(({ name, massKg, unknown }) => (
        <section key={name} aria-label={name}>
          <h3 className="spread">
            {name}
            <span className="soft small">
              {formatQuantity(massKg, 'mass', set)}
              {unknown.length > 0 && ` without ${unknown.join(', ')}`}
            </span>
          </h3>
          {order.lines
            .filter(({ crate }) => crate === name)
            .map((line) => (
              <Line key={line.id} line={line} may={may} />
            ))}
        </section>
      ))}
      {may && (
        <p className="soft small">
          The second count is somebody else’s. Counting the first time takes the pieces off the free stock; changing it
          asks for the second again.
        </p>
      )}
    </div>
  );
}

function Line({ line, may }: { line: OrderLine; may: boolean }) {
  const agreed = line.first?.pieces === line.pieces && line.second?.pieces === line.pieces;
  const off = line.second !== null && line.second.pieces !== line.first?.pieces;
  return (
    <div className="pick-line" data-pick={line.name}>
      <StateMark
        mark={agreed ? 'pass' : off ? 'stop' : line.first ? 'half' : 'open'}
        label={agreed ? 'counted twice' : off ? 'counts differ' : line.first ? 'counted once' : 'not counted'}
      />
      <div>
        {line.name}
        {wantsSerials(line.kind) && <Serials line={line} may={may} />}
      </div>
      <span className="num strong">{line.pieces} ×</span>
      <Count line={line} which="first" count={line.first} may={may} />
      <Count line={line} which="second" count={line.second} may={may} />
    </div>
  );
}

function Count({
  line,
  which,
  count,
  may,
}: {
  line: OrderLine;
  which: 'first' | 'second';
  count: OrderCount | null;
  may: boolean;
}) {
  const me = usePerson();
  const sending = useSend(true, { typed: false });
  const [other, setOther] = useState<number | null>(null);
  const [asking, setAsking] = useState(false);
  const say = which === 'first' ? 'First count' : 'Second count';
  const send = async (pieces: number | null) => {
    const done = await sending.go(orderAddress.count, { id: line.id }, { which, pieces });
    if (done) setAsking(false);
  };
  const fault = sending.faults.pieces ?? sending.problem?.detail;
  if (count)
    return (
      <div className="small row" style={{ gap: '0 6px' }}>
        <span className={count.pieces === line.pieces ? '' : 'stop strong'}>
          {count.pieces} <span className="soft">{count.by}</span>
        </span>
        {may && (
          <button
            type="button"
            className="link-like small"
            aria-label={`Take back: ${say.toLowerCase()} of ${line.name}`}
            onClick={() => void send(null)}
          >
            take back
          </button>
        )}
        {fault && <div className="fault">{fault}</div>}
      </div>
    );
  if (!may) return <span className="soft small">not counted</span>;
  const blocked = which === 'second' && (line.first === null || line.first.byId === me.id);
  if (blocked) return <span className="soft small">{line.first === null ? 'after the first' : 'somebody else'}</span>;
  return (
    <div>
      {asking ? (
        <div className="row" style={{ flexWrap: 'nowrap' }}>
          <QuantityInput
            label={`${say} of ${line.name}`}
            hideLabel
            kind="count"
            value={other}
            onChange={setOther}
            width={64}
            mayBeEmpty
            onEnter={() => void send(other)}
          />
          <Button size="small" onClick={() => void send(other)}>
            Count
          </Button>
        </div>
      ) : (
        <span className="row" style={{ flexWrap: 'nowrap', gap: 4 }}>
          <Button
            size="small"
            loading={sending.busy}
            aria-label={`${say}, ${line.name}: all ${line.pieces}`}
            onClick={() => void send(line.pieces)}
          >
            {line.pieces} there
          </Button>
          <button
            type="button"
            className="link-like small"
            aria-label={`${say}, ${line.name}: fewer`}
            onClick={() => setAsking(true)}
          >
            fewer
          </button>
        </span>
      )}
      {fault && <div className="fault">{fault}</div>}
    </div>
  );
}
