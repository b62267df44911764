import type { Component } from '../../core/component/sheets.ts';
import { engineX } from '../../core/design/resolve.ts';
import type { PlacedBox, Slots } from '../../core/figures/slots.ts';

/** A rectangle on a drawing, mm, about its middle. */
export interface DrawnPart {
  readonly key: string;
  readonly label: string;
  readonly kind: 'box' | 'drive';
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly length: number;
  readonly width: number;
  readonly height: number;
  /** Modules do not go in: drawn dashed in red at the size of the bay. */
  readonly tooBig: boolean;
  readonly fitted: boolean;
}

/** Battery boxes and drive of a design as rectangles to draw. */
export function drawnParts(
  { pack, drive, vehicle }: Pick<Slots, 'pack' | 'drive' | 'vehicle'>,
  fitted = true,
): DrawnPart[] {
  const parts: DrawnPart[] = pack.boxes.map((box: PlacedBox) => ({
    key: box.bay.key,
    label: `${box.modules} ${box.bay.name}`,
    kind: 'box',
    x: box.xMm,
    y: box.yMm,
    z: box.zMm,
    length: box.outer?.lengthMm ?? box.bay.lengthMm,
    width: box.outer?.widthMm ?? box.bay.widthMm,
    height: box.outer?.heightMm ?? box.bay.heightMm,
    tooBig: box.outer === null,
    fitted,
  }));
  if (drive.unit) {
    const unit: Component = drive.unit;
    const { variant, figures } = vehicle;
    const onAxle = drive.unit.sheet.output === 'halfShafts';
    const x = onAxle ? (variant.drivenAxle === 'front' ? 0 : figures.wheelbase.value) : engineX(variant);
    parts.push({
      key: 'drive',
      label: 'drive',
      kind: 'drive',
      x,
      y: 0,
      z: figures.groundClearance.value + 250,
      length: unit.lengthMm,
      width: unit.widthMm,
      height: unit.heightMm,
      tooBig: false,
      fitted,
    });
  }
  return parts;
}
