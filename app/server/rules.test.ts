import { describe, expect, test } from "vitest";
import { altitudeProblem } from "./altitude";
import { cookieValue, screenCookie, themeCookie, whoCookie } from "./cookies";
import { hostRefusal } from "./host";
import { skipOf } from "./page-of";

describe("an altitude somebody could cook at", () => {
  test.each(["2,300 ft", "0", "-1,400 ft", "5,181 m", "17,000 ft"])("%s", (text) =>
    expect(altitudeProblem(text, "us")).toBeNull(),
  );
  test.each([
    ["29,000 ft", "us", /at 29,000 ft; type one from -1,500 ft to 17,000 ft\. Was it 2,900 ft\?/],
    ["8,848 m", "metric", /at 8,848 m; .*If you meant 8,848 ft, type that unit/],
    ["-3,000 ft", "us", /Nobody keeps a kitchen at -3,000 ft/],
    ["2.300 m", "metric", /can be read as 2.3 m or as 2300 m/],
    ["high", "us", /does not read as an altitude/],
    ["12 lb", "us", /measures a weight/],
  ] as const)("%s (%s) is refused with what was probably meant", (text, units, message) =>
    expect(altitudeProblem(text, units)).toMatch(message),
  );
});

test("it listens to this machine only, until there is a passphrase to ask for", () => {
  for (const host of ["127.0.0.1", "::1", "localhost"]) expect(hostRefusal(host, false, false)).toBeNull();
  // Behind a proxy this machine alone is everybody the proxy serves.
  expect(hostRefusal("127.0.0.1", true, false)).toMatch(/TRUST_PROXY would open/);
  for (const host of ["0.0.0.0", "192.168.1.4", "::", "larder.local"]) {
    expect(hostRefusal(host, true, false)).toMatch(/without a passphrase/);
    expect(hostRefusal(host, true, true)).toBeNull();
  }
});

test("a cookie comes back as it was kept, and scripts cannot read it", async () => {
  const kept = await screenCookie.serialize("Küche; dark; x=1");
  expect(kept).toMatch(/HttpOnly; SameSite=Lax/);
  const header = `a=b; ${kept.split(";")[0]}; theme=dark`;
  expect(await cookieValue(screenCookie, header)).toBe("Küche; dark; x=1");
  expect(await cookieValue(whoCookie, header)).toBeNull();
  // Not written by this program, or by an older one.
  expect(await cookieValue(themeCookie, header)).toBeNull();
  expect(await cookieValue(themeCookie, undefined)).toBeNull();
});

test.each([
  ["", 0],
  ["?skip=60", 60],
  ["?skip=75", 60],
  ["?skip=-60", 0],
  ["?skip=1e999", 0],
  ["?skip=many", 0],
  ["?skip=0.5", 0],
])("a long list asked for %s skips %i", (query, skip) =>
  expect(skipOf(new Request(`http://larder.test/field${query}`), 60)).toBe(skip),
);
