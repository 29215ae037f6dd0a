/** Whether there is room for the wide drawing. */

import useMediaQuery from "@mui/material/useMediaQuery";

export function useWide(): boolean {
  return useMediaQuery("(min-width: 900px)");
}
