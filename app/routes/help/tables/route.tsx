import { useForm } from "@conform-to/react";
import { href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { addGuide, listGuides, rowStandings } from "#store/guide";
import { packedSoFar } from "#store/pack";
import { productName } from "#core/schedule";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, TextField } from "#ui/form";
import { Page, Part } from "#ui/page";
import { homeContext } from "../../../server/context";
import { formKey, keyField, submit, words, writeBy } from "../../../server/form";
import { standingWords } from "../../../words/guide";
import type { FollowHandle } from "../../../live/follow";
import { progressWords, RowList, type RowLine } from "./progress";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, me } = context.get(homeContext);
  const used = new Set(packedSoFar(larder).map((p) => p.product));
  const rows: RowLine[] = rowStandings(larder).map((s) => ({
    product: s.product,
    name: productName(s.product),
    used: used.has(s.product),
    state: s.state,
    marks: s.state === "confirmed" ? (s.two ? 2 : 1) : 0,
    words: standingWords(s),
    mine: s.current.some((c) => c.byId === me.id),
  }));
  return { key: formKey(), guides: listGuides(larder), rows };
}

const schema = z.object({
  key: keyField,
  title: words("The title"),
  edition: z.coerce.number("Type the year of its edition."),
});

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  return submit(request, schema, (v) => {
    addGuide(larder, writeBy(me, v.key), v);
    return redirect(href("/help/tables"));
  });
}

export const handle: FollowHandle = { shows: ["guide", "pack", "bench"] };

export default function Tables({ loaderData, actionData }: Route.ComponentProps) {
  const { guides, rows, key } = loaderData;
  const used = rows.filter((r) => r.used);
  const first = guides.length === 0;
  return (
    <Page
      title="Compare the process tables"
      lead="Type what your own guide says, row by row, without seeing the figures here. The record then says that you did."
      aside={
        <span className="flex flex-wrap gap-3">
          <Button asChild>
            <Link to={href("/help/offices")}>Office schedules</Link>
          </Button>
          <Button asChild>
            <Link to={href("/help/sources")}>All sources</Link>
          </Button>
        </span>
      }
    >
      <title>Compare the process tables · Patient Larder</title>
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_22rem]">
        <div className="min-w-0 space-y-7">
          <p className="text-[1.35rem] font-[650]">
            {progressWords(used.length > 0 ? used : rows, used.length > 0)}
            <span className="block text-[0.95rem] font-normal text-soft">
              A half square is one person, a full one two, each for themselves.
            </span>
          </p>
          {used.length > 0 && (
            <Part title="Rows you use">
              <RowList rows={used} ready={!first} />
            </Part>
          )}
          <Part title={used.length > 0 ? "Other rows" : "All rows"}>
            <RowList rows={rows.filter((r) => !r.used)} ready={!first} />
          </Part>
        </div>
        <div className={first ? "max-lg:order-first" : ""}>
          <Part title="Your copies">
            {first ? (
              <p className="mb-3">Begin here: which guide do you have in your hand?</p>
            ) : (
              <ul className="mb-3">
                {guides.map((g) => (
                  <li key={g.id} className="border-t-2 border-rule py-2">
                    <b>{g.title}</b>
                    <br />
                    Edition {g.edition}
                  </li>
                ))}
              </ul>
            )}
            {first ? (
              <GuideForm formKey={key} result={actionData?.result} />
            ) : (
              <Drawer title="Add a copy or a newer edition" open={actionData?.result?.status === "error"}>
                <GuideForm formKey={key} result={actionData?.result} />
              </Drawer>
            )}
          </Part>
        </div>
      </div>
    </Page>
  );
}

function GuideForm({
  formKey: key,
  result,
}: {
  formKey: string;
  result: Parameters<typeof useForm>[0]["lastResult"];
}) {
  const [form, fields] = useForm<{ title: string; edition: string }>({
    id: "guide",
    lastResult: result as never,
  });
  return (
    <KeyedForm form={form} formKey={key} className="space-y-3">
      <TextField field={fields.title} label="Title" hint="As it is printed on the cover." />
      <TextField
        field={fields.edition}
        label="Year of the edition"
        hint="On the cover or the page behind the title. Another edition is another copy."
        inputMode="numeric"
        className="max-w-[14rem]"
      />
      <FormErrors form={form} />
      <Button weight="do">Add this copy</Button>
    </KeyedForm>
  );
}
