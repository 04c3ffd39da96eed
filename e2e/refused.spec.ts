import { Forms } from "./forms";
import { expect, test } from "./server";

/** What must not be let past, tried by the forms as they are sent. */

test("numbers: a comma is read one way only, or asked about", async ({ empty }) => {
  const house = new Forms(empty);
  const settle = (more: Record<string, string>) =>
    house.send("/welcome", {
      personName: "Oda",
      units: "metric",
      decimal: "point",
      gauge: "weighted",
      zone: "America/Denver",
      ...more,
    });
  const asked = await settle({ altitude: "2.300 m" });
  expect(asked.status).toBe(422);
  expect(asked.words).toContain("can be read as 2.3 m or as 2300 m");
  expect((await settle({ altitude: "2,300 m" })).status).toBe(302);
  // Meters and feet, both.
  expect(await house.page("/household")).toContain("2,300 m");
  expect(await house.page("/household")).toContain("7,546 ft");
  const catchOf = (weight: string) =>
    house.send("/field", { intent: "record", species: "grouse", takenOn: house.today(), weight });
  // Three quarters in every household; what can be two things is asked about.
  expect((await catchOf("0,750 kg")).status).toBe(302);
  expect(Number(house.get("select weight_kg from harvest"))).toBe(0.75);
  expect((await catchOf("1,250 kg")).status).toBe(422);
});

test("seasoning: a dish is not packed as a seasoned fish, and much of a seasoning is asked about", async ({
  empty,
}) => {
  const house = await new Forms(empty).settle();
  const lot = await house.lot("lake-trout", "Fillets", "6 lb");
  const season = (additions: string) => house.pack(lot, { product: "fish", massKg: "1 lb 12 oz", additions });
  const dish = await season("2 tbsp flour, 1/2 cup cream and noodles");
  expect(dish.status).toBe(422);
  expect(dish.words).toContain("Flour: It thickens");
  expect((await season("1 cup pepper")).status).toBe(422);
  expect((await season("a bay leaf")).status).toBe(302);
});

test("a run on paper: midnight is asked, and errors stand at their fields", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  await house.testGauge("0");
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  await house.pack(lot);
  const day = house.today();
  await empty.pass(26 * 60);
  const sheet = {
    cannerId: house.get("select id from canner"),
    packIds: house.get("select id from pack"),
    day,
    lit: "02:00",
    steam: "02:05",
    weightOn: "02:15",
    start: "02:30",
    off: "02:20",
    readings: "02:31 13",
    loadReason: "the clock of the larder was not there",
    signedReason: "tested by the office",
    met: "yes",
  };
  const { status, words } = await house.send("/records/paper", { ...sheet, met: [] });
  expect(status).toBe(422);
  expect(words).toMatch(/midnight/);
  const two = await house.send("/records/paper", { ...sheet, met: [], steam: "25:00", zero: "noon" });
  expect(two.status).toBe(422);
  for (const typed of ["25:00", "noon"]) expect(two.words).toContain(`“${typed}” is not a time`);
});

test("the refrigerator: meat past its days is neither packed nor suggested", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  await empty.pass(152 * 24 * 60);
  const { status, words } = await house.pack(lot);
  expect(status).toBe(409);
  expect(words).toContain("refrigerator");
  expect(await house.page("/")).not.toMatch(/Pack what is in the cold/);
  expect(Number(house.get("select count(*) from pack"))).toBe(0);
});

test("weights: pieces make what the canner allows and the tables know", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  await house.done("/shed", {
    name: "Small canner",
    quarts: "16",
    gauge: "weighted",
    pieces: "5 10 15",
    safeMax: "20",
  });
  const shed = await house.page("/shed");
  expect(shed).toMatch(/10 (or|and) 15 lb/);
  expect(shed).not.toMatch(/(20|25|30) lb weight|15, 20/);
});

test("packing: what does not fit, is dry, or goes by another row", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  const lot = await house.lot("wild-boar", "Shoulder", "320 lb");
  expect((await house.pack(lot, { massKg: "300 lb", confirmed: "yes" })).status).toBe(422);
  expect((await house.pack(lot, { method: "hot" })).status, "without liquid").toBe(422);
  const soup = { product: "soup", method: "hot", liquid: "broth", broth: "bought", liquidName: "Beef broth" };
  expect((await house.pack(lot, soup)).status, "plain meat by a soup's minutes").toBe(422);
  const beans = await house.pack(lot, { product: "dry-beans", method: "hot", liquid: "water" });
  expect(beans.status, "meat as beans").toBe(422);
  expect(beans.words).toContain("not the process for");
  await house.pack(lot, { count: "42", massKg: "42 lb" });
  const { words } = await house.send("/fire", {
    cannerId: house.get("select id from canner"),
    packIds: house.get("select id from pack"),
    signedReason: "tested by the office last week",
  });
  expect(words, "42 pints in a canner for nine").toContain("42 containers do not fit in");
});

/** Two pints of boar through the canner at 13 lb, with the clock of one drop; on the towel, not looked at. */
async function canned(house: Forms): Promise<string> {
  await house.testGauge("0");
  await house.pack(await house.lot("wild-boar", "Shoulder", "9 lb"));
  const code = await house.load();
  await house.stove(code, [
    [1, "heat-on"],
    [5, "steam-steady"],
    [10, "weight-on"],
    [5, "at-target"],
    [20, "reading", "8 lb"],
    [10, "at-target"],
    ...Array.from({ length: 7 }, () => [11, "reading", "13 lb"] as const),
    [1, "heat-off"],
    [40, "pressure-zero"],
    [0, "lock-down"],
    [0, "weight-off"],
    [10, "lid-off"],
  ]);
  return code;
}

test("a record says what was recorded, and how much was not looked at", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  const code = await canned(house);
  // The first comes out with all of its liquid; nobody looks at the second.
  const container = house.get("select code from container order by number");
  const at = Number(house.get("select max(at) from run_event")) + 1_000;
  const taps = [{ id: crypto.randomUUID(), type: "container-out", at, container, siphoned: "none" }];
  const told = await fetch(`${empty.url}/fire/${code}/taps`, {
    method: "POST",
    headers: { Origin: empty.url, "Content-Type": "application/json" },
    body: JSON.stringify({ taps }),
  });
  expect(await told.json()).toMatchObject({ answers: [{ refused: null }] });
  await house.stove(code, [[1, "unloaded"]]);
  const record = await house.page(`/fire/${code}/record`);
  expect(record).toMatch(/Started over 1 time/);
  expect(record).not.toMatch(/without a break|none lost any liquid/);
  expect(record).toContain("1 of 2 recorded as full; 1 of 2 not looked at");
});

test("a dial far off high starts no clock, and is replaced", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  await house.testGauge("1.5");
  await house.pack(await house.lot("wild-boar", "Shoulder", "9 lb"));
  const { status, words } = await house.send("/fire", {
    cannerId: house.get("select id from canner"),
    packIds: house.get("select id from pack"),
    signedReason: "we know it",
  });
  expect(status).toBe(422);
  expect(words).toMatch(/[Rr]eplace/);
});

test("a load in the wrong canner comes out before the burner is lit, and waits again", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  await house.testGauge("0");
  await house.pack(await house.lot("wild-boar", "Shoulder", "9 lb"));
  const code = await house.load();
  expect((await house.send(`/fire/${code}`, { intent: "take-out" })).to).toBe("/fire");
  expect(house.get("select run_id from pack")).toBe("null");
  await house.load();
});

test("frost flags what stood there, not what came after, and the look at it can be recorded", async ({
  empty,
}) => {
  const house = await new Forms(empty).settle();
  await house.stove(await canned(house), [[1, "unloaded"]]);
  await house.done("/larder", { intent: "add", room: "Cellar", name: "Top" });
  const frost = (tempC: string) => house.done("/larder/rooms", { room: "Cellar", temp: tempC });
  await frost("-6 °C");
  await empty.pass(13 * 60);
  await frost("10 °C");
  const jars = house.get("select group_concat(id) from container").split(",");
  for (const containerId of jars) await house.send("/rest", { intent: "seal", containerId, look: "down" });
  const placeId = house.get("select id from shelf_place");
  await house.done("/larder", { intent: "put", placeId, containerIds: jars });
  expect(await house.page("/larder")).not.toMatch(/Cellar froze/);
  await frost("-6 °C");
  await empty.pass(60);
  await frost("10 °C");
  expect(await house.page("/larder")).toMatch(/Cellar froze/);
  for (const containerId of jars) await house.done("/larder", { intent: "looked", containerId });
  expect(await house.page("/larder")).not.toMatch(/Cellar froze/);
});

test("Today begins with what is dangerous", async ({ empty }) => {
  const house = await new Forms(empty).settle();
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  await house.lot("pronghorn", "Leg", "9 lb");
  await house.done(`/cold/${house.get("select code from lot where id = ?", lot)}`, {
    intent: "hold",
    condition: "a test result",
  });
  const today = await house.page("/");
  const later = today.indexOf("Anytime");
  expect(later).toBeGreaterThan(0);
  expect(today.search(/on hold/)).toBeGreaterThan(0);
  expect(today.search(/on hold/)).toBeLessThan(later);
});

test("what bulges and is closed is not opened to throw it out", async ({ own }) => {
  const house = new Forms(own);
  const jar = "from container where place_id is not null and moved = 'shelved' order by number";
  const [id, code] = [house.get(`select id ${jar}`), house.get(`select code ${jar}`)];
  await house.done(`/larder/open/${code}`, { containerId: id, signs: "bulge", verdict: "bad" });
  const thrown = await house.page(`/larder/recall/${code}`);
  expect(thrown).toContain("Do not open or taste it");
  expect(thrown).not.toContain("in a big pot");
});

test("common practice is apart from tested, is accepted once, and a can has a new end", async ({ empty }) => {
  const house = await new Forms(empty).settle({ altitude: "500 ft" });
  const asked = await house.page("/ask?what=can-game&container=can-half-pound");
  expect(asked).toMatch(/[Cc]ommon practice/);
  const lot = await house.lot("wild-boar", "Shoulder", "9 lb");
  const cans = {
    product: "can-game",
    method: "hot",
    container: "can-half-pound",
    liquid: "broth",
    broth: "bought",
    liquidName: "Beef broth",
    massKg: "13 oz",
  };
  expect((await house.pack(lot, cans)).status).toBe(422);
  await house.send("/household/accept", { product: "can-game" });
  const used = await house.pack(lot, { ...cans, reusedLids: "on" });
  expect(used.status).toBe(422);
  expect(used.words).toContain("An end is seamed on once");
  expect((await house.pack(lot, cans)).status).toBe(302);
});

test("what is no archive says so in words", async ({ empty }) => {
  const form = new FormData();
  form.set("key", crypto.randomUUID());
  form.set("intent", "archive");
  form.set("archive", new Blob(["no zip at all"]), "larder.zip");
  const answer = await fetch(`${empty.url}/records/restore`, {
    method: "POST",
    body: form,
    headers: { Origin: empty.url },
  });
  expect(answer.status).toBe(422);
  expect(await answer.text()).toContain("This file is damaged or not a zip.");
});

test("doors: a return address stays here, and a proxy's name is not this machine's", async ({ empty }) => {
  await new Forms(empty).settle();
  for (const back of ["/%09/evil.example", "/%0A/evil.example", "//evil.example"]) {
    const answer = await fetch(`${empty.url}/enter?back=${back}`, { redirect: "manual" });
    expect(answer.status, back).toBeLessThan(500);
    expect(answer.headers.get("location") ?? "/", back).not.toMatch(/evil/);
  }
  const proxied = await fetch(empty.url, { headers: { "X-Forwarded-For": "203.0.113.9" } });
  expect(proxied.status).toBe(421);
});
