import { Refused } from "#store/db";
import { addSupply, listSupplies, recount, type SupplyKind } from "#store/supply";
import { addPlace, addStorageEntry, changePlace, listPlaces } from "#store/shelf";
import { CONTAINERS, type ContainerKey, type Mouth } from "#core/schedule";
import { queryRows, iso, textOf, type List } from "./list.ts";

const KINDS: readonly SupplyKind[] = ["jar", "lid", "can", "end"];

/** Jars, lids, cans and ends. A row says how many there are now. */
export const supplies: List = {
  key: "supplies",
  title: "Jars, lids, cans and ends",
  columns: [
    { head: "kind", kind: "text", max: 10 },
    { head: "container", kind: "text", max: 30 },
    { head: "mouth", kind: "text", max: 10 },
    { head: "label", kind: "text", max: 80 },
    { head: "left", kind: "whole" },
  ],
  hint: "Kind is jar, lid, can or end; mouth regular or wide. Left is how many there are now.",
  rows: (larder) =>
    queryRows(
      larder,
      `select kind, container, mouth, label, left from supply order by kind, container, mouth, label`,
    ),
  take(larder, write, row) {
    const kind = textOf(row, "kind").toLowerCase() as SupplyKind;
    if (!KINDS.includes(kind)) throw new Refused({ kind: `Kind is one of ${KINDS.join(", ")}.` });
    const container = (textOf(row, "container") || null) as ContainerKey | null;
    if (container !== null && !CONTAINERS.includes(container))
      throw new Refused({ container: `“${container}” is no container known here, like jar-pint.` });
    const mouth = (textOf(row, "mouth") || null) as Mouth | null;
    if (mouth !== null && mouth !== "regular" && mouth !== "wide")
      throw new Refused({ mouth: "Mouth is regular or wide." });
    const label = textOf(row, "label");
    const left = (row.left as number | null | undefined) ?? null;
    if (!label) throw new Refused({ label: "The label is missing." });
    if (left === null) throw new Refused({ left: "How many there are is missing." });
    const known = listSupplies(larder).find(
      (s) => s.kind === kind && s.container === container && s.mouth === mouth && s.label === label,
    );
    if (known?.left === left) return { what: "same", sentence: `${label}: ${left}, as counted.` };
    if (known) {
      recount(larder, write, { supplyId: known.id, left, why: "counted" });
      return { what: "changed", sentence: `${label}: counted ${left}, was ${known.left}.` };
    }
    addSupply(larder, write, { kind, container, mouth, label, count: left });
    return { what: "new", sentence: `${label}: ${left} in the Shed.` };
  },
};

/** Shelves and boxes. */
export const shelves: List = {
  key: "shelves",
  title: "Shelves and boxes",
  columns: [
    { head: "room", kind: "text", max: 40 },
    { head: "name", kind: "text", max: 40 },
    { head: "kind", kind: "text", max: 10 },
    { head: "takes", kind: "whole" },
  ],
  hint: "Kind is shelf or box; takes is how many containers it holds, empty where nobody has said.",
  rows: (larder) =>
    queryRows(
      larder,
      `select room, name, kind, capacity from shelf_place where retired_at is null order by room, position`,
    ),
  take(larder, write, row) {
    const [room, name] = [textOf(row, "room"), textOf(row, "name")];
    if (!room || !name) throw new Refused({ name: "A shelf has a room and a name." });
    const kind = textOf(row, "kind").toLowerCase() || "shelf";
    if (kind !== "shelf" && kind !== "box") throw new Refused({ kind: "Kind is shelf or box." });
    const capacity = (row.takes as number | null | undefined) ?? null;
    if (capacity !== null && (capacity < 1 || capacity > 10_000))
      throw new Refused({ takes: "A shelf takes 1 to 10,000." });
    const known = listPlaces(larder).find((p) => p.room === room && p.name === name);
    if (known && known.kind === kind && known.capacity === capacity)
      return { what: "same", sentence: `${room}, ${name} stays as it is.` };
    if (known) {
      changePlace(larder, write, known.id, { room, name, kind, capacity });
      return {
        what: "changed",
        sentence: `${room}, ${name}: a ${kind} that takes ${capacity ?? "any number"}.`,
      };
    }
    addPlace(larder, write, { room, name, kind, capacity });
    return { what: "new", sentence: `A ${kind} ${name} in ${room}.` };
  },
};

/** How warm the rooms of the shelves were. */
export const rooms: List = {
  key: "rooms",
  title: "Room temperatures",
  columns: [
    { head: "room", kind: "text", max: 40 },
    { head: "at", kind: "instant" },
    { head: "temperature °C", kind: "number" },
  ],
  hint: "At is an instant with its zone, like 2026-11-20T14:05:00Z.",
  rows: (larder) =>
    queryRows(larder, `select room, at, temp_c from storage_entry order by at, seq`).map(([room, at, c]) => [
      room!,
      iso(at as number),
      c!,
    ]),
  take(larder, write, row) {
    const at = (row.at as number | null | undefined) ?? null;
    const tempC = (row["temperature °C"] as number | null | undefined) ?? null;
    const room = textOf(row, "room");
    if (at === null) throw new Refused({ at: "When it was is missing." });
    if (tempC === null) throw new Refused({ temp: "The temperature is missing." });
    const known = larder.sqlite
      .prepare("select 1 from storage_entry where room = ? and at = ? and temp_c = ?")
      .get(room, at, tempC);
    if (known) return { what: "same", sentence: `${room} at ${iso(at)} is known.` };
    addStorageEntry(larder, write, { room, tempC, at });
    return { what: "new", sentence: `${room}, ${tempC} °C at ${iso(at)}.` };
  },
};
