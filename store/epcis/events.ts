import { DateTime } from "luxon";
import { v5 as nameUuid } from "uuid";
import { refuse, type Larder } from "#store/db";
import { getHousehold } from "#store/household";
import { entityIds, findCode, traceGraph } from "#store/trace";

/** An event of EPCIS 2.0 (GS1, ISO/IEC 19987:2024) as JSON-LD. */
export type EpcisEvent = Record<string, unknown> & { type: string; eventTime: string };

/** By which ids of events are made from ids of what they tell: the same event has the same id whenever it is asked for. */
const NAMESPACE = "6f2c1f0e-3c5b-5d0a-9a57-1f0c9e6b7a11";

/** A thing by its id. A household has no company prefix of GS1's, so things are named by UUIDs, which need none. */
const epc = (id: string) => `urn:uuid:${id}`;
const kg = (id: string, mass: number) => ({
  epcClass: epc(id),
  quantity: Number(mass.toFixed(6)),
  uom: "KGM",
});

interface Made {
  id: string;
  code: string;
  at: number;
}

/**
 * Returns what happened in a larder as EPCIS events, in the order of the work: animals and lots, lots and containers,
 * containers into and out of a canner and onto a shelf, and what was given away or is gone.
 *
 * Source: GS1 EPCIS 2.0, from memory.
 * @param about only what is connected with these ids; null for everything
 */
export function* epcisEvents(
  larder: Larder,
  about: ReadonlySet<string> | null = null,
): Generator<EpcisEvent> {
  const zone = getHousehold(larder)?.zone ?? "UTC";
  const { sqlite } = larder;
  const rows = <T>(sql: string, ...of: unknown[]) => sqlite.prepare(sql).all(...of) as T[];
  const wanted = (id: string) => about === null || about.has(id);
  const event = (type: string, at: number, name: string, rest: object): EpcisEvent => ({
    type,
    eventID: epc(nameUuid(name, NAMESPACE)),
    eventTime: new Date(at).toISOString(),
    eventTimeZoneOffset: DateTime.fromMillis(at, { zone }).toFormat("ZZ"),
    ...rest,
  });

  for (const h of rows<Made & { species: string; takenOn: string; weightKg: number | null }>(
    "select id, code, species, taken_on as takenOn, weight_kg as weightKg, created_at as at from harvest order by created_at, id",
  )) {
    if (!wanted(h.id)) continue;
    yield event("ObjectEvent", h.at, `harvest ${h.id}`, {
      action: "ADD",
      epcList: [epc(h.id)],
      ...(h.weightKg && { quantityList: [kg(h.id, h.weightKg)] }),
      bizStep: "commissioning",
      disposition: "active",
      "larder:code": h.code,
      "larder:species": h.species,
      "larder:takenOn": h.takenOn,
    });
  }

  for (const l of rows<Made & { part: string; madeKg: number }>(
    "select id, code, part, made_kg as madeKg, made_at as at from lot order by made_at, id",
  )) {
    if (!wanted(l.id)) continue;
    const from = rows<{ id: string; kg: number }>(
      "select coalesce(from_harvest, from_lot) as id, mass_kg as kg from lot_flow where to_lot = ? order by id",
      l.id,
    );
    yield event("TransformationEvent", l.at, `lot ${l.id}`, {
      inputEPCList: from.map((f) => epc(f.id)),
      inputQuantityList: from.map((f) => kg(f.id, f.kg)),
      outputEPCList: [epc(l.id)],
      outputQuantityList: [kg(l.id, l.madeKg)],
      bizStep: "commissioning",
      disposition: "active",
      "larder:code": l.code,
      "larder:part": l.part,
    });
  }

  for (const p of rows<Made & { product: string; container: string }>(
    "select id, code, product, container, made_at as at from pack order by made_at, id",
  )) {
    const containers = rows<{ id: string; code: string }>(
      "select id, code from container where pack_id = ? and emptied_at is null order by number",
      p.id,
    ).filter((c) => wanted(c.id));
    if (containers.length === 0) continue;
    const from = rows<{ id: string; kg: number }>(
      "select lot_id as id, sum(mass_kg) as kg from pack_from where pack_id = ? group by lot_id order by lot_id",
      p.id,
    );
    if (from.length === 0) continue;
    yield event("TransformationEvent", p.at, `pack ${p.id}`, {
      transformationID: epc(p.id),
      inputEPCList: from.map((f) => epc(f.id)),
      inputQuantityList: from.map((f) => kg(f.id, f.kg)),
      outputEPCList: containers.map((c) => epc(c.id)),
      bizStep: "commissioning",
      disposition: "in_progress",
      "larder:code": p.code,
      "larder:product": p.product,
      "larder:container": p.container,
      "larder:containerCodes": containers.map((c) => c.code).join(" "),
    });
  }

  for (const r of rows<Made & { endedAt: number | null; completedAt: number | null }>(
    "select id, code, opened_at as at, ended_at as endedAt, completed_at as completedAt from run order by opened_at, id",
  )) {
    const inside = rows<{ id: string }>(
      "select c.id from container c join pack k on k.id = c.pack_id where k.run_id = ? and c.emptied_at is null order by c.id",
      r.id,
    ).filter((c) => wanted(c.id));
    if (inside.length === 0) continue;
    const both = { parentID: epc(r.id), childEPCs: inside.map((c) => epc(c.id)), "larder:code": r.code };
    yield event("AggregationEvent", r.at, `load ${r.id}`, { ...both, action: "ADD", bizStep: "loading" });
    if (r.endedAt !== null)
      yield event("AggregationEvent", r.endedAt, `unload ${r.id}`, {
        ...both,
        action: "DELETE",
        bizStep: "unloading",
        disposition: r.completedAt === null ? "non_conformant" : "conformant",
      });
  }

  for (const m of rows<{
    id: string;
    containerId: string;
    code: string;
    at: number;
    kind: string;
    placeId: string | null;
    note: string | null;
  }>(
    `select m.id, m.container_id as containerId, c.code, m.at, m.kind, m.place_id as placeId, m.note
     from movement m join container c on c.id = m.container_id order by m.seq`,
  )) {
    if (!wanted(m.containerId)) continue;
    const rest = { "larder:code": m.code, ...(m.note && { "larder:note": m.note }) };
    if (m.kind === "shelved")
      yield event("AggregationEvent", m.at, `move ${m.id}`, {
        action: "ADD",
        parentID: epc(m.placeId!),
        childEPCs: [epc(m.containerId)],
        bizStep: "storing",
        disposition: "sellable_not_accessible",
        ...rest,
      });
    else
      yield event("ObjectEvent", m.at, `move ${m.id}`, {
        epcList: [epc(m.containerId)],
        ...GONE[m.kind],
        ...rest,
      });
  }
}

/** What a container that left its shelf is, in the words of the Core Business Vocabulary 2.0. */
const GONE: Record<string, object> = {
  given: { action: "OBSERVE", bizStep: "shipping", disposition: "in_transit" },
  opened: { action: "DELETE", bizStep: "dispensing", disposition: "dispensed" },
  discarded: { action: "DELETE", bizStep: "destroying", disposition: "destroyed" },
  missing: { action: "OBSERVE", bizStep: "stock_taking", disposition: "unknown" },
};

/**
 * Returns an EPCISDocument of version 2.0 in parts of text. Throws Refused (404) when nothing has the code.
 *
 * Source: GS1 EPCIS 2.0, from memory.
 * @param code only what is connected with it; null for everything
 */
export function* epcisDocument(larder: Larder, code: string | null): Generator<string> {
  const head = {
    "@context": [
      "https://ref.gs1.org/standards/epcis/2.0.0/epcis-context.jsonld",
      { larder: "urn:patient-larder:vocabulary:" },
    ],
    type: "EPCISDocument",
    schemaVersion: "2.0",
    creationDate: new Date(larder.now()).toISOString(),
  };
  yield `${JSON.stringify(head).slice(0, -1)},"epcisBody":{"eventList":[`;
  let first = true;
  for (const event of epcisEvents(larder, code === null ? null : connectedWith(larder, code))) {
    yield `${first ? "" : ","}\n${JSON.stringify(event)}`;
    first = false;
  }
  yield "\n]}}\n";
}

/** Ids of everything that went into a thing and came out of it. @throws Refused for a code that names nothing */
function connectedWith(larder: Larder, code: string): Set<string> {
  const found = findCode(larder, code);
  if (!found.found) return refuse(found.message, 404);
  const { nodes } = traceGraph(larder, found.kind, found.id);
  return new Set(
    entityIds(
      larder,
      nodes.map((n) => n.code),
    ).values(),
  );
}
