import { href, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import {
  hasPassphrase,
  hasPin,
  issueToken,
  listSessions,
  listTokens,
  endSession,
  RIGHTS,
  setPassphrase,
  setPin,
  revokeToken,
} from "#store/access";
import { REACHES } from "#core/guard";
import { Refused } from "#store/db";
import { letPerson } from "#store/household";
import { listCanners } from "#store/equipment";
import { Page } from "#ui/page";
import { newPairingCode, visitorContext } from "../../../server/access";
import { addresses } from "../../../server/addresses";
import { homeContext } from "../../../server/context";
import { cookieValue, screenCookie } from "../../../server/cookies";
import { qrPath } from "../../../server/qr";
import { servedNow } from "../../../server/served";
import { fingerprintOf, isPrivate, larderName } from "../../../server/tls";
import { byIntent, formKey, keyField, submit, words, writeBy } from "../../../server/form";
import { ConnectPart, type ShownCode } from "./connect";
import { NetworkPart } from "./network";
import { PinsPart } from "./pins";
import { ReachPart } from "./reach";
import { TokensPart } from "./tokens";
import type { FollowHandle } from "../../../live/follow";
import { timesOf } from "../../../words/time";

export async function loader({ request, context }: Route.LoaderArgs) {
  const { larder, people, household } = context.get(homeContext);
  const visitor = context.get(visitorContext);
  return {
    key: formKey(),
    times: timesOf(household),
    passphrase: hasPassphrase(larder),
    network: visitor.network,
    device: visitor.device,
    screen: (await cookieValue(screenCookie, request.headers.get("cookie"))) ?? "",
    addresses: addresses(),
    port: process.env.PORT ?? "4310",
    secure: secureService(),
    sessions: listSessions(larder),
    people: people.map((p) => ({ id: p.id, name: p.name, may: p.may, pin: hasPin(larder, p.id) })),
    tokens: listTokens(larder),
    canners: listCanners(larder).map((c) => ({ id: c.id, name: c.name })),
  };
}

/** How phones connect over https; null where it is served to this machine alone, or behind a proxy. */
function secureService() {
  const service = servedNow();
  if (!service) return null;
  const certificate = service.certificate();
  if (typeof certificate === "string") return { trouble: certificate, fingerprint: null, url: "" };
  // An address the certificate names; where there is none, the name it is announced by.
  const host = addresses().find(isPrivate) ?? `${larderName()}.local`;
  return {
    trouble: certificate.warning,
    fingerprint: certificate.authority && fingerprintOf(certificate.authority),
    url: `http://${host}:${service.port}/connect`,
  };
}

const passphrase = z.object({
  key: keyField,
  intent: z.literal("passphrase"),
  passphrase: z.string({ error: "The passphrase is missing." }),
});
const pin = z.object({
  key: keyField,
  intent: z.literal("pin"),
  personId: z.string(),
  pin: z.string().trim().optional(),
});
const reach = z.object({
  key: keyField,
  intent: z.literal("reach"),
  personId: z.string(),
  may: z.enum(REACHES),
});
const token = z.object({
  key: keyField,
  intent: z.literal("token"),
  name: words("The name", 40),
  right: z.enum(RIGHTS),
  cannerId: z.string().optional(),
});
const pair = z.object({ key: keyField, intent: z.literal("pair"), may: z.enum(REACHES).default("all") });
const one = (intent: string) => z.object({ key: keyField, intent: z.literal(intent), id: z.string() });

export function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = context.get(homeContext);
  const back = () => redirect(href("/household/access"));
  return byIntent(request, {
    passphrase: () =>
      submit(request, passphrase, async (v) => {
        await setPassphrase(larder, writeBy(me, v.key), v.passphrase);
        return back();
      }),
    pair: () =>
      submit(request, pair, ({ may }) => {
        const secure = secureService();
        if (!secure?.url)
          throw new Refused({ "": secure?.trouble ?? "Start it for the network first." }, 409);
        const shown = newPairingCode(me.id, may, larder.now());
        // Behind the # it is sent to nobody before the connection is private.
        return { ...shown, may, url: secure.url, qr: qrPath(`${secure.url}#${shown.code}`) };
      }),
    pin: () =>
      submit(request, pin, async (v) => {
        if (v.personId !== me.id && hasPin(larder, v.personId))
          throw new Refused(
            { pin: "Only who it belongs to changes it: choose them at this screen first." },
            409,
          );
        await setPin(larder, writeBy(me, v.key), v.personId, v.pin || null);
        return back();
      }),
    reach: () =>
      submit(request, reach, (v) => {
        letPerson(larder, writeBy(me, v.key), v.personId, v.may);
        return back();
      }),
    token: () =>
      submit(request, token, (v) => {
        const made = issueToken(larder, writeBy(me, v.key), {
          name: v.name,
          right: v.right,
          cannerId: v.cannerId ?? null,
        });
        return { token: made.token, name: v.name };
      }),
    "token-back": () =>
      submit(request, one("token-back"), (v) => {
        revokeToken(larder, writeBy(me, v.key), v.id);
        return back();
      }),
    "put-out": () =>
      submit(request, one("put-out"), (v) => {
        endSession(larder, writeBy(me, v.key), v.id);
        return back();
      }),
  });
}

export const handle: FollowHandle = { shows: ["access", "person"] };

export default function Keys({ loaderData, actionData }: Route.ComponentProps) {
  const { key, passphrase, people, tokens, canners } = loaderData;
  const result = actionData?.result;
  const done = actionData?.done as { token: string | null; name: string } | ShownCode | null | undefined;
  const made = done && "token" in done ? done : null;
  const code = done && "qr" in done ? done : null;
  return (
    <Page
      title="Sign-in and access"
      lead="Who and what may use this larder. Secrets are stored as hashes and never exported."
    >
      <title>Sign-in and access · Patient Larder</title>
      <div className="grid gap-10 lg:grid-cols-2">
        <div className="space-y-10">
          {loaderData.secure && (
            <ConnectPart
              formKey={key}
              secure={loaderData.secure}
              code={code}
              times={loaderData.times}
              result={result}
            />
          )}
          <NetworkPart formKey={key} set={passphrase} result={result} loaded={loaderData} />
        </div>
        <div className="space-y-10">
          <ReachPart formKey={key} people={people} result={result} />
          <PinsPart formKey={key} people={people} result={result} />
          <TokensPart
            formKey={key}
            tokens={tokens}
            canners={canners}
            times={loaderData.times}
            result={result}
            made={made}
          />
        </div>
      </div>
    </Page>
  );
}
