import { useEffect, useRef, useState } from "react";
import { useFetchers, useNavigation } from "react-router";

/** What takes no longer than this needs no sign, ms. */
const SOON_MS = 200;

/** A line across the top while a page is read or something is sent, when that takes longer than a moment. */
export function Pending() {
  const navigation = useNavigation();
  const busy = useFetchers().some((f) => f.state !== "idle") || navigation.state !== "idle";
  const [long, setLong] = useState(false);
  useEffect(() => {
    if (!busy) return setLong(false);
    const timer = setTimeout(() => setLong(true), SOON_MS);
    return () => clearTimeout(timer);
  }, [busy]);
  useSent(busy);
  if (!long) return null;
  return (
    <div
      role="progressbar"
      aria-label={navigation.formMethod ? "Sending" : "Loading"}
      className="pending fixed inset-x-0 top-0 z-50 h-[6px] bg-copper print:hidden"
    />
  );
}

/** A button that sent something looks pressed until the answer has come. */
function useSent(busy: boolean): void {
  const waiting = useRef(busy);
  useEffect(() => {
    const letGo = () => {
      if (waiting.current) return;
      for (const b of document.querySelectorAll("[data-sent]")) b.removeAttribute("data-sent");
    };
    const mark = (e: SubmitEvent) => {
      e.submitter?.setAttribute("data-sent", "");
      // What never becomes a request (the form was refused on the page) is let go of as well.
      setTimeout(letGo, 1_000);
    };
    document.addEventListener("submit", mark);
    return () => document.removeEventListener("submit", mark);
  }, []);
  useEffect(() => {
    waiting.current = busy;
    if (!busy) for (const b of document.querySelectorAll("[data-sent]")) b.removeAttribute("data-sent");
  }, [busy]);
}
