import { href, Link } from "react-router";
import { DISPOSAL } from "#core/rest";
import { isCan, shapeOf } from "#core/schedule";
import { Button } from "#ui/button";
import { TimeLeft, useNow } from "#ui/clock";
import { Drawer } from "#ui/drawer";
import { keyFor, OneTap } from "#ui/form";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { Part } from "#ui/page";
import { containersWords } from "../../words/load";
import { CAN_LOOKS, JAR_LOOKS } from "../../words/rest";
import { whenWords, type Times } from "../../words/time";
import type { RestData } from "./data";
import { DECIDE_TIME } from "../../words/safety";

type Data = RestData;

const CHOICE_WORDS = {
  chill: "Refrigerate it",
  freeze: "Freeze it",
  repack: "Reprocess it",
  discard: "Throw it out",
  shelve: "Shelve it",
  hold: "Put on hold",
} as const;

/** So many are seen one beside the other; more stay behind a line. */
const FEW = 4;

const ALL_WORDS: Record<keyof typeof CHOICE_WORDS, string> = {
  chill: "Refrigerate them all",
  freeze: "Freeze them all",
  repack: "Reprocess them all",
  discard: "Throw them all out",
  shelve: "Shelve them all",
  hold: "Put them all on hold",
};

/** What did not seal, or was not processed: what is done with each, by when. */
export function Deciding({ open, times, allKey }: { times: Times; open: Data["open"]; allKey: string }) {
  if (open.length === 0) return null;
  const loads = [...new Set(open.map((u) => u.runCode))].map((code) =>
    open.filter((u) => u.runCode === code),
  );
  return (
    <Part title={open.length === 1 ? "One to decide" : `${open.length} to decide`} className="mb-10">
      <div className="space-y-6">
        {loads.map((of) =>
          of.length === 1 ? (
            <Each key={of[0]!.runCode} open={of} times={times} />
          ) : (
            <AllOf key={of[0]!.runCode} open={of} times={times} allKey={allKey} />
          ),
        )}
      </div>
    </Part>
  );
}

/** Several of one load: one press for all of them, and behind a line each by itself. */
function AllOf({ open, times, allKey }: { times: Times; open: Data["open"]; allKey: string }) {
  const now = useNow();
  const [first] = open;
  const { runCode, choices, decideBy } = first!;
  return (
    <section aria-label={`All of run ${runCode}`} className="rounded border-2 border-ink bg-sheet p-5">
      <p className="text-[1.35rem] font-[650]">
        All {open.length} of run <Code>{runCode}</Code>:{" "}
        {open.every((u) => u.why === "failed") ? "did not seal." : "not processed."}
      </p>
      <p className="mb-3">
        {now < decideBy ? (
          <>
            Refrigerate, freeze or reprocess them by <b>{whenWords(decideBy, now, times)}</b>{" "}
            <span className="text-soft">
              (<TimeLeft until={decideBy} /> left)
            </span>
            . Reprocessing starts a new pack: new lids and the full process.
          </>
        ) : (
          <>
            The {DECIDE_TIME} ended {whenWords(decideBy, now, times)}. Throw them out. Do not open or taste
            them.
          </>
        )}
      </p>
      <OneTap
        className="flex flex-wrap gap-2"
        says={{ key: keyFor(allKey, runCode), intent: "decide-all", run: runCode }}
      >
        {choices.map((c) => (
          <Button key={c} name="what" value={c} weight={c === "discard" ? "stop" : "quiet"}>
            {ALL_WORDS[c]}
          </Button>
        ))}
      </OneTap>
      <Disposal />
      {open.length > FEW ? (
        <Drawer title="One by one" className="mt-2">
          <Each open={open} times={times} />
        </Drawer>
      ) : (
        <div className="mt-4">
          <Each open={open} times={times} />
        </div>
      )}
    </section>
  );
}

function Each({ open, times }: { times: Times; open: Data["open"] }) {
  const now = useNow();
  return (
    <ul className={`grid gap-6 ${open.length > 1 ? "lg:grid-cols-2" : ""}`}>
      {open.map((u) => (
        <li key={u.container.id} className="flex items-end gap-5 rounded border-2 border-ink bg-sheet p-5">
          <ContainerGlyph
            shape={shapeOf(u.container.kind, u.container.mouth)}
            state="failed"
            contents={contentsOf(u.container.product, u.species)}
            pattern={patternOf(u.container.packCode)}
            scale={0.8}
            label=""
          />
          <div className="flex-1">
            <p className="text-[1.2rem] font-[650]">
              <Link to={href("/c/:code", { code: u.container.code })} className="text-ink">
                <Code>{u.container.code}</Code>
              </Link>{" "}
              {u.why === "failed" ? "did not seal." : "was not processed."}
            </p>
            <p className="mb-3">
              {now < u.decideBy ? (
                <>
                  Refrigerate, freeze or reprocess it by <b>{whenWords(u.decideBy, now, times)}</b>{" "}
                  <span className="text-soft">
                    (<TimeLeft until={u.decideBy} /> left)
                  </span>
                  . Reprocessing starts a new pack: a new lid and the full process.
                </>
              ) : (
                <>
                  The {DECIDE_TIME} ended {whenWords(u.decideBy, now, times)}. Throw it out. Do not open or
                  taste it.
                </>
              )}
            </p>
            <Choices id={u.container.id} choices={u.choices} formKey={u.container.key} />
            {u.why === "failed" && <AfterAll c={u.container} />}
            <Disposal />
          </div>
        </li>
      ))}
    </ul>
  );
}

/** The wrong one was tapped: it is sound after all, and the newer look counts. */
function AfterAll({ c }: { c: Data["open"][number]["container"] }) {
  const [sound] = isCan(c.kind) ? CAN_LOOKS : JAR_LOOKS;
  return (
    <OneTap says={{ key: c.key, intent: "seal", containerId: c.id }}>
      <Button name="look" value={sound!.key} weight="bare" className="!px-0 !text-left">
        Change to sealed
      </Button>
    </OneTap>
  );
}

function Choices({
  id,
  choices,
  formKey,
}: {
  id: string;
  choices: readonly (keyof typeof CHOICE_WORDS)[];
  formKey: string;
}) {
  return (
    <OneTap className="flex flex-wrap gap-2" says={{ key: formKey, intent: "decide", containerId: id }}>
      {choices.map((c) => (
        <Button key={c} name="what" value={c} weight={c === "discard" ? "stop" : "quiet"}>
          {CHOICE_WORDS[c]}
        </Button>
      ))}
    </OneTap>
  );
}

/** How a doubtful one is thrown out, without an accident. */
export function Disposal({ open = false, how = "closed" }: { open?: boolean; how?: "closed" | "open" }) {
  const { steps, source } = DISPOSAL[how];
  return (
    <Drawer
      title={
        how === "closed" ? "How to throw a closed one out safely" : "How to throw an open one out safely"
      }
      open={open}
    >
      <ol className="list-decimal space-y-1 pl-6">
        {steps.map((s) => (
          <li key={s.what}>
            <b className="font-[650]">{s.what}</b> <span className="text-soft">{s.why}</span>
          </li>
        ))}
      </ol>
      <p className="mt-1 text-[0.92rem] text-soft">{source}.</p>
    </Drawer>
  );
}

/** What was promised for containers that did not seal, with the hour of each. */
export function PromisedPart({
  waiting,
  anew,
  times,
}: {
  times: Times;
  waiting: Data["promised"];
  anew: Data["anew"];
}) {
  const now = useNow();
  if (waiting.length === 0) return null;
  return (
    <Part title="To eat, freeze or reprocess" className="mb-10">
      {anew.map((p) => (
        <p key={p.code} className="mb-3">
          Pack <Code>{p.code}</Code>, to reprocess. Write on the new lids, in the order they stand:{" "}
          <span className="flex flex-wrap gap-x-4 text-[1.15rem]">
            {p.containers.map((c) => (
              <span key={c} className="code font-bold">
                {c}
              </span>
            ))}
          </span>
        </p>
      ))}
      <ul>
        {waiting.map((c) => {
          const late = c.dispositionDue !== null && now > c.dispositionDue;
          return (
            <li
              key={c.id}
              className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2 border-t-2 border-rule py-2"
            >
              <Link to={href("/c/:code", { code: c.code })} className="flex min-h-12 items-center text-ink">
                <Code>{c.code}</Code>
              </Link>
              <span className="flex-1">
                {containersWords(c.kind, c.mouth, 1)}:{" "}
                {c.disposition === "chill" ? (
                  "in the refrigerator, eat"
                ) : c.repackedIn ? (
                  <>
                    its meat is in pack <Code>{c.repackedIn}</Code>, into a canner
                  </>
                ) : (
                  "reprocess, full time,"
                )}{" "}
                by <b>{c.dispositionDue ? whenWords(c.dispositionDue, now, times) : ""}</b>
                {late && <b className="text-stop"> · too late: throw it out. Do not taste it.</b>}
              </span>
              {c.disposition === "chill" && (
                <OneTap
                  className="flex flex-wrap gap-2"
                  says={{ key: c.key, intent: "ate", containerId: c.id }}
                >
                  {!late && (
                    <Button name="what" value="opened">
                      Mark as eaten
                    </Button>
                  )}
                  <Button name="what" value="discarded" weight="bare">
                    Mark as thrown out
                  </Button>
                </OneTap>
              )}
              {c.disposition === "repack" &&
                (c.repackedIn ? (
                  <Button asChild>
                    <Link to={c.kind.startsWith("can-") ? href("/seam") : href("/fire")}>
                      {c.kind.startsWith("can-") ? "Go to Seam" : "Load a canner"}
                    </Link>
                  </Button>
                ) : (
                  <Choices
                    id={c.id}
                    choices={late ? ["discard"] : ["repack", "chill", "freeze", "discard"]}
                    formKey={c.key}
                  />
                ))}
            </li>
          );
        })}
      </ul>
    </Part>
  );
}
