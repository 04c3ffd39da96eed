import Database from "better-sqlite3";
import { join } from "node:path";
import { randomFrom } from "#core/random";
import { addresses } from "./addresses";
import { expect, test } from "./server";

/** Requests sent: 20,000 in the long run. */
const REQUESTS = Number(process.env.REQUESTS ?? 500);
const SEED = Number(process.env.SEED ?? 20261126);

const HOSTILE = [
  "",
  " ",
  "0",
  "-1",
  "1e309",
  "NaN",
  "Infinity",
  "9".repeat(400),
  "0x10",
  "½",
  "1 1/4 lb",
  "12 lb 3 oz",
  "-0",
  "null",
  "undefined",
  "true",
  "[]",
  "{}",
  '{"__proto__":{"admin":1}}',
  "__proto__",
  "constructor",
  "toString",
  "\u0000",
  "\uFEFF",
  "\uD800",
  "🫙".repeat(50),
  "Ω≈ç√",
  "‮abc",
  "<script>alert(1)</script>",
  "'; drop table harvest; --",
  "../../larder.db",
  "..\\..\\x",
  "=1+1",
  "%00",
  "%",
  "%E0%A4%A",
  "a".repeat(10_000),
  "2026-02-30",
  "2024-02-29",
  "0000-00-00",
  "9999-12-31T23:59",
  "2026-11-01T01:30",
  "2027-03-14T02:30",
  "1970-01-01",
  "-271821-04-20",
  "AWD-6",
  "RFY-A",
  "ZZZ-Z",
  "00000000-0000-7000-8000-000000000000",
  "on",
  "yes",
  "us",
  "metric",
  "jar-pint",
  "raw",
  "shelved",
];

interface Form {
  path: string;
  multipart: boolean;
  fields: [name: string, value: string][];
}

/** Forms as the pages hold them: what is sent is like what a browser sends, but for what is wrong with it. */
function formsIn(path: string, html: string): Form[] {
  return [...html.matchAll(/<form\b([^>]*)>([\s\S]*?)<\/form>/g)].flatMap(([, head = "", inside = ""]) => {
    if (!/method="post"/i.test(head)) return [];
    const fields = [...inside.matchAll(/<(?:input|select|textarea|button)\b([^>]*)>/g)].flatMap(
      ([, tag = ""]): [string, string][] => {
        const name = /\bname="([^"]*)"/.exec(tag)?.[1];
        return name ? [[name, /\bvalue="([^"]*)"/.exec(tag)?.[1] ?? ""]] : [];
      },
    );
    const action = /\baction="([^"]*)"/.exec(head)?.[1];
    return [
      {
        path: action && !action.startsWith("?") ? action.replaceAll("&amp;", "&") : path,
        multipart: head.includes("multipart"),
        fields,
      },
    ];
  });
}

test(`${REQUESTS} random and hostile requests to every address: none breaks it, and what is refused changes nothing`, async ({
  own,
}) => {
  test.setTimeout(Math.max(600_000, REQUESTS * 120));
  const random = randomFrom(SEED);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const chance = (p: number) => random() < p;
  const larder = new Database(join(own.folder, "larder.db"), { readonly: true });
  const codes = larder.prepare("select code from code_register").pluck().all() as string[];
  const ids = larder
    .prepare(
      "select id from pack union select id from shelf_place union select id from canner union select id from bench",
    )
    .pluck()
    .all() as string[];
  // With the daily backup keys of old writes are forgotten, and the first is signed, whatever is asked meanwhile.
  const counted = larder
    .prepare(
      `select (select count(*) from audit where action <> 'witness.key') + (select count(*) from run_event) + (select count(*) from can_check) + (select count(*) from cold_entry) + (select count(*) from write_key where action <> 'witness.key' and at > ${Date.now() - 29 * 86_400_000})`,
    )
    .pluck();
  const paths = () =>
    addresses(
      chance(0.7)
        ? pick(codes)
        : chance(0.6)
          ? pick(ids)
          : encodeURIComponent(Buffer.from(pick(HOSTILE).slice(0, 300)).toString()),
    );
  const forms: Form[] = [];
  for (const path of [
    ...addresses(codes[0]!),
    ...codes
      .slice(0, 30)
      .flatMap((c) => [`/field/${c}`, `/cold/${c}`, `/larder/open/${c}`, `/larder/recall/${c}`]),
    ...ids.flatMap((i) => [`/pack/${i}`, `/shed/${i}`, `/larder/shelf/${i}`]),
  ]) {
    const answer = await fetch(own.url + path, { redirect: "manual", headers: { Accept: "text/html" } });
    if ((answer.headers.get("content-type") ?? "").startsWith("text/html"))
      forms.push(...formsIn(path, await answer.text()));
    else await answer.body?.cancel();
  }
  expect(new Set(forms.map((f) => f.path)).size).toBeGreaterThan(25);

  const statuses: Record<number, number> = {};
  const broke: string[] = [];
  let refused = 0;
  for (let n = 0; n < REQUESTS; n++) {
    const { path, init, said } = request();
    const before = counted.get() as number;
    const hang = new AbortController();
    const timer = setTimeout(() => hang.abort(), 60_000);
    let answer: Response;
    try {
      answer = await fetch(own.url + path, { ...init, redirect: "manual", signal: hang.signal });
    } catch (error) {
      throw new Error(`request ${n}: ${init.method} ${path.slice(0, 200)} ${said}: ${String(error)}`, {
        cause: error,
      });
    } finally {
      clearTimeout(timer);
    }
    // A stove's line never ends by itself.
    if ((answer.headers.get("content-type") ?? "").startsWith("text/event-stream"))
      await answer.body?.cancel();
    else await answer.arrayBuffer();
    statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
    const what = `request ${n} of seed ${SEED}: ${init.method} ${path.slice(0, 200)} ${said}`;
    if (answer.status >= 500) broke.push(`${answer.status} ${what}`);
    if (broke.length > 20) break;
    if (answer.status >= 400) {
      refused++;
      expect(counted.get(), `${what} was refused with ${answer.status} and changed something`).toBe(before);
    }
  }
  larder.close();
  expect(broke).toEqual([]);
  const verified = (await (await fetch(`${own.url}/api/v1/verify`)).json()) as { broken: unknown[] };
  expect(verified.broken).toEqual([]);
  expect(refused).toBeGreaterThan(REQUESTS / 4);
  expect((statuses[302] ?? 0) + (statuses[200] ?? 0)).toBeGreaterThan(REQUESTS / 20);
  console.log(`${REQUESTS} requests: ${JSON.stringify(statuses)}`);

  function request(): { path: string; init: RequestInit; said: string } {
    const data = chance(0.25) ? ".data" : "";
    if (chance(0.12)) {
      const query = chance(0.5)
        ? `?${new URLSearchParams([[pick(["q", "code", "look", "by", "what", "before", "back", "canner", "pack", "limit", "of", "stock"]), pick(HOSTILE)]]).toString()}`
        : "";
      return {
        path: pick(paths()) + query,
        init: { method: pick(["GET", "GET", "HEAD", "OPTIONS"]) },
        said: query,
      };
    }
    if (chance(0.25)) {
      // To the interface, and to what takes JSON.
      const path = pick(paths().filter((p) => p.startsWith("/api/") || p.endsWith("/taps")));
      const body = chance(0.3) ? pick(HOSTILE) : JSON.stringify(json(3));
      return {
        path,
        init: {
          method: pick(["POST", "POST", "PUT", "DELETE", "PATCH"]),
          headers: { "Content-Type": "application/json" },
          body,
        },
        said: body.slice(0, 300),
      };
    }
    const form = chance(0.85)
      ? pick(forms)
      : { path: pick(paths()), multipart: chance(0.2), fields: [] as [string, string][] };
    const fields = form.fields
      .filter(() => chance(0.9))
      .map(([name, value]): [string, string] =>
        name === "key" && chance(0.9)
          ? [name, crypto.randomUUID()]
          : name === "intent" && chance(0.9)
            ? [name, value]
            : [name, chance(0.55) ? pick(HOSTILE) : value],
      );
    if (chance(0.2))
      fields.push([pick(["key", "intent", "__proto__", "x".repeat(300), "packIds", "id"]), pick(HOSTILE)]);
    if (form.multipart && chance(0.8)) {
      const body = new FormData();
      for (const [name, value] of fields) body.append(name, value);
      body.append(
        pick(["photo", "file", "archive", "log"]),
        new Blob([pick(HOSTILE), pick(HOSTILE)]),
        pick(["a.csv", "../x.jpg", "b.zip", "\u0000"]),
      );
      return { path: form.path, init: { method: "POST", body }, said: JSON.stringify(fields).slice(0, 300) };
    }
    const [bare, query] = form.path.split("?");
    const body = new URLSearchParams(fields).toString();
    const type = chance(0.93)
      ? "application/x-www-form-urlencoded"
      : pick([
          "text/plain",
          "multipart/form-data; boundary=x",
          "multipart/form-data",
          "application/json",
          "x",
        ]);
    return {
      path: `${bare === "/" && data ? "/_root" : bare}${data}${query ? `?${query}` : ""}`,
      init: {
        method: chance(0.97) ? "POST" : pick(["PUT", "DELETE", "PATCH"]),
        headers: { "Content-Type": type },
        body,
      },
      said: `${type} ${body.slice(0, 300)}`,
    };
  }

  function json(deep: number): unknown {
    if (deep === 0 || chance(0.3)) return pick([null, true, 0, -1, 1e308, 0.1, ...HOSTILE]);
    if (chance(0.4)) return Array.from({ length: Math.floor(random() * 4) }, () => json(deep - 1));
    const names = [
      "readings",
      "taps",
      "id",
      "at",
      "gaugeKPa",
      "gaugePsi",
      "tempC",
      "type",
      "kg",
      "mm",
      "lots",
      "canners",
      "container",
      "insideDiameterMm",
      "usableHeightMm",
      "__proto__",
      "x",
    ];
    return Object.fromEntries(
      Array.from({ length: Math.floor(random() * 5) }, () => [pick(names), json(deep - 1)]),
    );
  }
});
