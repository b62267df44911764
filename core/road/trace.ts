/** Speeds along a use of the vehicle, one sample a second, with the grade it drives on. Speeds in m/s. */
export interface Trace {
  readonly speedMs: Float64Array;
  /** Rise ÷ run at each sample. */
  readonly grade: Float64Array;
}
