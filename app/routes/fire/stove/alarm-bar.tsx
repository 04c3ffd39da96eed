import { Button } from "#ui/button";
import { ALARM_WORDS, ANSWERS } from "../../../words/alarm";
import { clockTime } from "../../../words/time";
import type { Tools } from "./data";

/** What calls, and one tap to answer it: saying what is being done about it silences it for a while. */
export function AlarmBar({ data, view, say }: Tools) {
  const { alarm } = view;
  if (!alarm) return null;
  if (view.answered)
    return (
      <p className="mt-3 text-soft">
        {ALARM_WORDS[alarm]}: silenced at {clockTime(view.silenced!.at, data.run.times)}
        {view.silenced!.by && ` by ${view.silenced!.by}`}
        {view.silenced!.reason && `, “${view.silenced!.reason}”`}. It sounds again if this continues.
      </p>
    );
  return (
    <div
      role="group"
      aria-label="Silence the alarm"
      className="mt-3 flex flex-wrap items-center gap-3 border-l-[6px] border-stop pl-4"
    >
      <b className="text-stop">{ALARM_WORDS[alarm]}. Silence alarm:</b>
      {ANSWERS[alarm].map((text) => (
        <Button key={text} type="button" onClick={() => say({ type: "silence", alarm, text })}>
          {text}
        </Button>
      ))}
    </div>
  );
}
