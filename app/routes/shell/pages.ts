import type { Address } from "../../address";

/** A page that can be gone to: its name, its address, and other words people look for it by. */
export type PageEntry = readonly [name: string, to: Address, also: string];

/** Every page, by what it belongs to, in the order of the work. The palette and the page of all pages are made from it. */
export const PAGES: readonly { title: string; pages: readonly PageEntry[] }[] = [
  {
    title: "Today",
    pages: [
      ["Today", "/", "what is next"],
      ["Can something, step by step", "/can", "guide first time start canning jars"],
      ["Ask a schedule", "/ask", "minutes, pressure, headspace"],
      ["Scan a label", "/larder/scan", "camera, code, find"],
    ],
  },
  {
    title: "The work",
    pages: [
      ["Field: add an animal or catch", "/field", "harvest, tag"],
      ["Cold: lots in the refrigerator and freezer", "/cold", "fridge thaw"],
      ["Table: cut a lot", "/table", "trim, weigh"],
      ["Plan: how many jars", "/plan", ""],
      ["The day, hour by hour", "/plan/day", "plan calendar"],
      ["Mixed dishes", "/plan/dishes", "recipe soup stew chili"],
      ["Equipment check", "/ready", "before a load, ready"],
      ["Pack: fill jars or cans", "/pack", ""],
      ["Seam: exhaust and close cans", "/seam", "bath, probe"],
      ["Sealer setup test", "/seam/set-up", "tear-down, hooks, overlap"],
      ["Sealer: charts and limits", "/seam/sealer", "drift, jam, adjusted"],
      ["Fire: canner runs", "/fire", "start a run load stove light burner"],
      ["Rest: check seals", "/rest", "towel, failed"],
    ],
  },
  {
    title: "Larder",
    pages: [
      ["Larder: the shelves", "/larder", "best by, open"],
      ["What to eat next, and how long it lasts", "/larder/eating", "meals, forecast, cost, price"],
      ["Labels to print, or the words for a marker", "/larder/labels", "pdf, sheet, roll"],
      ["Gift labels: what a new owner must know", "/larder/gifts", "give away, passport, present, qr"],
      ["Rooms: how warm the shelves are", "/larder/rooms", "temperature, frost, heat"],
      ["Recalls", "/larder/recalls", "bad, bulge, risk"],
      ["Charts: stock, age, seals, yields", "/larder/charts", "seasons"],
    ],
  },
  {
    title: "Equipment and practice",
    pages: [
      ["Shed: canners, gauges and supplies", "/shed", "equipment lids"],
      ["Seam school", "/practice", "practice, defects"],
      ["Drills at a simulated canner", "/practice/stove", "practice stove"],
    ],
  },
  {
    title: "Records",
    pages: [
      ["Records: export and import", "/records", "archive zip csv epcis"],
      ["Season’s packet", "/records/packet", "audit extension agent report pdf"],
      ["Backups", "/records/backups", "copies restore"],
      ["History: every change", "/records/history", "audit verify hash who"],
      ["Enter a run kept on paper", "/records/paper", "power outage sheet"],
      ["Blank forms to print", "/records/paper.pdf", "paper pdf power"],
      ["JSON interface for other programs", "/records/interface", "api openapi"],
      ["Export everything", "/records/archive.zip", "download zip"],
    ],
  },
  {
    title: "Household and help",
    pages: [
      ["Household: altitude, units, people, theme", "/household", "settings dark glare"],
      [
        "Passphrase, PINs and access tokens",
        "/household/access",
        "network security device keys connect phone tablet qr code",
      ],
      ["This device: sound, camera, install", "/household/device", "screen awake notifications offline app"],
      ["Help", "/help", "how why"],
      ["Compare the process tables", "/help/tables", "guide copy confirm memory edition"],
      ["Office schedules", "/help/offices", "extension office cans altitude letter"],
      ["Where the figures come from", "/help/sources", "source reference checked"],
    ],
  },
];
