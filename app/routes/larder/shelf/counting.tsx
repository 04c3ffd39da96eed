import { useRef, useState } from "react";
import { Form } from "react-router";
import { countOf } from "#core/quantity";
import { readLabel } from "#core/code";
import { Button } from "#ui/button";
import { Notice, keyFor } from "#ui/form";
import { Code } from "#ui/lotmark";
import { Scanner } from "#ui/scanner";
import { codesIn } from "../../../words/codes";
import type { Route } from "./+types/route";

/** Reading what stands there, by camera or by hand, one code after another. */
export function Counting({ data }: { data: Route.ComponentProps["loaderData"] }) {
  const box = useRef<HTMLTextAreaElement>(null);
  const [seen, setSeen] = useState(codesIn(data.typed).length);
  const [says, setSays] = useState<string | null>(null);
  const add = (text: string) => {
    const area = box.current!;
    const { code, household } = readLabel(text);
    // A neighbour's jar may carry a code that names one of ours.
    if (household !== null && household !== data.mark)
      return setSays(`The label of ${code} was printed by another household’s larder: it is left out.`);
    setSays(null);
    if (!codesIn(area.value).includes(code)) area.value = `${area.value.trim()}\n${code}`.trim();
    setSeen(codesIn(area.value).length);
  };
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(0,34rem)_1fr]">
      <Form className="max-w-[34rem]">
        <label>
          <span className="font-[650]">Codes on this shelf</span>
          <span className="block text-[0.92rem] text-soft">One after another. Nothing is changed yet.</span>
          <textarea
            ref={box}
            name="codes"
            rows={5}
            defaultValue={data.typed}
            onChange={(e) => setSeen(codesIn(e.currentTarget.value).length)}
            className="input code mt-1 p-3"
          />
        </label>
        <Button className="mt-2" weight="do">
          Compare{seen ? ` ${seen}` : ""} with the records
        </Button>
      </Form>
      <div>
        <Scanner onRead={add} />
        {says && (
          <Notice tone="stop" className="mt-3">
            {says}
          </Notice>
        )}
      </div>
    </div>
  );
}

/** What was seen against what is written down, and one tap to put the book right. */
export function Difference({
  data,
  count,
}: {
  data: Route.ComponentProps["loaderData"];
  count: NonNullable<Route.ComponentProps["loaderData"]["count"]>;
}) {
  const odd = count.lines.filter((l) => l.what !== "here");
  if (count.agrees)
    return (
      <Notice tone="good" className="mt-5">
        <b>It agrees:</b> {countOf(count.lines.length, "container")}, each as recorded.
      </Notice>
    );
  return (
    <div className="mt-5 rounded border-2 border-ink bg-sheet p-5">
      <p className="text-[1.2rem] font-[650]">
        {countOf(odd.length + count.missing.length, "difference")} from the records
      </p>
      <ul className="my-3">
        {odd.map((l, i) => (
          <li key={i} className="border-t-2 border-rule py-2">
            <Code>{l.code ?? l.typed}</Code> {l.says}
            {l.what === "elsewhere" && ": it will stand here"}
            {l.what === "back" && ": it will stand here again"}
            {l.what === "not" && <b className="text-stop"> · left as it is</b>}
          </li>
        ))}
        {count.missing.length > 0 && (
          <li className="border-t-2 border-rule py-2">
            On record here, but not seen:{" "}
            {count.missing.map((m) => (
              <span key={m.id} className="mr-2">
                <Code>{m.code}</Code>
              </span>
            ))}
          </li>
        )}
      </ul>
      <Form method="post" className="flex flex-wrap gap-3">
        <input type="hidden" name="key" value={keyFor(data.key, "right")} />
        <input type="hidden" name="intent" value="right" />
        <input type="hidden" name="codes" value={data.typed} />
        <Button name="missing" value="missing" weight="do">
          {count.missing.length ? "Update; mark the rest as missing" : "Update records"}
        </Button>
        {count.missing.length > 0 && (
          <Button name="missing" value="opened">
            Update; mark the rest as eaten
          </Button>
        )}
      </Form>
    </div>
  );
}
