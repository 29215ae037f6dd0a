/** Plays one practice piece through the real interface, as a smith of a given temper would, and notes what is said beside what is. */

import type { Page } from "@playwright/test";
import { ambientFromLux, GLOW_KEYS, readGlow } from "../../core/src/colour/glow.js";
import type { Sample, Witness } from "./truth.js";

export interface Spec {
  readonly name: string;
  /** Heated in, judged by: the names of the two keys. */
  readonly school: readonly [RegExp, RegExp];
  readonly steel: string;
  readonly spine_mm: number;
  readonly hardens?: RegExp;
  /** What is looked with beside the magnet. */
  readonly looks: readonly ("colour" | "probe")[];
  /** Left in the fire until so far over what is wanted, K; else out when the screen says so, or at this by the truth at most. */
  readonly over_K: number;
  /** Whether the fire is turned down for the hold. */
  readonly turnsDown: boolean;
  readonly transfer_s: number;
  readonly bath_s: number;
  /** The oven is set so far off what is wanted, K. */
  readonly ovenOff_K: number;
  /** Whether somebody reads the oven. */
  readonly readsOven: boolean;
}

export interface Look {
  readonly act: "heat" | "hold";
  readonly truth_C: number;
  readonly target_C: number;
  readonly mean_C: number;
  readonly low_C: number;
  readonly high_C: number;
  readonly said: string;
  /** What was logged. */
  readonly logged?: string;
}

export interface Played {
  readonly spec: Spec;
  readonly looks: Look[];
  /** Out of the hold so far over, K, and whether anybody said so after the last look. */
  held: { over_K: number; isCalled: boolean } | null;
  /** Seconds after it went in that bending has to stop: said, and true. */
  window: { said_s: number; true_s: number | null; gone_s: number; isLocked: boolean } | null;
  /** From the bath until hand-warm, s, and how hot it was when that was said. */
  handWarm: { said_s: number; true_s: number; then_C: number } | null;
  /** What the card said after each thing that was done. */
  readonly cards: { readonly after: string; readonly said: string; readonly moved: string }[];
  /** Of the same hardness by two screens at one moment. */
  readonly pairs: { readonly when: string; readonly card: string; readonly test: string }[];
  last: { low_HRC: number; high_HRC: number; tester_HRC: number; true_HRC: number } | null;
  readonly contradictions: string[];
}

const LUX = 20;
/** By eye, one deviation, C (the colour note's). */
const EYE_C = 25;

function draws(seed: number): () => number {
  let state = seed % 2147483647 || 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

class Smith {
  readonly played: Played;
  private readonly draw: () => number;
  piece = "";

  constructor(
    private readonly page: Page,
    private readonly base: string,
    private readonly witness: Witness,
    private readonly spec: Spec,
    private readonly seed: number,
  ) {
    this.draw = draws(seed * 7919);
    this.played = { spec, looks: [], held: null, window: null, handWarm: null, cards: [], pairs: [], last: null, contradictions: [] };
  }

  private key(name: RegExp | string) {
    return this.page.getByRole("button", typeof name === "string" ? { name, exact: true } : { name });
  }
  private async text(testId: string): Promise<string> {
    const found = this.page.getByTestId(testId).first();
    return (await found.count()) === 0 ? "" : ((await found.textContent()) ?? "");
  }
  private heading(): Promise<string> {
    return this.page.getByRole("heading", { level: 1 }).innerText();
  }
  private pause(real_ms: number): Promise<void> {
    return this.page.waitForTimeout(real_ms);
  }
  private async speed(to: 1 | 5 | 20 | 100): Promise<void> {
    await this.key(`${to}×`).click();
    await this.page.locator(".shop-speeds button[aria-pressed=true]", { hasText: `${to}×` }).waitFor();
  }
  /** Until the truth is so, looked at as often as a hand could. */
  private async until(isSo: (sample: Sample) => boolean, most_ms = 90_000): Promise<void> {
    for (const end = Date.now() + most_ms; Date.now() < end && !isSo(this.witness.now());) await this.pause(40);
  }

  async plan(): Promise<void> {
    const { page, spec } = this;
    await page.goto(`${this.base}/new`);
    await page.getByLabel("Name", { exact: true }).fill(`Run ${this.seed}`);
    await page.getByRole("combobox", { name: "Steel" }).click();
    await page
      .getByRole("option", { name: new RegExp(`^${spec.steel}\\b`) })
      .first()
      .click();
    await page.getByLabel("Thickness at the spine").fill(`${spec.spine_mm} mm`);
    for (const name of spec.school) await page.getByRole("radio", { name }).click();
    if (spec.hardens !== undefined) await page.getByRole("radio", { name: spec.hardens }).first().click();
    await page.getByRole("radio", { name: /In the simulated shop/ }).click();
    await this.key("Plan its heats").click();
    await page.getByRole("button", { name: "Steps" }).click();
    const holds = page.getByRole("dialog").getByLabel(/^Hold/);
    for (const at of [-1, -2]) await holds.nth(at).fill("30 min");
    await this.key("Keep these steps").click();
    await page.getByRole("dialog").waitFor({ state: "hidden" });
    this.piece = /piece\/([^/]+)/.exec(page.url())![1]!;
    await this.card("planned");
    await this.recordAgrees();
    await this.bench();
    await page.getByRole("heading", { name: "Before the fire" }).waitFor();
    for (const item of await page.getByRole("checkbox").all()) await item.check();
    await this.key("All there: to the fire").click();
    await page.getByRole("heading", { name: "Before the fire" }).waitFor({ state: "hidden" });
    await page.goto(`${this.base}/piece/${this.piece}/bench?seed=${this.seed}`);
    await this.key("Open the simulated shop").click();
  }

  private async bench(): Promise<void> {
    await this.page.getByRole("link", { name: "To the bench" }).click();
    await this.page.waitForURL(/\/bench/);
  }

  /** What the card says, once it has worked it out. */
  private async card(after: string): Promise<void> {
    const { page } = this;
    if (!page.url().endsWith(this.piece)) {
      if (after !== "planned") await this.speed(1);
      await page.getByRole("link", { name: "Card" }).click();
    }
    await page.getByTestId("verdict").waitFor();
    await this.still("verdict");
    this.played.cards.push({ after, said: await this.text("verdict"), moved: await this.text("moved") });
  }

  /** The record of a piece in work has the numbers of its card. */
  private async recordAgrees(): Promise<void> {
    await this.page.goto(`${this.base}/book/${this.piece}`);
    const said = await this.page.getByText(/^By the model it will be/).innerText();
    // The card once more: before, it may have shown the plan of a moment ago.
    await this.page.goto(`${this.base}/piece/${this.piece}`);
    await this.still("verdict");
    const card = await this.text("verdict");
    const numbers = (text: string): number[] => [...text.matchAll(/\d+(?:\.\d+)?/g)].slice(0, 3).map(([n]) => Math.round(Number(n)));
    if (/HRC/.test(card) && numbers(card).join() !== numbers(said).join())
      this.played.contradictions.push(`the record says "${said}", the card "${card}"`);
  }

  /** Until a text has stood for a while. */
  private async still(testId: string): Promise<void> {
    let [last, same] = ["", 0];
    for (let i = 0; i < 60 && same < 5; i++) {
      const now = await this.text(testId);
      same = now === last ? same + 1 : 0;
      last = now;
      await this.pause(200);
    }
  }

  /** The shop's clock runs as fast as the wall's while one looks: a busy machine is not taken for a slow bench. */
  private async look(act: "heat" | "hold", target_C: number, n: number): Promise<Look | null> {
    await this.speed(1);
    const seen = await this.lookNow(act, target_C, n);
    await this.speed(5);
    return seen;
  }

  private async lookNow(act: "heat" | "hold", target_C: number, n: number): Promise<Look | null> {
    const { page, spec } = this;
    const with_ = ["magnet", ...spec.looks][n % (1 + spec.looks.length)];
    if (with_ === "magnet") await this.key(/touch it with the magnet/).click();
    else if (with_ === "probe") await this.key(/probe: log it/).click();
    else await this.colour();
    await this.pause(350);
    const truth_C = this.witness.now().seen_C;
    if (act === "hold") {
      const said = await this.text("held");
      const [, mean, low, high] = /(\d+)°, between (\d+)° and (\d+)°/.exec(said) ?? [];
      if (mean === undefined) return { act, truth_C, target_C, mean_C: NaN, low_C: NaN, high_C: NaN, said };
      return { act, truth_C, target_C, mean_C: Number(mean), low_C: Number(low), high_C: Number(high), said };
    }
    const side = await page.locator(".numeral-side b").first().innerText();
    const said = await page.locator(".to-go").first().innerText();
    const [, low, high] = /(\d+) and (\d+)/.exec(side) ?? [];
    if (low === undefined) return null;
    return {
      act,
      truth_C,
      target_C,
      mean_C: Number(await this.text("numeral")),
      low_C: Number(low),
      high_C: Number(high),
      said,
      logged: await page.locator(".bench-log [role=status]").innerText(),
    };
  }

  /** Names the colour it seems to have: the nearest name to the truth and this eye's error. */
  private async colour(): Promise<void> {
    const seen_C = this.witness.now().seen_C + EYE_C * (this.draw() + this.draw() + this.draw() - 1.5) * 2;
    const names = GLOW_KEYS.flatMap((band) => {
      const read = readGlow(band, ambientFromLux(LUX));
      return read === null ? [] : [{ name: band.name, off: Math.abs(read.mean_C - seen_C) }];
    }).sort((a, b) => a.off - b.off);
    if (names[0]!.off > 60) return;
    await this.page.getByRole("button", { name: /it looks/ }).click();
    await this.page
      .getByRole("dialog")
      .getByRole("button", { name: new RegExp(`^${names[0]!.name} `) })
      .first()
      .click();
    await this.page.getByRole("dialog").waitFor({ state: "hidden" });
  }

  private async heat(title: string): Promise<void> {
    const { spec } = this;
    const target_C = Number(/to (\d+)°/.exec(title)![1]);
    const isHarden = title.startsWith("Harden");
    await this.key(/it is in the (fire|kiln)/).click();
    await this.speed(20);
    await this.until(({ seen_C }) => seen_C > 560);
    await this.speed(5);
    for (let n = 0; n < 80; n++) {
      // A cold bar is not looked at; a heat that matters every few seconds, one that does not now and then.
      const look = await this.look("heat", target_C, n);
      if (look !== null) this.played.looks.push(look);
      const now_C = this.witness.now().seen_C;
      const goal_C = target_C + (isHarden ? spec.over_K : 0);
      if (isHarden && spec.over_K > 0 ? now_C >= goal_C : (look !== null && /^At heat/.test(look.said)) || now_C >= goal_C + 15) break;
      await this.pause(isHarden ? 900 : 1500);
    }
    await this.speed(1);
    await this.key(/^(At heat|Warm right)/).click();
  }

  /** A fire is turned down for a hold, by who knows it. */
  private async setFire(forge_C: number): Promise<void> {
    await this.command({ do: "set", forge_C });
  }
  private async command(body: object): Promise<void> {
    await this.page.evaluate(
      (said) =>
        fetch(`/api/shop/command?piece=${location.pathname.split("/")[2]!}`, {
          method: "POST",
          headers: { "Content-Type": "application/json" },
          body: said,
        }).then(() => undefined),
      JSON.stringify(body),
    );
  }

  private async hold(title: string): Promise<void> {
    const target_C = Number(/at (\d+) °C/.exec(title)![1]);
    const isKiln = (await this.page.getByTestId("held").count()) === 0;
    if (!isKiln && this.spec.turnsDown) await this.setFire(target_C + 15);
    await this.speed(isKiln ? 100 : 5);
    let last: Look | null = null;
    for (let n = 0; n < 200; n++) {
      if (/over/.test(await this.page.locator(".to-go").first().innerText())) break;
      if (isKiln) await this.pause(250);
      else {
        last = await this.look("hold", target_C, n);
        if (last !== null && !Number.isNaN(last.mean_C)) this.played.looks.push(last);
        await this.pause(1800);
      }
    }
    await this.speed(1);
    if (last !== null) {
      const over_K = this.witness.now().seen_C - target_C;
      this.played.held = { over_K, isCalled: /over/.test(last.said) };
    }
    if ((await this.key(/Power is off/).count()) > 0) await this.key(/Power is off/).click();
    await this.out(/^Out/);
  }

  private async out(name: RegExp): Promise<void> {
    await this.key(name).last().click();
    const early = this.page.getByRole("dialog", { name: /too early/ });
    if (await early.isVisible().catch(() => false)) await early.getByRole("button", { name }).click();
  }

  private async quench(): Promise<void> {
    const { spec, witness } = this;
    const from = witness.now().at_ms;
    await this.until(({ at_ms }) => at_ms - from >= 1000 * spec.transfer_s);
    await this.key(/It is in the bath/).click();
    await this.page.getByText(/Simulated, in the bath/).waitFor();
    const in_ms = witness.now().at_ms;
    const isEdge = spec.hardens !== undefined;
    // An edge stays until the back is black, as the screen says.
    await this.until(({ at_ms, hottest_C }) => at_ms - in_ms >= 1000 * spec.bath_s && (!isEdge || hottest_C < 480));
    const keeps = await this.page.locator(".to-go").first().innerText();
    if (isEdge && /whole/.test(keeps)) this.played.contradictions.push(`an edge quench says "${keeps}"`);
    await this.key(/It is out/).click();
    await this.page.getByRole("heading", { name: /^Sight/ }).waitFor();
    await this.pause(2500);
    const said = await this.page.locator(".to-go").first().innerText();
    const gone_s = (witness.now().at_ms - in_ms) / 1000;
    const left = /^(\d+) s to straighten/.exec(said) ?? /^([\d.]+) min to straighten/.exec(said);
    const body_s = witness.until_s(in_ms, ({ bodyMartensite }) => bodyMartensite >= 0.5);
    const isLocked = /Locked/.test(said);
    const { martensite, bodyMartensite } = witness.now();
    if (isLocked && Math.max(martensite, bodyMartensite) < 0.2)
      this.played.contradictions.push(`locked at ${Math.round(100 * Math.max(martensite, bodyMartensite))} % martensite`);
    const said_s = left === null ? NaN : gone_s + Number(left[1]) * (/min/.test(left[0]) ? 60 : 1);
    this.played.window = { said_s, true_s: body_s, gone_s, isLocked };
    await this.key("It is straight").click();
    await this.cool(in_ms);
  }

  private async cool(in_ms: number): Promise<void> {
    await this.speed(20);
    let call: { said_s: number; then_C: number } | null = null;
    for (const end = Date.now() + 240_000; Date.now() < end;) {
      const words = await this.page.locator(".to-go").first().innerText();
      const { at_ms, hottest_C } = this.witness.now();
      if (call === null && /hand-warm by now/.test(words)) call = { said_s: (at_ms - in_ms) / 1000, then_C: hottest_C };
      if (call !== null && hottest_C < 50) break;
      await this.pause(150);
    }
    const true_s = this.witness.until_s(in_ms + 3000, ({ hottest_C }) => hottest_C <= 50);
    if (call !== null && true_s !== null) this.played.handWarm = { ...call, true_s };
    // The window by its own definition is known only now.
    const { window } = this.played;
    if (window !== null && window.true_s === null)
      window.true_s = this.witness.until_s(in_ms, ({ martensite, bodyMartensite }) => Math.max(martensite, bodyMartensite) >= 0.5);
    await this.card("quenched");
    await this.bench();
    await this.key(/It is hand-warm/).click();
  }

  private async firstFile(): Promise<void> {
    await this.page.getByRole("link", { name: "Try the files" }).click();
    await this.still("test-mean");
    await this.key("file 55").click();
    await this.key("Keep this result").click();
    await this.page.waitForURL(/\/bench/);
    await this.card("filed");
    await this.bench();
  }

  private async temper(title: string, n: number): Promise<void> {
    const { page, spec } = this;
    await this.key("It is in the oven").click();
    await page.getByText(/Simulated, in the oven/).waitFor();
    await this.pause(400);
    const target_C = Number(/(\d+) °C/.exec(title)?.[1] ?? NaN);
    if (spec.ovenOff_K !== 0) {
      await this.command({ do: "set", oven_C: target_C + spec.ovenOff_K });
    }
    await this.speed(100);
    await this.pause(3000);
    if (spec.readsOven) {
      await page.getByRole("button", { name: /Oven thermometer reads/ }).click();
      const field = page.getByRole("dialog").getByLabel("Oven thermometer");
      if ((await field.count()) > 0) {
        await field.fill(`${Math.round(this.witness.now().oven_C)}`);
        await this.key("Log it").click();
      }
    }
    await page.locator(".to-go", { hasText: "over. Go on now" }).waitFor({ timeout: 120_000 });
    await this.speed(1);
    await this.out(/Out, and cool to the touch/);
    await page.getByRole("heading", { level: 1 }).filter({ hasNotText: title }).waitFor();
    await this.card(`tempered ${n}`);
    await this.bench();
  }

  private async prove(): Promise<void> {
    await this.page.getByRole("link", { name: "Try the files" }).click();
    await this.still("test-mean");
    const range = await this.text("test-range");
    const numbers = [...range.matchAll(/\d+(?:\.\d+)?/g)].map(Number);
    this.played.pairs.push({
      when: "before the last test",
      card: this.played.cards.at(-1)!.said,
      test: `${await this.text("test-mean")} ${range}`,
    });
    for (let i = 1; i <= 3; i++) {
      await this.key("tester").click();
      await this.pause(400);
    }
    await this.still("test-mean");
    const tester_HRC = Number(await this.text("test-mean"));
    this.played.last = {
      low_HRC: /below/.test(range) ? 0 : numbers[0]!,
      high_HRC: numbers.at(-1)!,
      tester_HRC,
      true_HRC: this.witness.now().hardness_HRC,
    };
    await this.key("Keep this result").click();
    await this.page.waitForURL(/\/book\//);
    const inRecord = await this.page.locator(".verdict-line").innerText();
    await this.page.goto(`${this.base}/piece/${this.piece}`);
    await this.page.getByTestId("verdict").waitFor();
    await this.still("verdict");
    const said = await this.text("verdict");
    this.played.cards.push({ after: "proved", said, moved: await this.text("moved") });
    if (!/^Measured/.test(said)) this.played.contradictions.push(`a measured piece: "${said}"`);
    if (/will be/.test(said)) this.played.contradictions.push(`a finished piece: "${said}"`);
    if (!inRecord.startsWith(said.slice(0, -1))) this.played.contradictions.push(`the record says "${inRecord}", the card "${said}"`);
    const moved = await this.text("moved");
    if (/instead of/.test(moved) && !/by the model/.test(moved)) this.played.contradictions.push(`a measured piece is told "${moved}"`);
  }

  async play(): Promise<Played> {
    await this.plan();
    let tempers = 0;
    for (let i = 0; i < 40; i++) {
      const title = await this.heading();
      if (/^(Warm through|Normalise|Harden)/.test(title)) await this.heat(title);
      else if (/^Hold it/.test(title)) await this.hold(title);
      else if (/^Let it cool in still air/.test(title)) {
        await this.speed(100);
        await this.until(({ hottest_C }) => hottest_C < (/black/.test(title) ? 450 : 45));
        await this.speed(5);
        await this.key(/It is (black|hand-warm)/).click();
      } else if (/into the|bath|Edge|edge/i.test(title) && (await this.key(/It is in the bath/).count()) > 0) await this.quench();
      else if ((await this.key("It is in the oven").count()) > 0) await this.temper(title, ++tempers);
      else if ((await this.page.getByRole("link", { name: "Try the files" }).count()) > 0) {
        if ((await this.key(/Finish it untested/).count()) > 0) {
          await this.prove();
          return this.played;
        }
        await this.firstFile();
      } else throw new Error(`stands at "${title}"`);
      await this.pause(500);
    }
    throw new Error("never came to an end");
  }
}

export function play(page: Page, base: string, witness: Witness, spec: Spec, seed: number): { smith: Smith; done: () => Promise<Played> } {
  const smith = new Smith(page, base, witness, spec, seed);
  return { smith, done: () => smith.play() };
}
