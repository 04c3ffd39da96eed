import type Database from "better-sqlite3";

/** So many are kept; what is asked for beyond them is prepared each time, which costs time and nothing else. */
const MOST = 1_000;

type Native = Database.Statement;

/**
 * A statement as somebody asked for it. How its rows are wanted belongs to whoever asked, so that two places that share a
 * prepared statement never see each other's.
 */
class Kept {
  private plucks = false;
  private raws = false;

  constructor(
    private readonly prepare: (sql: string) => Native,
    private native: Native,
  ) {}

  get source(): string {
    return this.native.source;
  }
  get reader(): boolean {
    return this.native.reader;
  }

  pluck(on = true): this {
    this.plucks = on;
    if (on) this.raws = false;
    return this;
  }
  raw(on = true): this {
    this.raws = on;
    if (on) this.plucks = false;
    return this;
  }
  columns(): Database.ColumnDefinition[] {
    return this.native.columns();
  }
  run(...given: unknown[]): Database.RunResult {
    return this.ready().run(...given);
  }
  get(...given: unknown[]): unknown {
    return this.ready().get(...given);
  }
  all(...given: unknown[]): unknown[] {
    return this.ready().all(...given);
  }
  iterate(...given: unknown[]): IterableIterator<unknown> {
    return this.ready().iterate(...given);
  }

  /** The statement, giving rows as they are wanted here; another one while it is still giving rows elsewhere. */
  private ready(): Native {
    if (this.native.busy) this.native = this.prepare(this.source);
    if (this.native.reader) this.native.raw(this.raws).pluck(this.plucks);
    return this.native;
  }
}

/**
 * Makes a database keep what it prepares, by the text: the same question asked again is not parsed again. Statements are
 * used as before; only `bind` and `safeIntegers`, which change a statement for good, are not there.
 */
export function keepStatements(sqlite: Database.Database): void {
  const prepare = sqlite.prepare.bind(sqlite) as (sql: string) => Native;
  const kept = new Map<string, Native>();
  const asked = (sql: string) => {
    const native = kept.get(sql) ?? prepare(sql);
    if (kept.size < MOST) kept.set(sql, native);
    return new Kept(prepare, native);
  };
  sqlite.prepare = asked as unknown as typeof sqlite.prepare;
}
