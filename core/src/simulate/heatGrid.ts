/** The heats a belief stands on. */

export const LOWEST_C = 20;
export const HIGHEST_C = 1350;
export const STEP_K = 5;
export const NODES = (HIGHEST_C - LOWEST_C) / STEP_K + 1;

export function heatOfNode_C(i: number): number {
  return LOWEST_C + STEP_K * i;
}
