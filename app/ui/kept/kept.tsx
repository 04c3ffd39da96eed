import { useCallback, useEffect, useState } from "react";
import { useRevalidator } from "react-router";
import { deliver, forget, keptForms, onKept, reach, refusedForms, useLost, type Refused } from "../../outbox";
import { Button } from "#ui/button";

/**
 * What a screen says of itself while the larder cannot be reached, and of taps that wait to be heard: a strip at the
 * foot of every page, and nothing at all while everything is well.
 */
export function Kept() {
  const lost = useLost();
  const [waiting, setWaiting] = useState(0);
  const [refused, setRefused] = useState<readonly Refused[]>([]);
  const { revalidate } = useRevalidator();
  const look = useCallback(async () => {
    setWaiting((await keptForms()).length);
    setRefused(await refusedForms());
  }, []);
  useEffect(() => {
    void look();
    const stop = onKept(() => void look());
    return stop;
  }, [look]);
  useEffect(() => {
    if (lost !== null || waiting === 0) return;
    void deliver().then(async () => {
      if ((await keptForms()).length === 0) await revalidate();
    });
    // Tried again by itself when something stays behind.
    const timer = setInterval(() => void deliver(), 5_000);
    return () => clearInterval(timer);
  }, [lost, waiting, revalidate]);
  if (lost === null && waiting === 0 && refused.length === 0) return null;
  return (
    <div
      role="status"
      className="fixed inset-x-0 bottom-0 z-30 border-t-4 border-amber bg-strip px-5 py-2 text-on-strip max-md:bottom-[4.1rem]"
    >
      <div className="mx-auto flex max-w-[1280px] flex-wrap items-center gap-x-6 gap-y-1">
        {(lost !== null || waiting > 0) && (
          <p className="min-w-0 flex-1">
            {lost !== null && (
              <b className="font-[650]">
                The larder cannot be reached; it last answered at{" "}
                {new Date(lost).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}.{" "}
              </b>
            )}
            {waiting > 0
              ? `${waiting} ${waiting === 1 ? "entry is" : "entries are"} kept on this screen and told to it in their order.`
              : "What you see is from then. What you tap is kept on this screen."}
          </p>
        )}
        {lost !== null && (
          <Button className="!border-on-strip !text-on-strip" onClick={() => void reach()}>
            Try now
          </Button>
        )}
        {refused.map((r) => (
          <p key={r.id} role="alert" className="flex w-full items-center justify-between gap-4">
            <span>
              <b className="font-[650]">Not taken, of {r.path.split("?")[0]}:</b> {r.why}
            </span>
            <Button className="!border-on-strip !text-on-strip" onClick={() => void forget(r.id)}>
              I have seen it
            </Button>
          </p>
        ))}
      </div>
    </div>
  );
}
