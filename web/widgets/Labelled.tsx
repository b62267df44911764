import { Form } from 'antd';
import { createContext, memo, type ReactNode, use } from 'react';

interface Said {
  readonly label: string;
  /** Id of the input; where there is none, what is inside names itself. */
  readonly id?: string;
  readonly fault?: string | undefined;
  /** What was understood of what is inside. */
  readonly note?: string | null | undefined;
  /** The label is read out, not shown. */
  readonly hideLabel?: boolean | undefined;
  readonly width?: number | undefined;
}

/** What stands inside a label, handed past it: the label is dear to draw and stays when only what is inside changes. */
const Inside = createContext<ReactNode>(null);
const Handed = () => use(Inside);

/** A field of a form: label above, what is wrong with it below. */
export function Labelled({ children, ...said }: Said & { readonly children: ReactNode }) {
  return (
    <Inside value={children}>
      <Frame {...said} />
    </Inside>
  );
}

const Frame = memo(function Frame({ label, id, fault, note, hideLabel, width }: Said) {
  return (
    <Form.Item
      layout="vertical"
      colon={false}
      label={label}
      className={hideLabel ? 'field unlabelled' : 'field'}
      {...(id ? { htmlFor: id } : {})}
      {...(fault ? { validateStatus: 'error' as const, help: <span id={`${id}-fault`}>{fault}</span> } : {})}
      {...(note && !fault ? { extra: <span role="status">{note}</span> } : {})}
      {...(width ? { style: { width } } : {})}
    >
      <Handed />
    </Form.Item>
  );
});

/** What ties an input to what is wrong with it, for those who hear it. */
export const faultOf = (id: string, fault: string | null | undefined) =>
  fault ? { status: 'error' as const, 'aria-invalid': true, 'aria-describedby': `${id}-fault` } : {};
