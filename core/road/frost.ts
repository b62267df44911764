/** The cold day that ranges are also given for, °C. */
export const FROST_C = 0;
/** Part of the usable energy a pack gives at freezing; common practice for a pack that starts cold. */
export const FROST_PACK_SHARE = 0.95;
/** Tyres roll harder at freezing than at 15 °C; common practice. */
export const FROST_ROLLING = 1.1;
/** A battery this far down is due for another life; ranges are also given for it. */
export const AGED_SHARE = 0.8;
