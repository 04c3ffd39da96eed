// The page on which somebody checks a jar against a household's recall list, on any device, without a network. It is one
// file, with the list in it; nothing is fetched and nothing is kept. Built by itself (react-router.config.ts).
import { countOf } from "#core/quantity";
import { readList, type RecallList } from "#core/recall";
import { judgeCode, judgeList, type Answer } from "./judge";
import { isSigned } from "./verify";

const byId = <E extends HTMLElement>(id: string) => document.getElementById(id) as E;
/** As the reader's own device writes days. */
const day = (at: number) => new Date(at).toLocaleDateString(undefined, { dateStyle: "long" });
const steps = JSON.parse(byId("steps").textContent) as string[];

function show(at: HTMLElement, { tone, title, lines }: Answer): void {
  const heading = document.createElement("h2");
  heading.textContent = title;
  at.className = tone;
  at.replaceChildren(
    heading,
    ...lines.map((line) => {
      const p = document.createElement("p");
      p.textContent = line;
      return p;
    }),
  );
}

function begin(first: RecallList): void {
  let list = first;
  const says = () => {
    const count = list.recalled.length;
    const words = count === 0 ? "nothing is recalled" : `${countOf(count, "container")} recalled`;
    byId("made").textContent = `${list.household}, ${day(list.at)}: ${words}.`;
  };
  says();
  byId("check").addEventListener("submit", (event) => {
    event.preventDefault();
    const code = byId<HTMLInputElement>("code").value;
    show(byId("answer"), judgeCode(list, code, steps, Date.now(), day));
  });
  byId("newer").addEventListener("submit", (event) => {
    event.preventDefault();
    const file = byId<HTMLInputElement>("file").files?.[0];
    void (async () => {
      const pasted = byId<HTMLTextAreaElement>("pasted").value;
      const { used, answer } = judgeList(list, pasted.trim() ? pasted : ((await file?.text()) ?? ""), day);
      show(byId("brought"), answer);
      if (!used) return;
      list = used;
      byId("answer").replaceChildren();
      says();
    })();
  });
}

const held = readList(byId("list").textContent);
if (held && isSigned(held.list.publicKey, held.text, held.signature)) begin(held.list);
else {
  for (const form of document.forms) form.hidden = true;
  show(byId("answer"), {
    tone: "stop",
    title: "Do not rely on this page",
    lines: ["Its list was changed after it was signed. Ask for the page again."],
  });
}
