import { randomUUID } from "node:crypto";
import { join } from "node:path";
import Database from "better-sqlite3";
import type { Running } from "./server";

/** What a server answered to a form: its status, where it led, and the words of the page. */
export interface Answer {
  status: number;
  /** the address it led to; null when it stayed */
  to: string | null;
  words: string;
}

type Fields = Record<string, string | readonly string[]>;

/** The words of a page as a person reads them: without marks, scripts and styles. */
const wordsOf = (html: string) =>
  html
    .replace(/<(script|style)[\s\S]*?<\/\1>/g, " ")
    .replace(/<!--[\s\S]*?-->/g, "")
    .replace(/<[^>]+>/g, " ")
    .replace(/&#x27;/g, "'")
    .replace(/&quot;/g, '"')
    .replace(/&amp;/g, "&")
    .replace(/\s+/g, " ");

/** A household worked by its forms alone, as a browser without a script does, or somebody who forges them. */
export class Forms {
  constructor(readonly server: Running) {}

  async send(path: string, fields: Fields): Promise<Answer> {
    const body = new URLSearchParams({ key: randomUUID() });
    for (const [name, value] of Object.entries(fields))
      for (const each of [value].flat()) body.append(name, each);
    const answer = await fetch(`${this.server.url}${path}`, {
      method: "POST",
      body,
      headers: { Origin: this.server.url },
      redirect: "manual",
    });
    return {
      status: answer.status,
      to: answer.headers.get("location"),
      words: wordsOf(await answer.text()),
    };
  }

  /** The same, for what must go through. */
  async done(path: string, fields: Fields): Promise<Answer> {
    const answer = await this.send(path, fields);
    if (answer.status !== 302) throw new Error(`${path}: ${answer.status} ${answer.words.slice(0, 600)}`);
    return answer;
  }

  async page(path: string): Promise<string> {
    return wordsOf(await (await fetch(`${this.server.url}${path}`)).text());
  }

  /** One value from the larder's tables. */
  get(sql: string, ...params: string[]): string {
    const db = new Database(join(this.server.folder, "larder.db"), { readonly: true });
    try {
      return String(
        db
          .prepare(sql)
          .pluck()
          .get(...params),
      );
    } finally {
      db.close();
    }
  }

  /** The day it is where the larder stands, YYYY-MM-DD. */
  today(): string {
    const now = Number(this.get("select max(at) from audit"));
    return new Intl.DateTimeFormat("en-CA", { timeZone: "America/Denver" }).format(now);
  }

  /** A household at 2,300 ft with a canner whose dial is true. */
  async settle(more: Fields = {}): Promise<this> {
    await this.done("/welcome", {
      personName: "Oda",
      units: "us",
      altitude: "2,300 ft",
      gauge: "dial",
      zone: "America/Denver",
      ...more,
    });
    return this;
  }

  /** @param off pounds it reads high */
  async testGauge(off: string): Promise<void> {
    await this.done("/shed", {
      intent: "check",
      cannerId: this.get("select id from canner"),
      way: off === "0" ? "true" : "high",
      amount: off,
      testedOn: this.today(),
      testedBy: "Extension office",
      against: "master gauge",
    });
  }

  /** @returns the id of a lot cut today from an animal taken today */
  async lot(species: string, part: string, weight: string): Promise<string> {
    await this.done("/field", { intent: "record", species, takenOn: this.today(), confirmed: "yes" });
    const harvestId = this.get("select id from harvest order by created_at desc, rowid desc");
    await this.done("/table", { harvestId, part, form: "pieces", inKg: weight, confirmed: "yes" });
    return this.get("select id from lot order by made_at desc, rowid desc");
  }

  /** Two pints of red meat of this lot, raw, as everybody packs them. */
  pack(lotId: string, more: Fields = {}): Promise<Answer> {
    return this.send("/pack", {
      lotId,
      product: "red-meat-pieces",
      method: "raw",
      container: "jar-pint regular",
      count: "2",
      massKg: "2 lb",
      liquid: "none",
      ...more,
    });
  }

  /** @returns the code of a run of everything that waits */
  async load(more: Fields = {}): Promise<string> {
    const { to } = await this.done("/fire", {
      cannerId: this.get("select id from canner"),
      packIds: this.get("select id from pack order by made_at desc"),
      ...more,
    });
    return to!.split("/").at(-1)!;
  }

  /** What somebody taps at the stove, one thing after another, with the minutes that pass before each. */
  async stove(code: string, taps: readonly (readonly [minutes: number, type: string, reading?: string])[]) {
    for (const [minutes, type, reading] of taps) {
      if (minutes) await this.server.pass(minutes);
      const answer = await this.send(`/fire/${code}`, { type, ...(reading && { reading }) });
      if (answer.status >= 400) throw new Error(`${type}: ${answer.status} ${answer.words.slice(0, 400)}`);
    }
  }
}
