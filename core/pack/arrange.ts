/** Static clearance between a box and whatever is round it, mm; common practice. */
export const STATIC_CLEARANCE_MM = 10;
/** Sheet wall plus insulation on every side of a box made here, mm; common practice. */
const BOX_WALL_MM = 6;
/** Room over the modules for busbars, loom and lid, mm; common practice. */
const BOX_HEADROOM_MM = 30;

export interface Size {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface Arrangement {
  readonly along: number;
  readonly across: number;
  readonly layers: number;
  /** The module stands with its length across the vehicle. */
  readonly turned: boolean;
  /** Outside of the box. */
  readonly outer: Size;
  /** How many modules of this kind the space could take at most. */
  readonly most: number;
}

interface Grid {
  along: number;
  across: number;
  layers: number;
  length: number;
  width: number;
  turned: boolean;
}

function gridIn(module: Size, inner: Size, turned: boolean): Grid {
  const length = turned ? module.widthMm : module.lengthMm;
  const width = turned ? module.lengthMm : module.widthMm;
  return {
    along: Math.floor(inner.lengthMm / length),
    across: Math.floor(inner.widthMm / width),
    layers: Math.floor(inner.heightMm / module.heightMm),
    length,
    width,
    turned,
  };
}

const boxRound = (inner: Size): Size => ({
  lengthMm: inner.lengthMm + 2 * BOX_WALL_MM,
  widthMm: inner.widthMm + 2 * BOX_WALL_MM,
  heightMm: inner.heightMm + BOX_WALL_MM + BOX_HEADROOM_MM,
});

/** The space left for modules inside a bay, after clearance, walls and headroom. */
function innerOf(bay: Size, clearanceMm: number): Size {
  const side = 2 * (clearanceMm + BOX_WALL_MM);
  return {
    lengthMm: bay.lengthMm - side,
    widthMm: bay.widthMm - side,
    heightMm: bay.heightMm - 2 * clearanceMm - BOX_WALL_MM - BOX_HEADROOM_MM,
  };
}

/**
 * Lays `count` modules upright in a bay in rows, both ways round, filling width before length before height, and
 * returns the smallest resulting box. `null` when they do not go in; `most` in any case tells what would.
 */
export function arrangeModules(
  module: Size,
  count: number,
  bay: Size,
  clearanceMm = STATIC_CLEARANCE_MM,
): { fits: Arrangement | null; most: number } {
  const inner = innerOf(bay, clearanceMm);
  const grids = [gridIn(module, inner, false), gridIn(module, inner, true)];
  const most = Math.max(0, ...grids.map((g) => Math.max(0, g.along) * Math.max(0, g.across) * Math.max(0, g.layers)));
  if (count <= 0 || count > most) return { fits: null, most };
  let best: Arrangement | null = null;
  for (const grid of grids) {
    if (grid.along * grid.across * grid.layers < count) continue;
    for (let layers = 1; layers <= grid.layers; layers++) {
      const perLayer = Math.ceil(count / layers);
      const across = Math.min(grid.across, perLayer);
      const along = Math.ceil(perLayer / across);
      if (along > grid.along) continue;
      const outer = boxRound({
        lengthMm: along * grid.length,
        widthMm: across * grid.width,
        heightMm: layers * module.heightMm,
      });
      const volume = outer.lengthMm * outer.widthMm * outer.heightMm;
      const bestVolume = best
        ? best.outer.lengthMm * best.outer.widthMm * best.outer.heightMm
        : Number.POSITIVE_INFINITY;
      if (volume < bestVolume) best = { along, across, layers, turned: grid.turned, outer, most };
    }
  }
  return { fits: best, most };
}

/** Steel sheet of 2 mm, kg per m² (density 7850). */
const SHEET_KG_PER_M2 = 15.7;

/** Mass of an empty sheet-steel box of this outside, kg: six faces of 2 mm sheet and a tenth for flanges and fixings. */
export function emptyBoxMassKg({ lengthMm: l, widthMm: w, heightMm: h }: Size): number {
  const areaM2 = (2 * (l * w + l * h + w * h)) / 1e6;
  return areaM2 * SHEET_KG_PER_M2 * 1.1;
}
