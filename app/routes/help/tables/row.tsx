import { useForm, type SubmissionResult } from "@conform-to/react";
import { Form, href, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/row";
import {
  beginComparing,
  comparingNow,
  decideRow,
  endComparing,
  keepPagePhoto,
  listGuides,
  pagePhotosOf,
  recordComparison,
  standingOf,
} from "#store/guide";
import { PHOTO_LIMIT_BYTES, preparePhoto } from "#store/harvest";
import { activeRuns } from "#store/run";
import { Refused } from "#store/db";
import { readFigure } from "#core/guide";
import {
  figuresAsked,
  PRODUCTS,
  productName,
  publishedFigures,
  type FigureKey,
  type ProductKey,
  type RowFigures,
} from "#core/schedule";
import { Button } from "#ui/button";
import { keyFor, resultOf } from "#ui/form";
import { Page } from "#ui/page";
import { writingOf } from "#store/household";
import { homeContext, type Home } from "../../../server/context";
import { whoCookie } from "../../../server/cookies";
import {
  byIntent,
  formKey,
  isUpload,
  keyField,
  submit,
  submitUpload,
  type Upload,
  wholeFile,
  words,
  writeBy,
} from "../../../server/form";
import { timesOf } from "../../../words/time";
import { standingWords } from "../../../words/guide";
import type { FollowHandle } from "../../../live/follow";
import { CompareForm } from "./compare-form";
import { Compared } from "./compared";

const productOf = (key: string): ProductKey => {
  const product = PRODUCTS.find((p) => p === key);
  if (!product) throw new Response("There is no such row in the tables.", { status: 404 });
  return product;
};

export function loader({ context, params }: Route.LoaderArgs) {
  const { larder, household, me } = context.get(homeContext);
  const product = productOf(params.product);
  const comparing = comparingNow(larder, me.id) === product;
  const standing = standingOf(larder, product);
  const mine = standing.current.some((c) => c.byId === me.id);
  return {
    key: formKey(),
    product,
    name: productName(product),
    asked: figuresAsked(product),
    guides: listGuides(larder),
    comparing,
    state: standing.state,
    words: standingWords(standing),
    by: standing.current.map((c) => c.byName),
    notTwo: standing.notTwo,
    times: timesOf(household),
    // Nobody's figures reach a screen whose person has not typed their own.
    compared: mine && !comparing ? { standing, published: publishedFigures(product) } : null,
    photos: mine && !comparing ? pagePhotosOf(larder, product) : [],
    underWay: mine ? underWay(larder, product) : [],
  };
}

/** Canners that run by this row at the moment, with the minutes they were started with. */
function underWay(larder: Home["larder"], product: ProductKey): { name: string; minutes: number }[] {
  return activeRuns(larder)
    .filter((r) => r.schedule.governing.each.some((p) => p.product === product))
    .map((r) => ({ name: r.cannerName, minutes: r.schedule.governing.minutes }));
}

const keyed = z.object({ key: keyField, intent: z.string() });

export async function action({ request, context, params }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const product = productOf(params.product);
  const here = href("/help/tables/:product", { product });
  const asked = figuresAsked(product);
  if (isUpload(request))
    return submitUpload(request, { photo: pagePhoto(context.get(homeContext), product, here) } as Record<
      string,
      Upload<z.ZodObject>
    >);
  const fields = Object.fromEntries(asked.map((f) => [f.key, z.string().max(40).default("")]));
  return byIntent(request, {
    begin: () =>
      submit(request, keyed, async (v) => {
        beginComparing(larder, writeBy(me, v.key), product);
        // From now on this screen is theirs: what is hidden from them is hidden on it, and on no other that nobody chose.
        return redirect(here, { headers: { "Set-Cookie": await whoCookie.serialize(me.id) } });
      }),
    leave: () =>
      submit(request, keyed, (v) => {
        endComparing(larder, writeBy(me, v.key));
        return redirect(href("/help/tables"));
      }),
    compare: () =>
      submit(
        request,
        keyed.extend({ guideId: z.string("Choose your copy."), page: words("The page", 40), ...fields }),
        (v) => {
          const said = v as unknown as Record<string, string>;
          const wrong: Record<string, string> = {};
          const typed: Partial<Record<FigureKey, number | null>> = {};
          for (const f of asked) {
            const read = readFigure(said[f.key] ?? "", f, writingOf(household));
            if (read.ok) typed[f.key] = read.value;
            else wrong[f.key] = read.message;
          }
          if (Object.keys(wrong).length > 0) throw new Refused(wrong);
          const input = { product, guideId: v.guideId, page: v.page, typed: typed as RowFigures };
          recordComparison(larder, writeBy(me, v.key), input);
          return redirect(here);
        },
      ),
    decide: () =>
      submit(
        request,
        keyed.extend({ kind: z.enum(["keep", "take"]), reason: z.string().max(200).default("") }),
        (v) => {
          decideRow(larder, writeBy(me, v.key), { product, kind: v.kind, reason: v.reason });
          return redirect(here);
        },
      ),
  });
}

const photoSchema = keyed.extend({ guideId: z.string(), photo: z.string().optional() });

const pagePhoto = ({ larder, me }: Home, product: ProductKey, here: string): Upload<typeof photoSchema> => ({
  schema: photoSchema,
  field: "photo",
  limitBytes: PHOTO_LIMIT_BYTES,
  async work(v, file) {
    const bytes = await wholeFile(file);
    if (bytes.length === 0) throw new Refused({ photo: "Choose a photo of the page." });
    const ready = await preparePhoto(bytes, false);
    keepPagePhoto(larder, writeBy(me, v.key), { guideId: v.guideId, product }, ready);
    return redirect(here);
  },
});

export const handle: FollowHandle = { shows: ["guide", "run"] };

export default function Row({ loaderData, actionData }: Route.ComponentProps) {
  const { name, comparing, compared, words: state, by, key, guides, asked } = loaderData;
  const result = actionData?.result;
  return (
    <Page
      title={name}
      lead={
        comparing
          ? "Type what your own copy says. The figures here are hidden from you until you save."
          : state
      }
      aside={
        !comparing && (
          <Button asChild>
            <Link to={href("/help/tables")}>All rows</Link>
          </Button>
        )
      }
    >
      <title>{`${name} · Compare the process tables · Patient Larder`}</title>
      {comparing ? (
        <CompareForm formKey={key} asked={asked} guides={guides} result={resultOf(result, "compare")} />
      ) : compared ? (
        <Compared data={{ ...loaderData, compared }} result={result} />
      ) : (
        <section className="max-w-[44rem] space-y-4 text-[1.1rem]">
          {by.length > 0 && (
            <p>
              {by.join(" and ")} compared this row. What was typed stays hidden until you have typed yours.
            </p>
          )}
          <p>
            Have your guide open at this food before you begin. Until you save or cancel, pages that show
            these figures are closed to you. A canner under way stays open.
          </p>
        </section>
      )}
      {!comparing && (
        <Begin formKey={key} ready={guides.length > 0} again={compared !== null} result={result} />
      )}
    </Page>
  );
}

function Begin({
  formKey: key,
  ready,
  again,
  result,
}: {
  formKey: string;
  ready: boolean;
  again: boolean;
  result: SubmissionResult | undefined;
}) {
  useForm({ id: "begin", lastResult: resultOf(result, "begin") });
  if (!ready)
    return (
      <p className="mt-5">
        <Link to={href("/help/tables")} className="font-[650] text-ink underline underline-offset-4">
          Add your copy of a guide first
        </Link>
      </p>
    );
  return (
    <Form method="post" className="mt-5">
      <input type="hidden" name="key" value={keyFor(key, "begin")} />
      <input type="hidden" name="intent" value="begin" />
      <Button weight={again ? "quiet" : "do"}>{again ? "Compare again" : "Compare with my copy"}</Button>
    </Form>
  );
}
