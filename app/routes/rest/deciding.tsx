import { Link } from "react-router";
import { DISPOSAL } from "#core/rest";
import { isCan, shapeOf } from "#core/schedule";
import { Button } from "#ui/button";
import { TimeLeft, useNow } from "#ui/clock";
import { Drawer } from "#ui/drawer";
import { OneTap } from "#ui/form";
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

/** What did not seal, or was not processed: what is done with each, by when. */
export function Deciding({ open, zone }: { zone: string; open: Data["open"] }) {
  const now = useNow();
  if (open.length === 0) return null;
  return (
    <Part title={open.length === 1 ? "One to decide" : `${open.length} to decide`} className="mb-10">
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
                    The 24 hours ended {whenWords(u.decideBy, now, zone)}. Throw it out, unopened and
                    untasted.
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
    </Part>
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
export function PromisedPart({ waiting, zone }: { zone: string; waiting: Data["promised"] }) {
  const now = useNow();
  if (waiting.length === 0) return null;
  return (
    <Part title="Promised" className="mb-10">
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
