/** Tones that cut through a blower, a different one for each kind of cue; a voice where the browser has one. */

import type { CueKind } from "./cues.js";

/** Pitch in Hz and length in s, one after the other. Judgement: high and short above a forge's rumble, low for too late. */
const TONES: Readonly<Record<CueKind, readonly (readonly [number, number])[]>> = {
  ready: [
    [880, 0.18],
    [1320, 0.28],
  ],
  look: [[1320, 0.22]],
  now: [
    [1760, 0.14],
    [1760, 0.14],
    [1760, 0.34],
  ],
  late: [
    [330, 0.3],
    [262, 0.5],
  ],
};
const GAP_s = 0.07;
const LOUDNESS = 0.6;

let context: AudioContext | null = null;

/** Plays a cue. Quiet where the browser has no sound, or does not allow it before the first touch. */
export function playCue(kind: CueKind): void {
  if (typeof AudioContext === "undefined") return;
  context ??= new AudioContext();
  // A page that was not touched yet stays mute: that is the browser's rule, and the flash is there.
  void context.resume().catch(() => undefined);
  let at_s = context.currentTime + 0.02;
  for (const [pitch_Hz, length_s] of TONES[kind]) {
    const tone = context.createOscillator();
    const volume = context.createGain();
    tone.type = "square";
    tone.frequency.value = pitch_Hz;
    volume.gain.setValueAtTime(LOUDNESS, at_s);
    volume.gain.exponentialRampToValueAtTime(0.001, at_s + length_s);
    tone.connect(volume).connect(context.destination);
    tone.start(at_s);
    tone.stop(at_s + length_s);
    at_s = at_s + length_s + GAP_s;
  }
}

/** A voice that lives on this machine: one that asks a network is left alone. */
function ownVoice(): SpeechSynthesisVoice | undefined {
  if (typeof speechSynthesis === "undefined") return undefined;
  return speechSynthesis.getVoices().find(({ localService, lang }) => localService && lang.startsWith("en"));
}

export function hasOwnVoice(): boolean {
  return ownVoice() !== undefined;
}

/** Says a cue aloud, by a voice that lives on this machine: one that asks a network is left alone. */
export function sayCue(words: string): void {
  const voice = ownVoice();
  if (voice === undefined) return;
  const said = new SpeechSynthesisUtterance(words);
  said.voice = voice;
  speechSynthesis.cancel();
  speechSynthesis.speak(said);
}
