import { Form } from 'antd';
import type { ReactNode } from 'react';

interface Props {
  readonly label: string;
  /** Id of the input; where there is none, what is inside names itself. */
  readonly id?: string;
  readonly fault?: string | undefined;
  /** The label is read out, not shown. */
  readonly hideLabel?: boolean | undefined;
  readonly width?: number | undefined;
  readonly children: ReactNode;
}

/** A field of a form: label above, what is wrong with it below. */
export function Labelled({ label, id, fault, hideLabel, width, children }: Props) {
  return (
    <Form.Item
      layout="vertical"
      colon={false}
      label={label}
      className={hideLabel ? 'field unlabelled' : 'field'}
      {...(id ? { htmlFor: id } : {})}
      {...(fault ? { validateStatus: 'error' as const, help: <span id={`${id}-fault`}>{fault}</span> } : {})}
      {...(width ? { style: { width } } : {})}
    >
      {children}
    </Form.Item>
  );
}

/** What ties an input to what is wrong with it, for those who hear it. */
export const faultOf = (id: string, fault: string | null | undefined) =>
  fault ? { status: 'error' as const, 'aria-invalid': true, 'aria-describedby': `${id}-fault` } : {};
