import { RowsEditor } from '../../widgets/RowsEditor.tsx';

interface Props {
  readonly value: readonly string[];
  readonly onChange: (value: readonly string[]) => void;
  readonly faults: Readonly<Record<string, string>>;
  readonly disabled: boolean;
}

/** What the kit never includes, so that nobody expects it: it goes on the sheet in the crate. */
export function NeverIncluded({ value, onChange, faults, disabled }: Props) {
  if (disabled)
    return value.length === 0 ? (
      <p className="soft">Nothing is listed.</p>
    ) : (
      <ul>
        {value.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
    );
  return (
    <RowsEditor
      what="thing"
      rows={value.map((text) => ({ text }))}
      fields={[{ key: 'text', label: 'Never included', type: 'text' }]}
      start={() => ({ text: '' })}
      onChange={(rows) => onChange(rows.map(({ text }) => text))}
      faults={Object.fromEntries(Object.entries(faults).map(([at, sentence]) => [`${at}.text`, sentence]))}
    />
  );
}
