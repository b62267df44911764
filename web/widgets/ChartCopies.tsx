import { PictureOutlined, TableOutlined } from '@ant-design/icons';
import { Button, Tooltip } from 'antd';
import { CHART } from '../app/theme.ts';
import { saveFile } from './saveFile.ts';

/** The chart on a ground of its own: the drawing itself is see-through, and black on a dark desk could not be read. */
function onPaper(drawn: HTMLCanvasElement): HTMLCanvasElement {
  const paper = document.createElement('canvas');
  paper.width = drawn.width;
  paper.height = drawn.height;
  const pen = paper.getContext('2d');
  if (pen) {
    pen.fillStyle = CHART.sheet;
    pen.fillRect(0, 0, paper.width, paper.height);
    pen.drawImage(drawn, 0, 0);
  }
  return paper;
}

/** Copies of a chart: the picture as it stands, and its numbers as a table. */
export function ChartCopies({
  name,
  canvas,
  csv,
}: {
  name: string;
  canvas: () => HTMLCanvasElement | undefined;
  csv: () => string;
}) {
  return (
    <div className="chart-copies">
      <Tooltip title="Save as a picture">
        <Button
          size="small"
          type="text"
          aria-label={`Save ${name} as a picture`}
          icon={<PictureOutlined />}
          onClick={() => {
            const drawn = canvas();
            if (drawn) onPaper(drawn).toBlob((blob) => blob && saveFile(`${name}.png`, blob));
          }}
        />
      </Tooltip>
      <Tooltip title="Save as a table">
        <Button
          size="small"
          type="text"
          icon={<TableOutlined />}
          aria-label={`Save ${name} as a table`}
          onClick={() => saveFile(`${name}.csv`, new Blob([csv()], { type: 'text/csv' }))}
        />
      </Tooltip>
    </div>
  );
}
