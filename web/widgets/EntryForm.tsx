import { Button, Form } from 'antd';
import type { CSSProperties, ReactNode } from 'react';

interface Props {
  readonly onSave: () => void;
  readonly children: ReactNode;
  /** What the button says; without it the form has its own. */
  readonly save?: string;
  readonly busy?: boolean;
  /** A refusal that belongs to no field. */
  readonly refusal?: string | null;
  /** Beside the button. */
  readonly beside?: ReactNode;
  readonly style?: CSSProperties;
  readonly className?: string;
  readonly small?: boolean;
  readonly disabled?: boolean;
}

/** A form with its one way to save: the button, or Enter in any of its fields. */
export function EntryForm({
  onSave,
  children,
  save,
  busy = false,
  refusal,
  beside,
  style,
  className = 'stack',
  small = false,
  disabled = false,
}: Props) {
  return (
    <Form
      layout="vertical"
      className={className}
      onFinish={onSave}
      data-form
      noValidate
      disabled={disabled}
      {...(style ? { style } : {})}
    >
      {children}
      {refusal && <div className="fault">{refusal}</div>}
      {save && (
        <div className="row">
          <Button type="primary" htmlType="submit" loading={busy} size={small ? 'small' : 'middle'}>
            {save}
          </Button>
          {beside}
        </div>
      )}
    </Form>
  );
}
