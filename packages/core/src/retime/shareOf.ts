/** Of `from` old and `to` new things the one that the i-th goes to, from 0: round(i·(to−1)/(from−1)), halves up. */
export const shareOf = (index: number, from: number, to: number): number =>
  from === 1 ? 0 : Math.floor((2 * index * (to - 1) + (from - 1)) / (2 * (from - 1)));
