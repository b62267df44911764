import equal from 'fast-deep-equal';
import type { FileComponent } from '../contract/kitFile.ts';
import type { Component } from '../core/component/sheets.ts';
import { formOf } from './tableVerdict.ts';

/** How a component of a file was found in the own catalogue; null: it is not there. */
export interface FileMatch {
  readonly id: string;
  readonly name: string;
  readonly own: Component | null;
  readonly by: 'partNumber' | 'sheet' | 'name' | null;
}

/** What decides what a thing does, whatever it is called and costs. */
const facts = ({ kind, sheet, massKg, lengthMm, widthMm, heightMm }: FileComponent['component']) => ({
  ...{ kind, sheet, massKg, lengthMm, widthMm, heightMm },
});

/**
 * Finds each component of a kit file in the own catalogue: by its part number, then by its sheet with mass and size, then
 * by its name among those of its kind. What is found by name alone may be another thing: a person looks.
 */
export function matchFile(file: readonly FileComponent[], own: Iterable<Component>): FileMatch[] {
  const all = [...own];
  return file.map(({ id, component }): FileMatch => {
    const { name, kind, partNumber } = component;
    const alike = all.filter((one) => one.kind === kind);
    const number = partNumber ? alike.find((one) => one.partNumber === partNumber) : undefined;
    if (number) return { id, name, own: number, by: 'partNumber' };
    const sheet = alike.find((one) => equal(facts(formOf(one)), facts(component)));
    if (sheet) return { id, name, own: sheet, by: 'sheet' };
    const named = alike.find((one) => one.name.toLowerCase() === name.toLowerCase());
    return named ? { id, name, own: named, by: 'name' } : { id, name, own: null, by: null };
  });
}
