import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { countGuess, countSignIn, guessedRight, waitFor } from "./slow";

const MIN = 60_000;

beforeEach(() => void vi.useFakeTimers({ now: Date.UTC(2026, 10, 20, 9) }));
afterEach(() => void vi.useRealTimers());

describe("guesses are slowed", () => {
  test("five wrong passphrases from one address, then a quarter of an hour of nothing", async () => {
    for (let i = 0; i < 5; i++) expect(await countGuess("passphrase", "a")).toBe(0);
    expect(await countGuess("passphrase", "a")).toBe(15 * 60);
    expect(await waitFor("passphrase", "a")).toBe(15 * 60);
    // Asking again does not lengthen it, and time shortens it.
    vi.advanceTimersByTime(14 * MIN);
    expect(await waitFor("passphrase", "a")).toBe(60);
    vi.advanceTimersByTime(MIN + 1);
    expect(await waitFor("passphrase", "a")).toBe(0);
    expect(await countGuess("passphrase", "a")).toBe(0);
  });
  test("another address is not slowed by them, and a right one wipes the slate", async () => {
    for (let i = 0; i < 6; i++) await countGuess("passphrase", "b");
    expect(await waitFor("passphrase", "c")).toBe(0);
    for (let i = 0; i < 4; i++) await countGuess("passphrase", "c");
    await guessedRight("passphrase", "c");
    for (let i = 0; i < 5; i++) expect(await countGuess("passphrase", "c")).toBe(0);
  });
  test("one guesser, however busy, locks nobody else out of signing in", async () => {
    const say = (ip: string, of: "passphrase" | "pairing" = "passphrase") =>
      countSignIn(of, ip, "field", "words").then(
        () => "heard",
        () => "must wait",
      );
    for (let i = 0; i < 10_000; i++) await say("10.0.0.1");
    for (let i = 2; i <= 20; i++) {
      // Nobody is slowed for three slips of their own.
      for (let slip = 0; slip < 3; slip++) expect(await say(`10.0.0.${i}`), `10.0.0.${i}`).toBe("heard");
    }
    // Twenty that guess are slowed together; codes that are shown go on letting devices in.
    for (let i = 2; i <= 20; i++) for (let guess = 0; guess < 10; guess++) await say(`10.0.0.${i}`);
    expect(await say("10.0.0.21")).toBe("must wait");
    expect(await say("10.0.0.21", "pairing")).toBe("heard");
  });
  test("many at once count as many: none slips through while another is looked at", async () => {
    const waits = await Promise.all(Array.from({ length: 40 }, () => countGuess("pin", "Oda")));
    expect(waits.filter((w) => w === 0)).toHaveLength(5);
  });
  test("ten thousand PINs of four figures, five every five minutes, take most of a week", async () => {
    let [tried, minutes] = [0, 0];
    while (minutes < 24 * 60) {
      if ((await countGuess("pin", "Piet")) === 0) tried++;
      else {
        vi.advanceTimersByTime(MIN);
        minutes++;
      }
    }
    expect(tried).toBeGreaterThan(100);
    expect(10_000 / tried).toBeGreaterThan(6.5);
  });
});
