import { Tabs } from 'antd';

/** The looks of one design, in the order in which people ask. */
export const LOOKS = [
  ['layout', 'Layout'],
  ['drive', 'Drive'],
  ['uses', 'Uses and range'],
  ['balance', 'Balance'],
  ['charging', 'Charging'],
  ['electrics', 'Electrics'],
  ['heat', 'Heat'],
  ['compare', 'Side by side'],
  ['search', 'Search for more'],
] as const;
export type LookId = (typeof LOOKS)[number][0];

export const lookOf = (text: string | null): LookId => LOOKS.find(([id]) => id === text)?.[0] ?? 'layout';

/** Which part of the design is looked at. */
export function LookBar({ look, onLook }: { look: LookId; onLook: (look: LookId) => void }) {
  return (
    <Tabs
      size="small"
      aria-label="Parts of the design"
      activeKey={look}
      items={LOOKS.map(([key, label]) => ({ key, label }))}
      onChange={(key) => onLook(lookOf(key))}
    />
  );
}
