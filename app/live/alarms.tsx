import { useEffect, useSyncExternalStore } from "react";
import { href, Link, useLocation, useMatches, useNavigate } from "react-router";
import { countOf } from "#core/quantity";
import { Button } from "#ui/button";
import { deliver, listenersOf, newEntry, putDown } from "../outbox";
import { ALARM_DO, ALARM_SAID, ANSWERS } from "../words/alarm";
import { notify } from "./notify";
import { startListening, useHeard } from "./feed";
import { AGAIN_S, say, sound, speaks, startSound, useSound } from "./sound";
import type { AlarmOfRun } from "./word";

/** What a stove screen sees of its own run, which it knows sooner, and without the larder too. */
let own: { code: string; alarm: AlarmOfRun | null } | null = null;
const listeners = listenersOf();

/** A stove screen says what its own run calls; null when it is left. */
export function callFromStove(next: typeof own): void {
  if (JSON.stringify(next) === JSON.stringify(own)) return;
  own = next;
  listeners.tell();
}

/** Everything that calls and was not answered, the more dangerous first. */
function useCalls(): AlarmOfRun[] {
  const { word } = useHeard();
  const mine = useSyncExternalStore(
    listeners.add,
    () => own,
    () => null,
  );
  const others = (word?.alarms ?? []).filter((a) => a.code !== mine?.code);
  return [...(mine?.alarm ? [mine.alarm] : []), ...others]
    .filter((a) => !a.answered && a.loudness > 0)
    .sort((a, b) => a.order - b.order);
}

/** A page whose head has a place for alarms says so in its `handle`; on others they are shown above everything. */
export interface AlarmPlace {
  alarmsInHead?: boolean;
}

/**
 * Alarms of every run, on every page: they sound, flash, are spoken where somebody wants that, and lead to the canner.
 * Answering one on one screen silences all, since the answer is an event of the run.
 */
export function Alarms() {
  const calls = useCalls();
  const matches = useMatches();
  const first = calls[0] ?? null;
  useEffect(() => {
    startSound();
    startListening();
  }, []);
  useSounding(first);
  useCalledOutside(first);
  useNoticeLeads();
  if (matches.some((m) => (m.handle as AlarmPlace | undefined)?.alarmsInHead)) return null;
  return (
    <div className="sticky top-0 z-40">
      <AlarmLine />
    </div>
  );
}

/** Codes of the runs that call and are not on the page one is at, the more dangerous first. */
function useCallsElsewhere(): AlarmOfRun[] {
  const { pathname } = useLocation();
  return useCalls().filter((a) => pathname !== href("/fire/:code", { code: a.code }));
}

/** The line of an alarm for the head of a page; null while nothing calls from elsewhere. */
export const useAlarmLine = () => (useCallsElsewhere().length > 0 ? <AlarmLine /> : null);

/**
 * The most dangerous alarm of a canner that is not on this page: what is wrong, what to do, and two buttons. It is as
 * high as the line of running clocks, whose place it takes; the next one follows when it is answered.
 */
function AlarmLine() {
  const [first, ...others] = useCallsElsewhere();
  if (!first) return null;
  return (
    <div
      role="alert"
      className="flash flex min-h-12 min-w-0 flex-1 flex-wrap items-center gap-x-4 gap-y-1 bg-sheet px-5 text-ink max-md:basis-full max-md:px-3 max-md:py-2"
    >
      <p className="min-w-[12rem] flex-1 leading-[1.2] max-md:basis-full max-md:text-[1.1rem]">
        <b className="block font-[700] text-stop">
          {first.canner}. {ALARM_SAID[first.alarm](first.pressure, first.minutes)}
        </b>
        {ALARM_DO[first.alarm]}
        {others.length > 0 && ` ${countOf(others.length, "more alarm")}: ${others[0]!.canner}.`}
      </p>
      <span className="flex gap-2 max-md:w-full">
        <Button
          asChild
          weight="stop"
          className="!min-h-12 !px-3 !py-0 text-[1rem] md:whitespace-nowrap max-md:flex-1 max-md:!px-2 max-md:text-[0.94rem]"
        >
          <Link to={href("/fire/:code", { code: first.code })}>Go to {first.canner}</Link>
        </Button>
        <Button
          type="button"
          className="!min-h-12 !px-3 !py-0 text-[1rem] md:whitespace-nowrap max-md:flex-1 max-md:!px-2 max-md:text-[0.94rem]"
          onClick={() => answer(first)}
        >
          Silence: {ANSWERS[first.alarm][0]!.toLowerCase()}
        </Button>
      </span>
    </div>
  );
}

/** Saying what is done about an alarm silences it everywhere. */
function answer(a: AlarmOfRun): void {
  const text = ANSWERS[a.alarm][0]!;
  const body = JSON.stringify({ type: "silence", alarm: a.alarm, text });
  const label = `${a.canner}: ${text}`;
  void putDown(newEntry({ kind: "tap", path: href("/fire/:code/taps", { code: a.code }), body, label })).then(
    deliver,
  );
}

/** Sounds while something calls: louder and oftener the longer nobody comes. */
function useSounding(call: AlarmOfRun | null): void {
  const state = useSound();
  const key = call && `${call.code} ${call.alarm} ${call.since}`;
  const alarm = call?.alarm ?? null;
  const loudness = call?.loudness ?? 0;
  useEffect(() => {
    if (!alarm) return;
    const once = () => {
      sound(alarm, loudness);
      // A browser lets a page shake the device only once it has been touched.
      if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.([300, 120, 300]);
    };
    once();
    const timer = setInterval(once, (AGAIN_S[alarm] / Math.max(1, loudness)) * 1000);
    return () => clearInterval(timer);
  }, [key, alarm, loudness, state]);
  useEffect(() => {
    if (!call || !speaks()) return;
    say(
      `${call.canner}. ${ALARM_SAID[call.alarm](spoken(call.pressure), call.minutes)} ${ALARM_DO[call.alarm]}`,
    );
    // Said once for each call, and again as it grows louder.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the call is a new object with every word
  }, [key, loudness]);
}

/** Pounds as they are said. */
const spoken = (text: string) => text.replace(/ lb$/, " pounds");

const CALLING_ICON =
  "data:image/svg+xml," +
  encodeURIComponent(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32"><rect width="32" height="32" rx="6" fill="#b3261e"/><path d="M16 6v13M16 24v3" stroke="#fff" stroke-width="4"/></svg>',
  );

/** A notice that was pressed leads to its canner. */
function useNoticeLeads(): void {
  const navigate = useNavigate();
  useEffect(() => {
    const lead = ({ data }: MessageEvent<{ to?: string } | null>) => {
      if (data?.to) void navigate(data.to);
    };
    navigator.serviceWorker?.addEventListener("message", lead);
    return () => navigator.serviceWorker?.removeEventListener("message", lead);
  }, [navigate]);
}

/** Calls from a page that is behind others, too: its title and icon, and a notice of the system where that is allowed. */
function useCalledOutside(call: AlarmOfRun | null): void {
  const words = call && `${call.canner}: ${ALARM_SAID[call.alarm](call.pressure, call.minutes)}`;
  const key = call && `${call.code} ${call.alarm} ${call.since}`;
  const code = call?.code ?? null;
  useEffect(() => {
    document.documentElement.dataset.calls = words ?? "";
    if (!words) return;
    const icon = document.querySelector<HTMLLinkElement>("link[rel=icon]");
    const before = icon?.href ?? null;
    if (icon) icon.href = CALLING_ICON;
    const plain = document.title;
    const flash = setInterval(() => {
      document.title = document.title.startsWith("⚠") ? plain : `⚠ ${words}`;
    }, 1_000);
    document.title = `⚠ ${words}`;
    return () => {
      clearInterval(flash);
      document.title = plain;
      if (icon && before) icon.href = before;
    };
  }, [words]);
  useEffect(() => {
    if (!words || document.visibilityState === "visible") return;
    if (typeof Notification === "undefined" || Notification.permission !== "granted") return;
    const takeAway = notify({ words, tag: key!, to: href("/fire/:code", { code: code! }) });
    return takeAway;
  }, [words, key, code]);
}
