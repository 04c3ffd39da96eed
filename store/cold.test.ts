import { describe, expect, test } from "vitest";
import type { LoggerReading } from "#core/cold";
import {
  addColdEntry,
  addProbeReadings,
  coldEntries,
  coldReadings,
  countColdEntries,
  importColdRows,
  MOST_ROWS,
  readLogFile,
  strikeColdEntry,
} from "#store/cold";
import { Refused } from "#store/db";
import { testLarder, TEST_START } from "#store/testing";

const MIN = 60_000;
const how: LoggerReading = { zone: "UTC", dateOrder: "month-first", now: TEST_START, notBefore: null };

/** A file as it arrives: in small pieces that end anywhere. */
async function* arriving(text: string, piece = 37): AsyncIterable<Uint8Array> {
  const bytes = new TextEncoder().encode(text);
  for (let i = 0; i < bytes.length; i += piece) yield bytes.slice(i, i + piece);
}

async function refusal(work: Promise<unknown>): Promise<Record<string, string>> {
  try {
    await work;
  } catch (error) {
    if (error instanceof Refused) return error.fields;
    throw error;
  }
  throw new Error("it was not refused");
}

describe("a logger's file", () => {
  const messy = [
    "﻿Time;Probe;Temp °C",
    "2026-11-19 10:00;ham;8,5",
    "",
    "2026-11-19 10:10;ham;41 F",
    "2026-11-19T09:20:00-01:00;ham;4",
    "someday;ham;4",
    ";;",
    "2026-11-19 10:40;ham;hot",
    "2027-01-01 10:00;ham;4",
    "2026-11-19 10:50;ham;3,9",
  ].join("\r\n");
  test("with semicolons, decimal commas, two units, an offset and blank lines: each line accepted, or refused with its number", async () => {
    const file = await readLogFile(arriving(messy), how, null);
    expect(file.rows.map((r) => [new Date(r.at).toISOString().slice(11, 16), +r.tempC.toFixed(2)])).toEqual([
      ["10:00", 8.5],
      ["10:10", 5],
      ["10:20", 4],
      ["10:50", 3.9],
    ]);
    expect(file.refused).toEqual([
      { line: 6, reason: expect.stringContaining("someday") },
      { line: 8, reason: expect.stringContaining("hot") },
      { line: 9, reason: expect.stringContaining("in the future") },
    ]);
    expect(file.refusedCount).toBe(3);
  });
  test("taken in twice adds nothing", async () => {
    const t = testLarder();
    const { rows } = await readLogFile(arriving(messy), how, null);
    expect(await importColdRows(t.larder, t.write(), t.harvestId, rows)).toEqual({ added: 4, known: 0 });
    expect(await importColdRows(t.larder, t.write(), t.harvestId, rows)).toEqual({ added: 0, known: 4 });
    expect(coldEntries(t.larder, t.harvestId)).toHaveLength(4);
  });
  test("a long one is written in parts and found whole; the page gets its newest, the account all", async () => {
    const t = testLarder();
    const rows = Array.from({ length: 7001 }, (_, i) => ({
      probe: "",
      at: TEST_START - i * MIN,
      tempC: i % 9,
    }));
    const write = t.write();
    expect(await importColdRows(t.larder, write, t.harvestId, rows)).toEqual({ added: 7001, known: 0 });
    // The same form sent twice answers what the first did.
    expect(await importColdRows(t.larder, write, t.harvestId, rows)).toEqual({ added: 7001, known: 0 });
    expect(countColdEntries(t.larder, t.harvestId)).toBe(7001);
    expect(coldReadings(t.larder, t.harvestId)).toHaveLength(7001);
    const newest = coldEntries(t.larder, t.harvestId, 300);
    expect(newest).toHaveLength(300);
    expect(newest.at(-1)!.at).toBe(TEST_START);
    expect(coldReadings(t.larder, t.harvestId)[0]).toEqual([TEST_START - 7000 * MIN, 7000 % 9]);
  });
  test("of two probes asks which hung in this animal, and counts the other's readings as refused", async () => {
    const two = "time,probe,temp_C\n2026-11-19 10:00,A,3\n2026-11-19 10:00,B,9\n2026-11-19 11:00,B,8\n";
    expect(await refusal(readLogFile(arriving(two), how, null))).toEqual({
      probe: expect.stringContaining("2 probes in this file: A, B"),
    });
    expect(await refusal(readLogFile(arriving(two), how, "C"))).toEqual({
      probe: expect.stringContaining("It has: A, B"),
    });
    const file = await readLogFile(arriving(two), how, "a");
    expect(file.rows).toHaveLength(1);
    expect(file.refusedCount).toBe(2);
    expect(file.refused[0]!.reason).toBe("2 readings of the other probe, B.");
  });
  test("empty, without names of columns, or not a table at all: refused with what to do", async () => {
    const why = async (text: string) => (await refusal(readLogFile(arriving(text), how, null))).file;
    expect(await why("")).toBe("This file is empty.");
    expect(await why("\n\n")).toBe("This file is empty.");
    expect(await why("2026-11-19 10:00,3.5\n2026-11-19 10:10,3.4\n")).toMatch(/Put a line above it/);
    expect(await why("PK\u0003\u0004 \u0000\u0001 gibberish")).toMatch(/No column is named time/);
  });
  test("a quote that never closes costs its lines and not the file, and nothing hangs", async () => {
    const file = await readLogFile(
      arriving('time,temp_C\n2026-11-19 10:00,3\n2026-11-19 10:10,"3\n2026-11-19 10:20,3\n'),
      how,
      null,
    ).catch((error: unknown) => error);
    expect(file instanceof Refused || (file as { rows: unknown[] }).rows.length >= 1).toBe(true);
  });
  test(`two million rows are read as they come and refused past ${MOST_ROWS.toLocaleString("en-US")}, long before their end`, async () => {
    let sent = 0;
    async function* endless(): AsyncIterable<Uint8Array> {
      yield new TextEncoder().encode("time,temp_C\n");
      const piece = new TextEncoder().encode("2026-11-19 10:00,3.5\n".repeat(1000));
      for (; sent < 2_000_000; sent += 1000) yield piece;
    }
    expect(await refusal(readLogFile(endless(), how, null))).toEqual({
      file: expect.stringMatching(/more than 100,000 readings.*every few minutes/),
    });
    expect(sent).toBeLessThan(150_000);
  });
});

describe("entries by tap and by probe", () => {
  test("a place, a temperature or both; neither, or tomorrow, is refused at its field", () => {
    const t = testLarder();
    const add = (over: object) =>
      addColdEntry(t.larder, t.write(), {
        harvestId: t.harvestId,
        at: TEST_START,
        tempC: null,
        place: null,
        ...over,
      });
    add({ place: "Meat safe" });
    add({ tempC: 3 });
    expect(coldEntries(t.larder, t.harvestId).map((e) => [e.place, e.tempC])).toEqual([
      ["Meat safe", null],
      [null, 3],
    ]);
    expect(() => add({})).toThrow(/where it is, or how cold/);
    expect(() => add({ tempC: 3, at: TEST_START + MIN })).toThrow(/in the future/);
    expect(() => add({ tempC: 300 })).toThrow(/Read it again/);
  });
  test("a wrong entry is taken back and stays in the record", () => {
    const t = testLarder();
    addColdEntry(t.larder, t.write(), { harvestId: t.harvestId, at: TEST_START, tempC: 30, place: null });
    strikeColdEntry(t.larder, t.write(), coldEntries(t.larder, t.harvestId)[0]!.id);
    expect(coldEntries(t.larder, t.harvestId)).toEqual([]);
    expect(t.larder.sqlite.prepare("select count(*) as n from cold_entry").get()).toEqual({ n: 2 });
    expect(() => t.larder.sqlite.prepare("delete from cold_entry").run()).toThrow(/append-only/);
  });
  test("a probe's batch is taken whole or not at all, each reading once", () => {
    const t = testLarder();
    const reading = (i: number) => ({ id: `r${i}`, at: TEST_START - i * MIN, tempC: 20 - i, probe: "P1" });
    expect(addProbeReadings(t.larder, t.harvestId, [reading(1), reading(2), reading(2)])).toEqual({
      accepted: 2,
      duplicates: 1,
    });
    expect(addProbeReadings(t.larder, t.harvestId, [reading(2), reading(3)])).toEqual({
      accepted: 1,
      duplicates: 1,
    });
    expect(() =>
      addProbeReadings(t.larder, t.harvestId, [reading(4), { ...reading(5), at: TEST_START + 60 * MIN }]),
    ).toThrow(/in the future/);
    expect(coldEntries(t.larder, t.harvestId)).toHaveLength(3);
  });
});
