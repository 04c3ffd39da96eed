import { useEffect, useState } from "react";
import { Button } from "#ui/button";
import { useHeard } from "./feed";

const tell = async (is: number, byHand: boolean): Promise<boolean> => {
  try {
    const answer = await fetch("/clock", {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ is: Math.round(is), byHand }),
    });
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
  const unknown = word?.clockUnknown ?? false;
  useEffect(() => {
    if (!unknown) return setAsks(false);
    void tell(Date.now(), false).then((known) => setAsks(!known));
  }, [unknown]);
  if (!unknown || !asks || !word) return null;
  return (
    <div role="alert" className="border-b-4 border-stop bg-sheet px-5 py-3 text-ink">
      <p className="text-[1.15rem]">
        <b className="font-[700] text-stop">What time is it? Nothing counts until you confirm it.</b> After a
        power cut Patient Larder shows {clock(word.now)}. This device shows {clock(Date.now())}.
      </p>
      <p className="mt-2 flex flex-wrap gap-3">
        <Button type="button" weight="do" onClick={() => void tell(Date.now(), true)}>
          It is {clock(Date.now())}
        </Button>
        <Button type="button" onClick={() => void tell(word.now, true)}>
          It is {clock(word.now)}
        </Button>
      </p>
    </div>
  );
}
