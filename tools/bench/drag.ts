import type { Cluster } from '../cluster.ts';
import { onDesignBench } from './openPage.ts';
import { median, type Row } from './row.ts';

/** Moves of the pointer, one a frame or so: three seconds. */
const MOVES = 180;

/** Drags a battery box in the real page and watches frames and long tasks. The database holds the sample. */
export const dragging = (cluster: Cluster, database: string): Promise<Row[]> =>
  onDesignBench(cluster, database, async (page) => {
    const box = page.locator('[data-box="rear"]');
    const at = (await box.boundingBox())!;
    const x = at.x + at.width / 2;
    const y = at.y + at.height / 2;
    await page.mouse.move(x, y);
    await page.mouse.down();
    // As a string: the bundler's helpers do not exist in the page.
    await page.evaluate(`{
      window.tasks = [];
      new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((e) => e.duration))).observe({ type: 'longtask' });
      window.frames = [];
      let last = performance.now();
      const tick = (now) => { window.frames.push(now - last); last = now; requestAnimationFrame(tick); };
      requestAnimationFrame(tick);
    }`);
    for (let i = 0; i < MOVES; i++) {
      await page.mouse.move(x + 40 * Math.sin(i / 14), y + 6 * Math.sin(i / 9));
      await page.waitForTimeout(8);
    }
    await page.mouse.up();
    await page.waitForTimeout(300);
    const { tasks, frames } = (await page.evaluate('({ tasks: window.tasks, frames: window.frames })')) as {
      tasks: number[];
      frames: number[];
    };
    const longest = Math.max(0, ...tasks);
    const fps = 1000 / median(frames);
    return [
      {
        what: `Dragging a box: longest task of the page over ${MOVES} moves`,
        figure: longest > 0 ? `${longest.toFixed(0)} ms (${tasks.length} over 50 ms)` : 'none over 50 ms',
        aim: 'none over 50 ms',
        held: longest <= 50,
      },
      {
        what: 'Dragging a box: frames a second',
        figure: `${fps.toFixed(0)} at the median of ${frames.length}`,
        aim: '≥ 60, as the screen gives them',
        held: fps >= 59,
      },
    ];
  });
