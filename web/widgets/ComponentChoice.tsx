import { Select } from 'antd';
import { useDeferredValue, useId, useMemo, useState } from 'react';
import { componentAddress } from '../../contract/components.ts';
import type { LibraryComponent } from '../../contract/library.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { bringToHand, type Shelves, useOfAddress } from '../data/resources.ts';
import type { ChoiceProps } from './Choice.tsx';
import { faultOf, Labelled } from './Labelled.tsx';

/** From so many letters on the catalogue beyond what is at hand is searched. */
const LEAST_WORD = 2;

interface Props extends Omit<ChoiceProps<string>, 'options'> {
  readonly shelves: Shelves;
  /** Of these kinds; of all without. */
  readonly kinds?: readonly ComponentKind[];
  /** Those at hand that are not offered. */
  readonly without?: (part: LibraryComponent) => boolean;
  /** How one is called in the list. @default its name */
  readonly say?: (part: LibraryComponent) => string;
}

const nameOf = ({ name }: LibraryComponent) => name;
const NONE = () => false;

/** A component from what is at hand; a word typed finds it in the rest of the catalogue too, and brings it to hand. */
export function ComponentChoice({
  label,
  value,
  shelves,
  kinds,
  without = NONE,
  say = nameOf,
  onChange,
  fault,
  hideLabel,
  mayBeEmpty,
  placeholder,
  disabled,
}: Props) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const word = useDeferredValue(typed.trim());
  const wanted = kinds?.join(' ');
  const { beyond, components } = shelves.data;
  const more = (kinds ?? Object.keys(beyond)).some((kind) => (beyond[kind as ComponentKind] ?? 0) > 0);
  const params = more && word.length >= LEAST_WORD ? { word } : null;
  const [only] = kinds ?? [];
  const ofKind = useOfAddress(
    componentAddress.choose,
    params && only && kinds?.length === 1 ? { ...params, kind: only } : null,
  );
  const ofAll = useOfAddress(componentAddress.find, params && kinds?.length !== 1 ? params : null);
  const found = ofKind.data ?? ofAll.data;
  const options = useMemo(() => {
    const may = (kind: ComponentKind) => !wanted || wanted.split(' ').includes(kind);
    const here = components
      .filter((part) => may(part.kind) && !without(part))
      .map((part) => ({ value: part.id, label: say(part), find: `${part.name} ${part.partNumber ?? ''}` }));
    const beyondHand = (found ?? [])
      .filter((one) => may(one.kind) && !shelves.components.has(one.id))
      .map((one) => ({ value: one.id, label: one.name, find: `${one.name} ${one.partNumber} ${one.supplier}` }));
    return [...here, ...beyondHand];
  }, [components, shelves, found, wanted, without, say]);
  const pick = async (next: string | undefined) => {
    setTyped('');
    // What cannot be had is chosen all the same: the page then says that the library does not have it.
    if (next && !shelves.components.has(next)) await bringToHand(next).catch(() => {});
    onChange(next ?? null);
  };
  return (
    <Labelled label={label} id={id} fault={fault} hideLabel={hideLabel}>
      <Select<string>
        id={id}
        value={value}
        disabled={disabled ?? false}
        showSearch={{ optionFilterProp: 'find', onSearch: setTyped }}
        allowClear={mayBeEmpty ?? false}
        placeholder={placeholder ?? 'Choose'}
        options={options}
        popupMatchSelectWidth={false}
        {...faultOf(id, fault)}
        onChange={(next) => void pick(next)}
        style={{ width: '100%' }}
      />
    </Labelled>
  );
}
