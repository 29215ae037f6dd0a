/** The client of the simulated shop: opened, moved and asked over JSON; read as any other logger's stream. */

import { check, type ShopAnswer, type ShopCommand, type ShopQuestion, type ShopReading, type ShopReset } from "@tembrak/core";
import { StreamInstrument, type InstrumentReading } from "./instrument.js";

const BASE = "/api/shop";

/** The shop of a piece. */
function about(piece: string): string {
  return `?piece=${encodeURIComponent(piece)}`;
}

async function post(path: string, body: unknown): Promise<unknown> {
  const response = await fetch(`${BASE}${path}`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`The simulated shop did not answer (${response.status}).`);
  return response.json() as Promise<unknown>;
}

function readingOf(message: unknown): ShopReading | null {
  const checked = check("ShopReading", message);
  return checked.ok ? checked.value : null;
}

/** Null when the server has no shop open for a piece, or there is no server. */
export async function currentShop(piece: string): Promise<ShopReading | null> {
  try {
    const response = await fetch(`${BASE}${about(piece)}`);
    return response.ok ? readingOf(await response.json()) : null;
  } catch {
    return null;
  }
}

/** @throws Error when the server refuses or is not there. */
export async function openShop(reset: ShopReset): Promise<void> {
  await post("/reset", reset);
}

const answered = new Set<(reading: ShopReading) => void>();

/** Hears what the shop answers to a command, sooner than its stream tells it. @returns stops it */
export function onAnswer(hear: (reading: ShopReading) => void): () => void {
  answered.add(hear);
  return () => void answered.delete(hear);
}

/** @throws Error when the server refuses or is not there. */
export async function commandShop(piece: string, command: ShopCommand): Promise<void> {
  const reading = readingOf(await post(`/command${about(piece)}`, command));
  if (reading !== null) for (const hear of answered) hear(reading);
}

/** @throws Error when the server refuses, is not there, or answers what makes no sense. */
export async function askShop(question: ShopQuestion): Promise<ShopAnswer> {
  const checked = check("ShopAnswer", await post(`/ask${about(question.piece)}`, question));
  if (!checked.ok) throw new Error("The simulated shop gave an answer that makes no sense.");
  return checked.value;
}

/** The shop's own stream, and the piece's probe in it as an instrument of the bench. */
export function shopStream(piece: string): StreamInstrument<ShopReading> {
  return new StreamInstrument(
    "simulated shop",
    `${BASE}/stream${about(piece)}`,
    readingOf,
    ({ now_ms, kiln_C, bath_C, oven_C, pieces }): InstrumentReading[] => {
      const own = pieces.find(({ id }) => id === piece);
      return [
        ...(own ? [{ at_ms: now_ms, of: "piece" as const, temperature_C: own.probe_C }] : []),
        { at_ms: now_ms, of: "chamber", temperature_C: kiln_C },
        { at_ms: now_ms, of: "bath", temperature_C: bath_C },
        { at_ms: now_ms, of: "oven", temperature_C: oven_C },
      ];
    },
  );
}
