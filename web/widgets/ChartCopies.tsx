import { Button } from 'antd';
import type { RefObject } from 'react';
import { saveFile } from './saveFile.ts';

/** Copies of a chart: the picture as it stands, and its numbers as a table. */
export function ChartCopies({
  name,
  canvas,
  csv,
}: {
  name: string;
  canvas: RefObject<HTMLCanvasElement | null>;
  csv: () => string;
}) {
  return (
    <div className="chart-copies">
      <Button
        size="small"
        type="text"
        aria-label={`Save ${name} as a picture`}
        onClick={() => canvas.current?.toBlob((blob) => blob && saveFile(`${name}.png`, blob))}
      >
        PNG
      </Button>
      <Button
        size="small"
        type="text"
        aria-label={`Save ${name} as a table`}
        onClick={() => saveFile(`${name}.csv`, new Blob([csv()], { type: 'text/csv' }))}
      >
        CSV
      </Button>
    </div>
  );
}
