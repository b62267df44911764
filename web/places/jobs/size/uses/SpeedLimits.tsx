import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { SpeedLimit } from '../../../../../core/road/speedsUnderLimits.ts';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';

/** Slower than this is no limit but a stand, km/h. */
const SLOWEST = 5;

/** Speed limits by part of the road, for a file without times. */
export function SpeedLimits({
  limits,
  onChange,
}: {
  limits: readonly SpeedLimit[];
  onChange: (limits: SpeedLimit[]) => void;
}) {
  const change = (i: number, next: Partial<SpeedLimit>) =>
    onChange(limits.map((limit, k) => (k === i ? { ...limit, ...next } : limit)));
  return (
    <div className="row" role="group" aria-label="Speed limits by part">
      {limits.map((limit, i) => (
        <span key={i} className="row" style={{ alignItems: 'end' }}>
          {i > 0 && (
            <QuantityInput
              label={`Part ${i + 1} from`}
              kind="distance"
              digits={1}
              width={104}
              value={limit.fromM / 1000}
              onChange={(km) => km !== null && km >= 0 && change(i, { fromM: km * 1000 })}
            />
          )}
          <QuantityInput
            label={i === 0 ? 'Limit from the start' : `Limit of part ${i + 1}`}
            kind="speed"
            width={130}
            value={limit.limitKmh}
            onChange={(kmh) => kmh !== null && kmh >= SLOWEST && change(i, { limitKmh: kmh })}
          />
          {i > 0 && (
            <Button
              icon={<DeleteOutlined />}
              size="small"
              type="text"
              aria-label={`Drop part ${i + 1}`}
              onClick={() => onChange(limits.filter((_, k) => k !== i))}
            >
              Drop
            </Button>
          )}
        </span>
      ))}
      <Button
        size="small"
        onClick={() => onChange([...limits, { fromM: (limits.at(-1)?.fromM ?? 0) + 2000, limitKmh: 50 }])}
      >
        Another part
      </Button>
    </div>
  );
}
