import { DeleteOutlined, PictureOutlined, SaveOutlined } from '@ant-design/icons';
import { App, Button, Slider, Upload } from 'antd';
import { useEffect } from 'react';
import { type FileRow, fileAddress, type Lay } from '../../../contract/files.ts';
import { fileUrl, Refused, send, sendFile } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { Labelled } from '../../widgets/Labelled.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { useSend } from '../../widgets/useSend.ts';

type Kept = Pick<FileRow, 'id' | 'version' | 'caption' | 'name'>;

/** A picture laid under the side view at a known scale. */
export interface Underlay extends Lay {
  readonly url: string;
  /** Where it is kept; null while the model itself is not stored: then it is kept with it. */
  readonly kept: Kept | null;
  /** The picture itself, until it is kept. */
  readonly picture: File | null;
}

interface Props {
  /** First id of the model, by which its pictures are kept; null while it is not stored. */
  readonly of: string | null;
  readonly value: Underlay | null;
  readonly onChange: (underlay: Underlay | null) => void;
  /** Length and height of the vehicle, for a first guess of scale. */
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly frontMm: number;
}

export const layOf = ({ widthMm, xMm, topMm, opacity }: Lay): Lay => ({ widthMm, xMm, topMm, opacity });

/** Keeps a picture with a model, with how it lies. */
export async function keepPicture(of: string, picture: File, lay: Lay): Promise<Kept> {
  const { id } = await sendFile(fileAddress.add, { about: 'variant', of, name: picture.name }, picture);
  const { version } = await send(fileAddress.change, { id }, { caption: '', dropped: false, lay, version: 1 });
  return { id, version, caption: '', name: picture.name };
}

/** Takes a photograph or scan to trace over, or one that is kept with the model, and lays it where it belongs. */
export function TraceFields({ of, value, onChange, lengthMm, heightMm, frontMm }: Props) {
  const { data } = useOfAddress(fileAddress.of, of === null ? null : { about: 'variant', of });
  const { message } = App.useApp();
  const sending = useSend(false, { typed: false });
  const pictures = (data?.files ?? []).filter((file) => file.picture);
  const url = value?.picture ? value.url : null;
  useEffect(
    () => () => {
      if (url) URL.revokeObjectURL(url);
    },
    [url],
  );
  const set = (change: Partial<Underlay>) => value && onChange({ ...value, ...change });
  const guess: Lay = {
    widthMm: Math.round(lengthMm * 1.1),
    xMm: Math.round(-frontMm - lengthMm * 0.05),
    topMm: Math.round(heightMm * 1.05),
    opacity: 0.6,
  };
  const kept = (file: Kept, lay: Lay) =>
    onChange({ ...lay, url: fileUrl(fileAddress.whole, { id: file.id }), kept: file, picture: null });
  const take = async (picture: File) => {
    if (of === null) {
      onChange({ ...guess, url: URL.createObjectURL(picture), kept: null, picture });
      return;
    }
    try {
      kept(await keepPicture(of, picture, guess), guess);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      void message.error(`${picture.name}: ${error.problem.detail}`, 6);
    }
  };
  if (!value)
    return (
      <span className="row">
        <Upload
          accept="image/*"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
        >
          <Button size="small" icon={<PictureOutlined />}>
            Lay a picture underneath
          </Button>
        </Upload>
        {pictures.map((file) => (
          <Button key={file.id} size="small" type="link" onClick={() => kept(file, file.lay ?? guess)}>
            {file.caption || file.name}
          </Button>
        ))}
      </span>
    );
  const keepLay = async (file: Kept) => {
    const answer = await sending.go(
      fileAddress.change,
      { id: file.id },
      { caption: file.caption, dropped: false, lay: layOf(value), version: file.version },
    );
    if (answer) set({ kept: { ...file, version: answer.version } });
  };
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
      {value.kept && (
        <Button
          style={{ alignSelf: 'end' }}
          icon={<SaveOutlined />}
          loading={sending.busy}
          onClick={() => value.kept && void keepLay(value.kept)}
        >
          Keep how it lies
        </Button>
      )}
      <Button style={{ alignSelf: 'end' }} icon={<DeleteOutlined />} onClick={() => onChange(null)}>
        Without the picture
      </Button>
    </div>
  );
}
