import { DeleteOutlined, PictureOutlined } from '@ant-design/icons';
import { Button, Slider, Upload } from 'antd';
import { useEffect } from 'react';
import { Labelled } from '../../widgets/Labelled.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';

/** A picture laid under the side view at a known scale. It stays in this page. */
export interface Underlay {
  readonly url: string;
  readonly widthMm: number;
  /** Its left edge behind the front axle, its upper edge above the ground, mm. */
  readonly xMm: number;
  readonly topMm: number;
  readonly opacity: number;
}

interface Props {
  readonly value: Underlay | null;
  readonly onChange: (underlay: Underlay | null) => void;
  /** Length and height of the vehicle, for a first guess of scale. */
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly frontMm: number;
}

/** Takes a photograph or scan to trace over, and lays it where it belongs. */
export function TraceFields({ value, onChange, lengthMm, heightMm, frontMm }: Props) {
  const url = value?.url;
  useEffect(
    () => () => {
      if (url) URL.revokeObjectURL(url);
    },
    [url],
  );
  const set = (change: Partial<Underlay>) => value && onChange({ ...value, ...change });
  if (!value)
    return (
      <Upload
        accept="image/png,image/jpeg,image/webp"
        showUploadList={false}
        beforeUpload={(file) => {
          onChange({
            url: URL.createObjectURL(file),
            widthMm: lengthMm * 1.1,
            xMm: -frontMm - lengthMm * 0.05,
            topMm: heightMm * 1.05,
            opacity: 0.6,
          });
          return false;
        }}
      >
        <Button size="small" icon={<PictureOutlined />}>
          Lay a picture underneath
        </Button>
      </Upload>
    );
  return (
    <div className="fields" data-trace>
      <QuantityInput
        label="Picture is wide"
        kind="length"
        value={value.widthMm}
        onChange={(widthMm) => widthMm !== null && widthMm > 0 && set({ widthMm })}
      />
      <QuantityInput
        label="Left edge behind the front axle"
        kind="length"
        value={value.xMm}
        onChange={(xMm) => xMm !== null && set({ xMm })}
      />
      <QuantityInput
        label="Upper edge above the ground"
        kind="length"
        value={value.topMm}
        onChange={(topMm) => topMm !== null && set({ topMm })}
      />
      <Labelled label="How strong">
        <Slider
          min={0.1}
          max={1}
          step={0.1}
          value={value.opacity}
          onChange={(opacity) => set({ opacity })}
          ariaLabelForHandle="How strong the picture is"
        />
      </Labelled>
      <Button style={{ alignSelf: 'end' }} icon={<DeleteOutlined />} onClick={() => onChange(null)}>
        Without the picture
      </Button>
    </div>
  );
}
