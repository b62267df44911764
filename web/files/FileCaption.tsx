import { DeleteOutlined } from '@ant-design/icons';
import { App, Button, Typography } from 'antd';
import { type FileRow, fileAddress } from '../../contract/files.ts';
import { useSend } from '../widgets/useSend.ts';

/** What is written under a file, changed in its place; and dropping it, which can be taken back. */
export function FileCaption({ file, may }: { file: FileRow; may: boolean }) {
  const { caption, lay, version } = file;
  const { notification } = App.useApp();
  const sending = useSend(false, { typed: false });
  const params = { id: file.id };
  const drop = async () => {
    const done = await sending.go(fileAddress.change, params, { caption, lay, dropped: true, version });
    if (!done) return;
    const key = `dropped ${file.id}`;
    const back = () => {
      notification.destroy(key);
      void sending.go(fileAddress.change, params, { caption, lay, dropped: false, version: done.version });
    };
    notification.info({
      key,
      title: `${file.name} is dropped.`,
      actions: (
        <Button size="small" onClick={back}>
          Take it back
        </Button>
      ),
      duration: 20,
      placement: 'bottomRight',
    });
  };
  return (
    <figcaption>
      <Typography.Text
        className="small"
        ellipsis={{ tooltip: caption || file.name }}
        {...(may
          ? {
              editable: {
                triggerType: ['text' as const],
                text: caption,
                maxLength: 200,
                tooltip: false,
                onChange: (next: string) =>
                  next !== caption &&
                  void sending.go(fileAddress.change, params, { caption: next, lay, dropped: false, version }),
              },
            }
          : {})}
      >
        {caption || (file.picture ? file.name : 'Write what it is')}
      </Typography.Text>
      {may && (
        <Button
          type="text"
          size="small"
          icon={<DeleteOutlined />}
          aria-label={`Drop ${file.name}`}
          onClick={() => void drop()}
        />
      )}
    </figcaption>
  );
}
