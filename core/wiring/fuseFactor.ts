/** A fuse carries this much more than the steady current (trade §5.11). */
export const FUSE_FACTOR = 1.25;
