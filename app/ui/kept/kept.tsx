import { href } from "react-router";
import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import {
  amend,
  deliver,
  entries,
  larderTime,
  onEntries,
  onSender,
  reach,
  senderState,
  startSending,
  takeOff,
  useKeeps,
  useLost,
  type Entry,
} from "../../outbox";
import { clockTime, type Times } from "../../words/time";
import { Button } from "#ui/button";

/** What is said of entries that wait. @param keeps whether this browser keeps them beyond the page */
function waitingWords(n: number, keeps: boolean): string {
  const [entries, theyAre] = n === 1 ? ["1 entry", "it is"] : [`${n} entries`, "they are"];
  return keeps
    ? `${entries} ${n === 1 ? "is" : "are"} saved on this device and will be sent in order.`
    : `${entries} ${n === 1 ? "waits" : "wait"} on this page only: this browser saves nothing. Leave the page open until ${theyAre} sent.`;
}

/** While there is no household, the time is written as the device's zone has it. */
const deviceTimes = (): Times => ({
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  dates: "us",
  hours: 12,
});

const SIGN_IN = { signIn: false };

/** Sending goes on for as long as the page is open, whichever page it is. */
let sending = false;

/**
 * What a screen says of entries that the larder does not have yet, or would not take: a strip at the foot of every page,
 * and nothing at all while everything is well.
 * @param times how the household writes times; null while there is none
 */
export function Kept({ times }: { times: Times | null }) {
  const lost = useLost();
  const { signIn } = useSyncExternalStore(onSender, senderState, () => SIGN_IN);
  const all = useEntries();
  const keeps = useKeeps();
  const waiting = all.filter((e) => e.refused === null && e.heldUntil === 0);
  const refused = all.filter((e) => e.refused !== null);
  const shown = lost !== null || waiting.length > 0 || refused.length > 0;
  const strip = useRoomFor(shown);
  if (!shown) return null;
  return (
    <div
      ref={strip}
      role="status"
      className="fixed inset-x-0 bottom-0 z-30 border-t-4 border-amber bg-strip px-5 py-2 text-on-strip at-foot"
    >
      <div className="mx-auto flex max-w-[1280px] flex-wrap items-center gap-x-6 gap-y-1">
        {(lost !== null || waiting.length > 0) && (
          <p className="min-w-0 flex-1">
            {lost !== null && (
              <b className="font-[650]">
                Can’t reach Patient Larder since {clockTime(larderTime(lost), times ?? deviceTimes())}.{" "}
              </b>
            )}
            {signIn && <b className="font-[650]">Sign in on this screen: nothing is sent before. </b>}
            {waiting.length > 0
              ? waitingWords(waiting.length, keeps)
              : `What you see is from then. ${keeps ? "What you enter is saved on this device." : "This browser saves nothing: leave this page open."}`}
          </p>
        )}
        {signIn && (
          <Button asChild className="!border-on-strip !text-on-strip">
            <a href={`${href("/who")}?back=${encodeURIComponent(location.pathname)}`}>Sign in</a>
          </Button>
        )}
        {lost !== null && (
          <Button className="!border-on-strip !text-on-strip" onClick={() => void reach().then(deliver)}>
            Try now
          </Button>
        )}
        {refused.map((e) => (
          <p key={e.id} role="alert" className="flex w-full flex-wrap items-center justify-between gap-x-4">
            <span>
              <b className="font-[650]">Not recorded: {e.label}.</b> {e.refused}
            </span>
            <span className="flex gap-2">
              {e.failures > 0 && (
                <Button
                  className="!border-on-strip !text-on-strip"
                  onClick={() => void amend(e.id, { refused: null, failures: 0 }).then(deliver)}
                >
                  Send it again
                </Button>
              )}
              <Button asChild className="!border-on-strip !text-on-strip">
                <a href={e.path.replace(/\/taps$/, "")}>Go there to correct it</a>
              </Button>
              <Button className="!border-on-strip !text-on-strip" onClick={() => void takeOff([e.id])}>
                Discard it
              </Button>
            </span>
          </p>
        ))}
      </div>
    </div>
  );
}

/** Leaves room for the strip at the end of the page, so that it covers no button. */
function useRoomFor(shown: boolean) {
  const strip = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const root = document.documentElement;
    const measure = () => root.style.setProperty("--strip-at-foot", `${strip.current?.offsetHeight ?? 0}px`);
    measure();
    if (!shown || !strip.current) return;
    const observer = new ResizeObserver(measure);
    observer.observe(strip.current);
    return () => observer.disconnect();
  }, [shown]);
  return strip;
}

/** Entries of this device as they come and go. */
function useEntries(): readonly Entry[] {
  const [all, setAll] = useState<readonly Entry[]>([]);
  useEffect(() => {
    let gone = false;
    const look = async () => {
      const now = await entries();
      if (!gone) setAll(now);
    };
    void look();
    const stop = onEntries(() => void look());
    if (!sending) {
      sending = true;
      startSending();
    }
    return () => {
      gone = true;
      stop();
    };
  }, []);
  return all;
}
