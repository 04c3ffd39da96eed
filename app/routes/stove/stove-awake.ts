import { useEffect, useRef, useState } from "react";
import { type Alarm, type RunView } from "#core/run";

/** Tones of each alarm: [hertz, seconds] after one another. Lost pressure falls, a time served rises. */
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
const AGAIN_S: Record<Alarm, number> = {
  "below-target": 6,
  "over-pressure": 3,
  unwatched: 20,
  "vent-done": 15,
  "process-done": 12,
  "pressure-down": 30,
  "lid-time": 60,
  "check-time": 300,
};

/** Another canner calls: one deep note, so that it is not taken for this one. */
const ELSEWHERE: [number, number][] = [[196, 0.5]];
const ELSEWHERE_S = 10;

/**
 * What a stove screen does by itself: it stays awake, and sounds each alarm in its own way until it is answered.
 * Silence means all is well. The longer nobody comes, the louder and the oftener. Browsers let a page sound only after a touch; until then the flash stands for it.
 */
export function useStove(alarm: Alarm | null, loudness: RunView["loudness"], elsewhere: boolean) {
  const [soundOn, setSoundOn] = useState(true);
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const stayAwake = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      // Refused on a low battery: the clocks are right all the same when the screen wakes.
      lock = await navigator.wakeLock.request("screen").catch(() => null);
    };
    void stayAwake();
    document.addEventListener("visibilitychange", stayAwake);
    const touch = () => {
      audio.current ??= new AudioContext();
      void audio.current.resume();
    };
    addEventListener("pointerdown", touch);
    addEventListener("keydown", touch);
    return () => {
      document.removeEventListener("visibilitychange", stayAwake);
      removeEventListener("pointerdown", touch);
      removeEventListener("keydown", touch);
      void lock?.release();
    };
  }, []);
  const calls = alarm && loudness > 0 ? alarm : null;
  useEffect(() => {
    if (!soundOn || (!calls && !elsewhere)) return;
    const sound = () => {
      if (audio.current) play(audio.current, calls ? TONES[calls] : ELSEWHERE, calls ? loudness : 1);
      document.documentElement.dataset.sounded = calls ?? "elsewhere";
    };
    sound();
    const every = calls ? AGAIN_S[calls] / Math.max(1, loudness) : ELSEWHERE_S;
    const timer = setInterval(sound, every * 1000);
    return () => clearInterval(timer);
  }, [calls, loudness, elsewhere, soundOn]);
  return { soundOn, setSoundOn };
}

/** @param loudness 1 to 3 */
function play(audio: AudioContext, tones: [number, number][], loudness: number): void {
  const peak = [0.3, 0.3, 0.55, 0.95][loudness] ?? 0.3;
  let at = audio.currentTime;
  for (const [hertz, seconds] of tones) {
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
}
