import { useForm, type SubmissionResult } from "@conform-to/react";
import { Form, href } from "react-router";
import { figureText, type RowStanding } from "#core/guide";
import type { FigureAsked, ProductKey, RowFigures } from "#core/schedule";
import type { PagePhoto } from "#store/guide";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { FileForm, FormErrors, keyFor, Notice, resultOf, TextField } from "#ui/form";
import { longDay, type Times } from "../../../words/time";

interface Data {
  key: string;
  product: ProductKey;
  asked: readonly FigureAsked[];
  times: Times;
  notTwo: string | null;
  photos: readonly PagePhoto[];
  underWay: readonly { name: string; minutes: number }[];
  compared: { standing: RowStanding; published: RowFigures };
}

/** A row beside what each person's copy says, and what is still to decide. */
export function Compared({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { standing } = data.compared;
  const { state, two, own, kept } = standing;
  const longer = own.some((d) => d.asked.group === "minutes" && d.kind === "safer");
  return (
    <div className="grid gap-x-12 gap-y-7 lg:grid-cols-[1fr_24rem]">
      <div className="min-w-0">
        {state === "confirmed" && (
          <Notice tone="good" className="mb-4">
            <b>Confirmed against your copy{two ? " by two" : ""}.</b>{" "}
            {own.length > 0
              ? "Where your copy asks for more, it is used from now on."
              : kept.length > 0
                ? "Where it differs, the table is kept."
                : "It says the same."}
          </Notice>
        )}
        {longer && data.underWay.length > 0 && (
          <Notice tone="care" className="mb-4">
            <b>A canner is on by the table's time:</b>{" "}
            {data.underWay.map((r) => `${r.name}, ${r.minutes} minutes`).join("; ")}. Run it as long as your
            copy says before you turn the heat off.
          </Notice>
        )}
        {data.notTwo && (
          <Notice tone="care" className="mb-4">
            {data.notTwo}
          </Notice>
        )}
        <Figures data={data} />
      </div>
      <div className="space-y-7">
        {state === "stopped" && <Decide data={data} result={result} />}
        <Pages data={data} result={result} />
      </div>
    </div>
  );
}

function Figures({ data }: { data: Data }) {
  const { standing, published } = data.compared;
  const differing = new Set([...standing.open, ...standing.own, ...standing.kept].map((d) => d.asked.key));
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left">
        <thead>
          <tr className="align-bottom">
            <th className="py-2 pr-4 font-[650]">Figure</th>
            <th className="py-2 pr-4 font-[650] whitespace-nowrap">Table here</th>
            {standing.current.map((c) => (
              <th key={c.id} className="py-2 pr-4 font-[650]">
                {c.byName}
                <span className="block text-[0.85rem] font-normal text-soft">
                  {c.guide.title}, {c.guide.edition}, page {c.page}. {longDay(c.at, data.times)}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {data.asked.map((f) => {
            const other = differing.has(f.key);
            return (
              <tr key={f.key} className="border-t-2 border-rule">
                <th scope="row" className="py-2 pr-4 font-normal">
                  {f.label}
                </th>
                <td className="py-2 pr-4 whitespace-nowrap">{oursText(f, published)}</td>
                {standing.current.map((c) => (
                  <td
                    key={c.id}
                    className={`py-2 pr-4 whitespace-nowrap ${other ? "font-[650] text-stop" : ""}`}
                  >
                    {figureText(f, c.typed[f.key] ?? null)}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** A half-pint without a time of its own takes the pint's. */
const oursText = (f: FigureAsked, published: RowFigures) =>
  f.key === "half-pint" && (published["half-pint"] ?? null) === null
    ? "as the pint"
    : figureText(f, published[f.key] ?? null);

function Decide({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const { whyNotTake, whyNotKeep, open } = data.compared.standing;
  const [form, fields] = useForm<{ reason: string }>({
    id: "decide",
    lastResult: resultOf(result, "decide"),
  });
  return (
    <section aria-labelledby="decide" className="border-l-[6px] border-stop pl-4">
      <h2 id="decide" className="text-[1.2rem] font-[650]">
        This row is stopped
      </h2>
      <p className="mt-1">
        Your copy and the table differ. Nothing is canned by this row until you decide. First check what you
        typed: Compare again replaces it.
      </p>
      <Form method="post" id={form.id} className="mt-3 space-y-3" noValidate>
        <input type="hidden" name="key" value={keyFor(data.key, "decide")} />
        <input type="hidden" name="intent" value="decide" />
        {(!whyNotKeep || !whyNotTake) && (
          <TextField field={fields.reason} label="Why" hint="Kept with the decision." />
        )}
        <FormErrors form={form} />
        {whyNotKeep ? (
          <p>
            <b>Keep the table: not possible.</b> {whyNotKeep}
          </p>
        ) : (
          <Button name="kind" value="keep">
            Keep the table’s {open.length === 1 ? "figure" : "figures"}
          </Button>
        )}
        {whyNotTake ? (
          <p>
            <b>Use your copy: not yet.</b> {whyNotTake}
          </p>
        ) : (
          <Button name="kind" value="take">
            Use what both of you typed
          </Button>
        )}
      </Form>
    </section>
  );
}

function Pages({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const own = resultOf(result, "photo");
  const [form, fields] = useForm<{ photo: string }>({ id: "page-photo", lastResult: own });
  const guide = data.compared.standing.current.at(-1)?.guide;
  if (!guide) return null;
  return (
    <section aria-labelledby="pages">
      <h2 id="pages" className="mb-2 text-[1.06rem] text-soft">
        Photos of the page
      </h2>
      {data.photos.length > 0 && (
        <ul className="mb-2 flex flex-wrap gap-3">
          {data.photos.map((p, i) => (
            <li key={p.id}>
              <a href={href("/help/photos/:id", { id: p.id })}>
                <img
                  src={href("/help/photos/:id", { id: p.id })}
                  alt={`Page, photo ${i + 1}`}
                  loading="lazy"
                  className="h-32 rounded border-2 border-ink object-cover"
                />
              </a>
            </li>
          ))}
        </ul>
      )}
      <Drawer title={data.photos.length ? "Add another photo" : "Add a photo"} open={own?.status === "error"}>
        <FileForm form={form} formKey={keyFor(data.key, "photo")} intent="photo" className="space-y-3 pb-2">
          <input type="hidden" name="guideId" value={guide.id} />
          <TextField
            field={fields.photo}
            label="Photo"
            hint="JPEG, PNG or WebP, up to 12 MB"
            type="file"
            accept="image/jpeg,image/png,image/webp"
          />
          <FormErrors form={form} />
          <Button>Keep photo</Button>
        </FileForm>
      </Drawer>
    </section>
  );
}
