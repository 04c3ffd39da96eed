import { expect, test } from "vitest";
import { newPairingCode, PAIRING_MS, usePairingCode } from "./pairing";

const NOW = Date.UTC(2026, 10, 27, 18);

test("a code signs one device in, once, however it is typed", () => {
  const { code, until } = newPairingCode("p1", "tap", NOW);
  expect(code).toMatch(/^[A-Z0-9]{4}-[A-Z0-9]{4}$/);
  expect(until).toBe(NOW + 300_000);
  expect(usePairingCode(code.toLowerCase().replace("-", " "), NOW + 1)).toEqual({ byId: "p1", may: "tap" });
  expect(usePairingCode(code, NOW + 2)).toMatch(/used already/);
});

test("one that is too old, or was never shown, is told apart and lets nobody in", () => {
  const { code } = newPairingCode("p1", "tap", NOW);
  expect(usePairingCode(code, NOW + PAIRING_MS)).toMatch(/older than 5 minutes/);
  expect(usePairingCode("AAAA-AAAA", NOW)).toMatch(/not a code that is shown/);
  expect(usePairingCode("", NOW)).toMatch(/not a code that is shown/);
});

test("no two are alike", () => {
  const all = Array.from({ length: 500 }, () => newPairingCode("p1", "tap", NOW).code);
  expect(new Set(all).size).toBe(500);
});
