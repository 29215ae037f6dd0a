/** A simulated shop with a witness: what was truly so at every second, whatever the screens said. */

import type { PracticeShop, ShopTruth } from "../../core/src/practice/shop.js";

export interface Sample extends ShopTruth {
  readonly at_ms: number;
}

export class Witness {
  readonly samples: Sample[] = [];
  private shop: PracticeShop | null = null;

  constructor(private readonly id: () => string) {}

  /** Follows a shop from now on, a second at a time. */
  readonly watch = (shop: PracticeShop): void => {
    this.shop = shop;
    const advance = shop.advance.bind(shop);
    shop.advance = (duration_s) => {
      for (let left = duration_s; left > 1e-9; left -= 1) {
        advance(Math.min(1, left));
        this.samples.push({ at_ms: shop.now_ms, ...shop.truth(this.id()) });
      }
    };
  };

  now(): Sample {
    if (this.shop === null) throw new Error("no shop is open");
    return { at_ms: this.shop.now_ms, ...this.shop.truth(this.id()) };
  }

  /** Seconds from a moment until something was so; null when it never was. */
  until_s(from_ms: number, isSo: (sample: Sample) => boolean): number | null {
    const found = this.samples.find((sample) => sample.at_ms >= from_ms && isSo(sample));
    return found === undefined ? null : (found.at_ms - from_ms) / 1000;
  }

  /** What was so at a moment. */
  at(at_ms: number): Sample {
    return this.samples.find((sample) => sample.at_ms >= at_ms) ?? this.now();
  }
}
