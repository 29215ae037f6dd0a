/** Moves labels apart so that none covers another: places along a line, their order kept. @param least from the middle of one to that of the next */
export function spreadOut(ys: readonly number[], least: number): number[] {
  const order = ys.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
  for (let pass = 0; pass < 20; pass++) {
    for (let k = 1; k < order.length; k++) {
      const gap = order[k]!.y - order[k - 1]!.y;
      if (gap < least) {
        order[k - 1]!.y -= (least - gap) / 2;
        order[k]!.y += (least - gap) / 2;
      }
    }
  }
  const out = [...ys];
  for (const { y, i } of order) out[i] = y;
  return out;
}
