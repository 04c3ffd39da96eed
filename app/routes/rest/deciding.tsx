import { Link } from "react-router";
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
import { whenWords } from "../../words/time";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];

const CHOICE_WORDS = {
  chill: "Chill it",
  freeze: "Freeze it",
  repack: "Pack it anew",
  discard: "Throw it out",
  shelve: "Shelve it",
  hold: "Hold it",
} as const;

/** So many are seen one beside the other; more stay behind a line. */
const FEW = 4;

const ALL_WORDS: Record<keyof typeof CHOICE_WORDS, string> = {
  chill: "Chill them all",
  freeze: "Freeze them all",
  repack: "Pack them all anew",
  discard: "Throw them all out",
  shelve: "Shelve them all",
  hold: "Hold them all",
};

/** What did not seal, or was not processed: what is done with each, by when. */
export function Deciding({ open, zone, allKey }: { zone: string; open: Data["open"]; allKey: string }) {
  if (open.length === 0) return null;
  const loads = [...new Set(open.map((u) => u.runCode))].map((code) =>
    open.filter((u) => u.runCode === code),
  );
  return (
    <Part title={open.length === 1 ? "One to decide" : `${open.length} to decide`} className="mb-10">
      <div className="space-y-6">
        {loads.map((of) =>
          of.length === 1 ? (
            <Each key={of[0]!.runCode} open={of} zone={zone} />
          ) : (
            <AllOf key={of[0]!.runCode} open={of} zone={zone} allKey={allKey} />
          ),
        )}
      </div>
    </Part>
  );
}

/** Several of one load: one press for all of them, and behind a line each by itself. */
function AllOf({ open, zone, allKey }: { zone: string; open: Data["open"]; allKey: string }) {
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
            Chill, freeze or pack them anew before <b>{whenWords(decideBy, now, zone)}</b>{" "}
            <span className="text-soft">
              (<TimeLeft until={decideBy} /> left)
            </span>
            . Packing anew makes their new pack at once: new lids, and the whole process.
          </>
        ) : (
          <>The 24 hours ended {whenWords(decideBy, now, zone)}. Throw them out, unopened and untasted.</>
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
        <Drawer title="Each by itself" className="mt-2">
          <Each open={open} zone={zone} />
        </Drawer>
      ) : (
        <div className="mt-4">
          <Each open={open} zone={zone} />
        </div>
      )}
    </section>
  );
}

function Each({ open, zone }: { zone: string; open: Data["open"] }) {
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
              <Link to={`/c/${u.container.code}`} className="text-ink">
                <Code>{u.container.code}</Code>
              </Link>{" "}
              {u.why === "failed" ? "did not seal." : "was not processed."}
            </p>
            <p className="mb-3">
              {now < u.decideBy ? (
                <>
                  Chill, freeze or pack it anew before <b>{whenWords(u.decideBy, now, zone)}</b>{" "}
                  <span className="text-soft">
                    (<TimeLeft until={u.decideBy} /> left)
                  </span>
                  . Packing anew makes its new pack at once: new lid, and the whole process.
                </>
              ) : (
                <>
                  The 24 hours ended {whenWords(u.decideBy, now, zone)}. Throw it out, unopened and untasted.
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
        A slip: {sound!.label.toLowerCase()} after all
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
  zone,
}: {
  zone: string;
  waiting: Data["promised"];
  anew: Data["anew"];
}) {
  const now = useNow();
  if (waiting.length === 0) return null;
  return (
    <Part title="Promised" className="mb-10">
      {anew.map((p) => (
        <p key={p.code} className="mb-3">
          Pack <Code>{p.code}</Code>, packed anew. Write on the new lids, in the order they stand:{" "}
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
              <Link to={`/c/${c.code}`} className="flex min-h-12 items-center text-ink">
                <Code>{c.code}</Code>
              </Link>
              <span className="flex-1">
                {containersWords(c.kind, c.mouth, 1)}:{" "}
                {c.disposition === "chill" ? (
                  "in the fridge, eat"
                ) : c.repackedIn ? (
                  <>
                    its meat is in pack <Code>{c.repackedIn}</Code>, into a canner
                  </>
                ) : (
                  "pack anew, whole process,"
                )}{" "}
                before <b>{c.dispositionDue ? whenWords(c.dispositionDue, now, zone) : ""}</b>
                {late && <b className="text-stop"> · too late: throw it out, untasted</b>}
              </span>
              {c.disposition === "chill" && (
                <OneTap
                  className="flex flex-wrap gap-2"
                  says={{ key: c.key, intent: "ate", containerId: c.id }}
                >
                  {!late && (
                    <Button name="what" value="opened">
                      It is eaten
                    </Button>
                  )}
                  <Button name="what" value="discarded" weight="bare">
                    Threw it out
                  </Button>
                </OneTap>
              )}
              {c.disposition === "repack" &&
                (c.repackedIn ? (
                  <Button asChild>
                    <Link to={c.kind.startsWith("can-") ? "/seam" : "/fire"}>
                      {c.kind.startsWith("can-") ? "To the bath" : "Into a canner"}
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
