/** BMS satellites are counted per box, never over the whole pack: Σ ceil(channels in box ÷ channels per satellite). */
export function satelliteCount(channelsPerBox: readonly number[], channelsPerSatellite: number): number {
  return channelsPerBox.reduce((sum, channels) => sum + Math.ceil(channels / channelsPerSatellite), 0);
}
