import { expect, test } from "vitest";
import { isOwnName, isPassedOn } from "./proxy";

test("a request with what proxies add, or in their old protocol, was passed on", () => {
  const direct = { headers: { host: "127.0.0.1:4310" }, httpVersion: "1.1" };
  expect(isPassedOn(direct)).toBe(false);
  expect(isPassedOn({ ...direct, httpVersion: "1.0" })).toBe(true);
  for (const name of [
    "forwarded",
    "x-forwarded-for",
    "x-forwarded-host",
    "x-forwarded-proto",
    "x-real-ip",
    "via",
  ])
    expect(isPassedOn({ ...direct, headers: { ...direct.headers, [name]: "1.2.3.4" } }), name).toBe(true);
});

test("only names of this machine are its own", () => {
  for (const host of ["localhost", "127.0.0.1:4310", "[::1]:80", "LOCALHOST:1"])
    expect(isOwnName(host)).toBe(true);
  for (const host of [
    undefined,
    "",
    "evil.example",
    "localhost.evil.example",
    "127.0.0.1.evil",
    "127.0.0.1:x",
  ])
    expect(isOwnName(host), host).toBe(false);
});
