import { useEffect, useState } from "react";
import { Button } from "#ui/button";
import { useHeard } from "./feed";

/** @returns whether the clock is known now; in words why it was refused */
const tell = async (is: number, byHand: boolean): Promise<boolean | string> => {
  try {
    const answer = await fetch("/clock", {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ is: Math.round(is), byHand }),
    });
    if (answer.status === 403) return ((await answer.json()) as { title: string }).title;
    return answer.ok && ((await answer.json()) as { known: boolean }).known;
  } catch {
    return false;
  }
};
const clock = (at: number) => new Date(at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" });

/** Asks what time it is when the larder cannot know. A screen whose clock agrees with it confirms it by itself. */
export function ClockDoubt() {
  const { word } = useHeard();
  const [asks, setAsks] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const unknown = word?.clockUnknown ?? false;
  useEffect(() => {
    if (!unknown) return setAsks(false);
    void tell(Date.now(), false).then((known) => setAsks(known !== true));
  }, [unknown]);
  if (!unknown || !asks || !word) return null;
  const say = (is: number) =>
    void tell(is, true).then((known) => setRefused(typeof known === "string" ? known : null));
  return (
    <div role="alert" className="border-b-4 border-stop bg-sheet px-5 py-3 text-ink">
      <p className="text-[1.15rem]">
        <b className="font-[700] text-stop">What time is it? Nothing counts until you confirm it.</b> After a
        power cut Patient Larder shows {clock(word.now)}. This device shows {clock(Date.now())}.
      </p>
      <p className="mt-2 flex flex-wrap gap-3">
        <Button type="button" weight="do" onClick={() => say(Date.now())}>
          It is {clock(Date.now())}
        </Button>
        <Button type="button" onClick={() => say(word.now)}>
          It is {clock(word.now)}
        </Button>
      </p>
      {refused && <p className="mt-2 font-[650] text-stop">✕ {refused}</p>}
    </div>
  );
}
