/** Which rows of a long list are in sight: only those are drawn, and the rest is room. A short list is drawn whole. */

import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useLayoutEffect, useRef, useState, type RefObject } from "react";

/** So many rows are drawn at once without being felt. */
const ALL = 60;
const BEYOND = 12;

export interface Shown<E extends HTMLElement> {
  readonly list: RefObject<E | null>;
  /** Places of the rows to draw, in order. */
  readonly rows: readonly number[];
  /** Room before and after them, px. */
  readonly before_px: number;
  readonly after_px: number;
  /** To put on each row, beside `data-index`: its height is measured. */
  readonly measure: (row: Element | null) => void;
}

/** @param row_px about how high a row is */
export function useShown<E extends HTMLElement>(count: number, row_px: number): Shown<E> {
  const list = useRef<E>(null);
  const [scrollMargin, setMargin] = useState(0);
  useLayoutEffect(() => {
    if (list.current !== null) setMargin(list.current.getBoundingClientRect().top + window.scrollY);
  }, []);
  const virtual = useWindowVirtualizer({ count, estimateSize: () => row_px, overscan: BEYOND, scrollMargin });
  if (count <= ALL) {
    return { list, rows: Array.from({ length: count }, (_, i) => i), before_px: 0, after_px: 0, measure: () => undefined };
  }
  const items = virtual.getVirtualItems();
  const [first, last] = [items[0], items.at(-1)];
  return {
    list,
    rows: items.map(({ index }) => index),
    before_px: first === undefined ? 0 : first.start - scrollMargin,
    after_px: last === undefined ? 0 : virtual.getTotalSize() - (last.end - scrollMargin),
    measure: virtual.measureElement,
  };
}
