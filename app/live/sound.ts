import { useSyncExternalStore } from "react";
import type { Alarm } from "#core/run";
import { listenersOf } from "../outbox";

/** Tones of each alarm: [hertz, seconds] after one another. Lost pressure falls, a time that is up rises. */
const TONES: Record<Alarm, [number, number][]> = {
  "below-target": [
    [520, 0.22],
    [390, 0.22],
    [290, 0.5],
  ],
  "over-pressure": [
    [1250, 0.09],
    [1250, 0.09],
    [1250, 0.09],
    [1250, 0.09],
    [1250, 0.3],
  ],
  unwatched: [
    [440, 0.15],
    [440, 0.15],
  ],
  "vent-done": [
    [440, 0.2],
    [660, 0.4],
  ],
  "process-done": [
    [523, 0.25],
    [659, 0.25],
    [784, 0.7],
  ],
  "pressure-down": [
    [587, 0.3],
    [440, 0.3],
    [587, 0.3],
  ],
  "lid-time": [
    [392, 0.2],
    [494, 0.35],
  ],
  "check-time": [
    [330, 0.3],
    [440, 0.3],
  ],
};

/** Seconds between two soundings while nobody answers. */
export const AGAIN_S: Record<Alarm, number> = {
  "below-target": 6,
  "over-pressure": 3,
  unwatched: 20,
  "vent-done": 15,
  "process-done": 12,
  "pressure-down": 30,
  "lid-time": 60,
  "check-time": 300,
};

/** Whether this page can sound. `locked`: the browser waits for a touch first. */
export type SoundState = "on" | "off" | "locked";

let audio: AudioContext | null = null;
let wanted = true;
const listeners = listenersOf();
const { tell } = listeners;

/** Made before anybody touches the page: making it takes a tenth of a second on a telephone, and a touch waits for nothing. */
function prepared(): AudioContext {
  audio ??= new AudioContext();
  audio.onstatechange = tell;
  return audio;
}

function touch(): void {
  if (audio?.state !== "running") void prepared().resume().then(tell);
}

/** After a page is alive, ms. */
const PREPARE_AFTER_MS = 1_000;

let started = false;
/** A browser lets a page sound only after a touch: the first one anywhere on it will do. */
export function startSound(): void {
  if (started) return;
  started = true;
  wanted = read("larder-sound") !== "off";
  addEventListener("pointerdown", touch);
  addEventListener("keydown", touch);
  setTimeout(prepared, PREPARE_AFTER_MS);
  tell();
}

export function soundState(): SoundState {
  if (!wanted) return "off";
  return audio?.state === "running" ? "on" : "locked";
}

/** Switches sound on or off on this device. Call it from a press, so that the browser lets the page sound. */
export function switchSound(on: boolean): void {
  wanted = on;
  write("larder-sound", on ? "on" : "off");
  if (on) touch();
  tell();
}

/** Whether this page can sound, truly. */
export function useSound(): SoundState {
  return useSyncExternalStore(listeners.add, soundState, () => "locked");
}

/**
 * Sounds an alarm once.
 * @param loudness 1 to 3
 * @returns false when nothing can be heard
 */
export function sound(alarm: Alarm, loudness: number): boolean {
  if (soundState() !== "on" || !audio) return false;
  const peak = [0.3, 0.3, 0.55, 0.95][loudness] ?? 0.3;
  let at = audio.currentTime;
  for (const [hertz, seconds] of TONES[alarm]) {
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    tone.frequency.value = hertz;
    tone.type = "triangle";
    volume.gain.setValueAtTime(0.0001, at);
    volume.gain.exponentialRampToValueAtTime(peak, at + 0.02);
    volume.gain.exponentialRampToValueAtTime(0.0001, at + seconds);
    tone.connect(volume).connect(audio.destination);
    tone.start(at);
    tone.stop(at + seconds);
    at += seconds + 0.05;
  }
  document.documentElement.dataset.sounded = alarm;
  document.documentElement.dataset.soundedAt = String(Date.now());
  return true;
}

const SPEAKS = "larder-speaks";
/** Whether alarms are spoken on this device: off until somebody switches it on. */
export const speaks = (): boolean => read(SPEAKS) === "on";
export function switchSpeech(on: boolean): void {
  write(SPEAKS, on ? "on" : "off");
  tell();
}
export function useSpeaks(): boolean {
  return useSyncExternalStore(listeners.add, speaks, () => false);
}

/** Says something in the browser's own voice. @returns false when this browser has none */
export function say(words: string): boolean {
  if (typeof speechSynthesis === "undefined") return false;
  speechSynthesis.cancel();
  const spoken = new SpeechSynthesisUtterance(words);
  spoken.lang = "en-US";
  spoken.rate = 0.95;
  speechSynthesis.speak(spoken);
  return true;
}

function read(name: string): string | null {
  try {
    return localStorage.getItem(name);
  } catch {
    return null;
  }
}
function write(name: string, value: string): void {
  try {
    localStorage.setItem(name, value);
  } catch {
    // A browser that keeps nothing: it holds as long as the page.
  }
}
