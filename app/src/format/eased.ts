/** What is left of the way of a drawn line at a share of it, 1 … 0, the steeper at first the higher the power: a drawing, not how steel cools. */
export function leftOfWay(share: number, power: number): number {
  return (1 - share) ** power;
}
